using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>Counts what straight lines between the middles of shapes cross: a shape that is none of theirs counts for three other lines.</summary>
internal static class StraightCrossings
{
    private const int Shape = 3;

    public static int Of(Sheet sheet, IReadOnlyDictionary<string, Place> places)
    {
        var lines = sheet.Lines
            .Where(line => line.From.On.Id is { } from && line.To.On.Id is { } to && places.ContainsKey(from) && places.ContainsKey(to) && from != to)
            .Select(line => (From: line.From.On.Id!, To: line.To.On.Id!, A: Middle(places[line.From.On.Id!]), B: Middle(places[line.To.On.Id!]))).ToList();
        var count = 0;
        for (var i = 0; i < lines.Count; i++)
        {
            var (from, to, a, b) = lines[i];
            count += Shape * places.Count(place => place.Key != from && place.Key != to && Meets(a, b, place.Value));
            for (var j = 0; j < i; j++)
            {
                var other = lines[j];
                var share = other.From == from || other.From == to || other.To == from || other.To == to;
                count += !share && Cross(a, b, other.A, other.B) ? 1 : 0;
            }
        }

        return count;
    }

    private static (double X, double Y) Middle(Place place) => (place.X + (place.Width / 2.0), place.Y + (place.Height / 2.0));

    private static bool Cross((double X, double Y) a, (double X, double Y) b, (double X, double Y) c, (double X, double Y) d) =>
        Side(a, b, c) * Side(a, b, d) < 0 && Side(c, d, a) * Side(c, d, b) < 0;

    private static int Side((double X, double Y) a, (double X, double Y) b, (double X, double Y) c) =>
        Math.Sign(((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X)));

    // Clipping of a segment by a box (Liang and Barsky 1984).
    private static bool Meets((double X, double Y) a, (double X, double Y) b, Place box)
    {
        var (enter, leave) = (0.0, 1.0);
        var (dx, dy) = (b.X - a.X, b.Y - a.Y);
        foreach (var (by, room) in new[] { (-dx, a.X - box.X), (dx, box.X + box.Width - a.X), (-dy, a.Y - box.Y), (dy, box.Y + box.Height - a.Y) })
        {
            if (by == 0)
            {
                if (room <= 0)
                {
                    return false;
                }
            }
            else if (by < 0)
            {
                enter = Math.Max(enter, room / by);
            }
            else
            {
                leave = Math.Min(leave, room / by);
            }
        }

        return enter < leave;
    }
}
