using System.Collections.Concurrent;
using System.Collections.Frozen;
using System.Collections.Immutable;

namespace BlueSlate.Core.Language;

/// <summary>
/// What an exercise says of its own words: which mean the same in it, and which never do. It outranks the lexicon. Names are
/// read by it before they are compared.
/// </summary>
public sealed class ExerciseWords
{
    private const int MostKnown = 5_000;

    private readonly (ImmutableArray<string> Said, ImmutableArray<string> Meant)[] same;
    private readonly FrozenSet<string> apart;
    private readonly FrozenSet<(string, string)> pairs;
    private readonly ConcurrentDictionary<string, Name> known = new(StringComparer.Ordinal);

    /// <summary>Words of an exercise.</summary>
    /// <param name="same">Groups of words or short phrases that mean one thing; each counts as the first of its group.</param>
    /// <param name="apart">Groups of words of which no two mean one thing, whatever the lexicon or the place says.</param>
    public ExerciseWords(IEnumerable<ImmutableArray<string>> same, IEnumerable<ImmutableArray<string>> apart)
    {
        ImmutableArray<string>[] groups = [.. apart];
        this.same = [.. same.SelectMany(Readings)];
        this.apart = groups
            .SelectMany(group => group)
            .SelectMany(word => Name.Of(word).Words)
            .ToFrozenSet(StringComparer.Ordinal);
        pairs = groups.SelectMany(PairsOf).ToFrozenSet();
    }

    private ExerciseWords(
        (ImmutableArray<string> Said, ImmutableArray<string> Meant)[] same,
        FrozenSet<string> apart,
        FrozenSet<(string, string)> pairs
    ) => (this.same, this.apart, this.pairs) = (same, apart, pairs);

    /// <summary>Nothing but the lexicon.</summary>
    public static ExerciseWords None { get; } = new([], FrozenSet<string>.Empty, FrozenSet<(string, string)>.Empty);

    /// <summary>The same, with further words that mean nothing but themselves.</summary>
    public ExerciseWords KeepingApart(IEnumerable<string> words) =>
        new(same, apart.Union(words).ToFrozenSet(StringComparer.Ordinal), pairs);

    /// <summary>Whether the exercise says of two whole names that they never mean one thing, wherever they stand.</summary>
    public bool AreApart(string one, string other) => pairs.Count > 0 && pairs.Contains((Name.Of(one).Key, Name.Of(other).Key));

    private static IEnumerable<(string, string)> PairsOf(ImmutableArray<string> group)
    {
        var keys = group.Select(word => Name.Of(word).Key).Distinct(StringComparer.Ordinal).ToList();
        return keys.SelectMany(one => keys.Where(other => other != one).Select(other => (one, other)));
    }

    /// <summary>A name as it is read in this exercise.</summary>
    public Name Read(string text)
    {
        var plain = Name.Of(text);
        if (same.Length == 0 && apart.Count == 0)
        {
            return plain;
        }

        if (known.TryGetValue(text, out var read))
        {
            return read;
        }

        if (known.Count >= MostKnown)
        {
            known.Clear();
        }

        return known.GetOrAdd(text, _ => Meant(plain).Literal(apart));
    }

    private Name Meant(Name name)
    {
        foreach (var (said, meant) in same)
        {
            var at = name.Words.AsSpan().IndexOf(said.AsSpan());
            if (at >= 0)
            {
                return name.With([.. name.Words[..at], .. meant, .. name.Words[(at + said.Length)..]]);
            }
        }

        return name;
    }

    // The longest first, so that a phrase is not taken for the word that it ends in.
    private static IEnumerable<(ImmutableArray<string> Said, ImmutableArray<string> Meant)> Readings(ImmutableArray<string> group)
    {
        var names = group.Select(Name.Of).Where(name => !name.Words.IsEmpty).ToList();
        return names
            .Skip(1)
            .Where(name => name.Key != names[0].Key)
            .OrderByDescending(name => name.Words.Length)
            .Select(name => (name.Words, names[0].Words));
    }
}
