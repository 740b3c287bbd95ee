using System.Collections.Immutable;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Language;

/// <summary>Says what is drawn, never what it means: for parts where the sentences are off, and for screen readers there.</summary>
public static class DrawnSentenceWriter
{
    /// <summary>One statement a shape and one a line, in the order of the drawing.</summary>
    public static ImmutableArray<Sentence> Write(Drawing drawing)
    {
        var texts = drawing.Shapes.ToDictionary(shape => shape.Id, shape => shape.Text, StringComparer.Ordinal);
        var rows = drawing.Shapes.SelectMany(shape => shape.TextLines).ToDictionary(row => row.Id, row => row.Text, StringComparer.Ordinal);
        return [
            .. drawing.Shapes.Select(OfShape),
            .. drawing.Lines.Select(line => OfLine(line, texts, rows)),
        ];
    }

    private static Sentence OfShape(Shape shape)
    {
        var form = Vocabulary.Forms.Of(shape.Form).Replace('-', ' ');
        var outline = shape.Outline == Outline.Single ? "" : Vocabulary.Outlines.Of(shape.Outline) + " ";
        var rows = shape.TextLines.Select(row => $"{(row.Mark.Length > 0 ? row.Mark + " " : "")}{(row.Ring ? "ring " : "")}{row.Text}").ToList();
        var text = $"{(shape.Text.Length > 0 ? shape.Text : "Without text")}, a {outline}{form}{(rows.Count > 0 ? " with " + string.Join(", ", rows) : "")}.";
        return new Sentence(shape.Id, [new SentencePiece(text, shape.Id)], [shape.Id], null);
    }

    private static Sentence OfLine(Line line, IReadOnlyDictionary<string, string> shapes, IReadOnlyDictionary<string, string> rows)
    {
        var stroke = Vocabulary.Strokes.Of(line.Stroke);
        ImmutableArray<SentencePiece> pieces = [
            new SentencePiece($"A {stroke} line{(line.Text.Length > 0 ? $", “{line.Text}”" : "")}: ", line.Id),
            new SentencePiece(OfEnd(line.From, shapes, rows), line.FromId),
            new SentencePiece("; "),
            new SentencePiece(OfEnd(line.To, shapes, rows), line.ToId),
            new SentencePiece("."),
        ];
        return new Sentence(line.Id, pieces, [line.Id, line.FromId, line.ToId], null);
    }

    private static string OfEnd(LineEnd end, IReadOnlyDictionary<string, string> shapes, IReadOnlyDictionary<string, string> rows)
    {
        var marks = end.Marks.IsEmpty ? "nothing" : string.Join(", then ", end.Marks.Select(mark => "a " + Vocabulary.EndMarks.Of(mark).Replace('-', ' ')));
        var where = end.On.Kind switch
        {
            AttachmentKind.Shape => $"at {(shapes[end.On.Id!] is { Length: > 0 } text ? text : "a shape without text")}",
            AttachmentKind.Row => $"at the line {rows[end.On.Id!]}",
            AttachmentKind.Line => "on another line",
            _ => "in the open",
        };
        var texts = new[] { end.Label, end.Role, end.Count }.Where(text => text.Length > 0).Select(text => $" “{text}”");
        return $"{marks} {where}{string.Concat(texts)}";
    }
}
