using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class TableKeyTooLarge : StageFindingKind
{
    public override string Code => "table-key-not-minimal";

    public override string Title => "Column too many in the key of a table";

    public override string Help =>
        "The columns that are underlined determine the others of the table, and so do fewer of them. With a column too many the table "
        + "would take rows that contradict each other.";

    public override int Rank => 86;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from bad in BadKeys(comparison, pair, stage, KeyStanding.TooLarge)
        let table = bad.Table
        let marked = comparison.Drawn.Answer.Say(table.Drawn.Key)
        select About(pair, table.Drawn.Id, $"The key of {table.Drawn.Said} of {stage.Stage.Title} has more than it needs.") with
        {
            There = $"{Phrasing.Capital(marked)} {Verb(table.Drawn.Key, "is", "are")} underlined.",
            Wanted = $"{Phrasing.Capital(comparison.Say(Smallest(table, comparison)))} alone as the key.",
            Why =
                $"With so large a key {table.Drawn.Said} would take two rows for one {comparison.Say(Smallest(table, comparison))}.",
            Claims = [.. bad.Facts],
            ModelElements = [.. bad.Tables],
            AnswerElements = [table.Drawn.Id, .. table.ElementsOf(table.Key)],
        };
}
