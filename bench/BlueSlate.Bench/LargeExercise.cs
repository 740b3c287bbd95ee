using BlueSlate.Core.Drawings;

namespace BlueSlate.Bench;

/// <summary>
/// An exercise of 12 entities, 60 attributes and 14 relationships, and answers with faults at random, the same ones every time.
/// </summary>
internal static class LargeExercise
{
    private static readonly string[] Names =
    [
        "Member",
        "Boat",
        "Mooring",
        "Trip",
        "Skipper",
        "Harbour",
        "Repair",
        "Sail",
        "Race",
        "Entry",
        "Course",
        "Weather report",
    ];
    private static readonly string[] Details =
    [
        "name",
        "start date",
        "length",
        "remark",
        "colour",
        "price",
        "address",
        "phone",
        "rating",
        "depth",
    ];
    private static readonly string[] Kinds =
    [
        "",
        "Club",
        "Guest",
        "Rented",
        "Old",
        "Night",
        "River",
        "Junior",
        "Charity",
        "Winter",
    ];
    private static readonly (int From, int To)[] Links =
    [
        (0, 1),
        (1, 2),
        (1, 3),
        (4, 3),
        (2, 5),
        (1, 6),
        (1, 7),
        (8, 9),
        (1, 9),
        (8, 10),
        (8, 11),
        (5, 8),
        (0, 4),
        (3, 5),
    ];

    public static Drawing Model { get; } = Draw(null);

    public static Drawing Answer(int seed) => Draw(new Random(seed));

    /// <summary>
    /// As many such exercises side by side as make up a number of entities, each tied to the next, and an answer to it.
    /// </summary>
    public static (Drawing Model, Drawing Answer) OfSize(int entities, int seed) =>
        (Chain(entities, null), Chain(entities, new Random(seed)));

    private static Drawing Chain(int entities, Random? random)
    {
        var sketch = new Sketch();
        for (var i = 0; i < entities; i++)
        {
            var rows = Enumerable
                .Range(0, 4)
                .Select(n => Details[(i + n) % Details.Length])
                .Where(_ => random is null || random.Next(12) > 0);
            sketch.Box(Name(i), [.. rows.Prepend(random?.Next(15) == 0 ? $"{Name(i)} no" : $"PK {Name(i)} no")]);
        }

        for (var i = 0; i < entities; i++)
        {
            foreach (var (from, to) in Links.Where(link => link.From == i % Names.Length).Append((0, Names.Length)))
            {
                var (one, other) = (i - (i % Names.Length) + from, i - (i % Names.Length) + to);
                if (other >= entities || (to == Names.Length && i % Names.Length != 0) || random?.Next(14) == 0)
                {
                    continue;
                }

                var (near, far) = (
                    random?.Next(8) == 0 ? Ends.ZeroOrOne : Ends.One,
                    random?.Next(8) == 0 ? Ends.OneOrMore : Ends.ZeroOrMore
                );
                sketch.Line(Name(one), near, Name(other), far, $"verb {i}", $"is verbed {i}");
            }
        }

        return sketch.ToDrawing();

        static string Name(int i) =>
            i < Names.Length
                ? Names[i]
                : $"{Kinds[i / Names.Length % Kinds.Length]} {Names[i % Names.Length].ToLowerInvariant()}";
    }

    private static Drawing Draw(Random? random)
    {
        var sketch = new Sketch();
        for (var i = 0; i < Names.Length; i++)
        {
            var rows = Enumerable
                .Range(0, 4)
                .Select(n => Details[(i + n) % Details.Length])
                .Where(_ => random is null || random.Next(12) > 0);
            sketch.Box(Name(i), [.. rows.Prepend(random?.Next(15) == 0 ? $"{Names[i]} no" : $"PK {Names[i]} no")]);
        }

        for (var i = 0; i < Links.Length; i++)
        {
            if (random?.Next(14) == 0)
            {
                continue;
            }

            var (near, far) = (
                random?.Next(8) == 0 ? Ends.ZeroOrOne : Ends.One,
                random?.Next(8) == 0 ? Ends.OneOrMore : Ends.ZeroOrMore
            );
            sketch.Line(Name(Links[i].From), near, Name(Links[i].To), far, $"verb {i}", $"is verbed {i}");
        }

        return sketch.ToDrawing();

        string Name(int i) => random is null || i % 5 != 0 ? Names[i] : Names[i] + "s";
    }
}
