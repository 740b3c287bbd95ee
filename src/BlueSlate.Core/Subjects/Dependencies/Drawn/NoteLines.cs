using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>What the notes of a sheet say, line by line, and how one line gives way to another.</summary>
internal static class NoteLines
{
    /// <summary>The lines of the notes of a sheet.</summary>
    public static IEnumerable<(string Note, string Line)> Of(Sheet sheet) =>
        from note in sheet.Shapes
        where note.Form == Form.Note
        from line in note.Text.Split('\n')
        select (note.Id, line);

    /// <summary>
    /// The sheet with a text where lines of a kind stood: in place of the first of them, or in a new note without a place; the others go,
    /// and a note of which nothing is left goes too. Null takes them all away.
    /// </summary>
    public static Sheet Put(Sheet sheet, Func<string, bool> isOfKind, string? text, FreshIds ids)
    {
        var all = Of(sheet).Where(line => isOfKind(line.Line)).ToList();
        if (string.Join('\n', all.Select(line => line.Line)) == (text ?? ""))
        {
            return sheet;
        }

        var shapes = new List<Shape>();
        var open = text;
        foreach (var shape in sheet.Shapes)
        {
            if (!all.Exists(line => line.Note == shape.Id))
            {
                shapes.Add(shape);
                continue;
            }

            var lines = new List<string>();
            foreach (var line in shape.Text.Split('\n'))
            {
                if (!isOfKind(line))
                {
                    lines.Add(line);
                }
                else if (open is not null)
                {
                    lines.Add(open);
                    open = null;
                }
            }

            if (lines.Count > 0)
            {
                shapes.Add(shape with { Text = string.Join('\n', lines) });
            }
        }

        if (open is not null)
        {
            shapes.Add(new Shape(ids.Next(), Form.Note, Outline.Single, open, [], null));
        }

        var left = shapes.Select(shape => shape.Id).ToHashSet(StringComparer.Ordinal);
        var gone = sheet.Shapes.Select(shape => shape.Id).Where(id => !left.Contains(id)).ToHashSet(StringComparer.Ordinal);
        return sheet with
        {
            Shapes = [.. shapes],
            Lines = sheet.Lines.RemoveAll(line => gone.Contains(line.From.On.Id ?? "") || gone.Contains(line.To.On.Id ?? "")),
        };
    }
}
