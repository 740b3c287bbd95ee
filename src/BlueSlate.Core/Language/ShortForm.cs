namespace BlueSlate.Core.Language;

/// <summary>
/// Short forms of words that nobody lists: a word's beginning (<c>transl</c>), or its letters with some left out (<c>posn</c>,
/// <c>bk</c>).
/// </summary>
internal static class ShortForm
{
    private const double Beginning = 0.9;
    private const double BeginningThatIsAWord = 0.7;
    private const double Skeleton = 0.8;

    /// <summary>How surely one of two words is short for the other, or 0.</summary>
    public static double Likeness(string a, bool isWordA, string b, bool isWordB)
    {
        if (a.Length == 0 || b.Length == 0 || a[0] != b[0] || a.Length == b.Length)
        {
            return 0;
        }

        return a.Length < b.Length ? Of(a, isWordA, b) : Of(b, isWordB, a);
    }

    private static double Of(string brief, bool isWord, string full)
    {
        if (brief.Length >= 3 && full.Length >= brief.Length + 2 && full.StartsWith(brief, StringComparison.Ordinal))
        {
            return isWord
                ? brief.Length > full.Length - 4
                    ? 0
                    : BeginningThatIsAWord
                : Beginning;
        }

        return
            !isWord
            && brief.Length >= 2
            && full.Length > brief.Length
            && IsSubsequence(brief, full)
            && (
                brief.AsSpan(1).ContainsAny("aeiou")
                    ? brief.Length > 3 && full.Length > brief.Length + 2 && brief[1] == full[1]
                    : brief.Length > 2 || full.Length <= 6
            )
            ? Skeleton
            : 0;
    }

    private static bool IsSubsequence(string brief, string full)
    {
        var at = 0;
        foreach (var c in full)
        {
            if (at < brief.Length && c == brief[at])
            {
                at++;
            }
        }

        return at == brief.Length;
    }
}
