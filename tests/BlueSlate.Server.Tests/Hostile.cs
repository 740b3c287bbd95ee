using BlueSlate.Core.Drawings;

namespace BlueSlate.Server.Tests;

/// <summary>Drawings within all limits that are much work for whoever reads, checks, places or paints them.</summary>
internal static class Hostile
{
    /// <summary>Boxes in a chain, and as many lines as are left between boxes that lie far apart in it.</summary>
    public static Drawing Chain(int boxes, int lines)
    {
        var sketch = new Sketch();
        for (var i = 0; i < boxes; i++)
        {
            sketch.Box($"Box {i}", "PK no");
        }

        for (var i = 0; i < lines; i++)
        {
            var (from, to) = i < boxes - 1 ? (i, i + 1) : (i - boxes + 1, boxes - 1 - ((i - boxes + 1) / 2));
            sketch.Line(new LineEnd(Attachment.ToShape($"b{1 + (from % boxes)}"), [.. Ends.One]), new LineEnd(Attachment.ToShape($"b{1 + (to % boxes)}"), [.. Ends.ZeroOrMore]));
        }

        return sketch.ToDrawing();
    }
}
