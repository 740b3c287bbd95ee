using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>Gives places to a drawing that has none. A drawing whose every shape has a place is given back as it is.</summary>
public static class Placer
{
    private const double DiamondReach = 110;
    private const int ForceRounds = 50;
    private const int TurningRounds = 2;

    // What a crossing is worth in shrinking, of lines that run along the axes and of straight ones.
    private const double Crossing = 0.1;
    private const double StraightCrossing = 0.25;

    /// <summary>The drawing with a place for every shape, in quarter units; sheet by sheet, lines without routes.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="simple">Whether its shapes are only set out in rows, as they are anyhow beyond
    /// <see cref="LayoutSize"/>.</param>
    public static Drawing Place(Drawing drawing, bool simple = false) =>
        drawing.Shapes.All(shape => shape.Place is not null)
            ? drawing
            : drawing with
            {
                Sheets = [.. drawing.Sheets.Select(sheet => PlaceSheet(sheet, simple))],
            };

    /// <summary>
    /// The drawing with places for those shapes that have none; the others stay where they are. A new shape goes near what it
    /// is tied to, on free ground. A sheet on which nothing has a place yet is laid out.
    /// </summary>
    public static Drawing PlaceNew(Drawing drawing, bool simple = false) =>
        drawing with
        {
            Sheets =
            [
                .. drawing.Sheets.Select(sheet =>
                    sheet.Shapes.All(shape => shape.Place is null) ? PlaceSheet(sheet, simple) : FreePlaces.Fill(InLanes(sheet))
                ),
            ],
        };

    private static Sheet PlaceSheet(Sheet sheet, bool simple)
    {
        if (sheet.Shapes.IsEmpty)
        {
            return sheet;
        }

        var places = PlacesOf(sheet, simple);
        return sheet with
        {
            Shapes = [.. sheet.Shapes.Select(shape => shape with { Place = places[shape.Id] })],
            Lines = [.. sheet.Lines.Select(line => line with { Route = [] })],
        };
    }

    /// <summary>Places for the shapes of a sheet by their lines, in quarter units from the upper left.</summary>
    internal static Dictionary<string, Place> PlacesOf(Sheet sheet, bool simple = false)
    {
        if (SlateGeometry.InLanes(sheet, sheet.Shapes.Select(shape => shape.Id)) is { } corners)
        {
            return sheet.Shapes.ToDictionary(shape => shape.Id, shape => At(shape, corners[shape.Id]), StringComparer.Ordinal);
        }

        // What is tied to nothing stands in rows too.
        if (simple || sheet.Lines.IsEmpty || LayoutSize.IsBeyond(sheet))
        {
            return SimpleLayout.PlacesOf(sheet);
        }

        var fans = Fan.Of(sheet);
        var best = ArrangedIn(sheet, fans);
        return fans.Any(fan => fan.CanTurn) ? OvalsAside.Move(sheet, best.Places, best.Crossings) : best.Places;
    }

    // The sheet with places for what is new on it, where its arrows run in lanes.
    private static Sheet InLanes(Sheet sheet)
    {
        var fresh = sheet.Shapes.Where(shape => shape.Place is null).Select(shape => shape.Id).ToList();
        return fresh.Count == 0 || SlateGeometry.InLanes(sheet, fresh) is not { } corners
            ? sheet
            : sheet with
            {
                Shapes =
                [
                    .. sheet.Shapes.Select(shape =>
                        corners.TryGetValue(shape.Id, out var corner) ? shape with { Place = At(shape, corner) } : shape
                    ),
                ],
            };
    }

    private static Place At(Shape shape, (double X, double Y) corner)
    {
        var (width, height) = ShapeSizes.Of(shape);
        return new Place(Quarters(corner.X), Quarters(corner.Y), Quarters(width), Quarters(height));
    }

    private static int Quarters(double pixels) => (int)Math.Round(pixels * 4);

    // Two layouts are made at the same time, folded where that can be, and the best to read is taken.
    private static Arrangement ArrangedIn(Sheet sheet, IReadOnlyList<Fan> fans)
    {
        if (sheet.Shapes.Any(shape => shape.Form is Form.Diamond or Form.DiamondInRectangle))
        {
            // Lines of diamonds run straight: that they do not cross counts for more.
            var layered = Task.Run(() =>
                Layered(Tree.Any(sheet) ? LayoutGraph.Downward(sheet, fans) : LayoutGraph.Rightward(sheet, fans))
            );
            var spread = Spread(sheet, fans);
            return Arrangement.Best(
                [Turned(sheet, fans, layered.GetAwaiter().GetResult()), Turned(sheet, fans, spread)],
                StraightCrossing
            );
        }

        // Trees lead downward, each as a block of its own or all together; where there are none, what reads across may be folded.
        var down = Task.Run(() => Layered(LayoutGraph.Downward(sheet, fans)));
        var across = Layered(LayoutGraph.Rightward(sheet, fans));
        var folded = Tree.Any(sheet) ? [] : Folding.Of(fans, across);
        return Arrangement.Best(
            [.. folded.Prepend(across).Append(down.GetAwaiter().GetResult()).Select(corners => Turned(sheet, fans, corners))],
            Crossing
        );
    }

    private static Dictionary<string, (double X, double Y)> Layered(JsonObject graph)
    {
        using var engine = new LayoutEngine();
        return LayoutGraph.CornersIn(engine.LayOut(graph));
    }

    private static Dictionary<string, (double X, double Y)> Spread(Sheet sheet, IReadOnlyList<Fan> fans)
    {
        using var engine = new LayoutEngine();
        var graph = LayoutGraph.Downward(sheet, fans);
        // The stress method begins from a layout by forces, which need not have come to rest.
        graph["layoutOptions"] = new JsonObject
        {
            ["elk.algorithm"] = "stress",
            ["elk.stress.desiredEdgeLength"] = DiamondReach,
            ["elk.force.iterations"] = ForceRounds,
            ["elk.randomSeed"] = "1",
        };
        var apart = engine.LayOut(graph);
        Symmetry.Turn(apart["children"]!.AsArray(), Tree.Pairs(sheet));
        apart["layoutOptions"] = new JsonObject { ["elk.algorithm"] = "sporeOverlap", ["elk.spacing.nodeNode"] = "30" };
        return LayoutGraph.CornersIn(engine.LayOut(apart));
    }

    // Block by block, ovals change sides where that lowers the number of crossings.
    private static Arrangement Turned(Sheet sheet, IReadOnlyList<Fan> fans, Dictionary<string, (double X, double Y)> corners)
    {
        var turned = new HashSet<string>(StringComparer.Ordinal);
        var places = PlacesOf(fans, corners, turned);
        var crossings = StraightCrossings.Of(sheet, places);
        for (var round = 0; round < TurningRounds; round++)
        {
            foreach (var fan in fans.Where(fan => fan.CanTurn))
            {
                if (!turned.Add(fan.Id))
                {
                    turned.Remove(fan.Id);
                }

                var tried = PlacesOf(fans, corners, turned);
                var count = StraightCrossings.Of(sheet, tried);
                if (count < crossings)
                {
                    (places, crossings) = (tried, count);
                }
                else if (!turned.Add(fan.Id))
                {
                    turned.Remove(fan.Id);
                }
            }
        }

        return new Arrangement(sheet, places, crossings);
    }

    private static Dictionary<string, Place> PlacesOf(
        IReadOnlyList<Fan> fans,
        Dictionary<string, (double X, double Y)> corners,
        HashSet<string> turned
    ) =>
        fans.SelectMany(fan => fan.PlacesAt(corners[fan.Id].X, corners[fan.Id].Y, turned.Contains(fan.Id)))
            .ToDictionary(pair => pair.Id, pair => pair.Place, StringComparer.Ordinal);
}
