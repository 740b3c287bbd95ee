using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class TableKeyNotUnique : StageFindingKind
{
    public override string Code => "table-key-not-unique";

    public override string Title => "Key that does not identify a row";

    public override string Help =>
        "The columns that are underlined do not determine the others of the table: two rows could agree on them.";

    public override int Rank => 85;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from bad in BadKeys(comparison, pair, stage, KeyStanding.NotUnique)
        let table = bad.Table
        let marked = comparison.Drawn.Answer.Say(table.Drawn.Key)
        select About(
            pair,
            table.Drawn.Id,
            $"In {table.Drawn.Said} of {stage.Stage.Title}, {marked} {Verb(table.Drawn.Key, "does", "do")} not identify a row."
        ) with
        {
            There = $"{Phrasing.Capital(marked)} {Verb(table.Drawn.Key, "is", "are")} underlined.",
            Wanted = $"A key of {table.Drawn.Said}, such as {comparison.Say(Smallest(table, comparison))}.",
            Why = $"Two rows with the same {marked} may differ in the rest.",
            Claims = [.. bad.Facts],
            ModelElements = [.. bad.Tables],
            AnswerElements = [table.Drawn.Id, .. table.ElementsOf(table.Key)],
        };
}
