using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class ColumnInvented : StageFindingKind
{
    public override string Code => "table-column-invented";

    public override string Title => "Column that nobody gave";

    public override string Help =>
        "A table has a column that is none of the attributes that are given. Normalising moves what is there; a number of one’s own comes, "
        + "if at all, with a reason.";

    public override int Rank => 91;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from table in pair.IsSkipped ? [] : stage.Tables
        from column in comparison.Drawn.NowhereIn(table)
        select About(pair, column.Id, $"{table.Drawn.Said} of {stage.Stage.Title} has “{column.Text}”, which is not given.") with
        {
            Tag = Tag.Extra,
            There = $"A column {column.Text}.",
            Wanted = $"The attributes that are given, without {column.Text}.",
            Why = $"Nothing that is given says what {column.Text} is.",
            Extras = [column.Id],
            AnswerElements = [column.Id],
        };
}
