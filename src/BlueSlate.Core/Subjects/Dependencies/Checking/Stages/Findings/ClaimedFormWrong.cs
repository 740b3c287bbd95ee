using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class ClaimedFormWrong : DependencyFindingKind
{
    public override string Code => "claimed-form-wrong";

    public override string Title => "Form claimed that is not there";

    public override string Help =>
        "A sheet has the title of a normal form that one of its tables is not in. Nobody asked for that stage; whoever reads it takes the "
        + "tables for something that they are not.";

    public override int Rank => 96;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from stage in comparison.Drawn.Stages.FalseClaims
        let given = comparison.Drawn.Model.Stored
        let low = stage.Apart.First(table => StageForms.Of([table.All], given) < stage.Stage.Claimed)
        let against = StageForms.Against(low.All, stage.Stage.Claimed!.Value, given).FirstOrDefault()
        let form = FormNames.Of(stage.FormApart!.Value)
        select new Finding
        {
            Id = IdFor(stage.Stage.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"The sheet {stage.Stage.Title} is in {form} only.",
            There = $"The title {stage.Stage.Title}.",
            Wanted = $"Tables in {FormNames.Of(stage.Stage.Claimed!.Value)}, or no such title.",
            Why = against is null
                ? $"{low.Drawn.Said} is in {form}."
                : $"In {low.Drawn.Said}, {comparison.Say(against.From)} {Verb(against.From)} {comparison.Say(against.To)} "
                    + $"and {Verb(against.From, "is", "are")} no key.",
            Extras = [StagesAgainst.ClaimOf(stage)],
            AnswerElements = [low.Drawn.Id],
        };
}
