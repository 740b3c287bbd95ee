using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>What a set determines, all in all, where the model answer gives it.</summary>
internal sealed record ClosureFact() : DependencyFactKind("closure", 25)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        ClosuresOf(model)
            .Select(closure =>
                New(
                    IdIn(closure, model),
                    closure.Of.Note,
                    $"closure of {model.Say(closure.Of.Attributes)}",
                    string.Join(", ", model.Set.Implied.ClosureOf(closure.Of.Attributes).Select(i => model.Attributes[i].Text))
                )
            );

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Closures", 4, "the diagram");

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        if (GivenFor(fact, drawn) is not { } given)
        {
            return new Verdict(fact, VerdictKind.Absent, drawn.Answer.Listed.Closures.FirstOrDefault()?.Of.Note, "");
        }

        var (left, more) = Astray(fact, given, drawn);
        var names = string.Join(", ", drawn.Answer.NamesIn(given.Reached));
        var astray = left.Count + more.Length;
        return astray == 0
            ? new Verdict(fact, VerdictKind.Holds, given.Of.Note, names)
            : new Verdict(fact, VerdictKind.Wrong, given.Of.Note, names, PartlyRight: astray == 1);
    }

    /// <summary>The set of which a fact is the closure.</summary>
    public static AttributeSet SetOf(Fact fact, DependencyReading model) =>
        ClosuresOf(model).First(closure => new ClosureFact().IdOf(IdIn(closure, model)) == fact.Id).Of.Attributes;

    /// <summary>What the answer gives for it; null where it gives nothing.</summary>
    public static ListedClosure? GivenFor(Fact fact, DrawnAgainst drawn)
    {
        var wanted = SetOf(fact, drawn.Model);
        return drawn.Answer.Listed.Closures.FirstOrDefault(closure =>
            closure.Of.Strange.IsEmpty
            && closure.Of.Attributes.All(i => drawn.ModelOf(i) is not null)
            && drawn.InModel(closure.Of) == wanted
        );
    }

    /// <summary>
    /// What is determined and not given, and the names of what is given and not determined. A set determines itself: that need not be said.
    /// </summary>
    public static (AttributeSet Left, ImmutableArray<string> More) Astray(Fact fact, ListedClosure given, DrawnAgainst drawn)
    {
        var of = SetOf(fact, drawn.Model);
        var wanted = drawn.Model.Set.Implied.ClosureOf(of);
        var more = given.Reached.Attributes.Where(i => drawn.ModelOf(i) is not { } one || !wanted.Contains(one));
        return (
            wanted - drawn.InModel(given.Reached) - of,
            [.. more.Select(i => drawn.Answer.Attributes[i].Name.Text), .. given.Reached.Strange]
        );
    }

    private static IEnumerable<ListedClosure> ClosuresOf(DependencyReading model) =>
        model.Listed.Closures.Where(closure => !closure.Of.Attributes.IsEmpty);

    private static string IdIn(ListedClosure closure, DependencyReading model) =>
        new ConceptId(
            closure.Of.Note,
            "closure-" + string.Join('+', closure.Of.Attributes.Select(i => model.Attributes[i].Id))
        ).ToString();
}

/// <summary>How a minimal cover that an answer gives stands to what the model answer implies.</summary>
/// <param name="Lost">Dependencies of the model answer that do not follow from it.</param>
/// <param name="False">Those of it that the model answer does not imply, by their place in it.</param>
/// <param name="Spare">Those of it without which, or with less in front of which, it says the same, by their place in it.</param>
internal sealed record CoverStanding(ImmutableArray<Dependency> Lost, ImmutableArray<int> False, ImmutableArray<int> Spare);

/// <summary>
/// That a minimal cover is given: it says what the arrows say, and nothing of it can be left out. Any that does is right.
/// </summary>
internal sealed record CoverFact() : DependencyFactKind("minimal-cover", 26)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        model.Listed.Cover is { } cover
            ?
            [
                New(
                    new ConceptId(cover.Note, "cover").ToString(),
                    cover.Note,
                    "a minimal cover",
                    string.Join("; ", cover.Arrows.Select(arrow => Said(arrow, model)))
                ),
            ]
            : [];

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line("A minimal cover", 5);

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        if (drawn.Answer.Listed.Cover is not { } cover)
        {
            return new Verdict(fact, VerdictKind.Absent, null, "");
        }

        var standing = StandingOf(cover, drawn);
        var astray = standing.Lost.Length + standing.False.Length;
        var said = string.Join("; ", cover.Arrows.Select(arrow => Said(arrow, drawn.Answer)));
        return astray + standing.Spare.Length == 0
            ? new Verdict(fact, VerdictKind.Holds, cover.Note, said)
            : new Verdict(
                fact,
                VerdictKind.Wrong,
                cover.Note,
                said,
                PartlyRight: astray == 0 || astray + standing.Spare.Length == 1
            );
    }

    /// <summary>What is right and wrong of a cover.</summary>
    public static CoverStanding StandingOf(ListedCover cover, DrawnAgainst drawn)
    {
        var implied = drawn.Model.Set.Implied;
        var arrows = cover.Arrows.Select(arrow => (Known: IsKnown(arrow.From) && IsKnown(arrow.To), In: InModel(arrow))).ToList();
        var sound = arrows.Select(arrow => arrow.Known && arrow.In.To.IsSubsetOf(implied.ClosureOf(arrow.In.From))).ToList();
        List<int> places = [.. Enumerable.Range(0, arrows.Count).Where(i => sound[i])];
        var all = new Closure(places.Select(i => arrows[i].In));
        return new CoverStanding(
            [.. drawn.Model.Set.Functional.Where(one => !one.IsTrivial && !all.Implies(one))],
            [.. Enumerable.Range(0, arrows.Count).Where(i => !sound[i])],
            [.. places.Where(IsSpare)]
        );

        bool IsSpare(int i)
        {
            var (from, to) = (arrows[i].In.From, arrows[i].In.To);
            return from.Any(one => to.Meets(all.Of(from - AttributeSet.Of(one)) - (from - AttributeSet.Of(one))))
                || to.Any(one => Without(i, from, to - AttributeSet.Of(one)).Of(from).Contains(one));
        }

        Closure Without(int at, AttributeSet from, AttributeSet to) =>
            new(places.Select(i => i == at ? new Dependency(from, to) : arrows[i].In));

        bool IsKnown(ListedSet set) => set.Strange.IsEmpty && set.Attributes.All(i => drawn.ModelOf(i) is not null);

        Dependency InModel((ListedSet From, ListedSet To) arrow) => new(drawn.InModel(arrow.From), drawn.InModel(arrow.To));
    }

    /// <summary>A dependency of a cover as it is written.</summary>
    public static string Said((ListedSet From, ListedSet To) arrow, DependencyReading reading) =>
        $"{string.Join(", ", reading.NamesIn(arrow.From).Select(Language.Phrasing.InText))} → "
        + string.Join(", ", reading.NamesIn(arrow.To).Select(Language.Phrasing.InText));
}

/// <summary>The normal form of the attributes as one table, where the model answer names it.</summary>
internal sealed record ClaimedFormFact() : DependencyFactKind("normal-form", 27)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        model.Listed.Claimed is { } claimed
            ?
            [
                New(
                    new ConceptId(claimed.Note, "form").ToString(),
                    claimed.Note,
                    "the normal form as one table",
                    FormNames.Short(TrueOf(model) ?? claimed.Form)
                ),
            ]
            : [];

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line("The normal form", 5);

    public override Verdict Judge(Fact fact, DrawnAgainst drawn) =>
        drawn.Answer.Listed.Claimed is not { } claimed ? new Verdict(fact, VerdictKind.Absent, null, "")
        : FormNames.Short(claimed.Form) == fact.Value ? new Verdict(fact, VerdictKind.Holds, claimed.Note, fact.Value)
        : new Verdict(fact, VerdictKind.Wrong, claimed.Note, FormNames.Short(claimed.Form));

    /// <summary>The form by the model answer's arrows; null where it is too much work to decide.</summary>
    public static NormalForm? TrueOf(DependencyReading model) => NormalForms.Of(model.Set.All, model.Set)?.Form;
}
