using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// What is done to tables of a stage that are there: several become one, and one gets a number of its own for its key. Both go by the
/// arrows that are drawn, right or wrong.
/// </summary>
internal static class TableDeeds
{
    /// <summary>Makes several tables one.</summary>
    public const string Merge = "merge-tables";

    /// <summary>Gives a table a number of its own; what identified its rows stays as an alternate key.</summary>
    public const string Number = "own-number";

    /// <summary>Makes several tables one on purpose, with a note that wants a reason; or only notes it, of one table.</summary>
    public const string Denormalise = "denormalise";

    /// <summary>
    /// One table of several, as <see cref="MergeTables"/> makes it, and a note beside it that waits for the reason; of one table that is
    /// there, the note alone.
    /// </summary>
    public static Done DenormaliseTables(Drawing drawing, IReadOnlyList<string> chosen)
    {
        var made = chosen.Count > 1 ? MergeTables(drawing, chosen) : new Done(drawing);
        if (made.Document is not Drawing merged)
        {
            return made;
        }

        var stages = DependencyReader.Read(merged).Stages;
        var (stage, table) = stages
            .SelectMany(stage => stage.Tables.Select(table => (stage, table)))
            .FirstOrDefault(one => chosen.Contains(one.table.Id));
        if (table is null)
        {
            return new Done(null, "Choose the tables of one sheet that are to be one.");
        }

        if (table.Denormalised is not null)
        {
            return new Done(null, $"A note says already that {table.Said} is denormalised.");
        }

        if (table.Name.Length == 0 || stage.Tables.Count(other => Name.Of(other.Name).Key == Name.Of(table.Name).Key) > 1)
        {
            return new Done(null, "Give the table a name of its own first: the note speaks of it.");
        }

        var at = merged.Sheets.ToList().FindIndex(sheet => sheet.Id == stage.Id);
        // Not the id of a table that has just gone.
        var note = new Shape(
            new FreshIds(drawing).Next(),
            Form.Note,
            Outline.Single,
            Denormalisation.Line(table.Name, ""),
            [],
            null
        );
        var sheet = merged.Sheets[at];
        return new Done(merged with { Sheets = merged.Sheets.SetItem(at, sheet with { Shapes = sheet.Shapes.Add(note) }) });
    }

    /// <summary>
    /// One table with the lines of all, in the place of the one whose key identifies its rows; of what they have in common once. Chosen are
    /// tables of one sheet.
    /// </summary>
    public static Done MergeTables(Drawing drawing, IReadOnlyList<string> chosen)
    {
        var reading = DependencyReader.Read(drawing);
        var stage = StageOf(reading, chosen);
        var tables = stage?.Tables.Where(table => chosen.Contains(table.Id)).ToList() ?? [];
        if (stage is null || tables.Count < 2)
        {
            return new Done(null, "Choose two tables of one sheet, or more.");
        }

        var all = tables.Aggregate(AttributeSet.Empty, (together, table) => together | table.All);
        var keeper = tables.Find(table => !table.Key.IsEmpty && all.IsSubsetOf(reading.Set.Implied.ClosureOf(table.Key)))
            ?? tables[0];
        var key = all.IsSubsetOf(reading.Set.Implied.ClosureOf(keeper.Key))
            ? keeper.Key
            : tables.Aggregate(AttributeSet.Empty, (together, table) => together | table.Key);
        var inside = tables
            .Where(table => table != keeper)
            .Aggregate(AttributeSet.Empty, (together, table) => together | table.Key);
        var others = stage.Tables.Except(tables).ToList();
        bool LeadsOut(int attribute) =>
            !inside.Contains(attribute) || others.Exists(other => other.Key == AttributeSet.Of(attribute));
        TextLine Row(StageColumn column, TextLine row) =>
            row with
            {
                Underline = key.Contains(column.Attribute) ? Underline.Solid : Underline.None,
                Mark = column.IsForeign && !LeadsOut(column.Attribute) ? "" : row.Mark,
            };

        var at = drawing.Sheets.ToList().FindIndex(sheet => sheet.Id == stage.Id);
        var sheet = drawing.Sheets[at];
        var rows = sheet.Shapes.SelectMany(shape => shape.TextLines).ToDictionary(row => row.Id, StringComparer.Ordinal);
        var merged = tables
            .OrderBy(table => table != keeper)
            .SelectMany(table => table.Columns)
            .DistinctBy(column => column.Attribute)
            .DistinctBy(column => column.Id)
            .Select(column => Row(column, rows[column.Id]));
        var gone = tables.Where(table => table != keeper).Select(table => table.Id).ToHashSet(StringComparer.Ordinal);
        ImmutableArray<Shape> shapes =
        [
            .. sheet
                .Shapes.Where(shape => !gone.Contains(shape.Id))
                .Select(shape =>
                    shape.Id == keeper.Id
                        ? shape with
                        {
                            Compartments =
                            [
                                [.. merged],
                            ],
                        }
                        : shape
                ),
        ];
        return new Done(With(drawing, at, shapes, new FreshIds(drawing)));
    }

    /// <summary>
    /// Puts a number of its own before the lines of a table and makes it the key; the former key is marked as an alternate one, and tables
    /// of the same sheet that refer to it refer to the number.
    /// </summary>
    public static Done GiveNumber(Drawing drawing, IReadOnlyList<string> chosen)
    {
        var reading = DependencyReader.Read(drawing);
        var stage = StageOf(reading, chosen);
        if (chosen.Count != 1 || stage?.Tables.FirstOrDefault(table => table.Id == chosen[0]) is not { } table)
        {
            return new Done(null, "Choose one table.");
        }

        if (table.Key.IsEmpty)
        {
            return new Done(null, $"Underline first what identifies a row of {table.Said}: it stays, as an alternate key.");
        }

        var ids = new FreshIds(drawing);
        var name = NumberOf(table, reading);
        var at = drawing.Sheets.ToList().FindIndex(sheet => sheet.Id == stage.Id);
        ImmutableArray<Shape> shapes =
        [
            .. drawing
                .Sheets[at]
                .Shapes.Select(shape =>
                    shape.Id == table.Id ? Numbered(shape, table, name, ids)
                    : stage.Tables.FirstOrDefault(other => other.Id == shape.Id) is { } other
                        ? Referring(shape, other, table.Key, name)
                    : shape
                ),
        ];
        return new Done(With(drawing, at, shapes, ids));
    }

    private static Stage? StageOf(DependencyReading reading, IReadOnlyList<string> chosen) =>
        reading.Stages.FirstOrDefault(stage => chosen.All(id => stage.Tables.Any(table => table.Id == id)));

    private static Shape Numbered(Shape shape, StageTable table, string name, FreshIds ids)
    {
        bool WasKey(TextLine row) => table.Columns.Any(column => column.Id == row.Id && column.IsInKey);
        return shape with
        {
            Compartments =
            [
                [
                    new TextLine(ids.Next(), "", false, name, Underline.Solid),
                    .. shape.TextLines.Select(row => WasKey(row) ? Alternate(row) : row),
                ],
            ],
        };
    }

    private static TextLine Alternate(TextLine row)
    {
        var marks = row.Mark.Split(' ', StringSplitOptions.RemoveEmptyEntries).Where(mark => !StageReader.IsKeyMark(mark));
        return row with { Underline = Underline.None, Mark = string.Join(' ', marks.Prepend("AK1")) };
    }

    // What refers to the former key in one line or several refers to the number in one.
    private static Shape Referring(Shape shape, StageTable table, AttributeSet key, string name)
    {
        if (!key.IsSubsetOf(table.Foreign))
        {
            return shape;
        }

        var lines = table.Columns.Where(column => key.Contains(column.Attribute)).Select(column => column.Id).ToList();
        return shape with
        {
            Compartments =
            [
                .. shape.Compartments.Select(rows =>
                    rows.Where(row => !lines.Skip(1).Contains(row.Id))
                        .Select(row => row.Id == lines[0] ? row with { Text = name } : row)
                        .ToImmutableArray()
                ),
            ],
        };
    }

    private static string NumberOf(StageTable table, DependencyReading reading)
    {
        var taken = reading.Attributes.Select(attribute => attribute.Name.Key).ToHashSet(StringComparer.Ordinal);
        var of = table.Name.Length > 0 ? Phrasing.InText(table.Name) : "row";
        bool IsFree(string name) => !taken.Contains(Name.Of(name).Key);
        return new[] { $"{of} no", $"{of} id" }.FirstOrDefault(IsFree, $"{of} code");
    }

    private static Drawing With(Drawing drawing, int at, ImmutableArray<Shape> shapes, FreshIds ids) =>
        StageArrows.After(drawing, at, drawing.Sheets[at] with { Shapes = shapes }, ids);
}
