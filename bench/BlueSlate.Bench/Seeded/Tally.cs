using BlueSlate.Core.Judging;

namespace BlueSlate.Bench.Seeded;

/// <summary>Counts, by kind, faults that were put in, those of them that are told where they are, and what is told besides.</summary>
internal sealed class Tally
{
    private const int MostShown = 40;
    private readonly Dictionary<string, Counts> byCode = new(StringComparer.Ordinal);
    private int shown;

    /// <summary>Counts what is told of one answer; what only follows from something else is not counted.</summary>
    public void Add(int answer, IReadOnlyList<DependencySeed> seeds, IEnumerable<Finding> findings)
    {
        var roots = findings.Where(finding => finding.ConsequenceOf is null).ToList();
        foreach (var seed in seeds)
        {
            var counts = Of(seed.Code);
            counts.Wanted++;
            if (roots.Find(finding => IsIt(finding, seed)) is { } found)
            {
                counts.Found++;
                roots.Remove(found);
            }
            else
            {
                Show(
                    $"missed       {answer}: {seed.Code} ({string.Join(", ", seed.Words)}) among {Told(seeds)}; told: {Headlines(roots)}"
                );
            }
        }

        foreach (var more in roots)
        {
            Of(more.Code).False++;
            Show($"false alarm  {answer}: {more.Code}: {more.Headline} Put in: {Told(seeds)}");
        }
    }

    /// <summary>Prints a line a kind, and gives recall and precision of all together, and the worst and the rarest kind.</summary>
    public (double Recall, double Precision, string Worst, double Least, int Fewest) Print()
    {
        foreach (var (code, counts) in byCode.OrderBy(pair => pair.Key, StringComparer.Ordinal))
        {
            Console.WriteLine($"{code, -36}{counts.Wanted, 8}{counts.Found, 8}{counts.False, 8}");
        }

        int all = byCode.Values.Sum(counts => counts.Wanted),
            hit = byCode.Values.Sum(counts => counts.Found),
            alarms = byCode.Values.Sum(counts => counts.False);
        var asked = byCode.Where(pair => pair.Value.Wanted > 0).ToList();
        var worst = asked.MinBy(pair => pair.Value.Recall);
        return (
            (double)hit / all,
            (double)hit / (hit + alarms),
            worst.Key,
            worst.Value.Recall,
            asked.Min(pair => pair.Value.Wanted)
        );
    }

    /// <summary>What is told, in one line.</summary>
    public static string Headlines(IEnumerable<Finding> findings) =>
        string.Join(" | ", findings.Select(finding => $"{finding.Code}: {finding.Headline}"));

    private static bool IsIt(Finding finding, DependencySeed seed) =>
        finding.Code == seed.Code
        && Array.TrueForAll(seed.Words, word =>
            finding.Headline.Contains(word, StringComparison.OrdinalIgnoreCase)
            || finding.Headline.Contains(
                word.Replace(" no", " number", StringComparison.Ordinal),
                StringComparison.OrdinalIgnoreCase
            )
        );

    private static string Told(IEnumerable<DependencySeed> seeds) => string.Join(", ", seeds.Select(seed => seed.Code));

    private Counts Of(string code) => byCode.TryGetValue(code, out var counts) ? counts : byCode[code] = new Counts();

    private void Show(string line)
    {
        if (shown++ < MostShown)
        {
            Console.WriteLine(line);
        }
    }

    private sealed class Counts
    {
        public int Wanted { get; set; }

        public int Found { get; set; }

        public int False { get; set; }

        public double Recall => (double)Found / Wanted;
    }
}
