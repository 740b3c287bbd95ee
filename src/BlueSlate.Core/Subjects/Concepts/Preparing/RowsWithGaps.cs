using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>A cell is empty whose attribute the model answer draws as always there.</summary>
internal sealed class RowsWithGaps : ConceptPreflightKind
{
    public override bool IsOfRows => true;

    public override string Name => "rows-empty";

    public override int Order => 4;

    public override string Title => "Rows against the model answer";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        from table in TableReading.Of(one)
        from column in table.Columns
        where column.Value is { Optional: false, ForeignKey: null, Multivalued: false, Derived: false }
        let row = table.Rows.ToList().FindIndex(cells => cells[column.Key].Text.Trim().Length == 0)
        where row >= 0
        select Item(
            column.Value.Id,
            $"Row {row + 1} has no {Phrasing.InText(column.Value.Name)}, which {one.Case.Drawn} draws as always there."
        ) with
        {
            Places = [table.Rows[row][table.Key[0]].Place],
            Elements = [ConceptId.Of(column.Value.Id).Element],
        };
}
