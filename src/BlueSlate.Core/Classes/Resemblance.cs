using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Classes;

/// <summary>
/// Two answers of a class that share what hardly anybody else has. It charges nobody with anything: a person looks at both.
/// </summary>
/// <param name="First">One of the two, by its place in the class.</param>
/// <param name="Second">The other, behind it.</param>
/// <param name="Names">
/// What both have written and few others have, in words that neither the scenario nor the model answer has, as the first wrote it.
/// </param>
/// <param name="Places">How many things with the same text stand at the same place in both, where few others have them there.</param>
/// <param name="Of">How many things the one with fewer has.</param>
/// <param name="Bits">How surprising that is together, in bits.</param>
public sealed record Resemblance(int First, int Second, ImmutableArray<string> Names, int Places, int Of, double Bits)
{
    /// <summary>At most so many are told, the most surprising.</summary>
    public const int Most = 50;

    // A place is a quarter of a surprise: one thing put where somebody else has it makes the next one likelier.
    private const double OfPlace = 0.25;

    /// <summary>
    /// The pairs of a class that resemble each other more than chance makes any two do, the most surprising first. Everything that few
    /// share weighs what it would tell about an answer picked by lot, its self-information (C. E. Shannon, 1948); a pair is told once
    /// all that it shares tells more than it takes to single out one pair among all.
    /// </summary>
    /// <param name="answers">What of each answer another could have in common with it.</param>
    /// <param name="known">Texts whose words anybody may use: the scenario, and the names of the model answer.</param>
    public static ImmutableArray<Resemblance> In(IReadOnlyList<Traits> answers, IEnumerable<string> known)
    {
        var words = known.SelectMany(WordSplitter.Split).Select(Inflection.Singular).ToHashSet(StringComparer.Ordinal);
        var pairs = new SortedDictionary<(int First, int Second), Shared>();
        foreach (var (text, has) in HadBy(answers, answer => OddTexts(answer, words)))
        {
            foreach (var pair in PairsOf(has))
            {
                SharedBy(pairs, pair).Names.Add((text, BitsOf(has.Count, answers.Count)));
            }
        }

        foreach (var (_, has) in HadBy(answers, Placed))
        {
            foreach (var pair in PairsOf(has))
            {
                SharedBy(pairs, pair).Places.Add(BitsOf(has.Count, answers.Count));
            }
        }

        var enough = Math.Log2(answers.Count * (answers.Count - 1) / 2.0);
        return
        [
            .. pairs
                .Select(pair => pair.Value.Between(pair.Key.First, pair.Key.Second, answers))
                .Where(one => one.Bits > enough)
                .OrderByDescending(one => one.Bits)
                .ThenBy(one => (one.First, one.Second))
                .Take(Most),
        ];
    }

    // Less than a pair has to tell: what the program tidied up stands alike wherever it says the same, so places alone are never enough.
    private static double MostOfPlaces(int all) => 2 * BitsOf(2, all);

    private static double BitsOf(int has, int all) => Math.Log2((double)all / has);

    // What at least two have, and no more than four or a twelfth of the class: what more have in common is what the class was taught.
    private static IEnumerable<(T What, List<int> Has)> HadBy<T>(
        IReadOnlyList<Traits> answers,
        Func<Traits, IEnumerable<T>> partsOf
    )
        where T : notnull
    {
        var has = new Dictionary<T, List<int>>();
        for (var at = 0; at < answers.Count; at++)
        {
            foreach (var part in partsOf(answers[at]).Distinct())
            {
                (has.TryGetValue(part, out var those) ? those : has[part] = []).Add(at);
            }
        }

        var few = Math.Max(4, answers.Count / 12);
        return has.Where(pair => pair.Value.Count >= 2 && pair.Value.Count <= few).Select(pair => (pair.Key, pair.Value));
    }

    private static IEnumerable<(int First, int Second)> PairsOf(List<int> has) =>
        has.SelectMany((first, at) => has.Skip(at + 1).Select(second => (first, second)));

    private static Shared SharedBy(IDictionary<(int First, int Second), Shared> pairs, (int First, int Second) pair) =>
        pairs.TryGetValue(pair, out var shared) ? shared : pairs[pair] = new Shared();

    private static IEnumerable<string> OddTexts(Traits answer, HashSet<string> known) =>
        answer.Texts.Select(WordSplitter.Split).Where(words => words.Any(word => IsOdd(word, known))).Select(Joined);

    private static bool IsOdd(string word, HashSet<string> known) =>
        word.Length > 2 && !char.IsDigit(word[0]) && !known.Contains(Inflection.Singular(word));

    private static string Joined(IEnumerable<string> words) => string.Join(' ', words);

    private static IEnumerable<(string Text, int X, int Y)> Placed(Traits answer) =>
        answer.Places.Select(place => (Joined(WordSplitter.Split(place.Text)), place.X, place.Y));

    // What two answers share, each part with what it tells.
    private sealed class Shared
    {
        public List<(string Text, double Bits)> Names { get; } = [];

        public List<double> Places { get; } = [];

        public Resemblance Between(int first, int second, IReadOnlyList<Traits> answers)
        {
            var written = answers[first].Texts.ToLookup(text => Joined(WordSplitter.Split(text)), StringComparer.Ordinal);
            return new Resemblance(
                first,
                second,
                [
                    .. Names
                        .OrderByDescending(name => name.Bits)
                        .ThenBy(name => name.Text, StringComparer.Ordinal)
                        .Select(name => written[name.Text].First()),
                ],
                Places.Count,
                Math.Min(answers[first].Things, answers[second].Things),
                Names.Sum(name => name.Bits) + Math.Min(Places.Sum() * OfPlace, MostOfPlaces(answers.Count))
            );
        }
    }
}
