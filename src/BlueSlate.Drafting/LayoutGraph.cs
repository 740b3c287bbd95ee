using System.Globalization;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>
/// A sheet as the layout engine takes it: a node for each block of shapes, an edge for each line between two of them. A line on which
/// another ends gets a knot in its middle, so that what is tied there finds room beside it.
/// </summary>
internal static class LayoutGraph
{
    private const double Least = 120;
    private const double Most = 420;
    private const double EndSymbols = 120;
    private const double BetweenRows = 80;
    private const double Beside = 70;
    private const double BesideAcross = 60;
    private const double EndGap = 24;
    private const double KnotSize = 12;

    /// <summary>All from above downward: supertypes above their subtypes.</summary>
    public static JsonObject Downward(Sheet sheet, IReadOnlyList<Fan> fans)
    {
        var links = LinksOf(sheet, fans);
        // What is written at the ends of lines that lead downward stands beside them.
        var beside =
            Tree.Any(sheet) || fans.Any(fan => fan.CanTurn)
                ? Beside
                : Math.Max(Beside, links.Select(link => Widest(link.Line)).Append(0).Max() + EndGap);
        return Graph("DOWN", beside, BetweenRows, [.. fans.Select(NodeOf), .. KnotsOf(links)], [.. links.SelectMany(EdgesOf)]);
    }

    /// <summary>All from left to right, but each tree as a block of its own that leads downward.</summary>
    public static JsonObject Rightward(Sheet sheet, IReadOnlyList<Fan> fans)
    {
        var links = LinksOf(sheet, fans);
        var treeOf = TreesOf(sheet, links);
        var inside = links.ToLookup(link =>
            treeOf.GetValueOrDefault(link.From) is { } tree && tree == treeOf.GetValueOrDefault(link.To) ? tree : ""
        );
        var trees = treeOf
            .GroupBy(pair => pair.Value, pair => pair.Key, StringComparer.Ordinal)
            .Select(group =>
                Block(
                    group.Key,
                    [
                        .. fans.Where(fan => group.Contains(fan.Id, StringComparer.Ordinal)).Select(NodeOf),
                        .. KnotsOf(inside[group.Key]),
                    ],
                    [.. inside[group.Key].SelectMany(EdgesOf)]
                )
            );
        var outside = inside[""]
            .Select(link =>
                link with
                {
                    From = treeOf.GetValueOrDefault(link.From, link.From),
                    To = treeOf.GetValueOrDefault(link.To, link.To),
                }
            )
            .ToList();
        // Room for what is written at both ends of a line; ovals take that room themselves.
        var between = fans.Any(fan => fan.CanTurn) ? BetweenRows : Between([.. outside.Select(link => link.Line)]);
        return Graph(
            "RIGHT",
            BesideAcross,
            between,
            [.. trees, .. fans.Where(fan => !treeOf.ContainsKey(fan.Id)).Select(NodeOf), .. KnotsOf(outside)],
            [.. outside.SelectMany(EdgesOf)]
        );
    }

    /// <summary>Where the upper left corners of all blocks are, in pixels.</summary>
    public static Dictionary<string, (double X, double Y)> CornersIn(JsonNode laidOut)
    {
        var corners = new Dictionary<string, (double X, double Y)>(StringComparer.Ordinal);
        foreach (var node in laidOut["children"]!.AsArray())
        {
            var (x, y) = ((double)node!["x"]!, (double)node["y"]!);
            if (node["children"]?.AsArray() is not { Count: > 0 } inner)
            {
                corners.Add((string)node["id"]!, (x, y));
                continue;
            }

            foreach (var child in inner)
            {
                corners.Add((string)child!["id"]!, (x + (double)child["x"]!, y + (double)child["y"]!));
            }
        }

        return corners;
    }

    // A line between two blocks, from what stands above or to the left; either end may be the knot of a line.
    private sealed record Link(Line Line, string From, string To, bool Knotted);

    private static List<Link> LinksOf(Sheet sheet, IReadOnlyList<Fan> fans)
    {
        var blocks = fans.SelectMany(fan => fan.PlacesAt(0, 0).Select(pair => (Element: pair.Id, Block: fan.Id)))
            .ToDictionary(pair => pair.Element, pair => pair.Block, StringComparer.Ordinal);
        var owners = sheet
            .Shapes.SelectMany(shape => shape.TextLines.Select(row => (Element: row.Id, Block: blocks[shape.Id])))
            .Concat(blocks.Select(pair => (Element: pair.Key, Block: pair.Value)))
            .ToDictionary(pair => pair.Element, pair => pair.Block, StringComparer.Ordinal);
        var knots = sheet
            .Lines.SelectMany(line => new[] { EndTarget(line.From), EndTarget(line.To) })
            .OfType<string>()
            .ToHashSet(StringComparer.Ordinal);
        var links = new List<Link>();
        foreach (var line in sheet.Lines)
        {
            var (from, to) = (BlockAt(line.From, sheet, owners), BlockAt(line.To, sheet, owners));
            if (from is not null && to is not null && from != to)
            {
                var up = Tree.LeadsUp(line, sheet);
                links.Add(new Link(line, up ? to : from, up ? from : to, knots.Contains(line.Id)));
            }
        }

        return links;
    }

    // The tree to which each block belongs that is in one: blocks tied by its lines, named after the first.
    private static Dictionary<string, string> TreesOf(Sheet sheet, List<Link> links)
    {
        var lines = Tree.Lines(sheet).Select(line => line.Id).ToHashSet(StringComparer.Ordinal);
        var treeOf = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var link in links.Where(link => lines.Contains(link.Line.Id)))
        {
            var (one, other) = (treeOf.GetValueOrDefault(link.From), treeOf.GetValueOrDefault(link.To));
            var tree = one ?? other ?? "tree " + link.From;
            foreach (var block in treeOf.Where(pair => pair.Value == other).Select(pair => pair.Key).ToList())
            {
                treeOf[block] = tree;
            }

            treeOf[link.From] = treeOf[link.To] = tree;
        }

        foreach (var link in links.Where(link => link.Knotted))
        {
            if (treeOf.GetValueOrDefault(link.From) is { } tree && treeOf.GetValueOrDefault(link.To) == tree)
            {
                treeOf[link.Line.Id] = tree;
            }
        }

        return treeOf;
    }

    private static JsonObject Graph(string direction, double beside, double between, JsonNode[] nodes, JsonNode[] edges) =>
        new()
        {
            ["id"] = "root",
            ["layoutOptions"] = Options(direction, beside, between),
            ["children"] = new JsonArray(nodes),
            ["edges"] = new JsonArray(edges),
        };

    private static JsonNode Block(string id, JsonNode[] nodes, JsonNode[] edges)
    {
        var options = Options("DOWN", Beside, BetweenRows);
        options["elk.padding"] = "[top=0,left=0,bottom=0,right=0]";
        return new JsonObject
        {
            ["id"] = id,
            ["layoutOptions"] = options,
            ["children"] = new JsonArray(nodes),
            ["edges"] = new JsonArray(edges),
        };
    }

    private static JsonObject Options(string direction, double beside, double between) =>
        new()
        {
            ["elk.algorithm"] = "layered",
            ["elk.direction"] = direction,
            ["elk.edgeRouting"] = "ORTHOGONAL",
            ["elk.spacing.nodeNode"] = beside.ToString(CultureInfo.InvariantCulture),
            ["elk.spacing.componentComponent"] = "60",
            ["elk.layered.spacing.nodeNodeBetweenLayers"] = between.ToString(CultureInfo.InvariantCulture),
            ["elk.layered.nodePlacement.strategy"] = "NETWORK_SIMPLEX",
            ["elk.randomSeed"] = "1",
        };

    private static JsonNode NodeOf(Fan fan) => NodeOf(fan.Id, fan.Width, fan.Height);

    private static IEnumerable<JsonNode> KnotsOf(IEnumerable<Link> links) =>
        links.Where(link => link.Knotted).Select(link => NodeOf(link.Line.Id, KnotSize, KnotSize));

    private static JsonNode NodeOf(string id, double width, double height) =>
        new JsonObject
        {
            ["id"] = id,
            ["width"] = width,
            ["height"] = height,
        };

    private static IEnumerable<JsonNode> EdgesOf(Link link) =>
        link.Knotted
            ? [EdgeOf(link.Line.Id + "/1", link.From, link.Line.Id), EdgeOf(link.Line.Id + "/2", link.Line.Id, link.To)]
            : [EdgeOf(link.Line.Id, link.From, link.To)];

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

    private static double Between(IReadOnlyCollection<Line> lines) =>
        Math.Clamp(lines.Select(line => Longest(line.From) + Longest(line.To) + EndSymbols).Append(0).Max(), Least, Most);

    private static double Widest(Line line) => Math.Max(Longest(line.From), Longest(line.To));

    private static double Longest(LineEnd end) => new[] { end.Label, end.Role, end.Count }.Max(text => TextWidths.Of(text ?? ""));
}
