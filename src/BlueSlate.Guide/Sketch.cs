using System.Collections.Immutable;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide;

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
    public Sketch Shape(string form, string text, params string[] rowTexts)
    {
        ImmutableArray<ImmutableArray<TextLine>> compartments =
            rowTexts.Length == 0
                ? []
                :
                [
                    [.. rowTexts.Select(Row)],
                ];
        shapes.Add(new Shape($"b{shapes.Count + 1}", form, Outline.Single, text, compartments, null));
        return this;
    }

    /// <summary>Adds a shape with another outline than a single one.</summary>
    public Sketch Shape(string form, string text, Outline outline)
    {
        shapes.Add(new Shape($"b{shapes.Count + 1}", form, outline, text, [], null));
        return this;
    }

    /// <summary>Adds an oval with a line to its owner.</summary>
    public Sketch Oval(string owner, string text, Underline underline = Underline.None, Outline outline = Outline.Single)
    {
        shapes.Add(new Shape($"b{shapes.Count + 1}", Form.Oval, outline, text, [], null) { Underline = underline });
        return Tie(owner, text);
    }

    /// <summary>
    /// Adds a diamond with a line to each box: its name, what is written at it, and whether the line is double.
    /// </summary>
    public Sketch Diamond(string text, Outline outline, params (string Box, string Count, bool Double)[] ends)
    {
        Shape(Form.Diamond, text, outline);
        foreach (var (box, count, doubled) in ends)
        {
            Line(
                new LineEnd(Attachment.ToShape(IdOf(box)), [], Count: count),
                new LineEnd(Attachment.ToShape(IdOf(text)), []),
                doubled ? Stroke.Double : Stroke.Solid
            );
        }

        return this;
    }

    /// <summary>Adds a circle beneath a box, and a line with a cup to each of the others.</summary>
    public Sketch Circle(string letter, string above, bool doubled, params string[] beneath)
    {
        Shape(Form.Circle, letter, Outline.Single);
        Tie(above, letter, doubled ? Stroke.Double : Stroke.Solid);
        foreach (var box in beneath)
        {
            Tie(letter, box);
            lines[^1] = lines[^1] with { Along = [new Along(AlongMark.Cup, EndSide.From)] };
        }

        return this;
    }

    /// <summary>Adds a box with a compartment for each list of rows.</summary>
    public Sketch Class(string text, params string[][] compartments)
    {
        shapes.Add(
            new Shape(
                $"b{shapes.Count + 1}",
                Form.Rectangle,
                Outline.Single,
                text,
                [
                    .. compartments.Select(texts =>
                        texts.Select(row => new TextLine($"t{++rows}", "", false, row, Underline.None)).ToImmutableArray()
                    ),
                ],
                null
            )
        );
        return this;
    }

    /// <summary>Changes the shape or line that was added last.</summary>
    public Sketch With(Func<Shape, Shape>? shape = null, Func<Line, Line>? line = null)
    {
        if (shape is not null)
        {
            shapes[^1] = shape(shapes[^1]);
        }

        if (line is not null)
        {
            lines[^1] = line(lines[^1]);
        }

        return this;
    }

    /// <summary>
    /// Adds a line between two shapes named by their text, with what is written at its ends and what marks them.
    /// </summary>
    public Sketch Tie(
        string from,
        string to,
        Stroke stroke = Stroke.Solid,
        string text = "",
        string atFrom = "",
        string atTo = "",
        string? markFrom = null,
        string? markTo = null
    ) =>
        Line(
            new LineEnd(Attachment.ToShape(IdOf(from)), markFrom is null ? [] : [markFrom], Count: atFrom),
            new LineEnd(Attachment.ToShape(IdOf(to)), markTo is null ? [] : [markTo], Count: atTo),
            stroke,
            text
        );

    /// <summary>Adds a line between two boxes named by their text.</summary>
    public Sketch Line(
        string from,
        string[] fromMarks,
        string to,
        string[] toMarks,
        string label = "",
        string back = "",
        Stroke stroke = Stroke.Dashed
    )
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
        var marks = words
            .TakeWhile(word => word.Length > 1 && word.All(c => char.IsAsciiLetterUpper(c) || char.IsAsciiDigit(c) || c == '/'))
            .ToList();
        var text = string.Join(' ', words.Skip(marks.Count));
        var ring = text.StartsWith("o ", StringComparison.Ordinal);
        return new TextLine($"t{++rows}", string.Join(' ', marks), ring, ring ? text[2..] : text, Underline.None);
    }
}

/// <summary>The marks of the usual ends, from the box outward.</summary>
public static class Ends
{
    /// <summary>Bar, bar.</summary>
    public static string[] One => [EndMark.Bar, EndMark.Bar];

    /// <summary>Bar, ring.</summary>
    public static string[] ZeroOrOne => [EndMark.Bar, EndMark.Ring];

    /// <summary>Foot, bar.</summary>
    public static string[] OneOrMore => [EndMark.Foot, EndMark.Bar];

    /// <summary>Foot, ring.</summary>
    public static string[] ZeroOrMore => [EndMark.Foot, EndMark.Ring];

    /// <summary>Nothing at all.</summary>
    public static string[] Unsaid => [];
}
