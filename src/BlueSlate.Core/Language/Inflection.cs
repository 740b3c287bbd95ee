using System.Collections.Frozen;

namespace BlueSlate.Core.Language;

/// <summary>
/// Plural and singular of nouns, and the infinitive of verbs, by WordNet's morphology: its lists of exceptions first, then its
/// rules of detachment, of which each is held against the lexicon (Fellbaum 1998, morphy). Inflections only, never derivations.
/// </summary>
public static class Inflection
{
    // WordNet's rules of detachment, in its order.
    private static readonly (string Ending, string Instead)[] OfNouns =
    [
        ("s", ""),
        ("ses", "s"),
        ("xes", "x"),
        ("zes", "z"),
        ("ches", "ch"),
        ("shes", "sh"),
        ("men", "man"),
        ("ies", "y"),
    ];

    private static readonly (string Ending, string Instead)[] OfVerbs =
    [
        ("s", ""),
        ("ies", "y"),
        ("es", "e"),
        ("es", ""),
        ("ed", "e"),
        ("ed", ""),
        ("ing", "e"),
        ("ing", ""),
    ];

    // The lexicon has them as words of their own, or has another word that only looks like their singular.
    private static readonly FrozenDictionary<string, string> Singulars = new Dictionary<string, string>
    {
        ["people"] = "person",
        ["lenses"] = "lens",
        ["data"] = "data",
        ["species"] = "species",
        ["means"] = "means",
        ["news"] = "news",
        ["physics"] = "physics",
        ["premises"] = "premises",
    }.ToFrozenDictionary(StringComparer.Ordinal);

    private static readonly FrozenDictionary<string, string> IrregularPlurals = new Dictionary<string, string>
    {
        ["person"] = "people",
        ["man"] = "men",
        ["woman"] = "women",
        ["child"] = "children",
        ["foot"] = "feet",
        ["tooth"] = "teeth",
        ["criterion"] = "criteria",
        ["analysis"] = "analyses",
        ["index"] = "indices",
        ["life"] = "lives",
        ["shelf"] = "shelves",
        ["half"] = "halves",
        ["knife"] = "knives",
        ["leaf"] = "leaves",
    }.ToFrozenDictionary(StringComparer.Ordinal);

    /// <summary>Whether a word says that something was done, and is no noun: <c>installed</c>, <c>brought</c>.</summary>
    public static bool IsParticiple(string word) =>
        (word.EndsWith("ed", StringComparison.Ordinal) || Lexicon.English.IrregularVerb(word) is not null)
        && Lexicon.English.Find(word) is not { IsNoun: true }
        && Infinitive(word) != word;

    /// <summary>The singular of a lower-case noun; the noun itself when it is one already.</summary>
    public static string Singular(string noun)
    {
        if (Singulars.TryGetValue(noun, out var singular))
        {
            return singular;
        }

        var lexicon = Lexicon.English;
        if (lexicon.Find(noun) is not { IsNoun: true } && lexicon.IrregularNoun(noun) is { } irregular)
        {
            return irregular;
        }

        if (
            noun.Length < 4
            || noun.EndsWith("ss", StringComparison.Ordinal)
            || !(noun[^1] == 's' || noun.EndsWith("men", StringComparison.Ordinal))
        )
        {
            return noun;
        }

        return Detached(noun, OfNouns, word => lexicon.Find(word) is { IsNoun: true })
            ?? (lexicon.Find(noun) is { IsNoun: true } ? noun : SingularByEnding(noun));
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

        return front + WithEnding(last, lower);
    }

    private static string WithEnding(string word, string lower) =>
        lower switch
        {
            _ when EndsWithAny(lower, "s", "x", "z", "ch", "sh") => word + "es",
            _ when lower.Length > 1 && lower[^1] == 'y' && !IsVowel(lower[^2]) => word[..^1] + "ies",
            _ => word + "s",
        };

    /// <summary>How an infinitive stands behind a thing that does it: <c>borrow</c>, <c>borrows</c>; <c>be</c>, <c>is</c>.</summary>
    internal static string ThirdPerson(string infinitive) =>
        infinitive.ToLowerInvariant() switch
        {
            "be" => "is",
            "have" => "has",
            "do" or "go" => infinitive + "es",
            var lower => WithEnding(infinitive, lower),
        };

    /// <summary>Whether a lower-case noun is in the plural already.</summary>
    internal static bool IsPlural(string noun) => !string.Equals(Singular(noun), noun, StringComparison.Ordinal);

    /// <summary>
    /// The infinitive of a lower-case form of a verb: <c>taken</c>, <c>takes</c> and <c>taking</c> are <c>take</c>.
    /// </summary>
    internal static string Infinitive(string verb)
    {
        var lexicon = Lexicon.English;
        if (lexicon.IrregularVerb(verb) is { } irregular)
        {
            return irregular;
        }

        return verb.Length < 4 || lexicon.Find(verb) is { IsVerb: true }
            ? verb
            : Detached(verb, OfVerbs, word => lexicon.Find(word) is { IsVerb: true }) ?? InfinitiveByEnding(verb);
    }

    /// <summary>
    /// The basic form of a lower-case word in a name: the singular of a noun, the infinitive of a verb's form that is no word
    /// of its own (<c>booked</c> is <c>book</c>, <c>booking</c> is not).
    /// </summary>
    internal static string BasicForm(string word)
    {
        var singular = Singular(word);
        var lexicon = Lexicon.English;
        if (singular.Length < 4 || lexicon.Find(singular) is { IsNoun: true } or { IsVerb: true })
        {
            return singular;
        }

        return lexicon.IrregularVerb(singular)
            ?? Detached(singular, OfVerbs, other => lexicon.Find(other) is { IsVerb: true })
            ?? singular;
    }

    /// <summary>Whether the lexicon has a lower-case word, as it stands or in its basic form.</summary>
    internal static bool IsWord(string word) =>
        Lexicon.English.Find(word) is not null || Lexicon.English.Find(BasicForm(word)) is not null;

    private static string? Detached(string word, (string Ending, string Instead)[] rules, Func<string, bool> isKnown)
    {
        foreach (var (ending, instead) in rules)
        {
            if (
                word.Length > ending.Length + 1
                && word.EndsWith(ending, StringComparison.Ordinal)
                && string.Concat(word.AsSpan(0, word.Length - ending.Length), instead) is var stem
                && isKnown(stem)
            )
            {
                return stem;
            }
        }

        return null;
    }

    // Words that the lexicon has not are inflected all the same.
    private static string SingularByEnding(string noun) =>
        noun switch
        {
            _ when noun[^1] != 's' => noun,
            _ when noun.EndsWith("ies", StringComparison.Ordinal) && noun.Length > 4 => noun[..^3] + "y",
            _ when EndsWithAny(noun, "sses", "shes", "ches", "xes", "zzes") => noun[..^2],
            _ => noun[..^1],
        };

    private static string InfinitiveByEnding(string verb)
    {
        var stem = verb switch
        {
            _ when EndsWithAny(verb, "ied", "ies") && verb.Length > 4 => verb[..^3] + "y",
            _ when verb.EndsWith("ing", StringComparison.Ordinal) && verb.Length > 5 => verb[..^3],
            _ when EndsWithAny(verb, "ed", "es") && verb.Length > 4 => verb[..^2],
            _ when verb[^1] == 's' && verb[^2] != 's' => verb[..^1],
            _ => verb,
        };
        stem = stem.Length > 3 && stem[^1] == stem[^2] && stem[^1] is not ('s' or 'l') ? stem[..^1] : stem;
        return stem.Length > 3 && stem[^1] == 'e' ? stem[..^1] : stem;
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
