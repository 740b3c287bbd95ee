using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>
/// Counts what straight lines between the middles of shapes cross: a shape that is none of theirs counts for three other lines.
/// </summary>
internal static class StraightCrossings
{
    private const int Shape = 3;

    public static int Of(Sheet sheet, IReadOnlyDictionary<string, Place> places)
    {
        var indexes = new Dictionary<string, int>(places.Count, StringComparer.Ordinal);
        var boxes = new Place[places.Count];
        foreach (var (id, place) in places)
        {
            boxes[indexes.Count] = place;
            indexes.Add(id, indexes.Count);
        }

        var lines = new List<(int From, int To, (double X, double Y) A, (double X, double Y) B)>(sheet.Lines.Length);
        foreach (var line in sheet.Lines)
        {
            if (
                line.From.On.Id is { } start
                && line.To.On.Id is { } end
                && indexes.TryGetValue(start, out var from)
                && indexes.TryGetValue(end, out var to)
                && from != to
            )
            {
                lines.Add((from, to, Middle(boxes[from]), Middle(boxes[to])));
            }
        }

        var count = 0;
        for (var i = 0; i < lines.Count; i++)
        {
            var (from, to, a, b) = lines[i];
            for (var shape = 0; shape < boxes.Length; shape++)
            {
                count += shape != from && shape != to && Meets(a, b, boxes[shape]) ? Shape : 0;
            }

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
        return Clip(-dx, a.X - box.X, ref enter, ref leave)
            && Clip(dx, box.X + box.Width - a.X, ref enter, ref leave)
            && Clip(-dy, a.Y - box.Y, ref enter, ref leave)
            && Clip(dy, box.Y + box.Height - a.Y, ref enter, ref leave);
    }

    // What is left of the segment on the inner side of one edge; false when nothing is.
    private static bool Clip(double by, double room, ref double enter, ref double leave)
    {
        if (by == 0)
        {
            return room > 0;
        }

        if (by < 0)
        {
            enter = Math.Max(enter, room / by);
        }
        else
        {
            leave = Math.Min(leave, room / by);
        }

        return enter < leave;
    }
}
