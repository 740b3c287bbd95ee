using System.Collections.Concurrent;
using System.Collections.Frozen;
using System.IO.Compression;

namespace BlueSlate.Core.Language;

/// <summary>
/// The words of English that names are made of, from WordNet 3.0 (Princeton University; its notice stands at the head of the data):
/// which senses a word has, what those are kinds of, what words are derived from it, and irregular forms. The data is shipped with
/// the core and read once; its form is described in docs/formats/lexicon.md.
/// </summary>
internal sealed class Lexicon
{
    private const int Deepest = 24;

    private static readonly Lazy<Lexicon> Shipped = new(Load);

    private readonly FrozenDictionary<string, string> lines;
    private readonly FrozenDictionary<string, string> irregularNouns;
    private readonly FrozenDictionary<string, string> irregularVerbs;
    private readonly int[][] above;
    private readonly ConcurrentDictionary<string, LexicalWord> known = new(StringComparer.Ordinal);

    private Lexicon(Dictionary<string, string> lines, Dictionary<string, string> nouns, Dictionary<string, string> verbs, List<int[]> above)
    {
        this.lines = lines.ToFrozenDictionary(StringComparer.Ordinal);
        (irregularNouns, irregularVerbs) = (nouns.ToFrozenDictionary(StringComparer.Ordinal), verbs.ToFrozenDictionary(StringComparer.Ordinal));
        this.above = [.. above];
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

        return lines.TryGetValue(word, out var line) ? known.GetOrAdd(word, Parse(word, line)) : null;
    }

    /// <summary>The singular of an irregular plural, or null.</summary>
    public string? IrregularNoun(string form) => irregularNouns.GetValueOrDefault(form);

    /// <summary>The basic form of an irregular form of a verb, or null.</summary>
    public string? IrregularVerb(string form) => irregularVerbs.GetValueOrDefault(form);

    /// <summary>
    /// How near the nearest senses of two words are in what they are kinds of, from 0 to 1: twice the depth of what both are, over the
    /// sum of their depths (Wu and Palmer 1994), nouns and verbs.
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

    private List<int> Ancestors(int sense)
    {
        var chain = new List<int> { sense };
        while (chain.Count < Deepest && chain[^1] < above.Length && above[chain[^1]] is [var next, ..])
        {
            chain.Add(next);
        }

        return chain;
    }

    private LexicalWord Parse(string word, string line)
    {
        var fields = line.Split('\t');
        var senses = fields[0].Split(' ').Select(text => new Sense(text[0], Number(text.AsSpan(1)))).ToArray();
        var kinds = senses.Where(sense => sense.Kind == 'n').Take(2).SelectMany(sense => above[sense.Number]).ToArray();
        return new LexicalWord(word, senses, kinds, fields[1].Length == 0 ? [] : fields[1].Split(','));
    }

    private static int Number(ReadOnlySpan<char> text)
    {
        var value = 0;
        foreach (var c in text)
        {
            value = (value * 36) + (char.IsAsciiDigit(c) ? c - '0' : c - 'a' + 10);
        }

        return value;
    }

    private static Lexicon Load()
    {
        using var stream = typeof(Lexicon).Assembly.GetManifestResourceStream("lexicon/words.gz") ?? throw new InvalidOperationException("The lexicon is not in the assembly.");
        using var reader = new StreamReader(new GZipStream(stream, CompressionMode.Decompress));
        var words = new Dictionary<string, string>(90_000, StringComparer.Ordinal);
        var (nouns, verbs) = (new Dictionary<string, string>(StringComparer.Ordinal), new Dictionary<string, string>(StringComparer.Ordinal));
        var above = new List<int[]>(90_000);
        while (reader.ReadLine() is { } line)
        {
            var tab = line.IndexOf('\t', StringComparison.Ordinal);
            switch (line[0])
            {
                case 'w':
                    words[line[2..tab]] = line[(tab + 1)..];
                    break;
                case 's':
                    var number = Number(line.AsSpan(2, tab - 2));
                    while (above.Count <= number)
                    {
                        above.Add([]);
                    }

                    above[number] = Array.ConvertAll(line[(tab + 1)..].Split(' '), text => Number(text));
                    break;
                case 'i':
                    var parts = line.Split(' ');
                    (parts[1] == "n" ? nouns : verbs)[parts[2]] = parts[3];
                    break;
            }
        }

        return new Lexicon(words, nouns, verbs, above);
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
    public bool IsDerivedFrom(LexicalWord other) => Array.IndexOf(derived, other.Word) >= 0 || Array.IndexOf(other.Derived, word) >= 0;

    private string[] Derived => derived;

    private static ulong MaskOf(IEnumerable<int> numbers) => numbers.Aggregate(0UL, (mask, number) => mask | (1UL << (number & 63)));
}
