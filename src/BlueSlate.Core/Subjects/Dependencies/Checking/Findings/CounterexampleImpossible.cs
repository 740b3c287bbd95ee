using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class CounterexampleImpossible : DependencyFindingKind
{
    public override string Code => "counterexample-impossible";

    public override string Title => "Counterexample that cannot be";

    public override string Help =>
        "Rows that break what is given cannot stand in the table, and so show nothing of it. A counterexample keeps every given dependency "
        + "and breaks only the one that it is against.";

    public override int Rank => 39;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: CounterexampleFact, Kind: VerdictKind.Wrong }
        let given = CounterexampleFact.GivenFor(verdict.Fact, comparison.Drawn)
        let standing = CounterexampleFact.StandingOf(verdict.Fact, given, comparison.Drawn)
        where standing is { IsShown: true, Conflict: not null }
        let conflict = standing.Conflict!.Value
        let determinant = comparison.Say(conflict.Broken.From)
        let to = comparison.Say(conflict.Broken.To)
        let rows = $"Rows {conflict.First + 1} and {conflict.Second + 1}"
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"The rows against {verdict.Fact.Value} cannot stand in the table.",
            There = conflict.Broken.From.IsEmpty ? $"{rows} differ on {to}." : $"{rows} agree on {determinant} and not on {to}.",
            Wanted = $"Rows that break {verdict.Fact.Value} and nothing else.",
            Why = $"{Language.Phrasing.Capital(determinant)} {Verb(conflict.Broken.From)} {to}: rows that break it never occur.",
            Claims = [verdict.Fact.Id],
            ModelElements = [CounterexampleFact.WantedBy(verdict.Fact, comparison.Drawn.Model).Note],
            AnswerElements = [given.Note],
        };
}
