using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>That a dependency is derived from the arrows, where the model answer derives it. Any way that follows is right.</summary>
internal sealed record DerivationFact() : DependencyFactKind("derivation", 28)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        DerivationsOf(model)
            .Select(derivation =>
                New(
                    IdIn(derivation),
                    derivation.Note,
                    $"derivation of {CoverFact.Said(derivation.Goal, model)}",
                    CoverFact.Said(derivation.Goal, model)
                )
            );

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Derivations", 5, "the diagram");

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        if (GivenFor(fact, drawn) is not { } given)
        {
            return new Verdict(fact, VerdictKind.Absent, drawn.Answer.Listed.Derivations.FirstOrDefault()?.Note, "");
        }

        var standing = StandingOf(given, drawn);
        var astray = standing.Astray.Count + (standing.IsFinished ? 0 : 1);
        return astray == 0
            ? new Verdict(fact, VerdictKind.Holds, given.Note, fact.Value)
            : new Verdict(fact, VerdictKind.Wrong, given.Note, fact.Value, PartlyRight: astray == 1 && given.Steps.Length > 1);
    }

    /// <summary>The derivation of the model answer that a fact is about.</summary>
    public static ListedDerivation WantedBy(Fact fact, DependencyReading model) =>
        DerivationsOf(model).First(derivation => new DerivationFact().IdOf(IdIn(derivation)) == fact.Id);

    /// <summary>What the answer gives for it; null where it gives nothing.</summary>
    public static ListedDerivation? GivenFor(Fact fact, DrawnAgainst drawn)
    {
        var wanted = WantedBy(fact, drawn.Model).Goal;
        return drawn.Answer.Listed.Derivations.FirstOrDefault(derivation =>
            drawn.InModel(derivation.Goal) is { } goal && goal == new Dependency(wanted.From.Attributes, wanted.To.Attributes)
        );
    }

    /// <summary>Which steps of a derivation do not follow, and whether it comes to its end.</summary>
    public static DerivationStanding StandingOf(ListedDerivation derivation, DrawnAgainst drawn)
    {
        return DerivationCheck.Of(
            [.. derivation.Steps.Select(step => drawn.InModel(step))],
            drawn.InModel(derivation.Goal)!.Value,
            drawn.Model.Set.Functional
        );
    }

    private static IEnumerable<ListedDerivation> DerivationsOf(DependencyReading model) =>
        model
            .Listed.Derivations.Where(one => one.Goal.From.Strange.IsEmpty && one.Goal.To.Strange.IsEmpty)
            .DistinctBy(one => (one.Note, one.Goal.From.Attributes, one.Goal.To.Attributes));

    private static string IdIn(ListedDerivation derivation) =>
        new ConceptId(
            derivation.Note,
            $"derivation-{string.Join('+', derivation.Goal.From.Attributes)}-{string.Join('+', derivation.Goal.To.Attributes)}"
        ).ToString();
}
