using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Tests;

/// <summary>
/// The same drawing under other ids, in another order, in other places, its lines drawn from their other ends.
/// </summary>
internal static class Shuffle
{
    /// <summary>The same drawing with every shape somewhere else, or, at times, without any places and routes.</summary>
    public static Drawing Places(Drawing drawing, int seed)
    {
        var random = new Random(seed);
        var none = seed % 3 == 2;
        return drawing with
        {
            Sheets =
            [
                .. drawing.Sheets.Select(sheet =>
                    sheet with
                    {
                        Shapes =
                        [
                            .. sheet.Shapes.Select(shape =>
                                shape with
                                {
                                    Place = none ? null : new Place(random.Next(-2000, 2000), random.Next(-2000, 2000), 400, 200),
                                }
                            ),
                        ],
                        Lines =
                        [
                            .. sheet.Lines.Select(line =>
                                line with
                                {
                                    Route = none
                                        ? []
                                        : [new Point(random.Next(-2000, 2000), random.Next(-2000, 2000)), new Point(0, 0)],
                                    Labels = [],
                                }
                            ),
                        ],
                    }
                ),
            ],
        };
    }

    public static Drawing Of(Drawing drawing, int seed)
    {
        var random = new Random(seed);
        var names = new Dictionary<string, string>();
        var shapes = drawing.Shapes.ToArray();
        var lines = drawing.Lines.ToArray();
        var turned = lines.Where(line => line.Text.Length == 0 && random.Next(2) == 0).Select(line => line.Id).ToHashSet();
        random.Shuffle(shapes);
        random.Shuffle(lines);
        var sheet = new Sheet(
            "sheet1",
            "",
            [
                .. shapes.Select(shape =>
                    shape with
                    {
                        Id = New(shape.Id),
                        Place = new Place(random.Next(-2000, 2000), random.Next(-2000, 2000), 400, 200),
                        Compartments =
                        [
                            .. shape
                                .Compartments.Select(rows => rows.Select(row => row with { Id = New(row.Id) }).ToArray())
                                .Select(rows =>
                                {
                                    random.Shuffle(rows);
                                    return System.Collections.Immutable.ImmutableArray.Create(rows);
                                }),
                        ],
                    }
                ),
            ],
            [
                .. lines.Select(line =>
                    line with
                    {
                        Id = New(line.Id),
                        From = Renamed(turned.Contains(line.Id) ? line.To : line.From),
                        To = Renamed(turned.Contains(line.Id) ? line.From : line.To),
                    }
                ),
            ]
        );
        return new Drawing([sheet]);

        string New(string id) => names.TryGetValue(id, out var known) ? known : names[id] = $"x{random.Next(1_000_000_000)}";

        LineEnd Renamed(LineEnd end) =>
            end.On.Id is not { } id
                ? end
                : end with
                {
                    On = end.On with { Id = end.On.Kind == AttachmentKind.End ? OfEnd(id) : New(id) },
                };

        // The end of a line that is drawn from its other end is its other end.
        string OfEnd(string id)
        {
            var from = id.EndsWith(EndSuffix.From, StringComparison.Ordinal);
            var line = id[..^(from ? EndSuffix.From : EndSuffix.To).Length];
            return New(line) + (from == turned.Contains(line) ? EndSuffix.To : EndSuffix.From);
        }
    }
}
