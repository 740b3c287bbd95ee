namespace BlueSlate.Drafting.Painting;

/// <summary>Where round numbers stand beside the parts of a drawing: at a corner of the part where they cover least.</summary>
internal static class NumberPlaces
{
    /// <summary>The middle of each number, in the order of the parts.</summary>
    /// <param name="parts">The parts.</param>
    /// <param name="covered">What should not be covered; each number is put with it, so that none stands on another.</param>
    /// <param name="radius">Of the numbers, in pixels.</param>
    public static List<(double X, double Y)> Beside(IEnumerable<Frame> parts, List<Frame> covered, double radius)
    {
        Frame Disc((double X, double Y) at) => new(at.X - radius, at.Y - radius, 2 * radius, 2 * radius);
        var places = new List<(double X, double Y)>();
        foreach (var part in parts)
        {
            var at = Around(part, radius).MinBy(point => covered.Sum(frame => Overlap(Disc(point), frame)));
            covered.Add(Disc(at));
            places.Add(at);
        }

        return places;
    }

    // The corners of a part, the upper right before the others, and then further out.
    private static IEnumerable<(double X, double Y)> Around(Frame part, double radius)
    {
        for (var away = 0.0; away <= 3 * radius; away += radius)
        {
            var (left, right) = (part.X - away, part.X + part.Width + away);
            var (top, bottom) = (part.Y - (away / 2), part.Y + part.Height + (away / 2));
            yield return (right, top);
            yield return (right, bottom);
            yield return (left, top);
            yield return (left, bottom);
        }
    }

    private static double Overlap(Frame one, Frame other) =>
        Math.Max(0, Math.Min(one.X + one.Width, other.X + other.Width) - Math.Max(one.X, other.X))
        * Math.Max(0, Math.Min(one.Y + one.Height, other.Y + other.Height) - Math.Max(one.Y, other.Y));
}
