using System.Collections.Frozen;
using System.Numerics;

namespace BlueSlate.Core.Language;

/// <summary>How alike two names are, from 0 to 1, and why.</summary>
public readonly record struct Similarity(double Value, string Reason)
{
    /// <summary>Nothing in common.</summary>
    public static Similarity None { get; } = new(0, "nothing in common");
}

/// <summary>
/// Compares names by their words: equal words, the owner's name as prefix, generic heads of keys, and slips of the pen
/// (Damerau's distance, restricted, over words of four letters or more of which at most one is a word that there is).
/// </summary>
public static class NameSimilarity
{
    private const double Synonym = 0.85;
    private const double Kind = 0.6;
    private const double NearWord = 0.4;
    private const double NotNear = 0.7;
    private const double OfSorts = 0.5;
    private const double AsWritten = 0.98;
    private const double OfOneKind = 0.97;

    // Of which nearly everything is a kind.
    private static readonly FrozenSet<string> General = new[]
    {
        "person",
        "thing",
        "item",
        "object",
        "group",
        "part",
        "place",
        "work",
    }.ToFrozenSet(StringComparer.Ordinal);

    private const double OnlyHead = 0.55;
    private const double OnlyGeneric = 0.35;

    // What names of data of all sorts end in.
    private static readonly FrozenSet<string> GenericHeads = new[]
    {
        "number",
        "id",
        "code",
        "ref",
        "key",
        "name",
        "date",
        "day",
        "time",
        "type",
        "kind",
    }.ToFrozenSet(StringComparer.Ordinal);

    // What only says that something is measured.
    private static readonly FrozenSet<string> Measuring = new[]
    {
        "number",
        "count",
        "quantity",
        "amount",
        "duration",
        "length",
        "total",
        "in",
    }.ToFrozenSet(StringComparer.Ordinal);

    private static readonly FrozenSet<string> KeyHeads = new[] { "number", "id", "code", "ref", "key" }.ToFrozenSet(
        StringComparer.Ordinal
    );

    /// <summary>Compares two names of entities or relationships.</summary>
    public static Similarity Of(Name a, Name b)
    {
        if (a.Words.IsEmpty || b.Words.IsEmpty)
        {
            return Similarity.None;
        }

        if (a.Key == b.Key)
        {
            return new Similarity(1, "the same name");
        }

        if (a.Compact == b.Compact)
        {
            return new Similarity(0.98, "the same name, written apart");
        }

        if (ShareOnly(GenericHeads, a, b))
        {
            return new Similarity(OnlyGeneric, "a word in common that says little");
        }

        // The number of a thing is not the badge number of whoever has to do with it.
        if (IsBareHeadOf(a, b) || IsBareHeadOf(b, a))
        {
            return new Similarity(OnlyHead, "a word in common that says little");
        }

        var shared = Shared(a, b);
        var value = shared * 2 / (a.Words.Length + b.Words.Length);
        var heads = WordSimilarity(a, a.Words.Length - 1, b, b.Words.Length - 1);
        value = (value * 0.75) + (heads * 0.25);
        return value < 0.3
            ? Similarity.None
            : new Similarity(Math.Min(value, 0.97), heads >= 1 ? "the same main word" : "words in common");
    }

    /// <summary>
    /// How alike two names of things are, from 0 to 1: by their words, or, as a weak sign, by what their main words mean.
    /// </summary>
    internal static double OfThings(Name a, Name b)
    {
        var value = Of(a, b).Value;
        return Math.Max(value + ((1 - value) * OfSorts * NearnessOfSorts(a, b)), NearWord * Nearness(a, b));
    }

    /// <summary>
    /// The same of two that are each a kind of something, given with what tells them from its other kinds: a <c>bird sound</c>
    /// among other sounds is an <c>animal recording</c> by the bird, and no <c>soundscape</c> by the sound.
    /// </summary>
    internal static double OfKinds(Name a, Name withinKindsOfA, Name b, Name withinKindsOfB)
    {
        var whole = OfThings(a, b);
        return whole >= AsWritten || (ReferenceEquals(a, withinKindsOfA) && ReferenceEquals(b, withinKindsOfB))
            ? whole
            : Math.Max(OfThings(withinKindsOfA, withinKindsOfB) * OfOneKind, whole / 2);
    }

    // Of two sorts of one thing, how near what sorts them is: a bird recording is an animal recording.
    private static double NearnessOfSorts(Name a, Name b)
    {
        if (a.Words.Length < 2 || b.Words.Length < 2 || a.Words[^1] != b.Words[^1] || a.Key == b.Key)
        {
            return 0;
        }

        var best = 0.0;
        for (var i = 0; i < a.Words.Length - 1; i++)
        {
            for (var j = 0; j < b.Words.Length - 1; j++)
            {
                best = Math.Max(best, Nearness(a, i, b, j));
            }
        }

        return best;
    }

    /// <summary>
    /// How near the main words of two names are in meaning, from 0 to 1, where they are not one by any likeness of words:
    /// derived from each other, or kinds of much the same.
    /// </summary>
    internal static double Nearness(Name a, Name b) =>
        a.Words.IsEmpty || b.Words.IsEmpty ? 0 : Nearness(a, a.Words.Length - 1, b, b.Words.Length - 1);

    private static double Nearness(Name a, int i, Name b, int j)
    {
        if (
            a.IsKeptApart(i)
            || b.IsKeptApart(j)
            || a.Lexical[i] is not { IsNoun: true } first
            || b.Lexical[j] is not { IsNoun: true } second
        )
        {
            return 0;
        }

        return first.IsDerivedFrom(second)
            ? 1
            : Math.Clamp((Lexicon.English.Closeness(first, second) - NotNear) / (1 - NotNear), 0, 1);
    }

    /// <summary>Compares two attributes' names, each with the name of its owner.</summary>
    public static Similarity OfAttributes(Name a, Name ownerOfA, Name b, Name ownerOfB) =>
        OfBare(a, a.Without(ownerOfA), b, b.Without(ownerOfB));

    /// <summary>Compares two attributes' names, each given with its owner's name in front and without.</summary>
    internal static Similarity OfBare(Name a, Name bareA, Name b, Name bareB)
    {
        var plain = Of(a, b);
        if (plain.Value >= 1 || (ReferenceEquals(a, bareA) && ReferenceEquals(b, bareB)))
        {
            return plain;
        }

        var bare = Of(bareA, bareB);
        if (bare.Value > plain.Value)
        {
            return bare.Value >= 1
                ? new Similarity(0.99, "the same name, with its owner's in front")
                : new Similarity(bare.Value * 0.99, bare.Reason);
        }

        return plain;
    }

    /// <summary>
    /// How well a foreign key's column is named after a parent's key: by the key's own name, the parent's, or both.
    /// </summary>
    public static double OfKey(Name column, Name key, Name parent)
    {
        var plain =
            ShareOnlyHead(column, key) ? 0
            : column.Words.Length > 1 && AlikeAsKeys(column, key) ? 0.98
            : Of(column, key).Value;
        var bare = Of(column.Without(parent), key.Without(parent)).Value * (Mentions(column, parent) ? 1 : 0.75);
        return Math.Max(plain, bare);
    }

    /// <summary>
    /// How well a foreign key's column is named after a parent: after one of the attributes of its key, or after itself.
    /// </summary>
    public static double OfReference(Name column, IEnumerable<Name> keys, Name parent) =>
        keys.Select(key => OfKey(column, key, parent)).Append(Mentions(column, parent) ? 0.8 : 0).Max();

    /// <summary>
    /// Whether two names measure the same, one of them saying that it does: seats and number of seats, minutes and duration in
    /// minutes.
    /// </summary>
    internal static bool MeasureTheSame(Name a, Name b) =>
        a.Sort == b.Sort
        && a.Sort is not (ValueSort.Unsaid or ValueSort.Mark or ValueSort.Called or ValueSort.Kind)
        && Measured(a) is { Count: > 0 } one
        && Measured(b) is { Count: > 0 } other
        && one.SequenceEqual(other);

    private static List<string> Measured(Name name) => [.. name.Words.Where(word => !Measuring.Contains(word))];

    /// <summary>Whether all words of one name stand in another, in their order.</summary>
    public static bool Mentions(Name name, Name other) =>
        !other.Words.IsEmpty && name.Words.AsSpan().IndexOf(other.Words.AsSpan()) >= 0;

    /// <summary>
    /// Whether a name has a word, besides what keys end in, that is another's main word in other form: the <c>leader</c> of who
    /// <c>leads</c>.
    /// </summary>
    public static bool Hints(Name name, Name other)
    {
        if (other.Words.IsEmpty)
        {
            return false;
        }

        var last = other.Words.Length - 1;
        var said = other.Lexical[last];
        return Enumerable
            .Range(0, name.Words.Length)
            .Any(i =>
                !KeyHeads.Contains(name.Words[i])
                && (
                    WordSimilarity(name, i, other, last) >= 0.8
                    || (said is not null && name.Lexical[i] is { } word && word.IsDerivedFrom(said))
                )
            );
    }

    /// <summary>Whether a name ends in what keys end in: number, id, code.</summary>
    public static bool EndsAsKey(Name name) => IsKeyHead(name);

    /// <summary>
    /// Whether two names of keys, without their owners' names, differ only in their generic head: <c>visit no</c>, <c>visit
    /// id</c>.
    /// </summary>
    public static bool AlikeAsKeys(Name first, Name second) =>
        IsKeyHead(first) && IsKeyHead(second) && first.Words.AsSpan()[..^1].SequenceEqual(second.Words.AsSpan()[..^1]);

    /// <summary>
    /// Whether a name is another without what keys that people use end in: <c>shelf</c> for a <c>shelf code</c>. What ends in id is
    /// often made up.
    /// </summary>
    public static bool IsWithoutHead(Name shorter, Name name) =>
        name.Words is [_, .., "number" or "code" or "ref"] && shorter.Words.AsSpan().SequenceEqual(name.Words.AsSpan()[..^1]);

    private static bool IsKeyHead(Name name) => !name.Words.IsEmpty && KeyHeads.Contains(name.Words[^1]);

    private static bool IsBareHeadOf(Name bare, Name other) =>
        bare.Words.Length == 1 && other.Words.Length > 1 && IsKeyHead(bare) && other.Words[^1] == bare.Words[0];

    // Badge no and visit no are both numbers, and of different things.
    private static bool ShareOnlyHead(Name a, Name b) => ShareOnly(KeyHeads, a, b);

    private static bool ShareOnly(FrozenSet<string> heads, Name a, Name b) =>
        a.Words.Length > 1
        && b.Words.Length > 1
        && heads.Contains(a.Words[^1])
        && heads.Contains(b.Words[^1])
        && !Enumerable
            .Range(0, a.Words.Length - 1)
            .Any(i => Enumerable.Range(0, b.Words.Length - 1).Any(j => WordSimilarity(a, i, b, j) > 0));

    private static double Shared(Name a, Name b)
    {
        var total = 0.0;
        var taken = 0;
        for (var i = 0; i < a.Words.Length; i++)
        {
            double best = 0;
            var at = -1;
            for (var j = 0; j < b.Words.Length && j < 31; j++)
            {
                if ((taken & (1 << j)) == 0 && WordSimilarity(a, i, b, j) is var value && value > best)
                {
                    (best, at) = (value, j);
                }
            }

            if (at >= 0)
            {
                taken |= 1 << at;
                total += best;
            }
        }

        return total;
    }

    // By a number something is told from others: that is no amount, whatever the lexicon says.
    private static double Lexical(LexicalWord? a, LexicalWord? b) =>
        a is null or { Word: "number" } || b is null or { Word: "number" } ? 0
        : a.IsSynonymOf(b) ? Synonym
        : !General.Contains(a.Word) && !General.Contains(b.Word) && (a.IsKindOf(b) || b.IsKindOf(a)) ? Kind
        : 0;

    // Translator and translation are different things, not slips of the pen.
    private static bool DifferInEnding(string a, string b) =>
        a.AsSpan().CommonPrefixLength(b) >= Math.Min(a.Length, b.Length) - 3;

    private static double WordSimilarity(Name first, int i, Name second, int j)
    {
        string a = first.Words[i],
            b = second.Words[j];
        if (string.Equals(a, b, StringComparison.Ordinal))
        {
            return 1;
        }

        var meant = Lexical(first.Lexical[i], second.Lexical[j]);
        if (meant < DesignWords.Likeness && !first.IsKeptApart(i) && !second.IsKeptApart(j) && DesignWords.Same(a, b))
        {
            meant = DesignWords.Likeness;
        }

        if (meant > 0)
        {
            return meant;
        }

        var (known, alsoKnown) = (first.IsKnownWord(i), second.IsKnownWord(j));
        if (known && alsoKnown && (first.IsKeptApart(i) || second.IsKeptApart(j)))
        {
            return 0;
        }

        if (ShortForm.Likeness(a, known, b, alsoKnown) is > 0 and var shortened)
        {
            return shortened;
        }

        // A known word is never a slip of another: date and rate, price and prize are different things.
        if (known && alsoKnown)
        {
            return 0;
        }

        // Slips are in what was written.
        (a, b) = (first.Written[i], second.Written[j]);

        // Two slips change at most four letters of the sets that occur; most pairs of words are told apart by that alone.
        if (
            a.Length < 4
            || b.Length < 4
            || Math.Abs(a.Length - b.Length) > 2
            || BitOperations.PopCount(first.Letters[i] ^ second.Letters[j]) > 4
        )
        {
            return 0;
        }

        var distance = EditDistance.Of(a, b, 2);
        var longest = Math.Max(a.Length, b.Length);
        return distance == 1 ? 0.9
            : distance == 2 && longest >= 8 && !DifferInEnding(a, b) ? 0.8
            : 0;
    }
}
