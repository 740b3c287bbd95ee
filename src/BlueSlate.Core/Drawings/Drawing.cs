using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Drawings;

/// <summary>
/// What is on a slate, as drawn: an immutable value that carries no meaning. What it says is
/// decided by a notation's reader. All ids are unique within the drawing.
/// </summary>
public sealed record Drawing(ImmutableArray<Sheet> Sheets) : IDocument
{
    /// <summary>Which element was drawn from which phrase of the scenario.</summary>
    public ImmutableArray<Tie> Ties { get; init; } = [];

    /// <summary>What authors noted about elements for themselves and their readers.</summary>
    public ImmutableArray<Comment> Comments { get; init; } = [];

    /// <summary>A drawing with one sheet and nothing on it.</summary>
    public static Drawing Empty { get; } = new([new Sheet("sheet1", "", [], [])]);

    /// <summary>All shapes of all sheets, in the order of the document.</summary>
    public IEnumerable<Shape> Shapes => Sheets.SelectMany(sheet => sheet.Shapes);

    /// <summary>All lines of all sheets, in the order of the document.</summary>
    public IEnumerable<Line> Lines => Sheets.SelectMany(sheet => sheet.Lines);

    /// <summary>True when nothing at all is drawn.</summary>
    public bool IsBlank => Sheets.All(sheet => sheet.Shapes.IsEmpty && sheet.Lines.IsEmpty);

    /// <summary>Its texts, and where its shapes stand.</summary>
    public Traits Traits =>
        new(
            [
                .. Shapes.SelectMany(shape => shape.TextLines.Select(row => row.Text).Prepend(shape.Text)),
                .. Lines.SelectMany(line => new[] { line.Text, line.From.Role, line.To.Role }),
            ],
            [.. Shapes.Where(shape => shape.Place is not null).Select(shape => (shape.Text, shape.Place!.X, shape.Place.Y))],
            Shapes.Count()
        );

    /// <summary>Whether an id names a shape, a line of text in one, a line, or an end of a line (<c>id/from</c>).</summary>
    public bool Has(string element) =>
        Shapes.Any(shape => shape.Id == element || shape.TextLines.Any(row => row.Id == element))
        || Lines.Any(line => line.Id == element || $"{line.Id}/from" == element || $"{line.Id}/to" == element);
}

/// <summary>
/// Ties an element to a phrase: the number of the scenario's block, counted from 0, where in its plain text the phrase
/// starts, and the phrase itself.
/// </summary>
public sealed record Tie(string Element, int Block, int Start, string Quote);

/// <summary>A comment on a shape, a line, an end or a line of text; it says nothing about the data.</summary>
public sealed record Comment(string Element, string Text);

/// <summary>One sheet of a drawing.</summary>
public sealed record Sheet(string Id, string Name, ImmutableArray<Shape> Shapes, ImmutableArray<Line> Lines)
{
    /// <summary>Coloured regions behind the shapes.</summary>
    public ImmutableArray<Region> Regions { get; init; } = [];
}

/// <summary>A coloured region around some shapes. <paramref name="Hue"/> counts from 1.</summary>
public sealed record Region(string Id, string Text, int Hue, ImmutableArray<string> Members);

/// <summary>
/// A closed figure with a text and, for boxes, compartments of lines of text. <paramref name="Place"/> is null
/// in a drawing that has not been laid out.
/// </summary>
public sealed record Shape(
    string Id,
    string Form,
    Outline Outline,
    string Text,
    ImmutableArray<ImmutableArray<TextLine>> Compartments,
    Place? Place
)
{
    /// <summary>True when its author wants it to stay where it is while the rest is tidied up.</summary>
    public bool Pinned { get; init; }

    /// <summary>What stands beneath its text.</summary>
    public Underline Underline { get; init; }

    /// <summary>Whether its text is in italics.</summary>
    public bool Italic { get; init; }

    /// <summary>The lines of text of all compartments, from top to bottom.</summary>
    public IEnumerable<TextLine> TextLines => Compartments.SelectMany(lines => lines);
}

/// <summary>
/// One line of text in a box: <paramref name="Mark"/> is what stands in the column before it,
/// <paramref name="Ring"/> says whether a ring stands directly before the text.
/// </summary>
public sealed record TextLine(string Id, string Mark, bool Ring, string Text, Underline Underline)
{
    /// <summary>Whether the text is in italics.</summary>
    public bool Italic { get; init; }
}

/// <summary>A line between two ends. <paramref name="Route"/> is empty in a drawing that has not been laid out.</summary>
public sealed record Line(string Id, Stroke Stroke, string Text, LineEnd From, LineEnd To, ImmutableArray<Point> Route)
{
    /// <summary>The id of the first end, derived from the line's own.</summary>
    public string FromId => Id + EndSuffix.From;

    /// <summary>The id of the second end, derived from the line's own.</summary>
    public string ToId => Id + EndSuffix.To;

    /// <summary>The symbols on the line between its ends.</summary>
    public ImmutableArray<Along> Along { get; init; } = [];

    /// <summary>Where its texts stand; none in a drawing that has not been laid out.</summary>
    public ImmutableArray<LabelPlace> Labels { get; init; } = [];

    /// <summary>The end to which a small solid pointer beside the line's text points.</summary>
    public EndSide Pointer { get; init; }
}

/// <summary>
/// Where a text of a line stands: that of an end, or its own (<see cref="EndSide.Neither"/>). The point is where its baseline
/// begins, or ends where <paramref name="Ends"/> says so.
/// </summary>
public sealed record LabelPlace(LabelKind Kind, EndSide Side, Point At, bool Ends);

/// <summary>A symbol on a line, and the end to which it is turned.</summary>
public sealed record Along(string Symbol, EndSide Facing);

/// <summary>What is added to a line's id to name one of its ends.</summary>
public static class EndSuffix
{
    /// <summary>The first end.</summary>
    public const string From = "/from";

    /// <summary>The second end.</summary>
    public const string To = "/to";
}

/// <summary>
/// One end of a line. <paramref name="Marks"/> are the end's symbols from the box outward;
/// <paramref name="Label"/> is the half of the line's text that stands at this end.
/// </summary>
public sealed record LineEnd(Attachment On, ImmutableArray<string> Marks, string Label = "", string Role = "", string Count = "")
{
    /// <summary>What stands in a small box between this end and what it is attached to; empty for no such box.</summary>
    public string Qualifier { get; init; } = "";

    /// <summary>The edge of its box at which its author drew it, until the boxes are arranged otherwise.</summary>
    public BoxEdge Edge { get; init; }
}

/// <summary>
/// What an end is attached to: a shape, a line of text, another line, an end of a line, or nothing when the id is null.
/// </summary>
public sealed record Attachment(AttachmentKind Kind, string? Id)
{
    /// <summary>Attached to nothing.</summary>
    public static Attachment Nothing { get; } = new(AttachmentKind.Nothing, null);

    /// <summary>Attached to the shape with this id.</summary>
    public static Attachment ToShape(string id) => new(AttachmentKind.Shape, id);
}

/// <summary>A position and size in quarter units; positions may be negative.</summary>
public sealed record Place(int X, int Y, int Width, int Height);

/// <summary>A point in quarter units.</summary>
public readonly record struct Point(int X, int Y);
