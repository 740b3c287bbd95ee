using System.Collections.Immutable;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Language;

/// <summary>
/// Says what is drawn, never what it means: for parts where the sentences are off, and for screen readers there.
/// </summary>
public static class DrawnSentenceWriter
{
    /// <summary>One statement a shape and one a line, in the order of the drawing.</summary>
    public static ImmutableArray<Sentence> Write(Drawing drawing)
    {
        var texts = drawing.Shapes.ToDictionary(shape => shape.Id, shape => shape.Text, StringComparer.Ordinal);
        var rows = drawing
            .Shapes.SelectMany(shape => shape.TextLines)
            .ToDictionary(row => row.Id, row => row.Text, StringComparer.Ordinal);
        return [.. drawing.Shapes.Select(OfShape), .. drawing.Lines.Select(line => OfLine(line, texts, rows))];
    }

    private static Sentence OfShape(Shape shape)
    {
        var rows = shape.TextLines.Select(OfRow).ToList();
        var outline = shape.Outline == Outline.Single ? "" : $" with a {Vocabulary.Outlines.Of(shape.Outline)} outline";
        var style = Beneath(shape.Underline) + (shape.Italic ? " in italics" : "");
        var text =
            $"{(shape.Text.Length > 0 ? shape.Text : "Without text")}{style}, "
            + $"{Symbols.Forms[shape.Form].Says}{outline}{(rows.Count > 0 ? " with " + string.Join(", ", rows) : "")}.";
        return new Sentence(shape.Id, [new SentencePiece(text, shape.Id)], [shape.Id], null);
    }

    private static string OfRow(TextLine row)
    {
        var mark = row.Mark.Length > 0 ? row.Mark + " " : "";
        return $"{mark}{(row.Ring ? "ring " : "")}{row.Text}{Beneath(row.Underline)}{(row.Italic ? " in italics" : "")}";
    }

    private static string OfAlong(Along along)
    {
        var facing = along.Facing == EndSide.From ? "first" : "second";
        return $", on it {Symbols.Along[along.Symbol].Says} open to the {facing} end";
    }

    private static string Beneath(Underline underline) =>
        underline switch
        {
            Underline.Solid => " underlined",
            Underline.Dashed => " dashed underlined",
            _ => "",
        };

    private static Sentence OfLine(
        Line line,
        IReadOnlyDictionary<string, string> shapes,
        IReadOnlyDictionary<string, string> rows
    )
    {
        var stroke = Vocabulary.Strokes.Of(line.Stroke);
        var text = line.Text.Length > 0 ? $", “{line.Text}”" : "";
        ImmutableArray<SentencePiece> pieces =
        [
            new SentencePiece($"A {stroke} line{text}{string.Concat(line.Along.Select(OfAlong))}: ", line.Id),
            new SentencePiece(OfEnd(line.From, shapes, rows), line.FromId),
            new SentencePiece("; "),
            new SentencePiece(OfEnd(line.To, shapes, rows), line.ToId),
            new SentencePiece("."),
        ];
        return new Sentence(line.Id, pieces, [line.Id, line.FromId, line.ToId], null);
    }

    private static string OfEnd(LineEnd end, IReadOnlyDictionary<string, string> shapes, IReadOnlyDictionary<string, string> rows)
    {
        var marks = end.Marks.IsEmpty ? "nothing" : string.Join(", then ", end.Marks.Select(mark => Symbols.Ends[mark].Says));
        var where = end.On.Kind switch
        {
            AttachmentKind.Shape => $"at {(shapes[end.On.Id!] is { Length: > 0 } text ? text : "a shape without text")}",
            AttachmentKind.Row => $"at the line {rows[end.On.Id!]}",
            AttachmentKind.Line or AttachmentKind.End => "on another line",
            _ => "in the open",
        };
        var texts = new[] { end.Label, end.Role, end.Count, end.Qualifier }
            .Where(text => text.Length > 0)
            .Select(text => $" “{text}”");
        return $"{marks} {where}{string.Concat(texts)}";
    }
}
