using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>How large a shape is, decided by what is written in it; the same rules as on the slate.</summary>
public static class ShapeSizes
{
    private const double HeadHeight = 26;
    private const double RowHeight = 18;
    private const double Foot = 8;
    private const double MarkLeft = 10;
    private const double TextLeft = 42;
    private const double Padding = 14;
    private const double LeastWidth = 150;
    private const int NoteLine = 24;

    /// <summary>Width and height in pixels at zoom 1.</summary>
    public static (double Width, double Height) Of(Shape shape) => shape.Form switch
    {
        Form.Note => NoteOf(shape.Text),
        Form.Oval or Form.Circle => (Math.Max(90, TextWidths.Of(shape.Text) + 36), 40),
        Form.Diamond or Form.DiamondInRectangle => (Math.Max(110, (TextWidths.Of(shape.Text) * 1.6) + 30), 62),
        _ => BoxOf(shape),
    };

    private static (double Width, double Height) BoxOf(Shape shape)
    {
        var rows = shape.TextLines.ToList();
        var indent = rows.Select(row => MarkLeft + TextWidths.Of(row.Mark, 12) + (rows.Any(ringed => ringed.Ring && ringed.Mark.Length > 0) ? 24 : 14)).Append(TextLeft).Max();
        var widest = rows.Select(row => indent + TextWidths.Of(row.Text) + Padding).Append(TextWidths.Of(shape.Text, bold: true) + (2 * MarkLeft)).Append(LeastWidth).Max();
        return (Math.Ceiling(widest / 2) * 2, rows.Count == 0 ? HeadHeight + 10 : HeadHeight + (rows.Count * RowHeight) + Foot);
    }

    private static (double Width, double Height) NoteOf(string text)
    {
        var lines = NoteLines(text);
        return (lines.Select(line => Math.Ceiling(TextWidths.Of(line)) + 24).Append(90).Max(), 14 + (lines.Count * RowHeight));
    }

    // Broken at words, a longer word on a line of its own.
    private static List<string> NoteLines(string text)
    {
        var lines = new List<string>();
        foreach (var paragraph in text.Split('\n'))
        {
            var line = "";
            foreach (var word in paragraph.Split(' '))
            {
                var longer = line.Length == 0 ? word : $"{line} {word}";
                if (longer.Length > NoteLine && line.Length > 0)
                {
                    lines.Add(line);
                    line = word;
                }
                else
                {
                    line = longer;
                }
            }

            lines.Add(line);
        }

        return lines;
    }
}
