using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class TableAttributeDropped : StageFindingKind
{
    public override string Code => "stage-attribute-dropped";

    public override string Title => "Attribute in no table";

    public override string Help =>
        "An attribute that was there before stands in no table of this stage. Normalising moves attributes; it never drops one.";

    public override int Rank => 74;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage)
    {
        if (stage.Dropped.IsEmpty || pair.Plan.Wanted is null || IsToldElsewhere(comparison, pair))
        {
            yield break;
        }

        var dropped = comparison.Say(stage.Dropped);
        var (isNo, isThere) = stage.Dropped.Count == 1 ? ("is", "it stands") : ("are", "they stand");
        yield return About(pair, "dropped", $"In {stage.Stage.Title}, {dropped} {isNo} in no table.") with
        {
            Tag = Tag.Missing,
            There = $"The tables are {Listed(stage.Stage)}.",
            Wanted = $"A table for {dropped}, where {isThere} with what determines.",
            Why = $"What was known of {dropped} is lost.",
            Claims =
            [
                .. Whole(comparison, pair),
                .. BadSplits(comparison, pair, stage)
                    .Where(bad => bad.Split.To.Meets(stage.Dropped))
                    .Select(bad => bad.Verdict.Fact.Id),
                .. BadGroups(comparison, pair)
                    .Where(bad => bad.Verdict.Kind == VerdictKind.Absent)
                    .Select(bad => bad.Verdict.Fact.Id),
            ],
            ModelElements =
            [
                .. pair.Plan.Stage.Tables.SelectMany(table =>
                    table.Columns.Where(column => stage.Dropped.Contains(column.Attribute)).Select(column => column.Id)
                ),
            ],
            AnswerElements = [.. ElementsOf(comparison, stage.Dropped)],
        };
    }
}
