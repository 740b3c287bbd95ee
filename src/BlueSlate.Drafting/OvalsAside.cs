using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>
/// Moves single ovals out of the way of straight lines: each that lies under a line, or whose own line crosses something, goes
/// to the place around its owner, clear of all shapes, from which least is crossed.
/// </summary>
internal static class OvalsAside
{
    private const int Directions = 32;
    private const int Rings = 3;
    private const double FirstReach = 34;
    private const double RingGap = 30;
    private const int Clear = 32;

    /// <summary>The places with such ovals moved; the same places where none is in the way.</summary>
    public static Dictionary<string, Place> Move(Sheet sheet, Dictionary<string, Place> places, int crossings)
    {
        if (crossings == 0)
        {
            return places;
        }

        var shapes = sheet.Shapes.ToDictionary(shape => shape.Id, StringComparer.Ordinal);
        var moved = new Dictionary<string, Place>(places, StringComparer.Ordinal);
        foreach (var (oval, owner) in Leaves(sheet, shapes))
        {
            // What would be left if the oval were not there at all: only more than that is its doing.
            var without = CrossingsWithout(sheet, moved, oval);
            var own = StraightCrossings.Of(sheet, moved) - without;
            if (own == 0)
            {
                continue;
            }

            foreach (var place in Around(moved[owner], moved[oval]))
            {
                if (moved.Any(other => other.Key != oval && Overlap(other.Value, place)))
                {
                    continue;
                }

                var tried = new Dictionary<string, Place>(moved, StringComparer.Ordinal) { [oval] = place };
                var count = StraightCrossings.Of(sheet, tried) - without;
                if (count < own)
                {
                    (moved, own) = (tried, count);
                    if (own == 0)
                    {
                        break;
                    }
                }
            }
        }

        return moved;
    }

    private static int CrossingsWithout(Sheet sheet, Dictionary<string, Place> places, string oval)
    {
        var rest = new Dictionary<string, Place>(places, StringComparer.Ordinal);
        rest.Remove(oval);
        return StraightCrossings.Of(sheet, rest);
    }

    // Ovals with one line, and what they hang on.
    private static IEnumerable<(string Oval, string Owner)> Leaves(Sheet sheet, Dictionary<string, Shape> shapes)
    {
        var neighbours = sheet
            .Lines.Where(line => shapes.ContainsKey(line.From.On.Id ?? "") && shapes.ContainsKey(line.To.On.Id ?? ""))
            .SelectMany(line => new[] { (line.From.On.Id!, line.To.On.Id!), (line.To.On.Id!, line.From.On.Id!) })
            .ToLookup(pair => pair.Item1, pair => pair.Item2, StringComparer.Ordinal);
        return sheet
            .Shapes.Where(shape => shape.Form == Form.Oval && neighbours[shape.Id].Count() == 1)
            .Select(shape => (shape.Id, neighbours[shape.Id].First()));
    }

    private static IEnumerable<Place> Around(Place owner, Place oval)
    {
        var (x, y) = (owner.X + (owner.Width / 2.0), owner.Y + (owner.Height / 2.0));
        for (var ring = 0; ring < Rings; ring++)
        {
            for (var i = 0; i < Directions; i++)
            {
                var angle = (-Math.PI / 2) + (i * 2 * Math.PI / Directions);
                var reach = 4 * (FirstReach + (ring * RingGap));
                var at = (
                    X: x + (Math.Cos(angle) * ((owner.Width / 2.0) + (oval.Width / 2.0) + reach)),
                    Y: y + (Math.Sin(angle) * ((owner.Height / 2.0) + (oval.Height / 2.0) + reach))
                );
                yield return oval with
                {
                    X = (int)Math.Round(at.X - (oval.Width / 2.0)),
                    Y = (int)Math.Round(at.Y - (oval.Height / 2.0)),
                };
            }
        }
    }

    private static bool Overlap(Place a, Place b) =>
        a.X < b.X + b.Width + Clear
        && b.X < a.X + a.Width + Clear
        && a.Y < b.Y + b.Height + Clear
        && b.Y < a.Y + a.Height + Clear;
}
