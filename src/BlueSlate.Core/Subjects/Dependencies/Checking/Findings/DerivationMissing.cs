using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DerivationMissing : DependencyFindingKind
{
    public override string Code => "derivation-missing";

    public override string Title => "Derivation not given";

    public override string Help =>
        "A derivation shows step by step that a dependency follows from the arrows: each step is given, or follows from those before it by "
        + "one rule, and the last is what was to be shown.";

    public override int Rank => 38;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: DerivationFact, Kind: VerdictKind.Absent }
        let wanted = DerivationFact.WantedBy(verdict.Fact, comparison.Drawn.Model)
        let steps = wanted.Steps.Select(step => CoverFact.Said(step, comparison.Drawn.Model))
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline = $"No derivation of {verdict.Fact.Value} is given.",
            There = $"No note derives {verdict.Fact.Value}.",
            Wanted = $"For instance: {string.Join("; ", steps)}.",
            Why = $"That {verdict.Fact.Value} holds is said by no arrow alone.",
            Claims = [verdict.Fact.Id],
            ModelElements = [wanted.Note],
            AnswerElements = [.. ElementsOf(comparison, wanted.Goal.From.Attributes | wanted.Goal.To.Attributes)],
        };
}
