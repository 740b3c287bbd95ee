using System.Collections.Immutable;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Notations;

/// <summary>
/// Does to a drawing what was done between two others that share its ids: element by element, and there value by value.
/// </summary>
internal sealed class DrawingMerge(Drawing drawing, Drawing before, Drawing after)
{
    private readonly Dictionary<string, Shape> oldShapes = before.Shapes.ToDictionary(shape => shape.Id, StringComparer.Ordinal);
    private readonly Dictionary<string, Shape> newShapes = after.Shapes.ToDictionary(shape => shape.Id, StringComparer.Ordinal);
    private readonly Dictionary<string, Line> oldLines = before.Lines.ToDictionary(line => line.Id, StringComparer.Ordinal);
    private readonly Dictionary<string, Line> newLines = after.Lines.ToDictionary(line => line.Id, StringComparer.Ordinal);
    private readonly Dictionary<string, string> writtenAs = WrittenAs(drawing, before);

    public Drawing Result()
    {
        var gone = oldShapes.Keys.Except(newShapes.Keys, StringComparer.Ordinal).ToHashSet(StringComparer.Ordinal);
        var goneLines = oldLines.Keys.Except(newLines.Keys, StringComparer.Ordinal).ToHashSet(StringComparer.Ordinal);
        var drawn = drawing.Shapes.Select(shape => shape.Id).ToHashSet(StringComparer.Ordinal);
        var drawnLines = writtenAs.Values.ToHashSet(StringComparer.Ordinal);
        var added = newShapes.Values.Where(shape => !oldShapes.ContainsKey(shape.Id) && !drawn.Contains(shape.Id)).ToList();
        var addedLines = newLines.Values.Where(line => !oldLines.ContainsKey(line.Id) && !drawnLines.Contains(line.Id)).ToList();
        var sheets = drawing
            .Sheets.Select(
                (sheet, i) =>
                {
                    var shapes = sheet
                        .Shapes.Where(shape => !gone.Contains(shape.Id))
                        .Select(Changed)
                        .Concat(i == 0 ? added : [])
                        .ToImmutableArray();
                    var lines = sheet
                        .Lines.Where(line => !goneLines.Contains(writtenAs[line.Id]))
                        .Select(Changed)
                        .Concat(i == 0 ? addedLines : []);
                    return sheet with { Shapes = shapes, Lines = [.. lines] };
                }
            )
            .ToImmutableArray();
        return WithoutLoose(drawing with { Sheets = sheets });
    }

    // A line that stands for no concept of its own, a tie to an oval say, has another id where it is written than where it was
    // drawn: it is the one between the same two shapes.
    private static Dictionary<string, string> WrittenAs(Drawing drawing, Drawing before)
    {
        var written = drawing.Lines.ToDictionary(line => line.Id, line => line.Id, StringComparer.Ordinal);
        var known = before.Lines.Select(line => line.Id).ToHashSet(StringComparer.Ordinal);
        var others = drawing.Lines.Where(line => !known.Contains(line.Id)).ToLookup(Joined);
        foreach (var pair in before.Lines.Where(line => !written.ContainsKey(line.Id)).GroupBy(Joined))
        {
            foreach (var (drawn, line) in others[pair.Key].Zip(pair))
            {
                written[drawn.Id] = line.Id;
            }
        }

        return written;
    }

    private static (string First, string Second) Joined(Line line)
    {
        var (from, to) = ($"{line.From.On.Kind} {line.From.On.Id}", $"{line.To.On.Kind} {line.To.On.Id}");
        return string.CompareOrdinal(from, to) <= 0 ? (from, to) : (to, from);
    }

    // Lines whose shape, row or line has gone go with it.
    private static Drawing WithoutLoose(Drawing merged)
    {
        var existing = merged
            .Shapes.SelectMany(shape => shape.TextLines.Select(row => row.Id).Prepend(shape.Id))
            .Concat(merged.Lines.Select(line => line.Id))
            .ToHashSet(StringComparer.Ordinal);
        bool Stands(LineEnd end) =>
            end.On.Id is not { } id || existing.Contains(end.On.Kind == AttachmentKind.End ? id[..id.LastIndexOf('/')] : id);
        return merged with
        {
            Sheets =
            [
                .. merged.Sheets.Select(sheet =>
                    sheet with
                    {
                        Lines = sheet.Lines.RemoveAll(line => !Stands(line.From) || !Stands(line.To)),
                    }
                ),
            ],
            Ties = merged.Ties.RemoveAll(tie => !existing.Contains(tie.Element.Split('/')[0])),
        };
    }

    private Shape Changed(Shape shape)
    {
        if (!oldShapes.TryGetValue(shape.Id, out var old) || !newShapes.TryGetValue(shape.Id, out var next))
        {
            return shape;
        }

        return shape with
        {
            Text = Pick(old.Text, next.Text, shape.Text),
            Form = Pick(old.Form, next.Form, shape.Form),
            Outline = Pick(old.Outline, next.Outline, shape.Outline),
            Underline = Pick(old.Underline, next.Underline, shape.Underline),
            Italic = Pick(old.Italic, next.Italic, shape.Italic),
            Compartments = Rows(old, next, shape),
        };
    }

    // Rows that are no longer wanted go, wanted ones are changed where they stand, new ones follow the last of their
    // compartment.
    private static ImmutableArray<ImmutableArray<TextLine>> Rows(Shape old, Shape next, Shape shape)
    {
        var (oldRows, newRows) = (
            old.TextLines.ToDictionary(row => row.Id, StringComparer.Ordinal),
            next.TextLines.ToDictionary(row => row.Id, StringComparer.Ordinal)
        );
        if (
            oldRows.Count == newRows.Count
            && oldRows.All(pair => newRows.TryGetValue(pair.Key, out var same) && same == pair.Value)
        )
        {
            return shape.Compartments;
        }

        var kept = shape
            .Compartments.Select(rows =>
                rows.Where(row => newRows.ContainsKey(row.Id) || !oldRows.ContainsKey(row.Id))
                    .Select(row => Changed(row, oldRows, newRows))
                    .ToImmutableArray()
            )
            .ToList();
        for (var i = 0; i < next.Compartments.Length; i++)
        {
            var fresh = next.Compartments[i].Where(row => !oldRows.ContainsKey(row.Id)).ToList();
            while (kept.Count <= i)
            {
                kept.Add([]);
            }

            kept[i] = kept[i].AddRange(fresh);
        }

        // Where the drawing keeps everything in one compartment in another order, the order typed is taken.
        var order = next
            .TextLines.Select((row, i) => (row.Id, i))
            .ToDictionary(pair => pair.Id, pair => pair.i, StringComparer.Ordinal);
        kept =
        [
            .. kept.Select(rows => rows.All(row => order.ContainsKey(row.Id)) ? [.. rows.OrderBy(row => order[row.Id])] : rows),
        ];
        return kept.Count > 0 && kept.All(rows => rows.IsEmpty) && next.Compartments.IsEmpty ? [] : [.. kept];
    }

    private static TextLine Changed(TextLine row, Dictionary<string, TextLine> oldRows, Dictionary<string, TextLine> newRows)
    {
        if (!oldRows.TryGetValue(row.Id, out var old) || !newRows.TryGetValue(row.Id, out var next))
        {
            return row;
        }

        return row with
        {
            Mark = Pick(old.Mark, next.Mark, row.Mark),
            Ring = Pick(old.Ring, next.Ring, row.Ring),
            Text = Pick(old.Text, next.Text, row.Text),
            Underline = Pick(old.Underline, next.Underline, row.Underline),
            Italic = Pick(old.Italic, next.Italic, row.Italic),
        };
    }

    private Line Changed(Line line)
    {
        if (!oldLines.TryGetValue(writtenAs[line.Id], out var old) || !newLines.TryGetValue(writtenAs[line.Id], out var next))
        {
            return line;
        }

        // The line may have been drawn from its other end.
        var turned = line.From.On != old.From.On && (line.To.On == old.From.On || line.From.On == old.To.On);
        var (oldFrom, oldTo) = turned ? (old.To, old.From) : (old.From, old.To);
        var (newFrom, newTo) = turned ? (next.To, next.From) : (next.From, next.To);
        return line with
        {
            Stroke = Pick(old.Stroke, next.Stroke, line.Stroke),
            Text = Pick(old.Text, next.Text, line.Text),
            Along = old.Along.SequenceEqual(next.Along) ? line.Along : next.Along,
            From = Changed(line.From, oldFrom, newFrom),
            To = Changed(line.To, oldTo, newTo),
        };
    }

    private static LineEnd Changed(LineEnd end, LineEnd old, LineEnd next) =>
        end with
        {
            On = Pick(old.On, next.On, end.On),
            Marks = old.Marks.SequenceEqual(next.Marks) ? end.Marks : next.Marks,
            Label = Pick(old.Label, next.Label, end.Label),
            Role = Pick(old.Role, next.Role, end.Role),
            Count = Pick(old.Count, next.Count, end.Count),
            Qualifier = Pick(old.Qualifier, next.Qualifier, end.Qualifier),
            Edge = Pick(old.On, next.On, end.On) == end.On ? end.Edge : next.Edge,
        };

    private static T Pick<T>(T old, T next, T drawn) => EqualityComparer<T>.Default.Equals(old, next) ? drawn : next;
}
