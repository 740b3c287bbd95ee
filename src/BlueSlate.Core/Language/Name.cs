using System.Collections.Concurrent;
using System.Collections.Frozen;
using System.Collections.Immutable;

namespace BlueSlate.Core.Language;

/// <summary>
/// A name as its words in their basic forms: <c>VisitNo</c>, <c>visit_no</c>, <c>Visit numbers</c> and <c>visit nr</c> are one
/// name.
/// </summary>
public sealed class Name
{
    private const int MostKnown = 20_000;

    private static readonly ConcurrentDictionary<string, Name> Known = new(StringComparer.Ordinal);

    private static readonly FrozenSet<string> Fillers = new[]
    {
        "of",
        "the",
        "a",
        "an",
        "at",
        "on",
        "for",
        "by",
        "with",
        "per",
        "is",
        "has",
        "are",
        "yn",
        "flag",
    }.ToFrozenSet(StringComparer.Ordinal);

    // Words that the lexicon leaves out because they name nothing.
    private static readonly FrozenSet<string> FunctionWords = new[]
    {
        "from",
        "until",
        "till",
        "since",
        "when",
        "where",
        "whose",
        "which",
        "who",
        "their",
        "this",
        "that",
        "than",
        "then",
        "them",
        "they",
        "your",
        "into",
        "onto",
        "over",
        "under",
        "upon",
        "between",
        "before",
        "after",
        "during",
        "within",
        "without",
        "other",
        "each",
        "both",
        "some",
        "many",
        "much",
        "most",
        "more",
        "less",
        "next",
        "last",
        "first",
        "any",
        "all",
    }.ToFrozenSet(StringComparer.Ordinal);

    private readonly FrozenSet<string> literal;
    private ValueSort? sort;
    private ThingSort? thing;

    private Name(string text, ImmutableArray<string> written, string compact, FrozenSet<string> literal)
    {
        this.literal = literal;
        Text = text;
        Written = written;
        var words = Words = [.. written.Select(Spelling.American)];
        Key = string.Join(' ', words);
        Compact = compact;
        Letters = [.. words.Select(LettersOf)];
        Lexical = [.. words.Select(word => literal.Contains(word) ? null : Lexicon.English.Find(word))];
    }

    /// <summary>The name as written.</summary>
    public string Text { get; }

    /// <summary>Its words, lower case, in their basic forms, abbreviations spelled out.</summary>
    public ImmutableArray<string> Words { get; }

    /// <summary>The words joined by blanks; equal for names that are the same.</summary>
    public string Key { get; }

    /// <summary>All words as written, together and in small letters.</summary>
    internal string Compact { get; }

    /// <summary>For each word, which letters and digits occur in it, a bit for each.</summary>
    internal ImmutableArray<uint> Letters { get; }

    /// <summary>The words before two spellings of one word are made one.</summary>
    internal ImmutableArray<string> Written { get; }

    /// <summary>For each word, what the lexicon has on it.</summary>
    internal ImmutableArray<LexicalWord?> Lexical { get; }

    /// <summary>What sort of values it stands for, as far as it tells.</summary>
    internal ValueSort Sort => sort ??= ValueSorts.Of(this);

    /// <summary>Whether it is a name for people, as far as it tells.</summary>
    internal ThingSort Thing => thing ??= ThingSorts.Of(this);

    /// <summary>Whether a word means nothing but itself in this exercise, whatever the lexicon says.</summary>
    internal bool IsKeptApart(int index) => literal.Contains(Words[index]);

    /// <summary>Whether a word is one that is known, and so no slip of the pen nor an invented short form.</summary>
    internal bool IsKnownWord(int index) =>
        Lexical[index] is not null || IsKeptApart(index) || FunctionWords.Contains(Words[index]);

    /// <summary>The words of a text, without those that only hold others together.</summary>
    public static Name Of(string text)
    {
        if (Known.TryGetValue(text, out var known))
        {
            return known;
        }

        // Answers to one exercise use the same names over and over; what is forgotten is made again.
        if (Known.Count >= MostKnown)
        {
            Known.Clear();
        }

        return Known.GetOrAdd(text, Make);
    }

    private static Name Make(string text)
    {
        var words = WordSplitter.Split(text);
        var telling = HeadLast(words).Where(word => !Fillers.Contains(word)).ToList();
        return new(
            text,
            [
                .. (telling.Count > 0 ? telling : words)
                    .SelectMany(Abbreviations.SpellOut)
                    .SelectMany(Compounds.Split)
                    .Select(Slips.Mend)
                    .Select(Inflection.BasicForm),
            ],
            string.Concat(words),
            FrozenSet<string>.Empty
        );
    }

    // The year of release is the release year.
    private static IEnumerable<string> HeadLast(IReadOnlyList<string> words)
    {
        var of = words.ToList().IndexOf("of");
        return of > 0 && of < words.Count - 1 ? [.. words.Skip(of + 1), .. words.Take(of)] : words;
    }

    /// <summary>
    /// This name without the words of the owner's name at its start, or without as many of its last words as stand there (the
    /// <c>case number</c> of a travelling case), if anything is left; otherwise itself.
    /// </summary>
    public Name Without(Name owner)
    {
        for (var at = 0; at < owner.Words.Length; at++)
        {
            var rest = owner.Words.AsSpan()[at..];
            if (Words.Length > rest.Length && Words.AsSpan().StartsWith(rest))
            {
                return new Name(Text, Written[rest.Length..], string.Concat(Written[rest.Length..]), literal);
            }
        }

        return this;
    }

    /// <summary>This name with some words that mean nothing but themselves, whatever the lexicon says.</summary>
    internal Name Literal(FrozenSet<string> words) => Words.Any(words.Contains) ? new Name(Text, Written, Compact, words) : this;

    /// <summary>Other words under the same text.</summary>
    internal Name With(ImmutableArray<string> words) => new(Text, words, string.Concat(words), literal);

    private static uint LettersOf(string word)
    {
        var letters = 0u;
        foreach (var c in word)
        {
            letters |= 1u << (c & 31);
        }

        return letters;
    }
}
