using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class AnomalyCauseWrong : DependencyFindingKind
{
    public override string Code => "anomaly-cause";

    public override string Title => "Anomaly laid to another dependency";

    public override string Help =>
        "An anomaly comes from a dependency whose left side is no key: what it determines is written again in every row with that left "
        + "side. What a key determines stands once, and makes no trouble.";

    public override int Rank => 39;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: AnomalyFact, Kind: VerdictKind.Wrong }
        let named = AnomalyFact.NamedFor(verdict.Fact, comparison.Drawn)
        where AnomalyFact.StandingOf(verdict.Fact, named, comparison.Drawn) is { IsKind: true, IsCause: false }
        let wanted = AnomalyFact.WantedBy(verdict.Fact, comparison.Drawn.Model)
        let said = CoverFact.Said(named.Cause, comparison.Drawn.Answer)
        let rows = AnomalyText.SayRows(wanted.Rows)
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"What goes wrong with {rows} does not come from {said}.",
            There = $"The note lays it to {said}.",
            Wanted = $"A dependency whose left side is no key: {CoverFact.Said(wanted.Cause, comparison.Drawn.Model)}.",
            Why = WhyNot(named, comparison),
            Claims = [verdict.Fact.Id],
            ModelElements = [wanted.Note],
            AnswerElements = [named.Note],
        };

    private static string WhyNot(ListedAnomaly named, DependencyComparison comparison)
    {
        var model = comparison.Drawn.Model;
        if (
            comparison.Drawn.InModel(named.Cause) is not { } cause
            || !cause.To.IsSubsetOf(model.Set.Implied.ClosureOf(cause.From))
        )
        {
            return $"{CoverFact.Said(named.Cause, comparison.Drawn.Answer)} does not hold.";
        }

        var from = comparison.Say(cause.From);
        return AnomalyFact.Harms(cause, model.Set)
            ? $"These rows say nothing twice of one {from}."
            : $"{Language.Phrasing.Capital(from)} {Verb(cause.From, "identifies", "identify")} a row: what is determined by that "
                + "stands there once.";
    }
}
