namespace BlueSlate.Core.Language;

/// <summary>British and American spellings of one word.</summary>
internal static class Spelling
{
    private static readonly (string British, string American)[] Endings =
    [
        ("our", "or"),
        ("ise", "ize"),
        ("isation", "ization"),
        ("yse", "yze"),
        ("tre", "ter"),
        ("logue", "log"),
        ("ence", "ense"),
        ("gramme", "gram"),
    ];

    /// <summary>
    /// The American spelling of a lower-case word where the lexicon has both as one word; otherwise the word itself.
    /// </summary>
    public static string American(string word)
    {
        if (word.Length < 5)
        {
            return word;
        }

        foreach (var (british, american) in Endings)
        {
            var at = word.LastIndexOf(british, StringComparison.Ordinal);
            if (at > 0 && Lexicon.English.Find(word) is { } own)
            {
                var other = string.Concat(word.AsSpan(0, at), american, word.AsSpan(at + british.Length));
                if (Lexicon.English.Find(other) is { } found && found.IsSynonymOf(own))
                {
                    return other;
                }
            }
        }

        return word;
    }
}
