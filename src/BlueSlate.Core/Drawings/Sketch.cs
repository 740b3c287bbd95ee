using System.Collections.Immutable;

namespace BlueSlate.Core.Drawings;

/// <summary>
/// Builds a drawing without places, a shape or a line at a time, for examples, demo data and tests.
/// Boxes are named by their text; ids count up from <c>b1</c>, <c>t1</c> and <c>r1</c>.
/// </summary>
public sealed class Sketch
{
    private readonly List<Shape> shapes = [];
    private readonly List<Line> lines = [];
    private int rows;

    /// <summary>
    /// Adds a box. A row is its text, with a key mark in front when its first word is in capitals (<c>PK</c>, <c>FK1</c>,
    /// <c>PK FK</c>), and with a ring before the text when that starts with <c>o </c>.
    /// </summary>
    public Sketch Box(string text, params string[] rowTexts) => Shape(Form.Rectangle, text, rowTexts);

    /// <summary>Adds a shape of any form.</summary>
    public Sketch Shape(Form form, string text, params string[] rowTexts)
    {
        ImmutableArray<ImmutableArray<TextLine>> compartments = rowTexts.Length == 0 ? [] : [[.. rowTexts.Select(Row)]];
        shapes.Add(new Shape($"b{shapes.Count + 1}", form, Outline.Single, text, compartments, null));
        return this;
    }

    /// <summary>Adds a line between two boxes named by their text.</summary>
    public Sketch Line(string from, EndMark[] fromMarks, string to, EndMark[] toMarks, string label = "", string back = "", Stroke stroke = Stroke.Dashed)
    {
        var start = new LineEnd(Attachment.ToShape(IdOf(from)), [.. fromMarks], label);
        var end = new LineEnd(Attachment.ToShape(IdOf(to)), [.. toMarks], back);
        return Line(start, end, stroke);
    }

    /// <summary>Adds a line with two ends of any kind.</summary>
    public Sketch Line(LineEnd from, LineEnd to, Stroke stroke = Stroke.Dashed, string text = "")
    {
        lines.Add(new Line($"r{lines.Count + 1}", stroke, text, from, to, []));
        return this;
    }

    /// <summary>The id of the box with this text.</summary>
    public string IdOf(string text) => shapes.First(shape => shape.Text == text).Id;

    /// <summary>What has been sketched so far.</summary>
    public Drawing ToDrawing() => new([new Sheet("sheet1", "", [.. shapes], [.. lines])]);

    private TextLine Row(string row)
    {
        var words = row.Split(' ');
        var marks = words.TakeWhile(word => word.Length > 1 && word.All(c => char.IsAsciiLetterUpper(c) || char.IsAsciiDigit(c) || c == '/')).ToList();
        var text = string.Join(' ', words.Skip(marks.Count));
        var ring = text.StartsWith("o ", StringComparison.Ordinal);
        return new TextLine($"t{++rows}", string.Join(' ', marks), ring, ring ? text[2..] : text, Underline.None);
    }
}

/// <summary>The marks of the usual ends, from the box outward.</summary>
public static class Ends
{
    /// <summary>Bar, bar.</summary>
    public static EndMark[] One => [EndMark.Bar, EndMark.Bar];

    /// <summary>Bar, ring.</summary>
    public static EndMark[] ZeroOrOne => [EndMark.Bar, EndMark.Ring];

    /// <summary>Foot, bar.</summary>
    public static EndMark[] OneOrMore => [EndMark.Foot, EndMark.Bar];

    /// <summary>Foot, ring.</summary>
    public static EndMark[] ZeroOrMore => [EndMark.Foot, EndMark.Ring];

    /// <summary>Nothing at all.</summary>
    public static EndMark[] Unsaid => [];
}
