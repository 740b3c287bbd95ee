using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class AnomalyUnnamed : AnomalyFindingKind
{
    public override string Code => "anomaly-unnamed";

    public override string Title => "Anomaly not named";

    public override string Help =>
        "Rows that say something several times make trouble: it has to be changed in each of them, it goes with the last of them, or it "
        + "cannot be put in without something else. Which of these it is, and by which dependency, was to be said.";

    public override int Rank => 38;

    protected override bool IsKind(AnomalyJudged judged, DependencyComparison comparison) => judged.Named is null;

    protected override Finding Say(AnomalyJudged judged, Finding finding, DependencyComparison comparison) =>
        finding with
        {
            Tag = Tag.Missing,
            Headline = $"It is not said what goes wrong with {judged.Rows}.",
            There = $"No note names the anomaly of {judged.Rows}.",
        };
}
