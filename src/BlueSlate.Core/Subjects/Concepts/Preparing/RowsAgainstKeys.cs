using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Two rows have the same key. Rows refute a key; they never prove one.</summary>
internal sealed class RowsAgainstKeys : ConceptPreflightKind
{
    public override bool IsOfRows => true;

    public override string Name => "rows-key";

    public override int Order => 3;

    public override string Title => "Rows against the model answer";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        from table in TableReading.Of(one)
        let pair = table.Disagreeing(table.Key, []).Take(1).ToList()
        where pair.Count > 0
        let names = Phrasing.List([.. table.Key.Select(column => Phrasing.InText(table.Columns[column].Name))])
        let values = Phrasing.List([.. table.Key.Select(column => table.Rows[pair[0].First][column].Text.Trim())])
        select Item(
            table.Entity.Id,
            $"Rows {pair[0].First + 1} and {pair[0].Second + 1} have the same {names} ({values}), "
                + $"by which {one.Case.Drawn} tells {Phrasing.Several(table.Entity.Name)} apart."
        ) with
        {
            Places =
            [
                .. new[] { pair[0].First, pair[0].Second }.SelectMany(row =>
                    table.Key.Select(column => table.Rows[row][column].Place)
                ),
            ],
            Elements = [table.Entity.Id, .. table.Key.Select(column => ConceptId.Of(table.Columns[column].Id).Element)],
        };
}
