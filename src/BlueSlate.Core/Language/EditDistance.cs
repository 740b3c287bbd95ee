namespace BlueSlate.Core.Language;

/// <summary>
/// Damerau's distance between two words, restricted to adjacent transpositions (optimal string alignment), cut off at a limit.
/// </summary>
internal static class EditDistance
{
    private const int Longest = 64;

    /// <summary>The distance, or <paramref name="limit"/> + 1 when it is larger or a word has more than 64 letters.</summary>
    public static int Of(string a, string b, int limit)
    {
        if (a.Length > Longest || b.Length > Longest || Math.Abs(a.Length - b.Length) > limit)
        {
            return limit + 1;
        }

        Span<int> beforeLast = stackalloc int[Longest + 1];
        Span<int> last = stackalloc int[Longest + 1];
        Span<int> row = stackalloc int[Longest + 1];
        for (var j = 0; j <= b.Length; j++)
        {
            last[j] = j;
        }

        for (var i = 1; i <= a.Length; i++)
        {
            row[0] = i;
            var least = i;
            for (var j = 1; j <= b.Length; j++)
            {
                var change = a[i - 1] == b[j - 1] ? 0 : 1;
                row[j] = Math.Min(Math.Min(last[j] + 1, row[j - 1] + 1), last[j - 1] + change);
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                {
                    row[j] = Math.Min(row[j], beforeLast[j - 2] + 1);
                }

                least = Math.Min(least, row[j]);
            }

            if (least > limit)
            {
                return limit + 1;
            }

            var spare = beforeLast;
            beforeLast = last;
            last = row;
            row = spare;
        }

        return Math.Min(last[b.Length], limit + 1);
    }
}
