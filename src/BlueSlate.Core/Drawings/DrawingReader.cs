using System.Collections.Immutable;
using System.Text;
using System.Text.Json;

namespace BlueSlate.Core.Drawings;

/// <summary>
/// Reads the document format of drawings (docs/formats/drawing.md). Everything that can be read is read;
/// properties that it does not know are passed over, so that later versions' additions do no harm. The first
/// thing that cannot be read ends the reading, with its key, JSON path and line.
/// </summary>
public static class DrawingReader
{
    /// <summary>The value of <c>format</c> in every document.</summary>
    public const string Format = "blue-slate-drawing";

    /// <summary>The newest version of the format that this reader knows; all earlier ones are read too.</summary>
    public const int Version = 1;

    /// <summary>Reads a document in UTF-8, with or without a byte order mark. Never throws for what is in it.</summary>
    public static DrawingOutcome Read(ReadOnlySpan<byte> utf8)
    {
        if (utf8.StartsWith("\uFEFF"u8))
        {
            utf8 = utf8[3..];
        }

        if (utf8.Length > DrawingLimits.Bytes)
        {
            return Refused(
                new("too-large", "$", 1, $"The document has {utf8.Length} bytes; at most {DrawingLimits.Bytes} are read.")
            );
        }

        var cursor = new JsonCursor(utf8);
        try
        {
            var drawing = ReadDocument(ref cursor);
            return new DrawingOutcome(drawing, []);
        }
        catch (DrawingFormatException refusal)
        {
            return Refused(refusal.Problem);
        }
        catch (JsonException error)
        {
            return Refused(cursor.NotJson(error));
        }
        catch (InvalidOperationException)
        {
            return Refused(cursor.Problem("not-unicode", "This text is not valid Unicode."));
        }
    }

    private static DrawingOutcome Refused(DrawingProblem problem) => new(null, [problem]);

    private static Drawing ReadDocument(ref JsonCursor cursor)
    {
        cursor.Start();
        string? format = null;
        int? version = null;
        ImmutableArray<Sheet>? sheets = null;
        ImmutableArray<Tie> ties = [];
        ImmutableArray<Comment> comments = [];
        var ids = new DrawingIds();
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "format":
                    format = cursor.Text(DrawingLimits.Text);
                    break;
                case "version":
                    version = cursor.Integer(0, int.MaxValue);
                    break;
                case "sheets":
                    sheets = ReadSheets(ref cursor, ids);
                    break;
                case "ties":
                    ties = ReadTies(ref cursor);
                    break;
                case "comments":
                    comments = ReadComments(ref cursor);
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        cursor.End();
        if (format != Format)
        {
            throw cursor.Refuse(
                "$.format",
                format is null ? "missing" : "not-a-drawing",
                $"A drawing says \"format\": \"{Format}\"."
            );
        }

        if (version is null or < 1 or > Version)
        {
            throw cursor.Refuse(
                "$.version",
                version is null ? "missing" : "unknown-version",
                $"Versions 1 to {Version} are read."
            );
        }

        if (sheets is not { IsEmpty: false } found)
        {
            throw cursor.Refuse("$.sheets", "missing", "A drawing has at least one sheet.");
        }

        ids.CheckReferences(cursor);
        return new Drawing(found) { Ties = ties, Comments = comments };
    }

    private static ImmutableArray<Sheet> ReadSheets(ref JsonCursor cursor, DrawingIds ids)
    {
        var sheets = ImmutableArray.CreateBuilder<Sheet>();
        var items = cursor.Array(DrawingLimits.Sheets, "sheets");
        while (cursor.NextItem(ref items))
        {
            sheets.Add(ReadSheet(ref cursor, ids));
        }

        return sheets.ToImmutable();
    }

    private static Sheet ReadSheet(ref JsonCursor cursor, DrawingIds ids)
    {
        string? id = null;
        var name = "";
        ImmutableArray<Shape> shapes = [];
        ImmutableArray<Line> lines = [];
        ImmutableArray<Region> regions = [];
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "id":
                    id = ids.Declare(ref cursor);
                    break;
                case "name":
                    name = cursor.Text(DrawingLimits.Text);
                    break;
                case "shapes":
                    shapes = ReadShapes(ref cursor, ids);
                    break;
                case "lines":
                    lines = ReadLines(ref cursor, ids);
                    break;
                case "regions":
                    regions = ReadRegions(ref cursor, ids);
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        return new Sheet(cursor.Required(id, "id"), name, shapes, lines) { Regions = regions };
    }

    private static ImmutableArray<Shape> ReadShapes(ref JsonCursor cursor, DrawingIds ids)
    {
        var shapes = ImmutableArray.CreateBuilder<Shape>();
        var items = cursor.Array(DrawingLimits.Shapes, "shapes");
        while (cursor.NextItem(ref items))
        {
            shapes.Add(ReadShape(ref cursor, ids));
            ids.CountShape(cursor);
        }

        return shapes.ToImmutable();
    }

    private static Shape ReadShape(ref JsonCursor cursor, DrawingIds ids)
    {
        string? id = null;
        string? form = null;
        var outline = Outline.Single;
        var text = "";
        ImmutableArray<ImmutableArray<TextLine>> compartments = [];
        Place? place = null;
        var pinned = false;
        var underline = Underline.None;
        var italic = false;
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "id":
                    id = ids.DeclareShape(ref cursor);
                    break;
                case "form":
                    form = cursor.Symbol(Symbols.Forms);
                    break;
                case "outline":
                    outline = cursor.Word(Vocabulary.Outlines);
                    break;
                case "text":
                    text = cursor.Text(DrawingLimits.Text);
                    break;
                case "compartments":
                    compartments = ReadCompartments(ref cursor, ids);
                    break;
                case "place":
                    place = ReadPlace(ref cursor);
                    break;
                case "pinned":
                    pinned = cursor.Boolean();
                    break;
                case "underline":
                    underline = cursor.Word(Vocabulary.Underlines);
                    break;
                case "italic":
                    italic = cursor.Boolean();
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        return new Shape(cursor.Required(id, "id"), cursor.Required(form, "form"), outline, text, compartments, place)
        {
            Pinned = pinned,
            Underline = underline,
            Italic = italic,
        };
    }

    private static ImmutableArray<ImmutableArray<TextLine>> ReadCompartments(ref JsonCursor cursor, DrawingIds ids)
    {
        var compartments = ImmutableArray.CreateBuilder<ImmutableArray<TextLine>>();
        var items = cursor.Array(DrawingLimits.Compartments, "compartments");
        while (cursor.NextItem(ref items))
        {
            var lines = ImmutableArray.CreateBuilder<TextLine>();
            var rows = cursor.Array(DrawingLimits.LinesInBox, "lines in a box");
            while (cursor.NextItem(ref rows))
            {
                lines.Add(ReadTextLine(ref cursor, ids));
            }

            compartments.Add(lines.ToImmutable());
        }

        return compartments.ToImmutable();
    }

    private static TextLine ReadTextLine(ref JsonCursor cursor, DrawingIds ids)
    {
        string? id = null;
        var mark = "";
        var ring = false;
        var text = "";
        var underline = Underline.None;
        var italic = false;
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "id":
                    id = ids.DeclareRow(ref cursor);
                    break;
                case "mark":
                    mark = cursor.Text(DrawingLimits.Text);
                    break;
                case "ring":
                    ring = cursor.Boolean();
                    break;
                case "text":
                    text = cursor.Text(DrawingLimits.Text);
                    break;
                case "underline":
                    underline = cursor.Word(Vocabulary.Underlines);
                    break;
                case "italic":
                    italic = cursor.Boolean();
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        return new TextLine(cursor.Required(id, "id"), mark, ring, text, underline) { Italic = italic };
    }

    private static Place ReadPlace(ref JsonCursor cursor)
    {
        var numbers = cursor.Integers(4, 4);
        return numbers[2] < 0 || numbers[3] < 0
            ? throw cursor.Refuse("out-of-range", "A place is [x, y, width, height]; width and height are not negative.")
            : new Place(numbers[0], numbers[1], numbers[2], numbers[3]);
    }

    private static ImmutableArray<Line> ReadLines(ref JsonCursor cursor, DrawingIds ids)
    {
        var lines = ImmutableArray.CreateBuilder<Line>();
        var items = cursor.Array(DrawingLimits.Lines, "lines");
        while (cursor.NextItem(ref items))
        {
            lines.Add(ReadLine(ref cursor, ids));
            ids.CountLine(cursor);
        }

        return lines.ToImmutable();
    }

    private static Line ReadLine(ref JsonCursor cursor, DrawingIds ids)
    {
        string? id = null;
        var stroke = Stroke.Solid;
        var text = "";
        LineEnd? from = null,
            to = null;
        ImmutableArray<Point> route = [];
        ImmutableArray<Along> along = [];
        ImmutableArray<LabelPlace> labels = [];
        var pointer = EndSide.Neither;
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "id":
                    id = ids.DeclareLine(ref cursor);
                    break;
                case "stroke":
                    stroke = cursor.Word(Vocabulary.Strokes);
                    break;
                case "text":
                    text = cursor.Text(DrawingLimits.Text);
                    break;
                case "from":
                    from = ReadEnd(ref cursor, ids);
                    break;
                case "to":
                    to = ReadEnd(ref cursor, ids);
                    break;
                case "route":
                    route = ReadRoute(ref cursor);
                    break;
                case "along":
                    along = ReadAlong(ref cursor);
                    break;
                case "labels":
                    labels = ReadLabels(ref cursor);
                    break;
                case "pointer":
                    pointer = cursor.Word(Vocabulary.Sides);
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        return new Line(cursor.Required(id, "id"), stroke, text, cursor.Required(from, "from"), cursor.Required(to, "to"), route)
        {
            Along = along,
            Pointer = pointer,
            Labels = labels,
        };
    }

    private static LineEnd ReadEnd(ref JsonCursor cursor, DrawingIds ids)
    {
        var on = Attachment.Nothing;
        var marks = ImmutableArray.CreateBuilder<string>();
        string label = "",
            role = "",
            count = "",
            qualifier = "";
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "shape":
                    on = new(AttachmentKind.Shape, ids.Refer(ref cursor, AttachmentKind.Shape));
                    break;
                case "row":
                    on = new(AttachmentKind.Row, ids.Refer(ref cursor, AttachmentKind.Row));
                    break;
                case "line":
                    on = new(AttachmentKind.Line, ids.Refer(ref cursor, AttachmentKind.Line));
                    break;
                case "end":
                    on = new(AttachmentKind.End, ids.ReferToEnd(ref cursor));
                    break;
                case "qualifier":
                    qualifier = cursor.Text(DrawingLimits.Text);
                    break;
                case "marks":
                    var items = cursor.Array(DrawingLimits.Marks, "marks");
                    while (cursor.NextItem(ref items))
                    {
                        marks.Add(cursor.Symbol(Symbols.Ends));
                    }

                    break;
                case "label":
                    label = cursor.Text(DrawingLimits.Text);
                    break;
                case "role":
                    role = cursor.Text(DrawingLimits.Text);
                    break;
                case "count":
                    count = cursor.Text(DrawingLimits.Text);
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        return new LineEnd(on, marks.ToImmutable(), label, role, count) { Qualifier = qualifier };
    }

    private static ImmutableArray<Along> ReadAlong(ref JsonCursor cursor)
    {
        var along = ImmutableArray.CreateBuilder<Along>();
        var items = cursor.Array(DrawingLimits.Marks, "symbols");
        while (cursor.NextItem(ref items))
        {
            string? symbol = null;
            var facing = EndSide.Neither;
            var properties = cursor.Object();
            while (cursor.NextProperty(ref properties))
            {
                switch (properties.Name)
                {
                    case "symbol":
                        symbol = cursor.Symbol(Symbols.Along);
                        break;
                    case "facing":
                        facing = cursor.Word(Vocabulary.Sides);
                        break;
                    default:
                        cursor.Skip();
                        break;
                }
            }

            along.Add(new Along(cursor.Required(symbol, "symbol"), facing));
        }

        return along.ToImmutable();
    }

    private static ImmutableArray<LabelPlace> ReadLabels(ref JsonCursor cursor)
    {
        var labels = ImmutableArray.CreateBuilder<LabelPlace>();
        var items = cursor.Array(DrawingLimits.Labels, "labels");
        while (cursor.NextItem(ref items))
        {
            LabelKind? kind = null;
            var side = EndSide.Neither;
            int[] at = [0, 0];
            var ends = false;
            var properties = cursor.Object();
            while (cursor.NextProperty(ref properties))
            {
                switch (properties.Name)
                {
                    case "of":
                        kind = cursor.Word(Vocabulary.Labels);
                        break;
                    case "side":
                        side = cursor.Word(Vocabulary.Sides);
                        break;
                    case "at":
                        at = cursor.Integers(2, 2);
                        break;
                    case "ends":
                        ends = cursor.Boolean();
                        break;
                    default:
                        cursor.Skip();
                        break;
                }
            }

            labels.Add(new LabelPlace(cursor.Required(kind, "of"), side, new Point(at[0], at[1]), ends));
        }

        return labels.ToImmutable();
    }

    private static ImmutableArray<Region> ReadRegions(ref JsonCursor cursor, DrawingIds ids)
    {
        var regions = ImmutableArray.CreateBuilder<Region>();
        var items = cursor.Array(DrawingLimits.Regions, "regions");
        while (cursor.NextItem(ref items))
        {
            string? id = null;
            var text = "";
            var hue = 1;
            var members = ImmutableArray.CreateBuilder<string>();
            var properties = cursor.Object();
            while (cursor.NextProperty(ref properties))
            {
                switch (properties.Name)
                {
                    case "id":
                        id = ids.Declare(ref cursor);
                        break;
                    case "text":
                        text = cursor.Text(DrawingLimits.Text);
                        break;
                    case "hue":
                        hue = cursor.Integer(1, DrawingLimits.Hues);
                        break;
                    case "members":
                        var shapes = cursor.Array(DrawingLimits.Shapes, "members");
                        while (cursor.NextItem(ref shapes))
                        {
                            members.Add(ids.Refer(ref cursor, AttachmentKind.Shape));
                        }

                        break;
                    default:
                        cursor.Skip();
                        break;
                }
            }

            regions.Add(new Region(cursor.Required(id, "id"), text, hue, members.ToImmutable()));
        }

        return regions.ToImmutable();
    }

    private static ImmutableArray<Comment> ReadComments(ref JsonCursor cursor)
    {
        var comments = ImmutableArray.CreateBuilder<Comment>();
        var items = cursor.Array(DrawingLimits.Ties, "comments");
        while (cursor.NextItem(ref items))
        {
            string? element = null,
                text = null;
            var properties = cursor.Object();
            while (cursor.NextProperty(ref properties))
            {
                switch (properties.Name)
                {
                    case "element":
                        element = cursor.Text(DrawingLimits.Id + EndSuffix.From.Length);
                        break;
                    case "text":
                        text = cursor.Text(DrawingLimits.Comment);
                        break;
                    default:
                        cursor.Skip();
                        break;
                }
            }

            comments.Add(new Comment(cursor.Required(element, "element"), cursor.Required(text, "text")));
        }

        return comments.ToImmutable();
    }

    private static ImmutableArray<Tie> ReadTies(ref JsonCursor cursor)
    {
        var ties = ImmutableArray.CreateBuilder<Tie>();
        var items = cursor.Array(DrawingLimits.Ties, "ties");
        while (cursor.NextItem(ref items))
        {
            ties.Add(ReadTie(ref cursor));
        }

        return ties.ToImmutable();
    }

    private static Tie ReadTie(ref JsonCursor cursor)
    {
        string? element = null,
            quote = null;
        int? block = null,
            start = null;
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "element":
                    element = cursor.Text(DrawingLimits.Id + EndSuffix.From.Length);
                    break;
                case "block":
                    block = cursor.Integer(0, DrawingLimits.Coordinate);
                    break;
                case "start":
                    start = cursor.Integer(0, DrawingLimits.Coordinate);
                    break;
                case "quote":
                    quote = cursor.Text(DrawingLimits.Text);
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        return new Tie(
            cursor.Required(element, "element"),
            cursor.Required(block, "block"),
            cursor.Required(start, "start"),
            cursor.Required(quote, "quote")
        );
    }

    private static ImmutableArray<Point> ReadRoute(ref JsonCursor cursor)
    {
        var points = ImmutableArray.CreateBuilder<Point>();
        var items = cursor.Array(DrawingLimits.RoutePoints, "points");
        while (cursor.NextItem(ref items))
        {
            var pair = cursor.Integers(2, 2);
            points.Add(new Point(pair[0], pair[1]));
        }

        return points.ToImmutable();
    }

    /// <summary>The problem of a document in a text, decoded for a caller that has only a string.</summary>
    public static DrawingOutcome Read(string text) => Read(Encoding.UTF8.GetBytes(text));
}
