using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations;

/// <summary>The notes of a drawing: the same in every notation, since nothing is read from them.</summary>
internal static class Noted
{
    /// <summary>Those with a text, in the order of the drawing, each with what its lines lead to.</summary>
    public static ImmutableArray<NoteText> In(Drawing drawing)
    {
        var about = drawing
            .Lines.SelectMany(line =>
                new[] { (Note: line.From.On.Id, Other: line.To.On.Id), (Note: line.To.On.Id, Other: line.From.On.Id) }
            )
            .Where(pair => pair is { Note: not null, Other: not null })
            .ToLookup(pair => pair.Note!, pair => pair.Other!, StringComparer.Ordinal);
        return
        [
            .. drawing
                .Shapes.Where(shape => shape.Form == Form.Note && shape.Text.Trim().Length > 0)
                .Select(shape => new NoteText(
                    shape.Id,
                    shape.Text.Trim(),
                    [.. about[shape.Id].Distinct(StringComparer.Ordinal)]
                )),
        ];
    }
}
