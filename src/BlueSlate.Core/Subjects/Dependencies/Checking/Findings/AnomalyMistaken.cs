using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class AnomalyMistaken : AnomalyFindingKind
{
    public override string Code => "anomaly-mistaken";

    public override string Title => "Anomalies mistaken";

    public override string Help =>
        "What stands in several rows has to be changed in all of them: an update anomaly. What goes with the last row that says it is lost "
        + "by a deletion. What cannot be put in without something else cannot be inserted.";

    public override int Rank => 39;

    protected override bool IsKind(AnomalyJudged judged, DependencyComparison comparison) =>
        judged.Named is { } named && !AnomalyFact.StandingOf(judged.Fact, named, comparison.Drawn).IsKind;

    protected override Finding Say(AnomalyJudged judged, Finding finding, DependencyComparison comparison)
    {
        var (right, said) = (Phrasing.InText(Article(judged.Wanted.Kind)), Phrasing.InText(Article(judged.Named!.Kind)));
        var show = judged.Wanted.Rows.Length == 1 ? "shows" : "show";
        return finding with
        {
            Headline = $"{Phrasing.Capital(judged.Rows)} {show} {right} anomaly, not {said} one.",
            There = $"The note calls it {said} anomaly.",
        };
    }
}
