using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class DependencyTorn : StageFindingKind
{
    public override string Code => "dependency-lost";

    public override string Title => "Dependency that no table holds";

    public override string Help =>
        "What determines and what it determines were put into different tables. The dependency can be kept only by joining tables at "
        + "every change; another split keeps it in one of them.";

    public override int Rank => 81;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from bad in BadSplits(comparison, pair, stage)
        where bad.Left is null
        let torn = bad.Split.To - stage.Kept(bad.Split)
        let determinant = comparison.Say(bad.Split.From)
        let to = comparison.Say(torn)
        select About(
            pair,
            bad.Split.Table.Id,
            $"No table of {stage.Stage.Title} holds that {determinant} {Verb(bad.Split.From)} {to}."
        ) with
        {
            There = $"The tables are {Listed(stage.Stage)}.",
            Wanted = $"{Phrasing.Capital(determinant)} and {to} in one table.",
            Why =
                $"Nothing keeps two rows from giving one {determinant} another {comparison.Say(AttributeSet.Of(torn.First()))}.",
            Claims = [bad.Verdict.Fact.Id, .. Whole(comparison, pair)],
            AnswerElements = [.. stage.Tables.SelectMany(table => table.ElementsOf(torn))],
        };
}
