using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class PrimesUnlisted : DependencyFindingKind
{
    public override string Code => "prime-attributes-unlisted";

    public override string Title => "Prime attributes not listed";

    public override string Help =>
        "An attribute is prime when it is in a candidate key, whichever. Second and third normal form ask only of the others "
        + "what determines them, so one has to know which they are.";

    public override int Rank => 33;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: PrimesFact, Kind: VerdictKind.Absent }
        let primes = comparison.Drawn.Model.Listed.Primes!
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline = "The prime attributes are not listed.",
            There = "No prime attributes are listed.",
            Wanted = $"A note: “Prime attributes: {string.Join(", ", primes.Attributes.Select(comparison.Say))}”.",
            Why = "Each of them is in a candidate key.",
            Claims = [verdict.Fact.Id],
            ModelElements = [primes.Note],
            AnswerElements = [.. ElementsOf(comparison, primes.Attributes)],
        };
}
