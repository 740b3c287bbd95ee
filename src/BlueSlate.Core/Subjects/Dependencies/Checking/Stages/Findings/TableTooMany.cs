using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class TableTooMany : StageFindingKind
{
    public override string Code => "table-too-many";

    public override string Title => "Table too many";

    public override string Help =>
        "A table holds nothing that another does not, or has the same key as another and could be one with it in the same form. "
        + "A table more is a join more, and a place more where something can be forgotten.";

    public override int Rank => 90;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from table in pair.IsSkipped ? [] : stage.TooMany(pair.Plan)
        let other = stage.Tables.First(other => other != table && (table.All.IsSubsetOf(other.All) || stage.AreOne(table, other)))
        let isIn = table.All.IsSubsetOf(other.All)
        select About(
            pair,
            table.Drawn.Id,
            $"{stage.Stage.Title} needs no table {table.Drawn.Said} beside {other.Drawn.Said}."
        ) with
        {
            Tag = Tag.Extra,
            There = $"{table.Drawn.Said} has {comparison.Say(table.All)}.",
            Wanted = isIn
                ? $"{other.Drawn.Said} alone, which has all of it."
                : $"One table of {comparison.Say(table.All | other.All)}.",
            Why = isIn
                ? "The same facts stand in two tables and can contradict each other."
                : "Both have the same key: what belongs to one row is in two places.",
            Claims = [.. Whole(comparison, pair)],
            Extras = [table.Drawn.Id],
            AnswerElements = [table.Drawn.Id],
        };
}
