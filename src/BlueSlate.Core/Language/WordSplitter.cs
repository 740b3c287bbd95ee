namespace BlueSlate.Core.Language;

/// <summary>Splits a name at blanks, punctuation, changes of case and digits, and folds case.</summary>
internal static class WordSplitter
{
    public static IReadOnlyList<string> Split(string text)
    {
        var words = new List<string>();
        var start = -1;
        for (var i = 0; i <= text.Length; i++)
        {
            var inWord = i < text.Length && (char.IsLetterOrDigit(text[i]) || text[i] is '#' or '\'' or '’');
            if (start >= 0 && (!inWord || IsBoundary(text, i)))
            {
                words.Add(
                    text[start..i]
                        .Replace("'", "", StringComparison.Ordinal)
                        .Replace("’", "", StringComparison.Ordinal)
                        .ToLowerInvariant()
                );
                start = -1;
            }

            if (inWord && start < 0)
            {
                start = i;
            }
        }

        words.RemoveAll(word => word.Length == 0);
        for (var i = words.Count - 2; i >= 0; i--)
        {
            if (words[i] == "e" && words[i + 1] == "mail")
            {
                words[i] = "email";
                words.RemoveAt(i + 1);
            }
        }

        return words;
    }

    private static bool IsBoundary(string text, int i)
    {
        char before = text[i - 1],
            here = text[i];
        if (char.IsDigit(before) != char.IsDigit(here) || here == '#' || before == '#')
        {
            return true;
        }

        var capitalAfterSmall = char.IsLower(before) && char.IsUpper(here);
        var lastOfCapitals = char.IsUpper(before) && char.IsUpper(here) && i + 1 < text.Length && char.IsLower(text[i + 1]);
        return capitalAfterSmall || lastOfCapitals;
    }
}
