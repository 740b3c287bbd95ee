using System.Buffers;
using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;

namespace BlueSlate.Core.Drawings;

/// <summary>
/// Writes drawings as canonical JSON: fixed property order, defaults left out, no blanks. Equal drawings give equal bytes.
/// </summary>
public static class DrawingWriter
{
    private static readonly JsonWriterOptions Options = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>The canonical document, in UTF-8.</summary>
    public static byte[] Write(Drawing drawing)
    {
        var buffer = new ArrayBufferWriter<byte>(4096);
        using var json = new Utf8JsonWriter(buffer, Options);
        json.WriteStartObject();
        json.WriteString("format", DrawingReader.Format);
        json.WriteNumber("version", DrawingReader.Version);
        json.WriteStartArray("sheets");
        foreach (var sheet in drawing.Sheets)
        {
            WriteSheet(json, sheet);
        }

        json.WriteEndArray();
        WriteTies(json, drawing.Ties);
        WriteComments(json, drawing.Comments);
        json.WriteEndObject();
        json.Flush();
        return buffer.WrittenSpan.ToArray();
    }

    /// <summary>The canonical document as text.</summary>
    public static string WriteText(Drawing drawing) => Encoding.UTF8.GetString(Write(drawing));

    /// <summary>SHA-256 of the canonical document, in lower-case hexadecimal digits.</summary>
    public static string Hash(Drawing drawing) => Convert.ToHexStringLower(SHA256.HashData(Write(drawing)));

    /// <summary>The canonical document as text with its hash, written once.</summary>
    public static (string Text, string Hash) WriteWithHash(Drawing drawing)
    {
        var bytes = Write(drawing);
        return (Encoding.UTF8.GetString(bytes), Convert.ToHexStringLower(SHA256.HashData(bytes)));
    }

    private static void WriteTies(Utf8JsonWriter json, ImmutableArray<Tie> ties)
    {
        if (ties.IsEmpty)
        {
            return;
        }

        json.WriteStartArray("ties");
        foreach (var tie in ties)
        {
            json.WriteStartObject();
            json.WriteString("element", tie.Element);
            json.WriteNumber("block", tie.Block);
            json.WriteNumber("start", tie.Start);
            json.WriteString("quote", tie.Quote);
            json.WriteEndObject();
        }

        json.WriteEndArray();
    }

    private static void WriteComments(Utf8JsonWriter json, ImmutableArray<Comment> comments)
    {
        if (comments.IsEmpty)
        {
            return;
        }

        json.WriteStartArray("comments");
        foreach (var comment in comments)
        {
            json.WriteStartObject();
            json.WriteString("element", comment.Element);
            json.WriteString("text", comment.Text);
            json.WriteEndObject();
        }

        json.WriteEndArray();
    }

    private static void WriteRegions(Utf8JsonWriter json, ImmutableArray<Region> regions)
    {
        if (regions.IsEmpty)
        {
            return;
        }

        json.WriteStartArray("regions");
        foreach (var region in regions)
        {
            json.WriteStartObject();
            json.WriteString("id", region.Id);
            WriteText(json, "text", region.Text);
            json.WriteNumber("hue", region.Hue);
            json.WriteStartArray("members");
            foreach (var member in region.Members)
            {
                json.WriteStringValue(member);
            }

            json.WriteEndArray();
            json.WriteEndObject();
        }

        json.WriteEndArray();
    }

    private static void WriteSheet(Utf8JsonWriter json, Sheet sheet)
    {
        json.WriteStartObject();
        json.WriteString("id", sheet.Id);
        WriteText(json, "name", sheet.Name);
        json.WriteStartArray("shapes");
        foreach (var shape in sheet.Shapes)
        {
            WriteShape(json, shape);
        }

        json.WriteEndArray();
        json.WriteStartArray("lines");
        foreach (var line in sheet.Lines)
        {
            WriteLine(json, line);
        }

        json.WriteEndArray();
        WriteRegions(json, sheet.Regions);
        json.WriteEndObject();
    }

    private static void WriteShape(Utf8JsonWriter json, Shape shape)
    {
        json.WriteStartObject();
        json.WriteString("id", shape.Id);
        json.WriteString("form", shape.Form);
        if (shape.Outline != Outline.Single)
        {
            json.WriteString("outline", Vocabulary.Outlines.Of(shape.Outline));
        }

        WriteText(json, "text", shape.Text);
        if (!shape.Compartments.IsEmpty)
        {
            json.WriteStartArray("compartments");
            foreach (var lines in shape.Compartments)
            {
                WriteCompartment(json, lines);
            }

            json.WriteEndArray();
        }

        if (shape.Place is { } place)
        {
            WriteNumbers(json, "place", place.X, place.Y, place.Width, place.Height);
        }

        if (shape.Pinned)
        {
            json.WriteBoolean("pinned", true);
        }

        WriteStyle(json, shape.Underline, shape.Italic);

        json.WriteEndObject();
    }

    private static void WriteCompartment(Utf8JsonWriter json, ImmutableArray<TextLine> lines)
    {
        json.WriteStartArray();
        foreach (var line in lines)
        {
            json.WriteStartObject();
            json.WriteString("id", line.Id);
            WriteText(json, "mark", line.Mark);
            if (line.Ring)
            {
                json.WriteBoolean("ring", true);
            }

            WriteText(json, "text", line.Text);
            WriteStyle(json, line.Underline, line.Italic);

            json.WriteEndObject();
        }

        json.WriteEndArray();
    }

    private static void WriteStyle(Utf8JsonWriter json, Underline underline, bool italic)
    {
        if (underline != Underline.None)
        {
            json.WriteString("underline", Vocabulary.Underlines.Of(underline));
        }

        if (italic)
        {
            json.WriteBoolean("italic", true);
        }
    }

    private static void WriteLine(Utf8JsonWriter json, Line line)
    {
        json.WriteStartObject();
        json.WriteString("id", line.Id);
        if (line.Stroke != Stroke.Solid)
        {
            json.WriteString("stroke", Vocabulary.Strokes.Of(line.Stroke));
        }

        WriteText(json, "text", line.Text);
        WriteEnd(json, "from", line.From);
        WriteEnd(json, "to", line.To);
        if (!line.Route.IsEmpty)
        {
            json.WriteStartArray("route");
            foreach (var point in line.Route)
            {
                json.WriteStartArray();
                json.WriteNumberValue(point.X);
                json.WriteNumberValue(point.Y);
                json.WriteEndArray();
            }

            json.WriteEndArray();
        }

        if (!line.Along.IsEmpty)
        {
            json.WriteStartArray("along");
            foreach (var along in line.Along)
            {
                json.WriteStartObject();
                json.WriteString("symbol", along.Symbol);
                json.WriteString("facing", Vocabulary.Sides.Of(along.Facing));
                json.WriteEndObject();
            }

            json.WriteEndArray();
        }

        if (!line.Labels.IsEmpty)
        {
            json.WriteStartArray("labels");
            foreach (var label in line.Labels)
            {
                json.WriteStartObject();
                json.WriteString("of", Vocabulary.Labels.Of(label.Kind));
                json.WriteString("side", Vocabulary.Sides.Of(label.Side));
                WriteNumbers(json, "at", label.At.X, label.At.Y);
                if (label.Ends)
                {
                    json.WriteBoolean("ends", true);
                }

                json.WriteEndObject();
            }

            json.WriteEndArray();
        }

        if (line.Pointer != EndSide.Neither)
        {
            json.WriteString("pointer", Vocabulary.Sides.Of(line.Pointer));
        }

        json.WriteEndObject();
    }

    private static void WriteEnd(Utf8JsonWriter json, string name, LineEnd end)
    {
        json.WriteStartObject(name);
        if (end.On.Kind != AttachmentKind.Nothing)
        {
            json.WriteString(end.On.Kind.ToString().ToLowerInvariant(), end.On.Id);
        }

        if (!end.Marks.IsEmpty)
        {
            json.WriteStartArray("marks");
            foreach (var mark in end.Marks)
            {
                json.WriteStringValue(mark);
            }

            json.WriteEndArray();
        }

        WriteText(json, "label", end.Label);
        WriteText(json, "role", end.Role);
        WriteText(json, "count", end.Count);
        WriteText(json, "qualifier", end.Qualifier);
        if (end.Edge != BoxEdge.Any)
        {
            json.WriteString("edge", Vocabulary.Edges.Of(end.Edge));
        }

        json.WriteEndObject();
    }

    private static void WriteText(Utf8JsonWriter json, string name, string text)
    {
        if (text.Length > 0)
        {
            json.WriteString(name, text);
        }
    }

    private static void WriteNumbers(Utf8JsonWriter json, string name, params ReadOnlySpan<int> numbers)
    {
        json.WriteStartArray(name);
        foreach (var number in numbers)
        {
            json.WriteNumberValue(number);
        }

        json.WriteEndArray();
    }
}
