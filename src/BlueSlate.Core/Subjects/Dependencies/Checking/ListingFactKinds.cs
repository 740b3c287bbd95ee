using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>That a candidate key is listed, where the model answer lists them all; the one that is underlined is listed by that.</summary>
internal sealed record CandidateKeyFact() : DependencyFactKind("candidate-key", 22)
{
    public override FactSort Sort => FactSort.Key;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        KeysOf(model)
            .Select(key =>
                New(
                    IdIn(key, model),
                    key.Note,
                    $"candidate key {model.Say(key.Attributes)}",
                    string.Join(" + ", key.Attributes.Select(i => model.Attributes[i].Text))
                )
            );

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Candidate keys", 4, "the diagram");

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        var wanted = WantedBy(fact, drawn.Model);
        if (drawn.Answer.Listed.Keys.FirstOrDefault(key => key.Strange.IsEmpty && IsWanted(key)) is { } listed)
        {
            return new Verdict(fact, VerdictKind.Holds, listed.Note, fact.Value);
        }

        return drawn.KeyStanding == KeyStanding.Candidate && drawn.MarkedKey == wanted
            ? new Verdict(fact, VerdictKind.Holds, drawn.Answer.Attributes[drawn.Answer.Key.First()].Id, fact.Value)
            : new Verdict(fact, VerdictKind.Absent, drawn.Answer.Listed.Keys.FirstOrDefault()?.Note, "");

        bool IsWanted(ListedSet key) => key.Attributes.All(i => drawn.ModelOf(i) is not null) && drawn.InModel(key) == wanted;
    }

    /// <summary>The attributes of the key that a fact is about.</summary>
    public static AttributeSet WantedBy(Fact fact, DependencyReading model) =>
        KeysOf(model).First(key => new CandidateKeyFact().IdOf(IdIn(key, model)) == fact.Id).Attributes;

    private static IEnumerable<ListedSet> KeysOf(DependencyReading model) =>
        model.Listed.Keys.Where(key => !key.Attributes.IsEmpty).DistinctBy(key => (key.Note, key.Attributes));

    private static string IdIn(ListedSet key, DependencyReading model) =>
        new ConceptId(key.Note, string.Join('+', key.Attributes.Select(i => model.Attributes[i].Id))).ToString();
}

/// <summary>That the attributes that are in a candidate key are listed, and no others.</summary>
internal sealed record PrimesFact() : DependencyFactKind("prime-attributes", 24)
{
    public override FactSort Sort => FactSort.Key;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        model.Listed.Primes is { } primes
            ?
            [
                New(
                    new ConceptId(primes.Note, "primes").ToString(),
                    primes.Note,
                    "the prime attributes",
                    string.Join(", ", primes.Attributes.Select(i => model.Attributes[i].Text))
                ),
            ]
            : [];

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line("The prime attributes", 5);

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        if (drawn.Answer.Listed.Primes is not { } listed)
        {
            return new Verdict(fact, VerdictKind.Absent, null, "");
        }

        var (wanted, said) = (drawn.Model.Listed.Primes!.Attributes, drawn.InModel(listed));
        var astray =
            (wanted - said).Count + (said - wanted).Count + (listed.Attributes.Count - said.Count) + listed.Strange.Length;
        var names = string.Join(", ", drawn.Answer.NamesIn(listed));
        return astray == 0
            ? new Verdict(fact, VerdictKind.Holds, listed.Note, names)
            : new Verdict(fact, VerdictKind.Wrong, listed.Note, names, PartlyRight: astray == 1);
    }
}
