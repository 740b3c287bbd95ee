using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>What of a dependency diagram a fact is about, and when one holds. One class a kind, found by its type.</summary>
internal abstract record DependencyFactKind(string Name, int Order) : FactKind(Name, Order)
{
    /// <summary>All kinds, in their order.</summary>
    public static IReadOnlyList<DependencyFactKind> All { get; } =
    [
        .. typeof(DependencyFactKind)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(DependencyFactKind)) && !type.IsAbstract)
            .Select(type => (DependencyFactKind)Activator.CreateInstance(type, nonPublic: true)!)
            .OrderBy(kind => kind.Order),
    ];

    /// <summary>The facts of this kind that a model answer states.</summary>
    public abstract IEnumerable<Fact> Of(DependencyReading model);

    /// <summary>The verdict on one of them.</summary>
    public abstract Verdict Judge(Fact fact, DrawnAgainst drawn);
}

/// <summary>That an attribute is there.</summary>
internal sealed record DependencyAttributeFact() : DependencyFactKind("dependency-attribute", 0)
{
    public override FactSort Sort => FactSort.Attribute;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        model.LaidOut.Select(attribute =>
            New(attribute.Id, attribute.Id, $"attribute {attribute.Text}", attribute.Name.Text) with
            {
                Noun = "attribute",
            }
        );

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Attributes", 1, "the diagram");

    public override Verdict Judge(Fact fact, DrawnAgainst drawn) =>
        drawn.AnswerTo(drawn.ModelIndex(fact.ConceptId)) is { } found
            ? new Verdict(fact, VerdictKind.Holds, found.Id, found.Name.Text)
            : new Verdict(fact, VerdictKind.Absent, null, "");
}

/// <summary>
/// That a determinant determines an attribute: it follows from what the answer draws of what the model answer implies, and nothing
/// else is said to determine it.
/// </summary>
internal sealed record DependencyFact() : DependencyFactKind("dependency", 10)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        model
            .Dependencies.DistinctBy(arrow => (arrow.From, arrow.To, arrow.IsMultivalued))
            .Where(arrow => !arrow.Dependency.IsTrivial && !IsSaidBefore(arrow, model))
            .Select(arrow =>
                New(
                    arrow.Id,
                    arrow.Id,
                    $"{model.Say(arrow.From)} {arrow.Verb} {model.Attributes[arrow.To].Text}",
                    model.Say(arrow.From)
                )
            );

    // A multivalued dependency and its complement are one fact.
    private static bool IsSaidBefore(DrawnDependency arrow, DependencyReading model) =>
        arrow.IsMultivalued
        && new DependencySet(
            model.Set.Attributes,
            model.Set.Functional,
            [
                .. model
                    .Dependencies.TakeWhile(other => other.Id != arrow.Id)
                    .Where(other => other.IsMultivalued)
                    .Select(other => other.Dependency),
            ]
        ).Implied.ImpliesMultivalued(arrow.Dependency);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Dependents", 6, fact.Value);

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        var wanted = drawn.ModelArrow(fact.ConceptId);
        if (drawn.Unlaid(wanted) is { } missing)
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "") { OwnerId = missing.Id };
        }

        var said = drawn.Arrows.Where(arrow => arrow.To == wanted.To && !arrow.IsTrivial).ToList();
        var unsound = said.FindAll(arrow => !arrow.IsSound);
        var holds = drawn.Implies(wanted);
        var place = drawn.SameArrow(wanted)?.Id ?? said.FirstOrDefault()?.Id ?? drawn.AnswerTo(wanted.To)!.Id;
        if (holds && unsound.Count == 0)
        {
            return new Verdict(fact, VerdictKind.Holds, place, fact.Value);
        }

        var tooLarge = said.Exists(arrow => arrow.IsSound && wanted.From.IsProperSubsetOf(arrow.From));
        return said.Count == 0
            ? new Verdict(fact, VerdictKind.Absent, drawn.AnswerTo(wanted.To)!.Id, "")
            : new Verdict(
                fact,
                VerdictKind.Wrong,
                (unsound.FirstOrDefault() ?? said[0]).Id,
                string.Join(" | ", said.Select(arrow => drawn.Model.Say(arrow.From))),
                PartlyRight: unsound.Count < 2 && (holds || (tooLarge && unsound.Count == 0))
            );
    }
}

/// <summary>What is written at an arrow that keeps the attributes from a higher form, where the model answer says it.</summary>
internal sealed record DependencyLetterFact() : DependencyFactKind("dependency-letter", 15)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        model
            .Dependencies.Where(arrow => arrow.Letter != DependencyLetter.None)
            .Select(arrow =>
                New(
                    new ConceptId(ConceptId.Of(arrow.Id).Element, "letter").ToString(),
                    arrow.Id,
                    $"{arrow.Letter.Mark()} where {model.Say(arrow.From)} {arrow.Verb} {model.Attributes[arrow.To].Text}",
                    arrow.Letter.Word()
                )
            );

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Letters", 2, "the diagram");

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        var wanted = drawn.ModelArrow(ConceptId.Of(fact.ConceptId).Element);
        if (drawn.SameArrow(wanted) is not { } arrow)
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "") { OwnerId = wanted.Id };
        }

        return arrow.Letter == wanted.Letter ? new Verdict(fact, VerdictKind.Holds, arrow.Id, arrow.Letter.Word())
            : arrow.Letter == DependencyLetter.None ? new Verdict(fact, VerdictKind.Absent, arrow.Id, "")
            : new Verdict(fact, VerdictKind.Wrong, arrow.Id, arrow.Letter.Word());
    }
}

/// <summary>That what is marked as the key is a candidate key.</summary>
internal sealed record ChosenKeyFact() : DependencyFactKind("chosen-key", 20)
{
    public override FactSort Sort => FactSort.Key;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        model.Key.IsEmpty
            ? []
            :
            [
                New(
                    model.Attributes[model.Key.First()].Id,
                    "key",
                    "the key",
                    string.Join(" + ", model.Key.Select(i => model.Attributes[i].Text))
                ),
            ];

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line("The key", 3);

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        if (drawn.Answer.Key.IsEmpty)
        {
            return new Verdict(fact, VerdictKind.Absent, null, "");
        }

        var said = string.Join(" + ", drawn.Answer.Key.Select(i => drawn.Answer.Attributes[i].Text));
        var place = drawn.Answer.Attributes[drawn.Answer.Key.First()].Id;
        return drawn.KeyStanding switch
        {
            KeyStanding.Candidate => new Verdict(fact, VerdictKind.Holds, place, said),
            KeyStanding.TooLarge => new Verdict(fact, VerdictKind.Wrong, place, said, PartlyRight: true),
            _ => new Verdict(fact, VerdictKind.Wrong, place, said),
        };
    }
}
