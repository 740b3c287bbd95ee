using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// Reads the stages of a drawing: every sheet after the first that has tables, a table being a box with lines of text. A line in braces
/// is a group that repeats, one with others in brackets behind it a cell that holds several.
/// </summary>
internal static class StageReader
{
    /// <summary>Whether a shape on a sheet is a table, by the number of the sheet.</summary>
    public static bool IsTable(Shape shape, int sheet) =>
        sheet > 0 && shape.Form != Form.Note && shape.TextLines.Any(row => row.Text.Trim().Length > 0);

    /// <summary>What the first sheet is called beside stages.</summary>
    public const string Diagram = "diagram";

    /// <summary>What a sheet is called; by its number where it has no name.</summary>
    public static string TitleOf(Sheet sheet, int number) =>
        sheet.Name.Trim() is { Length: > 0 } name ? name : $"sheet {number + 1}";

    /// <summary>The stages, with the number of each attribute asked for by its name; null where there is no room for more.</summary>
    public static ImmutableArray<Stage> Read(Drawing drawing, Func<Name, int?> numberOf) =>
        [.. drawing.Sheets.Select((sheet, i) => StageOf(sheet, i, numberOf)).Where(stage => !stage.Tables.IsEmpty)];

    /// <summary>Whether a mark before a line says that it is part of the key.</summary>
    public static bool IsKeyMark(string mark) => mark is "PK" or "PPK" or "PFK";

    /// <summary>Whether a mark before a line says that it is a foreign key.</summary>
    public static bool IsForeignMark(string mark) => mark.StartsWith("FK", StringComparison.Ordinal) || mark == "PFK";

    /// <summary>Whether a mark before a line says that it is of an alternate key.</summary>
    public static bool IsAlternateMark(string mark) =>
        mark.StartsWith("AK", StringComparison.Ordinal) || mark.StartsWith("UK", StringComparison.Ordinal);

    private static Stage StageOf(Sheet sheet, int number, Func<Name, int?> numberOf)
    {
        var tables = TablesOf(sheet, number, numberOf);
        var said = Denormalisation
            .On(sheet)
            .ToLookup(one => tables.Count(table => one.IsOf(table)) == 1 ? tables.First(one.IsOf).Id : "");
        return new Stage(
            sheet.Id,
            TitleOf(sheet, number),
            [.. tables.Select(table => said[table.Id].FirstOrDefault() is { } one ? table with { Denormalised = one } : table)]
        )
        {
            Unplaced = [.. said[""]],
        };
    }

    private static ImmutableArray<StageTable> TablesOf(Sheet sheet, int number, Func<Name, int?> numberOf) =>
        [
            .. sheet
                .Shapes.Where(shape => IsTable(shape, number))
                .Select(shape => new StageTable(
                    shape.Id,
                    shape.Text.Trim(),
                    [.. shape.TextLines.SelectMany(row => ColumnsOf(row, numberOf)).DistinctBy(column => column.Attribute)]
                )),
        ];

    private static IEnumerable<StageColumn> ColumnsOf(TextLine row, Func<Name, int?> numberOf)
    {
        var marks = row.Mark.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var (cells, repeats) = CellText.Read(row.Text);
        var isInKey = row.Underline == Underline.Solid || marks.Any(IsKeyMark);
        var isForeign = row.Underline == Underline.Dashed || marks.Any(IsForeignMark);
        foreach (var cell in cells)
        {
            var name = Name.Of(cell.Name);
            if (numberOf(name) is { } attribute)
            {
                yield return new StageColumn(row.Id, attribute, name, isInKey, isForeign, repeats)
                {
                    IsAlternate = marks.Any(IsAlternateMark),
                    Whole = cell.Whole,
                };
            }
        }
    }
}
