using System.Text.Json.Nodes;

namespace BlueSlate.Drafting;

/// <summary>
/// Turns and mirrors a layout that has no direction of its own, so that trees lead downward and the whole is wider than high.
/// </summary>
internal static class Symmetry
{
    /// <summary>Changes the nodes' places to the best of the eight symmetries of a rectangle.</summary>
    public static void Turn(JsonArray nodes, IEnumerable<(string Above, string Below)> trees)
    {
        var middles = nodes.ToDictionary(
            node => (string)node!["id"]!,
            node =>
                (X: (double)node!["x"]! + ((double)node["width"]! / 2), Y: (double)node["y"]! + ((double)node["height"]! / 2)),
            StringComparer.Ordinal
        );
        var pairs = trees.Where(pair => middles.ContainsKey(pair.Above) && middles.ContainsKey(pair.Below)).ToList();
        var best = Enumerable.Range(0, 8).MaxBy(way => Score(way, middles, pairs));
        foreach (var node in nodes)
        {
            var (x, y) = At(best, middles[(string)node!["id"]!]);
            node["x"] = x - ((double)node["width"]! / 2);
            node["y"] = y - ((double)node["height"]! / 2);
        }
    }

    private static double Score(
        int way,
        Dictionary<string, (double X, double Y)> middles,
        List<(string Above, string Below)> pairs
    )
    {
        var down = pairs.Count(pair => At(way, middles[pair.Above]).Y < At(way, middles[pair.Below]).Y);
        var all = middles.Values.Select(middle => At(way, middle)).ToList();
        var wide = all.Max(at => at.X) - all.Min(at => at.X) >= all.Max(at => at.Y) - all.Min(at => at.Y);
        return down + (wide ? pairs.Count * 0.4 + 0.5 : 0);
    }

    private static (double X, double Y) At(int way, (double X, double Y) at)
    {
        var (x, y) = (way & 1) == 0 ? at : (at.Y, at.X);
        return ((way & 2) == 0 ? x : -x, (way & 4) == 0 ? y : -y);
    }
}
