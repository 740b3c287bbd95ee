using System.Diagnostics;
using System.Globalization;
using BlueSlate.Core.Drawings;
using BlueSlate.Drafting;

namespace BlueSlate.Bench;

/// <summary>Lays out drawings of 60 boxes and 75 lines, and writes them for the slate's own routing to be measured.</summary>
internal static class LayoutBench
{
    private const int Boxes = 60;
    private const int Lines = 75;

    public static int Run(string folder)
    {
        Placer.Place(Draw(0));
        var clock = Stopwatch.StartNew();
        const int count = 5;
        for (var seed = 1; seed <= count; seed++)
        {
            File.WriteAllText(Path.Combine(folder, $"layout-{seed}.json"), DrawingWriter.WriteText(Placer.Place(Draw(seed))));
        }

        Console.WriteLine((clock.Elapsed.TotalSeconds / count).ToString("0.000", CultureInfo.InvariantCulture));
        return 0;
    }

    private static Drawing Draw(int seed)
    {
        var random = new Random(seed);
        var sketch = new Sketch();
        for (var i = 0; i < Boxes; i++)
        {
            sketch.Box($"Thing {i}", [.. Enumerable.Range(0, random.Next(1, 7)).Select(row => row == 0 ? "PK thing no" : $"detail {row}")]);
        }

        for (var i = 0; i < Lines; i++)
        {
            // A tree first, so that it hangs together; then lines across.
            var to = i < Boxes - 1 ? i + 1 : random.Next(Boxes);
            var from = i < Boxes - 1 ? random.Next(Math.Max(0, i - 8), i + 1) : random.Next(Boxes);
            sketch.Line($"Thing {from}", Ends.One, $"Thing {to}", Ends.ZeroOrMore, $"verb {i % 9}", $"is verbed {i % 7}");
        }

        return sketch.ToDrawing();
    }
}
