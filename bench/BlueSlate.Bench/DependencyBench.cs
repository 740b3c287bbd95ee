using System.Diagnostics;
using BlueSlate.Core.Subjects.Dependencies;

namespace BlueSlate.Bench;

/// <summary>
/// How long dependencies take: closures, about fifty keys, the forms of eight relations, a table of a thousand rows.
/// </summary>
internal static class DependencyBench
{
    public static int Run()
    {
        foreach (var (width, count) in new[] { (10, 20), (20, 40), (30, 60), (60, 120) })
        {
            Console.WriteLine($"attributes {width} fds {count} closure_us {ClosureOf(width, count):F2}");
        }

        foreach (var pairs in new[] { 3, 4, 5, 6 })
        {
            var (keys, milliseconds) = KeysOf(30, pairs);
            Console.WriteLine($"keys {keys} keys_ms {milliseconds:F1}");
        }

        foreach (var rows in new[] { 250, 500, 1000, 2000 })
        {
            var (found, milliseconds) = RowsOf(rows);
            Console.WriteLine($"rows {rows} columns 20 dependencies {found} rows_ms {milliseconds:F0}");
        }

        Console.WriteLine(
            $"dependencies: attributes 30 fds 60 closure_us {ClosureOf(30, 60):F2} keys_ms {KeysOf(30, 5).Milliseconds:F1} "
                + $"forms_ms {FormsOf():F1} rows_ms {RowsOf(1000).Milliseconds:F0}"
        );
        return 0;
    }

    private static DependencySet Drawn(int width, int count, int seed)
    {
        var random = new Random(seed);
        AttributeSet Some(int most) =>
            AttributeSet.Of(Enumerable.Range(0, random.Next(1, most + 1)).Select(_ => random.Next(width)));
        return new DependencySet(
            [.. Enumerable.Range(0, width).Select(i => $"a{i}")],
            [.. Enumerable.Range(0, count).Select(_ => new Dependency(Some(3), Some(2)))],
            []
        );
    }

    // One closure of a single attribute or two; the mean of many.
    private static double ClosureOf(int width, int count)
    {
        var given = Drawn(width, count, 7);
        AttributeSet[] sets = [.. Enumerable.Range(0, width).Select(i => AttributeSet.Of([i, i * 7 % width]))];
        const int Rounds = 20_000;
        var total = 0;
        for (var i = 0; i < Rounds; i++)
        {
            total += given.Implied.ClosureOf(sets[i % width]).Count;
        }

        var start = Stopwatch.GetTimestamp();
        for (var i = 0; i < Rounds; i++)
        {
            total += given.Implied.ClosureOf(sets[i % width]).Count;
        }

        return total < 0 ? 0 : Stopwatch.GetElapsedTime(start).TotalMicroseconds / Rounds;
    }

    // Pairs that determine each other double the keys; a chain over the rest adds some more.
    private static (int Keys, double Milliseconds) KeysOf(int width, int pairs)
    {
        List<Dependency> dependencies = [];
        for (var i = 0; i < pairs; i++)
        {
            dependencies.Add(new Dependency(AttributeSet.Of(2 * i), AttributeSet.Of((2 * i) + 1)));
            dependencies.Add(new Dependency(AttributeSet.Of((2 * i) + 1), AttributeSet.Of(2 * i)));
        }

        for (var i = 2 * pairs; i < width; i++)
        {
            dependencies.Add(new Dependency(AttributeSet.Of([0, i - 1]), AttributeSet.Of(i)));
        }

        while (dependencies.Count < 60)
        {
            var i = dependencies.Count;
            dependencies.Add(new Dependency(AttributeSet.Of([i % width, i * 3 % width]), AttributeSet.Of(i * 5 % width)));
        }

        var cover = MinimalCover.Of(dependencies);
        CandidateKeys.Of(AttributeSet.First(width), cover);
        var start = Stopwatch.GetTimestamp();
        var keys = CandidateKeys.Of(AttributeSet.First(width), MinimalCover.Of(dependencies));
        return (keys.Keys.Length, Stopwatch.GetElapsedTime(start).TotalMilliseconds);
    }

    private static double FormsOf()
    {
        var given = Drawn(30, 60, 11);
        AttributeSet[] parts =
        [
            .. Enumerable
                .Range(0, 8)
                .Select(i => AttributeSet.Of(Enumerable.Range(0, 9).Select(j => ((i * 4) + (j * (i + 1))) % 30))),
        ];
        NormalForms.Of(parts[0], given);
        var start = Stopwatch.GetTimestamp();
        foreach (var part in parts)
        {
            NormalForms.Of(part, given);
        }

        return Stopwatch.GetElapsedTime(start).TotalMilliseconds;
    }

    // Columns that follow from up to eight others among columns of few values, so that determinants of each size are there
    // to be found.
    private static (int Found, double Milliseconds) RowsOf(int count)
    {
        var random = new Random(5);
        string?[][] table =
        [
            .. Enumerable
                .Range(0, count)
                .Select(row =>
                {
                    var cells = new int[20];
                    for (var i = 0; i < 12; i++)
                    {
                        cells[i] = random.Next(i < 8 ? 2 : 30);
                    }

                    for (var i = 12; i < 20; i++)
                    {
                        cells[i] = cells[..(i - 11)].Aggregate(i, (sum, cell) => (sum * 31) + cell) % 97;
                    }

                    return cells
                        .Select(cell => (string?)cell.ToString(System.Globalization.CultureInfo.InvariantCulture))
                        .ToArray();
                }),
        ];
        var start = Stopwatch.GetTimestamp();
        var found = RowDependencies.Of(table, 20);
        return (found.Dependencies.Length, Stopwatch.GetElapsedTime(start).TotalMilliseconds);
    }
}
