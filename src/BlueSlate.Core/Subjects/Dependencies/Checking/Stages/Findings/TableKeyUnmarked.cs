using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class TableKeyUnmarked : StageFindingKind
{
    public override string Code => "table-key-unmarked";

    public override string Title => "Table without a key";

    public override string Help =>
        "No column of the table is underlined. Each table that comes out of a split has a key: what determined is the key of the new one, "
        + "and the old one keeps its own.";

    public override int Rank => 84;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from bad in BadKeys(comparison, pair, stage, KeyStanding.None)
        let table = bad.Table
        let marked = comparison.Drawn.Answer.Say(table.Drawn.Key)
        select About(pair, table.Drawn.Id, $"{table.Drawn.Said} of {stage.Stage.Title} has no key.") with
        {
            Tag = Tag.Missing,
            There = "No column is underlined.",
            Wanted = $"A key of {table.Drawn.Said}, such as {comparison.Say(Smallest(table, comparison))}.",
            Why = $"Without a key nobody can refer to a row of {table.Drawn.Said}, nor tell its form.",
            Claims = [.. bad.Facts],
            ModelElements = [.. bad.Tables],
            AnswerElements = [table.Drawn.Id, .. table.ElementsOf(table.Key)],
        };
}
