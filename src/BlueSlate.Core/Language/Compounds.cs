namespace BlueSlate.Core.Language;

/// <summary>Words written together that the lexicon has only apart: a <c>soundfile</c> is a sound file.</summary>
internal static class Compounds
{
    private const int ShortestPart = 4;

    /// <summary>The two nouns that an unknown word is made of, the one before the longest last; otherwise the word itself.</summary>
    public static string[] Split(string word)
    {
        if (word.Length < ShortestPart * 2 || !word.All(char.IsAsciiLetterLower) || Inflection.IsWord(word))
        {
            return [word];
        }

        for (var at = ShortestPart; at <= word.Length - ShortestPart; at++)
        {
            if (IsNoun(word[..at]) && IsNoun(word[at..]))
            {
                return [word[..at], word[at..]];
            }
        }

        return [word];
    }

    private static bool IsNoun(string word) => Lexicon.English.Find(Inflection.BasicForm(word)) is { IsNoun: true };
}
