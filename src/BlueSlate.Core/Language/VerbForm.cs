using System.Collections.Frozen;

namespace BlueSlate.Core.Language;

/// <summary>Reduces a verb phrase to the words that carry its meaning: <c>is paid by</c> and <c>pays</c> both become <c>pay</c>.</summary>
internal static class VerbForm
{
    private static readonly FrozenSet<string> Fillers = new[]
    {
        "is", "are", "was", "be", "been", "has", "have", "by", "to", "in", "on", "of", "for", "at", "with", "from", "a", "an", "the", "can", "may", "must", "its", "up",
    }.ToFrozenSet(StringComparer.Ordinal);

    private static readonly FrozenDictionary<string, string> Irregular = new Dictionary<string, string>
    {
        ["paid"] = "pay",
        ["does"] = "do",
        ["done"] = "do",
        ["made"] = "make",
        ["held"] = "hold",
        ["kept"] = "keep",
        ["brought"] = "bring",
        ["taken"] = "take",
        ["given"] = "give",
        ["written"] = "write",
        ["sent"] = "send",
        ["run"] = "run",
        ["led"] = "lead",
        ["taught"] = "teach",
        ["chosen"] = "choose",
        ["drawn"] = "draw",
        ["driven"] = "drive",
        ["built"] = "build",
        ["lent"] = "lend",
        ["heard"] = "hear",
        ["seen"] = "see",
        ["goes"] = "go",
        ["used"] = "use",
        ["owed"] = "owe",
        ["tied"] = "tie",
    }.ToFrozenDictionary(StringComparer.Ordinal);

    /// <summary>Whether the phrase is read against its verb: <c>is mentored by</c>.</summary>
    public static bool IsPassive(string phrase) => WordSplitter.Split(phrase) is [.., "by"];

    public static Name Of(string phrase)
    {
        var words = WordSplitter.Split(phrase).Where(word => !Fillers.Contains(word)).Select(Stem);
        return Name.Of(string.Join(' ', words));
    }

    private static string Stem(string word)
    {
        if (Irregular.TryGetValue(word, out var verb))
        {
            return verb;
        }

        var stem = word switch
        {
            _ when word.Length > 5 && word.EndsWith("ing", StringComparison.Ordinal) => word[..^3],
            _ when word.Length > 4 && word.EndsWith("ied", StringComparison.Ordinal) => word[..^3] + "y",
            _ when word.Length > 4 && word.EndsWith("ies", StringComparison.Ordinal) => word[..^3] + "y",
            _ when word.Length > 4 && word.EndsWith("ed", StringComparison.Ordinal) => word[..^2],
            _ when word.Length > 4 && word.EndsWith("es", StringComparison.Ordinal) => word[..^2],
            _ when word.Length > 3 && word.EndsWith('s') && !word.EndsWith("ss", StringComparison.Ordinal) => word[..^1],
            _ => word,
        };
        stem = stem.Length > 3 && stem[^1] == stem[^2] && stem[^1] is not ('s' or 'l') ? stem[..^1] : stem;
        return stem.Length > 3 && stem[^1] == 'e' ? stem[..^1] : stem;
    }
}
