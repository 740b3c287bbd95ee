using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class CounterexampleHarmless : DependencyFindingKind
{
    public override string Code => "counterexample-harmless";

    public override string Title => "Counterexample that contradicts nothing";

    public override string Help =>
        "A row alone contradicts no dependency, nor do rows that differ on what determines. Two have to agree on all of the left side and "
        + "differ on the right.";

    public override int Rank => 39;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: CounterexampleFact, Kind: VerdictKind.Wrong }
        let given = CounterexampleFact.GivenFor(verdict.Fact, comparison.Drawn)
        where !CounterexampleFact.StandingOf(verdict.Fact, given, comparison.Drawn).IsShown
        let goal = CounterexampleFact.WantedBy(verdict.Fact, comparison.Drawn.Model).Goal
        let determinant = comparison.Say(goal.From.Attributes)
        let to = comparison.Say(goal.To.Attributes)
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"The rows do not contradict {verdict.Fact.Value}.",
            There = $"No two of the rows agree on {determinant} and differ on {to}.",
            Wanted = "Two rows that do.",
            Why = $"As long as no two rows agree on {determinant} and differ on {to}, the one may well determine the other.",
            Claims = [verdict.Fact.Id],
            ModelElements = [goal.From.Note],
            AnswerElements = [given.Note],
        };
}
