using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>
/// Ovals that hang on one shape, gathered with it into one block: in rows above and beneath it, each oval above what it hangs
/// on by order, so that no two of their lines cross. An oval's own ovals stand in the next row outward, over it.
/// </summary>
internal sealed class Fan
{
    private const double Gap = 18;
    private const double RowGap = 34;

    private readonly Shape owner;
    private readonly List<Twig> above = [];
    private readonly List<Twig> beneath = [];

    private Fan(Shape owner, IReadOnlyList<Twig> twigs)
    {
        this.owner = owner;
        var (width, height) = ShapeSizes.Of(owner);
        var total = 0.0;
        var half = twigs.Count > 3 ? twigs.Sum(twig => twig.Span + Gap) / 2 : double.MaxValue;
        foreach (var twig in twigs)
        {
            (total < half ? above : beneath).Add(twig);
            total += twig.Span + Gap;
        }

        Width = new[] { width, SpanOf(above), SpanOf(beneath) }.Max();
        Height = height + DepthOf(above) + DepthOf(beneath);
    }

    /// <summary>The owner's id, by which the block goes.</summary>
    public string Id => owner.Id;

    /// <summary>Width of the whole block in pixels.</summary>
    public double Width { get; }

    /// <summary>Height of the whole block in pixels.</summary>
    public double Height { get; }

    /// <summary>Blocks of a sheet's shapes: every shape is in one, most alone.</summary>
    public static IReadOnlyList<Fan> Of(Sheet sheet)
    {
        var shapes = sheet.Shapes.ToDictionary(shape => shape.Id, StringComparer.Ordinal);
        var ties = sheet
            .Lines.Where(line => shapes.ContainsKey(line.From.On.Id ?? "") && shapes.ContainsKey(line.To.On.Id ?? ""))
            .SelectMany(line =>
                new[] { (From: line.From.On.Id!, To: line.To.On.Id!), (From: line.To.On.Id!, To: line.From.On.Id!) }
            )
            .ToLookup(tie => tie.From, tie => tie.To, StringComparer.Ordinal);
        var owned = new HashSet<string>(StringComparer.Ordinal);
        var twigsOf = new Dictionary<string, List<Twig>>(StringComparer.Ordinal);
        foreach (var shape in sheet.Shapes.Where(shape => shape.Form != Form.Oval))
        {
            twigsOf[shape.Id] = Grow(shape.Id, 0);
        }

        return
        [
            .. sheet
                .Shapes.Where(shape => !owned.Contains(shape.Id))
                .Select(shape => new Fan(shape, twigsOf.GetValueOrDefault(shape.Id) ?? [])),
        ];

        // Deeper ovals than anybody draws stand for themselves.
        List<Twig> Grow(string id, int depth) =>
            depth > 4
                ? []
                :
                [
                    .. ties[id]
                        .Where(other => shapes[other].Form == Form.Oval && owned.Add(other))
                        .ToList()
                        .Select(other => new Twig(shapes[other], Grow(other, depth + 1))),
                ];
    }

    /// <summary>Whether it looks otherwise upside down.</summary>
    public bool CanTurn => above.Count + beneath.Count > 0;

    /// <summary>
    /// The place of every shape of the block, in quarter units, when its upper left corner is at a point in pixels; turned,
    /// what stands above its owner stands beneath.
    /// </summary>
    public IEnumerable<(string Id, Place Place)> PlacesAt(double x, double y, bool turned = false)
    {
        var (upper, lower) = turned ? (beneath, above) : (above, beneath);
        var (width, height) = ShapeSizes.Of(owner);
        var top = y + DepthOf(upper);
        yield return (owner.Id, At(x + ((Width - width) / 2), top, width, height));
        foreach (
            var place in Row(upper, x + ((Width - SpanOf(upper)) / 2), top, -1)
                .Concat(Row(lower, x + ((Width - SpanOf(lower)) / 2), top + height, 1))
        )
        {
            yield return place;
        }
    }

    private static IEnumerable<(string, Place)> Row(IReadOnlyList<Twig> twigs, double left, double edge, int outward)
    {
        foreach (var twig in twigs)
        {
            var (width, height) = ShapeSizes.Of(twig.Oval);
            var y = outward < 0 ? edge - RowGap - height : edge + RowGap;
            yield return (twig.Oval.Id, At(left + ((twig.Span - width) / 2), y, width, height));
            foreach (
                var place in Row(twig.Parts, left + ((twig.Span - SpanOf(twig.Parts)) / 2), outward < 0 ? y : y + height, outward)
            )
            {
                yield return place;
            }

            left += twig.Span + Gap;
        }
    }

    private static Place At(double x, double y, double width, double height) =>
        new(Quarters(x), Quarters(y), Quarters(width), Quarters(height));

    private static int Quarters(double pixels) => (int)Math.Round(pixels * 4);

    private static double SpanOf(IReadOnlyList<Twig> twigs) =>
        twigs.Count == 0 ? 0 : twigs.Sum(twig => twig.Span) + ((twigs.Count - 1) * Gap);

    private static double DepthOf(IReadOnlyList<Twig> twigs) => twigs.Count == 0 ? 0 : twigs.Max(twig => twig.Depth);

    private sealed class Twig(Shape oval, List<Twig> parts)
    {
        public Shape Oval => oval;

        public IReadOnlyList<Twig> Parts => parts;

        public double Span { get; } = Math.Max(ShapeSizes.Of(oval).Width, SpanOf(parts));

        public double Depth { get; } = RowGap + ShapeSizes.Of(oval).Height + DepthOf(parts);
    }
}
