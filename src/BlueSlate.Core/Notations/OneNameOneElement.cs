using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations;

/// <summary>
/// Reads boxes of one name on several sheets as one: the first stands for all of them, with the lines of text of each and every
/// line that ends at any of them.
/// </summary>
internal static class OneNameOneElement
{
    /// <summary>The drawing with one box for each name, and for each of those the boxes that it stands for besides.</summary>
    public static (Drawing Drawing, ImmutableDictionary<string, ImmutableArray<string>> Besides) Of(Drawing drawing)
    {
        var first = new Dictionary<(string Form, string Name), Shape>();
        var standsIn = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var sheet in drawing.Sheets)
        {
            // Two boxes of one name on one sheet are two boxes.
            var here = sheet
                .Shapes.Where(IsNamed)
                .GroupBy(KeyOf)
                .Where(group => group.Count() == 1)
                .Select(group => group.First())
                .ToList();
            foreach (var shape in here)
            {
                if (first.TryGetValue(KeyOf(shape), out var known))
                {
                    standsIn.Add(shape.Id, known.Id);
                }
                else
                {
                    first.Add(KeyOf(shape), shape);
                }
            }
        }

        if (standsIn.Count == 0)
        {
            return (drawing, ImmutableDictionary<string, ImmutableArray<string>>.Empty);
        }

        var copies = drawing
            .Shapes.Where(shape => standsIn.ContainsKey(shape.Id))
            .ToLookup(shape => standsIn[shape.Id], StringComparer.Ordinal);
        var sheets = drawing.Sheets.Select(sheet =>
            sheet with
            {
                Shapes =
                [
                    .. sheet
                        .Shapes.Where(shape => !standsIn.ContainsKey(shape.Id))
                        .Select(shape => copies.Contains(shape.Id) ? With(shape, copies[shape.Id]) : shape),
                ],
                Lines = [.. sheet.Lines.Select(line => line with { From = Moved(line.From), To = Moved(line.To) })],
            }
        );
        return (
            drawing with
            {
                Sheets = [.. sheets],
            },
            copies.ToImmutableDictionary(
                group => group.Key,
                group => group.Select(shape => shape.Id).ToImmutableArray(),
                StringComparer.Ordinal
            )
        );

        LineEnd Moved(LineEnd end) =>
            end.On is { Kind: AttachmentKind.Shape, Id: { } id } && standsIn.TryGetValue(id, out var to)
                ? end with
                {
                    On = Attachment.ToShape(to),
                    Edge = BoxEdge.Any,
                }
                : end;
    }

    /// <summary>A reading in which the first box is traced to all.</summary>
    public static Reading Traced(Reading reading, ImmutableDictionary<string, ImmutableArray<string>> besides) =>
        besides.IsEmpty
            ? reading
            : reading with
            {
                AlsoDrawnBy = besides.Aggregate(reading.AlsoDrawnBy, (trace, pair) =>
                    trace.SetItem(pair.Key, trace.TryGetValue(pair.Key, out var more) ? more.AddRange(pair.Value) : pair.Value)
                ),
            };

    private static bool IsNamed(Shape shape) =>
        shape.Form is Form.Rectangle or Form.Rounded or Form.DiamondInRectangle && shape.Text.Trim().Length > 0;

    private static (string, string) KeyOf(Shape shape) => (shape.Form, Name.Of(shape.Text).Key);

    // What a copy says besides, compartment by compartment; a line of text that is there already is not said twice.
    private static Shape With(Shape shape, IEnumerable<Shape> copies)
    {
        var compartments = shape.Compartments.Select(lines => lines.ToBuilder()).ToList();
        foreach (var copy in copies)
        {
            for (var i = 0; i < copy.Compartments.Length; i++)
            {
                if (i == compartments.Count)
                {
                    compartments.Add(ImmutableArray.CreateBuilder<TextLine>());
                }

                compartments[i]
                    .AddRange(
                        copy.Compartments[i]
                            .Where(line => compartments[i].All(known => Name.Of(known.Text).Key != Name.Of(line.Text).Key))
                    );
            }
        }

        return shape with
        {
            Compartments = [.. compartments.Select(lines => lines.ToImmutable())],
        };
    }
}
