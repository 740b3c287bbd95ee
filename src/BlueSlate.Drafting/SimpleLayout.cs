using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>
/// Sets shapes out in rows, each beside what it is tied to as far as that goes: breadth first from the shape with the most
/// lines, in time proportional to the drawing. For drawings that are too large for the careful layout, and for those with which
/// it fails.
/// </summary>
internal static class SimpleLayout
{
    private const double Gap = 70;

    // How much wider than high the whole becomes; what nothing ties is read like a line of text.
    private const double Wide = 1.6;
    private const double Wider = 3;

    /// <summary>Places for the shapes of a sheet, in quarter units from the upper left.</summary>
    public static Dictionary<string, Place> PlacesOf(Sheet sheet)
    {
        var sizes = sheet.Shapes.ToDictionary(shape => shape.Id, ShapeSizes.Of, StringComparer.Ordinal);
        var width = Math.Sqrt(
            sizes.Values.Sum(size => (size.Width + Gap) * (size.Height + Gap)) * (sheet.Lines.IsEmpty ? Wider : Wide)
        );
        var places = new Dictionary<string, Place>(StringComparer.Ordinal);
        double x = 0,
            y = 0,
            tallest = 0;
        foreach (var id in Order(sheet))
        {
            var (own, height) = sizes[id];
            if (x > 0 && x + own > width)
            {
                (x, y, tallest) = (0, y + tallest + Gap, 0);
            }

            places.Add(
                id,
                new Place((int)Math.Round(x * 4), (int)Math.Round(y * 4), (int)Math.Round(own * 4), (int)Math.Round(height * 4))
            );
            (x, tallest) = (x + own + Gap, Math.Max(tallest, height));
        }

        return places;
    }

    private static IEnumerable<string> Order(Sheet sheet)
    {
        var boxOf = sheet
            .Shapes.SelectMany(shape => shape.TextLines.Select(row => row.Id).Append(shape.Id).Select(id => (id, shape.Id)))
            .ToDictionary(pair => pair.id, pair => pair.Item2, StringComparer.Ordinal);
        var ties = sheet
            .Lines.Where(line => boxOf.ContainsKey(line.From.On.Id ?? "") && boxOf.ContainsKey(line.To.On.Id ?? ""))
            .SelectMany(line =>
                new[]
                {
                    (A: boxOf[line.From.On.Id!], B: boxOf[line.To.On.Id!]),
                    (A: boxOf[line.To.On.Id!], B: boxOf[line.From.On.Id!]),
                }
            )
            .ToLookup(tie => tie.A, tie => tie.B, StringComparer.Ordinal);
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var start in sheet.Shapes.OrderByDescending(shape => ties[shape.Id].Count()).Select(shape => shape.Id))
        {
            var waiting = new Queue<string>(seen.Add(start) ? [start] : []);
            while (waiting.TryDequeue(out var next))
            {
                yield return next;
                foreach (var other in ties[next].Where(seen.Add))
                {
                    waiting.Enqueue(other);
                }
            }
        }
    }
}
