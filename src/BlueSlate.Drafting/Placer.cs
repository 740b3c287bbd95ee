using System.Globalization;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>Gives places to a drawing that has none. A drawing whose every shape has a place is given back as it is.</summary>
public static class Placer
{
    private const double Least = 120;
    private const double Most = 420;
    private const double EndSymbols = 120;
    private const double KnotSize = 12;
    private const double DiamondReach = 110;
    private const int ForceRounds = 50;
    private const int TurningRounds = 2;
    private const double Widening = 1.2;

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
    /// is tied to, on free ground. Where nothing has a place yet, all is laid out.
    /// </summary>
    public static Drawing PlaceNew(Drawing drawing, bool simple = false) =>
        drawing.Shapes.All(shape => shape.Place is null)
            ? Place(drawing, simple)
            : drawing with
            {
                Sheets = [.. drawing.Sheets.Select(FreePlaces.Fill)],
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
        if (simple || LayoutSize.IsBeyond(sheet))
        {
            return SimpleLayout.PlacesOf(sheet);
        }

        var fans = Fan.Of(sheet);
        if (!sheet.Shapes.Any(shape => shape.Form is Form.Diamond or Form.DiamondInRectangle))
        {
            var (alone, over) = Turned(sheet, fans, Layered(sheet, fans));
            return fans.Any(fan => fan.CanTurn) ? OvalsAside.Move(sheet, alone, over) : alone;
        }

        // Lines of diamonds run straight: of two layouts, made at the same time, the one is taken in which they cross least.
        var beside = Task.Run(() => Layered(sheet, fans));
        var spread = Spread(sheet, fans);
        var layered = beside.GetAwaiter().GetResult();
        var (first, second) = (Turned(sheet, fans, layered), Turned(sheet, fans, spread));
        var (places, crossings) = second.Crossings < first.Crossings ? second : first;
        return OvalsAside.Move(sheet, places, crossings);
    }

    private static Dictionary<string, (double X, double Y)> Layered(Sheet sheet, IReadOnlyList<Fan> fans)
    {
        using var engine = new LayoutEngine();
        return CornersIn(engine.LayOut(GraphOf(sheet, fans)));
    }

    private static Dictionary<string, (double X, double Y)> Spread(Sheet sheet, IReadOnlyList<Fan> fans)
    {
        using var engine = new LayoutEngine();
        var graph = GraphOf(sheet, fans);
        // The stress method begins from a layout by forces, which need not have come to rest.
        graph["layoutOptions"] = new JsonObject
        {
            ["elk.algorithm"] = "stress",
            ["elk.stress.desiredEdgeLength"] = DiamondReach,
            ["elk.force.iterations"] = ForceRounds,
            ["elk.randomSeed"] = "1",
        };
        var apart = engine.LayOut(graph);
        Symmetry.Turn(apart["children"]!.AsArray(), Tree.Pairs(sheet), Widening);
        apart["layoutOptions"] = new JsonObject { ["elk.algorithm"] = "sporeOverlap", ["elk.spacing.nodeNode"] = "30" };
        return CornersIn(engine.LayOut(apart));
    }

    // Block by block, ovals change sides where that lowers the number of crossings.
    private static (Dictionary<string, Place> Places, int Crossings) Turned(
        Sheet sheet,
        IReadOnlyList<Fan> fans,
        Dictionary<string, (double X, double Y)> corners
    )
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

        return (places, crossings);
    }

    private static Dictionary<string, (double X, double Y)> CornersIn(JsonNode graph) =>
        graph["children"]!
            .AsArray()
            .ToDictionary(
                node => (string)node!["id"]!,
                node => ((double)node!["x"]!, (double)node["y"]!),
                StringComparer.Ordinal
            );

    private static Dictionary<string, Place> PlacesOf(
        IReadOnlyList<Fan> fans,
        Dictionary<string, (double X, double Y)> corners,
        HashSet<string> turned
    ) =>
        fans.SelectMany(fan => fan.PlacesAt(corners[fan.Id].X, corners[fan.Id].Y, turned.Contains(fan.Id)))
            .ToDictionary(pair => pair.Id, pair => pair.Place, StringComparer.Ordinal);

    private static JsonObject GraphOf(Sheet sheet, IReadOnlyList<Fan> fans)
    {
        var blocks = fans.SelectMany(fan => fan.PlacesAt(0, 0).Select(pair => (Element: pair.Id, Block: fan.Id)))
            .ToDictionary(pair => pair.Element, pair => pair.Block, StringComparer.Ordinal);
        var owners = sheet
            .Shapes.SelectMany(shape =>
                shape
                    .TextLines.Select(row => row.Id)
                    .Append(shape.Id)
                    .Select(element => (Element: element, Block: blocks[shape.Id]))
            )
            .ToDictionary(pair => pair.Element, pair => pair.Block, StringComparer.Ordinal);
        var edges = sheet
            .Lines.Select(line => (Line: line, From: BlockAt(line.From, sheet, owners), To: BlockAt(line.To, sheet, owners)))
            .Where(edge => edge.From is not null && edge.To is not null && edge.From != edge.To)
            .ToList();
        // A line on which another ends gets a knot in its middle, so that what is tied there finds room beside it.
        var knots = sheet
            .Lines.SelectMany(line => new[] { EndTarget(line.From), EndTarget(line.To) })
            .OfType<string>()
            .ToHashSet(StringComparer.Ordinal);
        // Supertypes stand above their subtypes; without any, a drawing reads from left to right.
        var trees = Tree.Any(sheet);
        return new JsonObject
        {
            ["id"] = "root",
            ["layoutOptions"] = new JsonObject
            {
                ["elk.algorithm"] = "layered",
                ["elk.direction"] = trees ? "DOWN" : "RIGHT",
                ["elk.edgeRouting"] = "ORTHOGONAL",
                ["elk.spacing.nodeNode"] = trees ? "70" : "60",
                ["elk.spacing.componentComponent"] = "60",
                ["elk.layered.spacing.nodeNodeBetweenLayers"] = (
                    trees || fans.Count < sheet.Shapes.Length ? 80 : Between([.. edges.Select(edge => edge.Line)])
                ).ToString(CultureInfo.InvariantCulture),
                ["elk.layered.nodePlacement.strategy"] = "NETWORK_SIMPLEX",
                ["elk.randomSeed"] = "1",
            },
            ["children"] = new JsonArray([
                .. fans.Select(fan => NodeOf(fan.Id, fan.Width, fan.Height)),
                .. knots.Select(id => NodeOf(id, KnotSize, KnotSize)),
            ]),
            ["edges"] = new JsonArray([
                .. edges.SelectMany(edge =>
                {
                    var (from, to) = Tree.LeadsUp(edge.Line, sheet) ? (edge.To!, edge.From!) : (edge.From!, edge.To!);
                    return knots.Contains(edge.Line.Id)
                        ? new[] { EdgeOf(edge.Line.Id + "/1", from, edge.Line.Id), EdgeOf(edge.Line.Id + "/2", edge.Line.Id, to) }
                        : [EdgeOf(edge.Line.Id, from, to)];
                }),
            ]),
        };
    }

    private static JsonNode NodeOf(string id, double width, double height) =>
        new JsonObject
        {
            ["id"] = id,
            ["width"] = width,
            ["height"] = height,
        };

    private static JsonNode EdgeOf(string id, string from, string to) =>
        new JsonObject
        {
            ["id"] = id,
            ["sources"] = new JsonArray(from),
            ["targets"] = new JsonArray(to),
        };

    // The line on which an end stands, or null.
    private static string? EndTarget(LineEnd end) =>
        end.On.Kind switch
        {
            AttachmentKind.Line => end.On.Id,
            AttachmentKind.End => end.On.Id![..end.On.Id!.LastIndexOf('/')],
            _ => null,
        };

    // The block that holds what an end is at, or the knot of the line on which it stands.
    private static string? BlockAt(LineEnd end, Sheet sheet, Dictionary<string, string> owners) =>
        EndTarget(end) is { } line
            ? sheet.Lines.Any(other => other.Id == line && !owners.ContainsKey(line))
                ? line
                : null
            : owners.GetValueOrDefault(end.On.Id ?? "");

    // Room for what is written at both ends of a line, one text after the other.
    private static double Between(IReadOnlyCollection<Line> lines) =>
        Math.Clamp(lines.Select(line => Longest(line.From) + Longest(line.To) + EndSymbols).Append(0).Max(), Least, Most);

    private static double Longest(LineEnd end) => new[] { end.Label, end.Role, end.Count }.Max(text => TextWidths.Of(text ?? ""));
}
