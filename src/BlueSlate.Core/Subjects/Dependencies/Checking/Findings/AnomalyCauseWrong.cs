using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class AnomalyCauseWrong : AnomalyFindingKind
{
    public override string Code => "anomaly-cause";

    public override string Title => "Anomaly laid to another dependency";

    public override string Help =>
        "An anomaly comes from a dependency whose left side is no key: what it determines is written again in every row with that left "
        + "side. What a key determines stands once, and makes no trouble.";

    public override int Rank => 39;

    protected override bool IsKind(AnomalyJudged judged, DependencyComparison comparison) =>
        judged.Named is { } named
        && AnomalyFact.StandingOf(judged.Fact, named, comparison.Drawn) is { IsKind: true, IsCause: false };

    protected override Finding Say(AnomalyJudged judged, Finding finding, DependencyComparison comparison)
    {
        var said = CoverFact.Said(judged.Named!.Cause, comparison.Drawn.Answer);
        return finding with
        {
            Headline = $"What goes wrong with {judged.Rows} does not come from {said}.",
            There = $"The note lays it to {said}.",
            Wanted = $"A dependency whose left side is no key: {CoverFact.Said(judged.Wanted.Cause, comparison.Drawn.Model)}.",
            Why = WhyNot(judged.Named, comparison),
        };
    }

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
