using System.Collections.Frozen;

namespace BlueSlate.Core.Language;

/// <summary>
/// Reduces a verb phrase to the words that carry its meaning: <c>is paid by</c> and <c>pays</c> both become <c>pay</c>.
/// </summary>
internal static class VerbForm
{
    private static readonly FrozenSet<string> Fillers = new[]
    {
        "is",
        "are",
        "was",
        "be",
        "been",
        "has",
        "have",
        "by",
        "to",
        "in",
        "on",
        "of",
        "for",
        "at",
        "with",
        "from",
        "a",
        "an",
        "the",
        "can",
        "may",
        "must",
        "its",
        "up",
    }.ToFrozenSet(StringComparer.Ordinal);

    /// <summary>Whether the phrase is read against its verb: <c>is mentored by</c>.</summary>
    public static bool IsPassive(string phrase) => WordSplitter.Split(phrase) is [.., "by"];

    /// <summary>The words of a phrase that carry its meaning, each as an infinitive.</summary>
    public static Name Of(string phrase)
    {
        var words = WordSplitter.Split(phrase).Where(word => !Fillers.Contains(word)).Select(Inflection.Infinitive);
        return Name.Of(string.Join(' ', words));
    }
}
