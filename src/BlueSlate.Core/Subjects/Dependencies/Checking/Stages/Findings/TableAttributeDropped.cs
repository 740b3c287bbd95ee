using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

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
        var (isNo, isThere, them) = stage.Dropped.Count == 1 ? ("is", "it stands", "it") : ("are", "they stand", "them");
        var unlaid = stage.Dropped.FirstOrDefault(i => comparison.Drawn.AnswerTo(i) is null, -1);
        yield return About(pair, "dropped", $"In {stage.Stage.Title}, {dropped} {isNo} in no table.") with
        {
            Tag = Tag.Missing,
            There =
                stage.Tables.Length == 1 ? $"The only table is {Listed(stage.Stage)}." : $"The tables are {Listed(stage.Stage)}.",
            Wanted = $"A table for {dropped}, where {isThere} with what determines {them}.",
            Why = $"What was known of {dropped} is lost.",
            Claims =
            [
                .. Whole(comparison, pair),
                .. BadSplits(comparison, pair, stage)
                    .Where(bad => bad.Split.To.Meets(stage.Dropped))
                    .Select(bad => bad.Verdict.Fact.Id),
                .. Bad<StageCellFact>(comparison, pair)
                    .Where(verdict => StageCellFact.CellOf(verdict.Fact, pair).Parts.Meets(stage.Dropped))
                    .Select(verdict => verdict.Fact.Id),
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
            // What was never laid out is in no table either.
            ConsequenceOf =
                unlaid < 0 ? null : $"{new DependencyAttributeMissing().Code}:{comparison.Drawn.Model.Attributes[unlaid].Id}",
        };
    }
}
