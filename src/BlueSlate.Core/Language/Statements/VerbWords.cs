namespace BlueSlate.Core.Language.Statements;

/// <summary>Words that can only be the verb of a sentence.</summary>
internal static class VerbWords
{
    /// <summary>
    /// Whether a word is one: an auxiliary, or inflected as a verb stands in a sentence (<c>stands</c>, <c>stood</c>, not
    /// <c>stand</c>).
    /// </summary>
    public static bool IsVerb(string word) => IsAuxiliary(word) || IsInflected(word.ToLowerInvariant());

    /// <summary>Whether a word is an auxiliary, which no name has.</summary>
    public static bool IsAuxiliary(string word) =>
        word.ToLowerInvariant()
            is "is"
                or "are"
                or "was"
                or "were"
                or "has"
                or "have"
                or "may"
                or "must"
                or "can"
                or "does"
                or "do";

    private static bool IsInflected(string word)
    {
        var infinitive = Inflection.Infinitive(word);
        return infinitive != word && Lexicon.English.Find(infinitive) is { IsVerb: true };
    }
}
