using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class CounterexampleMissing : DependencyFindingKind
{
    public override string Code => "counterexample-missing";

    public override string Title => "Counterexample not given";

    public override string Help =>
        "Two rows are enough to show that something does not determine something else: they agree on the one and not on the other, and "
        + "keep everything that is given.";

    public override int Rank => 38;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: CounterexampleFact, Kind: VerdictKind.Absent }
        let wanted = CounterexampleFact.WantedBy(verdict.Fact, comparison.Drawn.Model)
        let rows = wanted.Text.Rows.Prepend(wanted.Text.Columns).Select(row => string.Join(", ", row))
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline = $"No rows are given against {verdict.Fact.Value}.",
            There = $"No note gives a counterexample to {verdict.Fact.Value}.",
            Wanted = $"For instance: {string.Join("; ", rows)}.",
            Why = $"That {verdict.Fact.Value} does not follow is shown by rows that keep all that is given and break it.",
            Claims = [verdict.Fact.Id],
            ModelElements = [wanted.Note],
            AnswerElements = [.. ElementsOf(comparison, wanted.Goal.From.Attributes | wanted.Goal.To.Attributes)],
        };
}
