using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class GroupWithoutOuterKey : StageFindingKind
{
    public override string Code => "group-without-outer-key";

    public override string Title => "Group without the key it came from";

    public override string Help =>
        "A group that repeated within a row has a table of its own, and the key of that row did not go with it. Nobody can tell any more "
        + "to which row its values belonged.";

    public override int Rank => 73;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from bad in BadGroups(comparison, pair)
        let repeated = bad.Group
        where !stage.Tables.Any(table => table.Repeating.Meets(repeated.Inner))
        let table = stage.Tables.FirstOrDefault(table => table.All.Meets(repeated.Inner) && !repeated.Outer.IsSubsetOf(table.All))
        where table is not null
        let outer = comparison.Say(repeated.Outer - table.All)
        select About(pair, repeated.Element, $"{table.Drawn.Said} lacks {outer}.") with
        {
            There = $"{table.Drawn.Said} has {comparison.Say(table.All)}.",
            Wanted = $"{Phrasing.Capital(outer)} in {table.Drawn.Said} as well.",
            Why = $"Without {outer}, nobody can tell to which of the other rows they belong.",
            Claims = [bad.Verdict.Fact.Id, .. Whole(comparison, pair), .. KeysOf(table, comparison, pair, stage)],
            ModelElements = [repeated.Element],
            AnswerElements = [table.Drawn.Id],
        };
}
