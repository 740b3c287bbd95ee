using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Several values stand in one cell whose attribute the model answer draws with one.</summary>
internal sealed class RowsWithSeveral : ConceptPreflightKind
{
    public override bool IsOfRows => true;

    public override string Name => "rows-several";

    public override int Order => 4;

    public override string Title => "Rows against the model answer";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        from table in TableReading.Of(one)
        from column in table.Columns
        where column.Value is { Multivalued: false, Parts.IsEmpty: true }
        let row = table.Rows.ToList().FindIndex(cells => TableReading.IsSeveral(cells[column.Key]))
        where row >= 0
        select Item(
            column.Value.Id,
            $"“{table.Rows[row][column.Key].Text.Trim()}” in row {row + 1} looks like several values; "
                + $"{one.Case.Drawn} draws one {Phrasing.InText(column.Value.Name)}."
        ) with
        {
            Places = [table.Rows[row][column.Key].Place],
            Elements = [ConceptId.Of(column.Value.Id).Element],
        };
}
