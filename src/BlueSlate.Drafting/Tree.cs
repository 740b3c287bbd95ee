using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>What of a drawing is drawn as a tree, from above downward: by its symbols alone, whatever they mean.</summary>
internal static class Tree
{
    /// <summary>Whether any line or shape of a sheet belongs to a tree.</summary>
    public static bool Any(Sheet sheet) =>
        sheet.Shapes.Any(shape => shape.Form is Form.Circle or Form.HalfCircle)
        || sheet.Lines.Any(line => HasTriangle(line.From) || HasTriangle(line.To) || !line.Along.IsEmpty);

    /// <summary>
    /// Whether a line leads from what stands below to what stands above: to its triangle, or to the open side of its cup.
    /// </summary>
    public static bool LeadsUp(Line line, Sheet sheet)
    {
        if (HasTriangle(line.To))
        {
            return true;
        }

        return line.Along.Any(along => along.Symbol == AlongMark.Cup && along.Facing == EndSide.To)
            && sheet.Shapes.Any(shape => shape.Id == line.To.On.Id);
    }

    /// <summary>What stands above with what stands below it, by shape id: the two ends of each line of a tree.</summary>
    public static IEnumerable<(string Above, string Below)> Pairs(Sheet sheet) =>
        Lines(sheet)
            .Select(line => (From: line.From.On.Id!, To: line.To.On.Id!, Up: LeadsUp(line, sheet)))
            .Select(line => line.Up ? (line.To, line.From) : (line.From, line.To));

    /// <summary>The lines of trees between two shapes.</summary>
    public static IEnumerable<Line> Lines(Sheet sheet)
    {
        var circles = sheet
            .Shapes.Where(shape => shape.Form is Form.Circle or Form.HalfCircle)
            .Select(shape => shape.Id)
            .ToHashSet(StringComparer.Ordinal);
        return sheet.Lines.Where(line =>
            line.From.On.Kind == AttachmentKind.Shape
            && line.To.On.Kind == AttachmentKind.Shape
            && (
                circles.Contains(line.From.On.Id!)
                || circles.Contains(line.To.On.Id!)
                || HasTriangle(line.From)
                || HasTriangle(line.To)
                || !line.Along.IsEmpty
            )
        );
    }

    private static bool HasTriangle(LineEnd end) => end.Marks.Any(mark => mark is EndMark.Triangle or EndMark.SolidTriangle);
}
