using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class StageSkipped : StageFindingKind
{
    public override string Code => "stage-skipped";

    public override string Title => "Stage left out";

    public override string Help =>
        "A stage is left out, though a later one is drawn. What is in a higher form is in every lower one too; the stages are asked for "
        + "one by one, to show which dependency each of them takes away.";

    public override int Rank => 71;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage)
    {
        if (pair.IsSkipped)
        {
            var title = pair.Plan.Stage.Title;
            yield return About(pair, pair.Plan.Stage.Id, $"The stage {title} is left out.") with
            {
                Tag = Tag.Missing,
                There = $"The next stage that is drawn is {stage.Stage.Title}.",
                Wanted = $"A sheet {title} before it.",
                Why = "Each stage takes one kind of dependency away; here two are taken away at once.",
                Claims = [.. Bad<StageDrawnFact>(comparison, pair).Select(verdict => verdict.Fact.Id)],
                ModelElements = [.. pair.Plan.Stage.Tables.Select(table => table.Id)],
                AnswerElements = [stage.Tables[0].Drawn.Id],
            };
        }
    }
}
