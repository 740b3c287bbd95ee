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

    public static int Run(string folder, string notation)
    {
        Func<int, Drawing> draw = notation switch
        {
            "chen" => Diamonds,
            "uml" => Classes,
            _ => Draw,
        };
        Placer.Place(draw(0));
        var clock = Stopwatch.StartNew();
        const int count = 5;
        for (var seed = 1; seed <= count; seed++)
        {
            File.WriteAllText(
                Path.Combine(folder, $"layout-{notation}-{seed}.json"),
                DrawingWriter.WriteText(Placer.Place(draw(seed)))
            );
        }

        Console.WriteLine((clock.Elapsed.TotalSeconds / count).ToString("0.000", CultureInfo.InvariantCulture));
        return 0;
    }

    // 18 entities with 24 ovals and 18 diamonds: 60 shapes.
    private static Drawing Diamonds(int seed)
    {
        var random = new Random(seed);
        var sketch = new Sketch();
        const int Entities = 18;
        for (var i = 0; i < Entities; i++)
        {
            sketch.Box($"Thing {i}");
        }

        for (var i = 0; i < 24; i++)
        {
            sketch.Oval($"Thing {i % Entities}", $"detail {i}");
        }

        for (var i = 0; i < Entities; i++)
        {
            var (from, to) = i < Entities - 1 ? (random.Next(Math.Max(0, i - 4), i + 1), i + 1) : (random.Next(Entities), 0);
            sketch.Diamond($"verbs {i}", Outline.Single, ($"Thing {from}", "1", false), ($"Thing {to}", "N", true));
        }

        return sketch.ToDrawing();
    }

    // Classes of which every sixth is a subclass.
    private static Drawing Classes(int seed)
    {
        var random = new Random(seed);
        var sketch = new Sketch();
        for (var i = 0; i < Boxes; i++)
        {
            sketch.Class(
                $"Thing{i}",
                [.. Enumerable.Range(0, random.Next(1, 4)).Select(row => $"- detail{row}: Integer")],
                ["+ isFree(): Boolean"]
            );
        }

        for (var i = 0; i < Lines; i++)
        {
            var to = i < Boxes - 1 ? i + 1 : random.Next(Boxes);
            var from = i < Boxes - 1 ? random.Next(Math.Max(0, i - 8), i + 1) : random.Next(Boxes);
            if (i % 6 == 0)
            {
                sketch.Tie($"Thing{to}", $"Thing{from}", markTo: EndMark.Triangle);
            }
            else
            {
                sketch.Tie($"Thing{from}", $"Thing{to}", text: $"verbs {i % 9}", atFrom: "1", atTo: "0..*");
            }
        }

        return sketch.ToDrawing();
    }

    private static Drawing Draw(int seed)
    {
        var random = new Random(seed);
        var sketch = new Sketch();
        for (var i = 0; i < Boxes; i++)
        {
            sketch.Box(
                $"Thing {i}",
                [.. Enumerable.Range(0, random.Next(1, 7)).Select(row => row == 0 ? "PK thing no" : $"detail {row}")]
            );
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
