namespace BlueSlate.Core.Notations;

/// <summary>
/// Which of the edited lines is which of the old ones: equal lines by their longest common subsequence, and between two of
/// those, in order, an old line and the one that stands in its place.
/// </summary>
internal sealed record LineMatch(List<int> Removed, List<(int Line, int? Old)> Changed)
{
    public static LineMatch Of(IReadOnlyList<string> old, IReadOnlyList<string> lines)
    {
        var length = new int[old.Count + 1, lines.Count + 1];
        for (var i = old.Count - 1; i >= 0; i--)
        {
            for (var j = lines.Count - 1; j >= 0; j--)
            {
                length[i, j] = Equal(old[i], lines[j]) ? length[i + 1, j + 1] + 1 : Math.Max(length[i + 1, j], length[i, j + 1]);
            }
        }

        var match = new LineMatch([], []);
        var (a, b) = (0, 0);
        while (a < old.Count || b < lines.Count)
        {
            if (a < old.Count && b < lines.Count && Equal(old[a], lines[b]))
            {
                (a, b) = (a + 1, b + 1);
                continue;
            }

            var (gone, come) = (new List<int>(), new List<int>());
            while ((a < old.Count || b < lines.Count) && !(a < old.Count && b < lines.Count && Equal(old[a], lines[b])))
            {
                if (b >= lines.Count || (a < old.Count && length[a + 1, b] >= length[a, b + 1]))
                {
                    gone.Add(a++);
                }
                else
                {
                    come.Add(b++);
                }
            }

            match.Pair(gone, [.. come.Where(line => lines[line].Trim().Length > 0)]);
        }

        return match;
    }

    private void Pair(List<int> gone, List<int> come)
    {
        Changed.AddRange(come.Select((line, i) => (line, i < gone.Count ? gone[i] : (int?)null)));
        Removed.AddRange(gone.Skip(come.Count));
    }

    private static bool Equal(string a, string b) =>
        string.Equals(a.Trim().TrimEnd('.'), b.Trim().TrimEnd('.'), StringComparison.Ordinal);
}
