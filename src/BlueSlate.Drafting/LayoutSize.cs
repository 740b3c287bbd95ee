using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>
/// How much work the careful layout of a sheet is, measured before it begins: by its shapes, its lines, and over how many
/// layers those lines lead, since the layered method puts a node into each layer that a line crosses.
/// </summary>
public static class LayoutSize
{
    /// <summary>How many shapes are laid out with care.</summary>
    public const int MostShapes = 240;

    /// <summary>How many lines.</summary>
    public const int MostLines = 320;

    /// <summary>How many layers all lines together may cross.</summary>
    public const int MostCrossed = 600;

    /// <summary>Whether a sheet is beyond that, and gets the simple layout.</summary>
    public static bool IsBeyond(Sheet sheet) =>
        sheet.Shapes.Length > MostShapes || sheet.Lines.Length > MostLines || Crossed(sheet) > MostCrossed;

    // Layers by longest paths, as they would be without lines that lead back.
    private static int Crossed(Sheet sheet)
    {
        var boxOf = sheet
            .Shapes.SelectMany(shape => shape.TextLines.Select(row => row.Id).Append(shape.Id).Select(id => (id, shape.Id)))
            .ToDictionary(pair => pair.id, pair => pair.Item2, StringComparer.Ordinal);
        var order = sheet
            .Shapes.Select((shape, i) => (shape.Id, i))
            .ToDictionary(pair => pair.Id, pair => pair.i, StringComparer.Ordinal);
        var edges = sheet
            .Lines.Where(line => boxOf.ContainsKey(line.From.On.Id ?? "") && boxOf.ContainsKey(line.To.On.Id ?? ""))
            .Select(line => (From: order[boxOf[line.From.On.Id!]], To: order[boxOf[line.To.On.Id!]]))
            .Select(edge => edge.From < edge.To ? edge : (From: edge.To, To: edge.From))
            .Where(edge => edge.From != edge.To)
            .OrderBy(edge => edge.From)
            .ToList();
        var layer = new int[sheet.Shapes.Length];
        foreach (var (from, to) in edges)
        {
            layer[to] = Math.Max(layer[to], layer[from] + 1);
        }

        return edges.Sum(edge => layer[edge.To] - layer[edge.From] - 1);
    }
}
