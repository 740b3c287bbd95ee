using System.Collections.Frozen;

namespace BlueSlate.Core.Language;

/// <summary>Plural and singular of nouns, and the basic form of inflected words. Inflections only, never derivations.</summary>
public static class Inflection
{
    private static readonly FrozenDictionary<string, string> IrregularSingulars = new Dictionary<string, string>
    {
        ["people"] = "person",
        ["men"] = "man",
        ["women"] = "woman",
        ["children"] = "child",
        ["feet"] = "foot",
        ["teeth"] = "tooth",
        ["data"] = "datum",
        ["media"] = "medium",
        ["criteria"] = "criterion",
        ["analyses"] = "analysis",
        ["indices"] = "index",
        ["lives"] = "life",
        ["shelves"] = "shelf",
        ["halves"] = "half",
        ["knives"] = "knife",
        ["leaves"] = "leaf",
        ["lenses"] = "lens",
    }.ToFrozenDictionary(StringComparer.Ordinal);

    private static readonly FrozenDictionary<string, string> IrregularPlurals =
        IrregularSingulars.Where(pair => pair.Value is not ("datum" or "medium")).ToFrozenDictionary(pair => pair.Value, pair => pair.Key, StringComparer.Ordinal);

    private static readonly FrozenSet<string> Unchanging =
        new[] { "series", "species", "equipment", "news", "address", "status", "analysis", "bus", "class", "process", "access", "lens", "atlas", "genus", "campus", "focus", "virus", "basis", "bonus" }.ToFrozenSet(StringComparer.Ordinal);

    /// <summary>The singular of a lower-case noun; the noun itself when it is one already.</summary>
    public static string Singular(string noun)
    {
        if (IrregularSingulars.TryGetValue(noun, out var singular))
        {
            return singular;
        }

        if (noun.Length < 4 || Unchanging.Contains(noun) || noun.EndsWith("ss", StringComparison.Ordinal) || noun[^1] != 's')
        {
            return noun;
        }

        return noun switch
        {
            _ when noun.EndsWith("ies", StringComparison.Ordinal) && noun.Length > 4 => noun[..^3] + "y",
            _ when EndsWithAny(noun, "sses", "shes", "ches", "xes", "zzes") => noun[..^2],
            _ when noun.EndsWith("uses", StringComparison.Ordinal) && Unchanging.Contains(noun[..^2]) => noun[..^2],
            _ => noun[..^1],
        };
    }

    /// <summary>The plural of a noun in any case; only its last word changes.</summary>
    public static string Plural(string noun)
    {
        var at = noun.LastIndexOf(' ') + 1;
        var (front, last) = (noun[..at], noun[at..]);
        var lower = last.ToLowerInvariant();
        if (last.Length == 0 || lower is "series" or "species" or "equipment" or "news" || IsPlural(lower))
        {
            return noun;
        }

        if (IrregularPlurals.TryGetValue(lower, out var plural))
        {
            return front + plural;
        }

        return front + lower switch
        {
            _ when EndsWithAny(lower, "s", "x", "z", "ch", "sh") => last + "es",
            _ when lower.Length > 1 && lower[^1] == 'y' && !IsVowel(lower[^2]) => last[..^1] + "ies",
            _ => last + "s",
        };
    }

    /// <summary>Whether a lower-case noun is in the plural already.</summary>
    internal static bool IsPlural(string noun) => !string.Equals(Singular(noun), noun, StringComparison.Ordinal);

    /// <summary>
    /// The basic form of a lower-case word: the singular of a noun, the infinitive of a verb's form that is no word of its own
    /// (<c>booked</c> is <c>book</c>, <c>booking</c> is not).
    /// </summary>
    internal static string BasicForm(string word) => Infinitive(Singular(word));

    private static string Infinitive(string word)
    {
        var lexicon = Lexicon.English;
        if (word.Length < 4 || lexicon.Find(word) is { IsNoun: true } or { IsVerb: true })
        {
            return word;
        }

        if ((lexicon.IrregularNoun(word) ?? lexicon.IrregularVerb(word)) is { } irregular)
        {
            return irregular;
        }

        var stem = word switch
        {
            _ when word.EndsWith("ing", StringComparison.Ordinal) => word[..^3],
            _ when word.EndsWith("ied", StringComparison.Ordinal) => word[..^3] + "y",
            _ when word.EndsWith("ed", StringComparison.Ordinal) => word[..^2],
            _ => null,
        };
        if (stem is null || stem.Length < 2)
        {
            return word;
        }

        string[] candidates = stem[^1] == stem[^2] ? [stem, stem[..^1], stem + "e"] : [stem + "e", stem];
        return candidates.FirstOrDefault(candidate => lexicon.Find(candidate) is { IsVerb: true }) ?? word;
    }

    private static bool EndsWithAny(string word, params ReadOnlySpan<string> endings)
    {
        foreach (var ending in endings)
        {
            if (word.EndsWith(ending, StringComparison.Ordinal))
            {
                return true;
            }
        }

        return false;
    }

    private static bool IsVowel(char c) => c is 'a' or 'e' or 'i' or 'o' or 'u';
}
