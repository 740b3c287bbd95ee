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

    /// <summary>The problem of a document in a text, decoded for a caller that has only a string.</summary>
    public static DrawingOutcome Read(string text) => Read(Encoding.UTF8.GetBytes(text));

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
                    lines = LineReader.Read(ref cursor, ids);
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
}
