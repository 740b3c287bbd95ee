using BlueSlate.Core.Language.Statements;

namespace BlueSlate.Core.Notations;

/// <summary>
/// Which of the edited lines is which of the old ones: equal lines by their longest common subsequence, then those that were moved,
/// whole or with the same subject, and between two of the first, in order, an old line and the one in its place.
/// </summary>
/// <param name="Removed">The old lines that nothing stands for.</param>
/// <param name="Changed">The edited lines that are no old one word for word, each with the old one that it stands for.</param>
/// <param name="Repeated">The edited lines that say once more what another line says, each with that line.</param>
internal sealed record LineMatch(
    IReadOnlyList<int> Removed,
    IReadOnlyList<(int Line, int? Old)> Changed,
    IReadOnlyList<(int Line, int Of)> Repeated
)
{
    private sealed record Gap(List<int> Gone, List<int> Come);

    /// <summary>The match of lines whose subject is what stands before a colon.</summary>
    public static LineMatch Of(IReadOnlyList<string> old, IReadOnlyList<string> lines) =>
        Of(old, lines, at => Subject(old[at]), at => Subject(lines[at]));

    /// <summary>The match of lines by their subjects, as who knows what they say tells them; null for one without.</summary>
    public static LineMatch Of(
        IReadOnlyList<string> old,
        IReadOnlyList<string> lines,
        Func<int, string?> subjectOfOld,
        Func<int, string?> subjectOfLine
    )
    {
        var gaps = Gaps(old, lines);
        _ = TakeMoved(gaps, (gone, come) => Equal(old[gone], lines[come]));
        var repeated = TakeRepeated(gaps, lines);
        string?[] was = [.. Enumerable.Range(0, old.Count).Select(subjectOfOld)];
        var subjects = was.ToHashSet(StringComparer.Ordinal);
        var about = gaps.SelectMany(gap => gap.Come).ToDictionary(line => line, subjectOfLine);
        var changed = TakeMoved(gaps, (gone, come) => was[gone] is { } subject && subject == about[come]);
        // A line about something that another line was about is no new name for what stood in its place.
        foreach (var (gone, come) in gaps)
        {
            foreach (var line in come)
            {
                var isNew = about[line] is not { } subject || !subjects.Contains(subject);
                changed.Add((line, isNew && gone.Count > 0 ? gone[0] : null));
                gone.RemoveRange(0, isNew ? Math.Min(1, gone.Count) : 0);
            }
        }

        return new LineMatch([.. gaps.SelectMany(gap => gap.Gone)], [.. changed.OrderBy(pair => pair.Line)], repeated);
    }

    /// <summary>What is told of the lines that say once more what another says.</summary>
    public IEnumerable<LineProblem> ToldOf(IReadOnlyList<string> lines) =>
        Repeated.Select(pair => new LineProblem(
            pair.Line,
            new StatementProblem(0, lines[pair.Line].Length, $"line {pair.Of + 1} says this already")
        ));

    // What stands between two lines of the longest common subsequence, on either side.
    private static List<Gap> Gaps(IReadOnlyList<string> old, IReadOnlyList<string> lines)
    {
        var length = new int[old.Count + 1, lines.Count + 1];
        for (var i = old.Count - 1; i >= 0; i--)
        {
            for (var j = lines.Count - 1; j >= 0; j--)
            {
                length[i, j] = Equal(old[i], lines[j]) ? length[i + 1, j + 1] + 1 : Math.Max(length[i + 1, j], length[i, j + 1]);
            }
        }

        List<Gap> gaps = [new([], [])];
        var (a, b) = (0, 0);
        while (a < old.Count || b < lines.Count)
        {
            if (a < old.Count && b < lines.Count && Equal(old[a], lines[b]))
            {
                gaps.Add(new Gap([], []));
                (a, b) = (a + 1, b + 1);
            }
            else if (b >= lines.Count || (a < old.Count && length[a + 1, b] >= length[a, b + 1]))
            {
                gaps[^1].Gone.Add(a++);
            }
            else
            {
                gaps[^1].Come.AddRange(lines[b].Trim().Length > 0 ? [b] : []);
                b++;
            }
        }

        return gaps;
    }

    private static List<(int Line, int? Old)> TakeMoved(List<Gap> gaps, Func<int, int, bool> same)
    {
        var taken = new List<(int, int?)>();
        foreach (var (into, line) in gaps.SelectMany(gap => gap.Come.Select(line => (gap, line))).ToList())
        {
            // Where it stands now before any other place.
            var from = gaps.OrderByDescending(gap => gap == into).FirstOrDefault(gap => gap.Gone.Any(gone => same(gone, line)));
            if (from is not null)
            {
                var gone = from.Gone.First(gone => same(gone, line));
                from.Gone.Remove(gone);
                into.Come.Remove(line);
                taken.Add((line, gone));
            }
        }

        return taken;
    }

    private static List<(int Line, int Of)> TakeRepeated(List<Gap> gaps, IReadOnlyList<string> lines)
    {
        var repeated = new List<(int, int)>();
        var fresh = gaps.SelectMany(gap => gap.Come).ToHashSet();
        foreach (var gap in gaps)
        {
            foreach (var line in gap.Come.ToList())
            {
                var said = Enumerable
                    .Range(0, lines.Count)
                    .FirstOrDefault(other => Equal(lines[other], lines[line]) && (other < line || !fresh.Contains(other)), line);
                if (said != line)
                {
                    gap.Come.Remove(line);
                    repeated.Add((line, said));
                }
            }
        }

        return repeated;
    }

    private static string? Subject(string line) => line.IndexOf(':') is > 0 and var at ? line[..at].Trim() : null;

    private static bool Equal(string a, string b) =>
        string.Equals(a.Trim().TrimEnd('.'), b.Trim().TrimEnd('.'), StringComparison.Ordinal);
}
