using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>Finds free ground for new shapes among shapes that stay.</summary>
internal static class FreePlaces
{
    private const double Gap = 56;
    private const double OvalGap = 16;
    private const int Directions = 24;
    private const int Rings = 40;

    /// <summary>The sheet with a place for every shape; ovals last, near their owners.</summary>
    public static Sheet Fill(Sheet sheet)
    {
        if (sheet.Shapes.All(shape => shape.Place is not null))
        {
            return sheet;
        }

        var placed = sheet
            .Shapes.Where(shape => shape.Place is not null)
            .ToDictionary(shape => shape.Id, Box.Of, StringComparer.Ordinal);
        var neighbours = sheet
            .Lines.SelectMany(line => new[] { (line.From.On.Id, line.To.On.Id), (line.To.On.Id, line.From.On.Id) })
            .ToLookup(pair => pair.Item1 ?? "", pair => pair.Item2 ?? "", StringComparer.Ordinal);
        var above = Tree.Pairs(sheet).Select(pair => pair.Above).ToHashSet(StringComparer.Ordinal);
        var waiting = sheet.Shapes.Where(shape => shape.Place is null).OrderBy(shape => shape.Form == Form.Oval).ToList();
        while (waiting.Count > 0)
        {
            // Those next to something that stands go first, so that the rest can go next to them.
            var next = waiting.FirstOrDefault(shape => neighbours[shape.Id].Any(placed.ContainsKey)) ?? waiting[0];
            waiting.Remove(next);
            placed[next.Id] = Find(
                next,
                [.. neighbours[next.Id].Where(placed.ContainsKey).Select(id => placed[id])],
                placed.Values,
                above.Contains(next.Id)
            );
        }

        return sheet with
        {
            Shapes =
            [
                .. sheet.Shapes.Select(shape => shape.Place is null ? shape with { Place = placed[shape.Id].ToPlace() } : shape),
            ],
        };
    }

    // What stands above others in a tree begins its search there; everything else in the middle of what it is tied to.
    private static Box Find(Shape shape, IReadOnlyList<Box> near, ICollection<Box> taken, bool above)
    {
        var (width, height) = ShapeSizes.Of(shape);
        var around = near.Count > 0 ? near : [.. taken];
        var (x, y) = (around.Average(box => box.X + (box.Width / 2)), around.Average(box => box.Y + (box.Height / 2)));
        var gap = shape.Form == Form.Oval ? OvalGap : Gap;
        if (above && near.Count > 0)
        {
            y = near.Min(box => box.Y) - gap - (height / 2) - 1;
        }

        for (var ring = 0; ring < Rings; ring++)
        {
            for (var i = 0; i < Directions; i++)
            {
                var angle = i * 2 * Math.PI / Directions;
                var candidate = new Box(
                    x - (width / 2) + (Math.Cos(angle) * ring * 40),
                    y - (height / 2) + (Math.Sin(angle) * ring * 28),
                    width,
                    height
                );
                if (taken.All(box => candidate.IsClearOf(box, gap)))
                {
                    return candidate;
                }
            }
        }

        return new Box(taken.Max(box => box.X + box.Width) + gap, y, width, height);
    }

    private readonly record struct Box(double X, double Y, double Width, double Height)
    {
        public static Box Of(Shape shape)
        {
            var (width, height) = ShapeSizes.Of(shape);
            return new Box(shape.Place!.X / 4.0, shape.Place.Y / 4.0, width, height);
        }

        public bool IsClearOf(Box other, double gap) =>
            X + Width + gap <= other.X
            || other.X + other.Width + gap <= X
            || Y + Height + gap <= other.Y
            || other.Y + other.Height + gap <= Y;

        public Place ToPlace() =>
            new((int)Math.Round(X * 4), (int)Math.Round(Y * 4), (int)Math.Round(Width * 4), (int)Math.Round(Height * 4));
    }
}
