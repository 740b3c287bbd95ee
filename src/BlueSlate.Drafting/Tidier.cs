using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>Finds better places for shapes that have some: of a whole drawing, or of a part of it.</summary>
public static class Tidier
{
    // In quarter units: how far what was tidied keeps from what stays.
    private const int Gap = 240;

    /// <summary>
    /// New places by shape id. Pinned shapes, and those not among <paramref name="only"/> when it names any, stay where they
    /// are; what is tidied keeps its middle unless that would lie on something that stays, and then moves beside it, the
    /// shortest way.
    /// </summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="only">The shapes that are meant; all when empty.</param>
    /// <param name="simple">Whether they are only set out in rows.</param>
    public static IReadOnlyDictionary<string, Place> Tidy(Drawing drawing, IReadOnlyCollection<string> only, bool simple = false)
    {
        var chosen = only.ToHashSet(StringComparer.Ordinal);
        var places = new Dictionary<string, Place>(StringComparer.Ordinal);
        foreach (var sheet in drawing.Sheets)
        {
            var moving = sheet.Shapes.Where(shape => !shape.Pinned && (chosen.Count == 0 || chosen.Contains(shape.Id))).ToList();
            if (moving.Count > 0)
            {
                Add(places, sheet, moving, simple);
            }
        }

        return places;
    }

    private static void Add(Dictionary<string, Place> places, Sheet sheet, List<Shape> moving, bool simple)
    {
        var ids = moving.Select(shape => shape.Id).ToHashSet(StringComparer.Ordinal);
        var laidOut = Placer.PlacesOf(sheet with { Shapes = [.. moving] }, simple);
        var staying = sheet.Shapes.Where(shape => !ids.Contains(shape.Id)).Select(At).ToList();
        var before = Around(moving.Select(At));
        var after = Around(laidOut.Values);
        var (dx, dy) =
            staying.Count == 0
                ? (before.X - after.X, before.Y - after.Y)
                : (
                    Middle(before.X, before.Width) - Middle(after.X, after.Width),
                    Middle(before.Y, before.Height) - Middle(after.Y, after.Height)
                );
        var group = after with { X = after.X + dx, Y = after.Y + dy };
        var (awayX, awayY) = WayOut(group, staying);
        foreach (var (id, place) in laidOut)
        {
            places[id] = place with { X = place.X + dx + awayX, Y = place.Y + dy + awayY };
        }
    }

    // The shortest of the ways past everything that stays: to its right, beneath, to its left, above; none where nothing is in
    // the way.
    private static (int X, int Y) WayOut(Place group, List<Place> staying)
    {
        if (!staying.Any(place => Overlap(group, place)))
        {
            return (0, 0);
        }

        var all = Around(staying);
        (int X, int Y)[] ways =
        [
            (all.X + all.Width + Gap - group.X, 0),
            (0, all.Y + all.Height + Gap - group.Y),
            (all.X - Gap - group.Width - group.X, 0),
            (0, all.Y - Gap - group.Height - group.Y),
        ];
        return ways.MinBy(way => Math.Abs(way.X) + Math.Abs(way.Y));
    }

    private static bool Overlap(Place a, Place b) =>
        a.X < b.X + b.Width + Gap && b.X < a.X + a.Width + Gap && a.Y < b.Y + b.Height + Gap && b.Y < a.Y + a.Height + Gap;

    private static Place At(Shape shape)
    {
        var (width, height) = ShapeSizes.Of(shape);
        return new Place(shape.Place?.X ?? 0, shape.Place?.Y ?? 0, (int)(width * 4), (int)(height * 4));
    }

    private static Place Around(IEnumerable<Place> places)
    {
        var all = places.ToList();
        var (x, y) = (all.Min(place => place.X), all.Min(place => place.Y));
        return new Place(x, y, all.Max(place => place.X + place.Width) - x, all.Max(place => place.Y + place.Height) - y);
    }

    private static int Middle(int start, int length) => start + (length / 2);
}
