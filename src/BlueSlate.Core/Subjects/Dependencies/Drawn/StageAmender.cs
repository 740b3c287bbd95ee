using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// Changes the stages of a drawing so that they have these tables and no others. A table is the same where sheet and name are, a column
/// where its name is; what stays keeps its ids.
/// </summary>
internal static class StageAmender
{
    /// <summary>
    /// The drawing with the stated tables, and with notes on those that are said to be denormalised; new ones have no place, new titles
    /// are new sheets.
    /// </summary>
    public static Drawing To(Drawing drawing, IReadOnlyList<DependencyStatement> said, ImmutableArray<Stage> before)
    {
        var ids = new FreshIds(drawing);
        var unplaced = before.SelectMany(stage => stage.Unplaced.Select(one => (stage.Id, one.Table))).ToHashSet();
        List<DependencyStatement.OfTable> tables = [.. said.OfType<DependencyStatement.OfTable>()];
        var notes = said.OfType<DependencyStatement.OfDenormalised>()
            .ToLookup(one => Name.Of(one.Stage).Key, one => Denormalisation.Line(one.Name, one.Reason));
        var wanted = tables
            .GroupBy(table => Name.Of(table.Stage).Key, StringComparer.Ordinal)
            .ToDictionary(group => group.Key, group => group.ToList(), StringComparer.Ordinal);
        var titles = drawing.Sheets.Select((sheet, i) => Name.Of(StageReader.TitleOf(sheet, i)).Key).ToList();
        var sheets = drawing
            .Sheets.Select((sheet, i) => i == 0 ? sheet : With(sheet, i, wanted.GetValueOrDefault(titles[i]) ?? [], ids))
            .ToList();
        if (wanted.Count > 0 && sheets[0].Name.Length == 0)
        {
            sheets[0] = sheets[0] with { Name = StageReader.Diagram };
        }

        foreach (var (title, group) in wanted.Where(pair => titles.IndexOf(pair.Key) < 1))
        {
            sheets.Add(With(new Sheet(ids.Next(), group[0].Stage, [], []), sheets.Count, group, ids));
        }

        var changed = drawing with { Sheets = [.. sheets.Select((sheet, i) => i == 0 ? sheet : Noted(sheet, i))] };
        return changed with { Ties = changed.Ties.RemoveAll(tie => !changed.Has(tie.Element)) };

        // What a note says of a table that is not there is said in no sentence, and stays.
        Sheet Noted(Sheet sheet, int number)
        {
            var wanted = notes[Name.Of(StageReader.TitleOf(sheet, number)).Key].ToList();
            return wanted.Count == 0 && !Denormalisation.On(sheet).Any()
                ? sheet
                : NoteLines.Put(
                    sheet,
                    line => Denormalisation.Read(line) is { } one && !unplaced.Contains((sheet.Id, one.Table)),
                    wanted.Count == 0 ? null : string.Join('\n', wanted),
                    ids
                );
        }
    }

    private static Sheet With(Sheet sheet, int number, List<DependencyStatement.OfTable> wanted, FreshIds ids)
    {
        var open = wanted.ToList();
        var shapes = new List<Shape>();
        foreach (var shape in sheet.Shapes)
        {
            if (!StageReader.IsTable(shape, number))
            {
                shapes.Add(shape);
            }
            else if (open.Find(table => IsCalled(table.Name, shape.Text)) is { } same)
            {
                open.Remove(same);
                shapes.Add(With(shape, same.Columns, ids));
            }
        }

        shapes.AddRange(
            open.Select(table =>
                With(new Shape(ids.Next(), Form.Strip, Outline.Single, table.Name, [], null), table.Columns, ids)
            )
        );
        var standing = shapes
            .SelectMany(shape => shape.TextLines.Select(row => row.Id).Prepend(shape.Id))
            .ToHashSet(StringComparer.Ordinal);
        bool Stands(LineEnd end) =>
            end.On.Kind is not (AttachmentKind.Shape or AttachmentKind.Row) || standing.Contains(end.On.Id!);
        return sheet with { Shapes = [.. shapes], Lines = [.. sheet.Lines.Where(line => Stands(line.From) && Stands(line.To))] };
    }

    private static bool IsCalled(string name, string text) => Name.Of(name).Key == Name.Of(text).Key;

    private static Shape With(Shape shape, ImmutableArray<StatedColumn> columns, FreshIds ids)
    {
        var before = shape.TextLines.ToDictionary(row => row.Id, row => KeyOf(row.Text), StringComparer.Ordinal);
        var rows = Rows(columns)
            .Select(wanted =>
            {
                var known = shape.TextLines.FirstOrDefault(row => before.Contains(new(row.Id, KeyOf(wanted.Text))));
                return Marked(
                    known is null ? new TextLine(ids.Next(), "", false, wanted.Text, Underline.None) : known,
                    wanted.Column
                );
            })
            .ToImmutableArray();
        return rows.SequenceEqual(shape.TextLines) ? shape : shape with { Compartments = [rows] };
    }

    // Columns of a group that repeats stand in one line, in braces; those of one cell in brackets behind its name.
    private static IEnumerable<(string Text, StatedColumn Column)> Rows(ImmutableArray<StatedColumn> columns)
    {
        for (var i = 0; i < columns.Length; )
        {
            var column = columns[i];
            bool IsOfSameLine(StatedColumn other) =>
                column.Group is not null ? other.Group == column.Group
                : column.Whole.Length > 0 ? other.Whole == column.Whole && other.Group is null
                : other == column;
            var line = columns.Skip(i).TakeWhile(IsOfSameLine).Select(other => new NamedCell(other.Name, other.Whole)).ToList();
            i += line.Count;
            yield return (CellText.Write(line, column.Group is not null), column);
        }
    }

    private static string KeyOf(string text) =>
        string.Join('\n', CellText.Read(text).Cells.Select(cell => $"{Name.Of(cell.Whole).Key}/{Name.Of(cell.Name).Key}"));

    // What marks a key already is left as it is.
    private static TextLine Marked(TextLine row, StatedColumn wanted)
    {
        var marks = row.Mark.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToList();
        var isInKey = row.Underline == Underline.Solid || marks.Exists(StageReader.IsKeyMark);
        var isForeign = row.Underline == Underline.Dashed || marks.Exists(StageReader.IsForeignMark);
        if (isForeign != wanted.IsForeign)
        {
            marks =
            [
                .. marks.Where(mark => !StageReader.IsForeignMark(mark)),
                .. wanted.IsForeign ? ["FK"] : Array.Empty<string>(),
            ];
        }

        if (!wanted.IsInKey)
        {
            marks.RemoveAll(StageReader.IsKeyMark);
        }

        if (marks.Exists(StageReader.IsAlternateMark) != wanted.IsAlternate)
        {
            marks.RemoveAll(StageReader.IsAlternateMark);
            marks.AddRange(wanted.IsAlternate ? ["AK1"] : []);
        }

        var underline =
            wanted.IsInKey == isInKey && wanted.IsForeign == isForeign ? row.Underline
            : wanted.IsInKey ? Underline.Solid
            : Underline.None;
        return row with { Mark = string.Join(' ', marks), Underline = underline };
    }
}
