using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DerivationUnfinished : DependencyFindingKind
{
    public override string Code => "derivation-unfinished";

    public override string Title => "Derivation without its end";

    public override string Help => "Every step follows, and the last is not what was to be shown.";

    public override int Rank => 39;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: DerivationFact, Kind: VerdictKind.Wrong }
        let drawn = comparison.Drawn
        let given = DerivationFact.GivenFor(verdict.Fact, drawn)!
        where DerivationFact.StandingOf(given, drawn).Astray.Count == 0
        let last = given.Steps.IsEmpty ? "" : CoverFact.Said(given.Steps[^1], drawn.Answer)
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"The derivation does not come to {verdict.Fact.Value}.",
            There = last.Length == 0 ? "It has no steps." : $"It ends with {last}.",
            Wanted = Phrasing.Capital($"{verdict.Fact.Value} as its last step."),
            Why = $"What is shown is not yet that {verdict.Fact.Value} holds.",
            Claims = [verdict.Fact.Id],
            ModelElements = [DerivationFact.WantedBy(verdict.Fact, drawn.Model).Note],
            AnswerElements = [given.Note],
        };
}
