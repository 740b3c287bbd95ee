using System.Collections.Concurrent;
using System.IO.Compression;
using System.Text;

namespace BlueSlate.Core.Language;

/// <summary>
/// The words of English that names are made of, from WordNet 3.0 (Princeton University; its notice stands at the head of the
/// data): which senses a word has, what those are kinds of, what words are derived from it, and irregular forms. The data is
/// shipped with the core and stays as it is shipped, in lines of which each is read when it is asked for;
/// docs/formats/lexicon.md describes them.
/// </summary>
internal sealed class Lexicon
{
    private static readonly (string Ending, string Instead)[] Qualities = [("ness", ""), ("ity", ""), ("ity", "e"), ("ty", "")];

    private const int Deepest = 24;

    private static readonly Lazy<Lexicon> Shipped = new(Load);

    private readonly byte[] text;

    // Where the line of each word begins, in the order of the words; and that of each sense, by its number, or −1.
    private readonly List<int> words = new(90_000);
    private readonly List<int> senses = new(90_000);
    private readonly Dictionary<string, string> irregularNouns = new(StringComparer.Ordinal);
    private readonly Dictionary<string, string> irregularVerbs = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, LexicalWord> known = new(StringComparer.Ordinal);

    private Lexicon(byte[] text)
    {
        this.text = text;
        for (var at = 0; at < text.Length; at += LineAt(at).Length + 1)
        {
            switch (text[at])
            {
                case (byte)'w':
                    words.Add(at);
                    break;
                case (byte)'s':
                    var number = Number(FieldAt(at + 2));
                    while (senses.Count < number)
                    {
                        senses.Add(-1);
                    }

                    senses.Add(at);
                    break;
                case (byte)'i':
                    var parts = Encoding.ASCII.GetString(LineAt(at)).Split(' ');
                    (parts[1] == "n" ? irregularNouns : irregularVerbs)[parts[2]] = parts[3];
                    break;
            }
        }
    }

    /// <summary>The lexicon that is shipped.</summary>
    public static Lexicon English => Shipped.Value;

    /// <summary>A word or pair of words in small letters, or null when the lexicon has it not.</summary>
    public LexicalWord? Find(string word)
    {
        if (known.TryGetValue(word, out var found))
        {
            return found;
        }

        return LineOf(word) is { } line ? known.GetOrAdd(word, Parse(word, line)) : null;
    }

    /// <summary>The singular of an irregular plural, or null.</summary>
    public string? IrregularNoun(string form) => irregularNouns.GetValueOrDefault(form);

    /// <summary>The basic form of an irregular form of a verb, or null.</summary>
    public string? IrregularVerb(string form) => irregularVerbs.GetValueOrDefault(form);

    /// <summary>
    /// How near the nearest senses of two words are in what they are kinds of, from 0 to 1: twice the depth of what both are,
    /// over the sum of their depths (Wu and Palmer 1994), nouns and verbs.
    /// </summary>
    public double Closeness(LexicalWord a, LexicalWord b)
    {
        var best = 0.0;
        foreach (var first in a.Senses.Where(sense => sense.Kind != 'a'))
        {
            var up = Ancestors(first.Number);
            foreach (var second in b.Senses.Where(sense => sense.Kind == first.Kind))
            {
                best = Math.Max(best, Closeness(up, Ancestors(second.Number)));
            }
        }

        return best;
    }

    // Chains lead from a sense to the root; the first that both have is the lowest.
    private static double Closeness(List<int> a, List<int> b)
    {
        for (var i = 0; i < a.Count; i++)
        {
            var j = b.IndexOf(a[i]);
            if (j >= 0)
            {
                return 2.0 * (a.Count - i) / (a.Count + b.Count);
            }
        }

        return 0;
    }

    /// <summary>A sense and what it is a kind of, up to the root.</summary>
    public List<int> Ancestors(int sense)
    {
        var chain = new List<int> { sense };
        while (chain.Count < Deepest && Above(chain[^1]) is [var next, ..])
        {
            chain.Add(next);
        }

        return chain;
    }

    // What a sense is a kind of.
    private int[] Above(int sense)
    {
        if (sense >= senses.Count || senses[sense] < 0)
        {
            return [];
        }

        var line = LineAt(senses[sense]);
        return Array.ConvertAll(Encoding.ASCII.GetString(line[(line.IndexOf((byte)'\t') + 1)..]).Split(' '), Number);
    }

    // What is said of a word, or null: the words are in order.
    private string? LineOf(string word)
    {
        var (low, high) = (0, words.Count - 1);
        while (low <= high)
        {
            var middle = (low + high) / 2;
            var found = FieldAt(words[middle] + 2);
            var order = Compare(found, word);
            if (order == 0)
            {
                return Encoding.ASCII.GetString(LineAt(words[middle])[(found.Length + 3)..]);
            }

            (low, high) = order < 0 ? (middle + 1, high) : (low, middle - 1);
        }

        return null;
    }

    private static int Compare(ReadOnlySpan<byte> entry, string word)
    {
        for (var i = 0; i < entry.Length && i < word.Length; i++)
        {
            if (entry[i] != word[i])
            {
                return entry[i] - word[i];
            }
        }

        return entry.Length - word.Length;
    }

    private ReadOnlySpan<byte> LineAt(int at) => text.AsSpan(at, text.AsSpan(at).IndexOf((byte)'\n'));

    private ReadOnlySpan<byte> FieldAt(int at) => text.AsSpan(at, text.AsSpan(at).IndexOf((byte)'\t'));

    private LexicalWord Parse(string word, string line)
    {
        var fields = line.Split('\t');
        var senses = fields[0].Split(' ').Select(text => new Sense(text[0], Number(text[1..]))).ToArray();
        var kinds = senses.Where(sense => sense.Kind == 'n').Take(2).SelectMany(sense => Above(sense.Number)).ToArray();
        string[] derived =
        [
            .. fields[1].Length == 0 ? [] : fields[1].Split(','),
            .. Quality(word) is { } quality ? [quality] : Array.Empty<string>(),
        ];
        return new LexicalWord(word, senses, kinds, derived);
    }

    // The adjective of which a noun is the quality, by its ending: certainty, sureness, validity.
    private string? Quality(string noun)
    {
        foreach (var (ending, instead) in Qualities)
        {
            if (
                noun.Length > ending.Length + 2
                && noun.EndsWith(ending, StringComparison.Ordinal)
                && string.Concat(noun.AsSpan(0, noun.Length - ending.Length), instead) is var adjective
                && LineOf(adjective) is { } line
                && line.Split('\t')[0].Split(' ').Any(sense => sense[0] == 'a')
            )
            {
                return adjective;
            }
        }

        return null;
    }

    private static int Number(string text) => Number(Encoding.ASCII.GetBytes(text));

    private static int Number(ReadOnlySpan<byte> text)
    {
        var value = 0;
        foreach (var c in text)
        {
            value = (value * 36) + (char.IsAsciiDigit((char)c) ? c - '0' : c - 'a' + 10);
        }

        return value;
    }

    private static Lexicon Load()
    {
        using var stream = typeof(Lexicon).Assembly.GetManifestResourceStream("lexicon/words.gz")
            ?? throw new InvalidOperationException("The lexicon is not in the assembly.");
        using var packed = new GZipStream(stream, CompressionMode.Decompress);
        using var text = new MemoryStream(3 << 20);
        packed.CopyTo(text);
        return new Lexicon(text.ToArray());
    }
}

/// <summary>A sense of a word: whether as noun, verb or adjective (<c>n</c>, <c>v</c>, <c>a</c>), and its number.</summary>
internal readonly record struct Sense(char Kind, int Number);

/// <summary>A word of the lexicon. <see cref="Kinds"/> are what its first senses as a noun are kinds of.</summary>
internal sealed class LexicalWord(string word, Sense[] senses, int[] kinds, string[] derived)
{
    private readonly ulong mask = MaskOf(senses.Select(sense => sense.Number).Concat(kinds));

    public string Word => word;

    public Sense[] Senses => senses;

    public int[] Kinds => kinds;

    public bool IsNoun { get; } = senses.Any(sense => sense.Kind == 'n');

    public bool IsVerb { get; } = senses.Any(sense => sense.Kind == 'v');

    /// <summary>Whether both have a sense in common.</summary>
    public bool IsSynonymOf(LexicalWord other)
    {
        if ((mask & other.mask) != 0)
        {
            foreach (var sense in senses)
            {
                foreach (var second in other.Senses)
                {
                    if (sense == second)
                    {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /// <summary>Whether one of its first senses is a kind of one of the other's.</summary>
    public bool IsKindOf(LexicalWord other)
    {
        if ((mask & other.mask) != 0)
        {
            foreach (var sense in other.Senses.AsSpan()[..Math.Min(2, other.Senses.Length)])
            {
                if (sense.Kind == 'n' && Array.IndexOf(kinds, sense.Number) >= 0)
                {
                    return true;
                }
            }
        }

        return false;
    }

    /// <summary>Whether one is derived from the other: translate and translator.</summary>
    public bool IsDerivedFrom(LexicalWord other) =>
        Array.IndexOf(derived, other.Word) >= 0 || Array.IndexOf(other.Derived, word) >= 0;

    /// <summary>Whether a word derived from one means the same as the other: sure, certain and certainty.</summary>
    public bool IsDerivedFromSynonymOf(LexicalWord other) => DerivedMeans(other) || other.DerivedMeans(this);

    private bool DerivedMeans(LexicalWord other) =>
        Array.Exists(derived, word => Lexicon.English.Find(word) is { } found && found.IsSynonymOf(other));

    private string[] Derived => derived;

    private static ulong MaskOf(IEnumerable<int> numbers) =>
        numbers.Aggregate(0UL, (mask, number) => mask | (1UL << (number & 63)));
}
