using System.Text.RegularExpressions;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>
/// How large a shape is, decided by what is written in it and by its form's data; the same rules as on the slate.
/// </summary>
public static partial class ShapeSizes
{
    /// <summary>Height of the name of a box.</summary>
    public const double HeadHeight = 26;

    /// <summary>Height of a line of text.</summary>
    public const double RowHeight = 18;

    /// <summary>What is left free beneath the lines of a compartment.</summary>
    public const double Foot = 8;

    /// <summary>How far marks, and names, stand from the left edge.</summary>
    public const double MarkLeft = 10;

    /// <summary>Height of a line of stereotypes above a name.</summary>
    public const double StereotypeHeight = 16;

    private const double TextLeft = 42;
    private const double Padding = 14;
    private const double NameGap = 12;
    private const double MarkGap = 6;
    private const double RingWidth = 14;
    private const double LeastCell = 40;

    // A box in which nothing but a name is written may be narrower.
    private const double BareWidth = 100;
    private const int NoteLine = 24;

    /// <summary>Width and height in pixels at zoom 1.</summary>
    public static (double Width, double Height) Of(Shape shape)
    {
        var form = Symbols.Forms[shape.Form];
        return form.Layout switch
        {
            "rows" => BoxOf(shape, form),
            "cells" => StripOf(shape, form),
            "lines" => NoteOf(shape.Text),
            "below" => (form.Least[0], form.Least[1]),
            _ => (Math.Max(form.Least[0], Math.Ceiling((TextWidths.Of(shape.Text) * form.Widen) + form.Pad)), form.Least[1]),
        };
    }

    /// <summary>A box's name without its stereotypes, and the stereotypes that stand above it.</summary>
    public static (string Stereotypes, string Name) HeadOf(string text)
    {
        var found = StereotypePattern().Match(text);
        return found.Success ? (found.Value.Trim(), text[found.Length..]) : ("", text);
    }

    /// <summary>Height of what stands above a box's compartments: its name, and stereotypes where it has any.</summary>
    public static double HeadHeightOf(Shape shape) =>
        HeadHeight + (HeadOf(shape.Text).Stereotypes.Length > 0 ? StereotypeHeight : 0);

    /// <summary>How far the texts of a box's lines stand from its left edge: far enough for its widest mark.</summary>
    public static double IndentOf(Shape shape)
    {
        var rows = shape.TextLines.ToList();
        if (!rows.Any(row => row.Mark.Length > 0 || row.Ring))
        {
            return MarkLeft;
        }

        var ringed = rows.Any(row => row.Ring && row.Mark.Length > 0);
        return rows.Select(row => MarkLeft + TextWidths.Of(row.Mark, 12) + (ringed ? 24 : 14)).Append(TextLeft).Max();
    }

    /// <summary>How far the first cell of a strip stands from its left edge: its name stands before it.</summary>
    public static double NameWidthOf(Shape shape) =>
        shape.Text.Length == 0 ? 0 : Math.Ceiling(TextWidths.Of(shape.Text, bold: true)) + NameGap;

    /// <summary>How far the text of a cell stands from the cell's left edge: behind its mark and its ring.</summary>
    public static double LeadOf(TextLine row) =>
        MarkLeft + (row.Mark.Length > 0 ? Math.Ceiling(TextWidths.Of(row.Mark, 12)) + MarkGap : 0) + (row.Ring ? RingWidth : 0);

    /// <summary>The cells of a strip beside each other: how far each stands from the strip's left edge, and its width.</summary>
    public static IEnumerable<(TextLine Row, double X, double Width)> CellsOf(Shape shape)
    {
        var x = NameWidthOf(shape);
        foreach (var row in shape.TextLines)
        {
            var width = Math.Max(LeastCell, LeadOf(row) + Math.Ceiling(TextWidths.Of(row.Text)) + MarkLeft);
            yield return (row, x, width);
            x += width;
        }
    }

    /// <summary>The lines of a note, broken at words, a longer word on a line of its own.</summary>
    public static IReadOnlyList<string> NoteLines(string text)
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

    private static (double Width, double Height) BoxOf(Shape shape, Symbol form)
    {
        var indent = IndentOf(shape);
        var (stereotypes, name) = HeadOf(shape.Text);
        var widest = shape
            .TextLines.Select(row => indent + TextWidths.Of(row.Text) + Padding)
            .Append(TextWidths.Of(name, bold: true) + (2 * MarkLeft))
            .Append(TextWidths.Of(stereotypes) + (2 * MarkLeft))
            .Append(shape.Compartments.IsEmpty ? BareWidth : form.Least[0])
            .Max();
        var head = HeadHeight + (stereotypes.Length > 0 ? StereotypeHeight : 0);
        var rows = shape.TextLines.Count();
        var body =
            rows == 0 && shape.Compartments.Length < 2
                ? 10
                : (rows * RowHeight) + (Math.Max(1, shape.Compartments.Length) * Foot);
        return (Math.Ceiling(widest / 2) * 2, head + body);
    }

    private static (double Width, double Height) StripOf(Shape shape, Symbol form)
    {
        var cells = CellsOf(shape).Sum(cell => cell.Width);
        return (NameWidthOf(shape) + Math.Max(cells, form.Least[0]), form.Least[1]);
    }

    private static (double Width, double Height) NoteOf(string text)
    {
        var lines = NoteLines(text);
        return (lines.Select(line => Math.Ceiling(TextWidths.Of(line)) + 24).Append(90).Max(), 14 + (lines.Count * RowHeight));
    }

    [GeneratedRegex("^(?:\\s*«[^»]*»\\s*)+")]
    private static partial Regex StereotypePattern();
}
