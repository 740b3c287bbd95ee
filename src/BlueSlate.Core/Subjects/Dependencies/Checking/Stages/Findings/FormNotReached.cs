using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Checking.Findings;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class FormNotReached : StageFindingKind
{
    public override string Code => "form-not-reached";

    public override string Title => "Form not reached";

    public override string Help =>
        "The stage claims a form that one of its tables is not in, or that means nothing, since what it came from cannot be had back. A "
        + "stage is only as high as its lowest table.";

    public override int Rank => 95;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage)
    {
        var claims = Whole(comparison, pair).ToList();
        if (claims.Count == 0 || pair.Plan.Wanted is not { } wanted || IsToldElsewhere(comparison, pair))
        {
            yield break;
        }

        var given = comparison.Drawn.Model.Stored;
        var low = stage.Tables.FirstOrDefault(table =>
            !stage.IsAllowed(table, pair.Plan) && StageForms.Of([table.All], given) < wanted
        );
        var unseen = Bad<StageSplitFact>(comparison, pair)
            .Select(verdict => verdict.OwnerId)
            .FirstOrDefault(owner => owner is not null);
        var form = FormNames.Of(wanted);
        yield return About(pair, "form", $"{stage.Stage.Title} is not in {form}.") with
        {
            There = low is null
                ? $"The tables {Listed(stage.Stage)}."
                : $"{low.Drawn.Said} is in {FormNames.Of(StageForms.Of([low.All], given) ?? NormalForm.First)}.",
            Wanted = low is null ? $"Tables in {form} which, joined, give back what was there." : $"Every table in {form}.",
            Why = "A stage is only as high as its lowest table.",
            Claims = [.. claims],
            ModelElements = [.. pair.Plan.Stage.Tables.Select(table => table.Id)],
            AnswerElements = [(low ?? stage.Tables[0]).Drawn.Id],
            ConsequenceOf = unseen is null ? null : $"{new DependencyMissing().Code}:{unseen}",
        };
    }
}
