using System.Collections.Frozen;
using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Scenarios;

/// <summary>Reads how many a text speaks of, in the words that people use for it: <c>one or more</c>, <c>at most one</c>.</summary>
internal static partial class QuantityReader
{
    private static readonly ImmutableArray<string> Numbers =
    [
        "zero",
        "one",
        "two",
        "three",
        "four",
        "five",
        "six",
        "seven",
        "eight",
        "nine",
        "ten",
        "eleven",
        "twelve",
    ];

    private static readonly FrozenDictionary<string, int> NumberOf = Numbers
        .Select((word, number) => (word, number))
        .Append(("a", 1))
        .Append(("an", 1))
        .Append(("single", 1))
        .ToFrozenDictionary(pair => pair.Item1, pair => pair.Item2, StringComparer.Ordinal);

    private const string N = "(?:a|an|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|[0-9]{1,4})";

    // The longest forms first; each is tried where a word starts.
    private static readonly ImmutableArray<(Regex Form, Func<Match, Quantity> Says)> Forms =
    [
        (Of($"(?:between|from) (?<a>{N}) (?:and|to) (?<b>{N})"), found => Between(A(found), B(found))),
        (Of($"(?<a>{N}) to (?<b>{N})"), found => Between(A(found), B(found))),
        (Of("(?:any number|zero or more|none or (?:several|more|many|one)|no or several|however many|as many as)"), _ => Any),
        (Of("(?:never|not) (?:twice|again|more than once)"), _ => new Quantity(Quantifier.Definite, null, null)),
        (Of("(?:several|many|one|more) or (?:none|no)"), found =>
            Any with
            {
                Max = found.Value.StartsWith('o') ? 1 : Quantity.Many,
            }
        ),
        (Of($"(?<a>{N}) or (?:more|several|many)"), found => Between(A(found), Quantity.Many)),
        (Of($"(?<a>{N}) or (?<b>{N})"), found => Between(A(found), B(found))),
        (Of($"(?:exactly|precisely|always) (?<a>{N})"), found => Between(A(found), A(found))),
        (Of("one and only one"), _ => Between(1, 1)),
        (Of($"(?:at least|no fewer than|not fewer than|no less than|not less than|a minimum of) (?<a>{N})"), found =>
            Between(A(found), Quantity.Many)
        ),
        (Of($"(?:at most|at the most|up to|no more than|not more than|never more than|a maximum of) (?<a>{N})"), found =>
            UpTo(A(found))
        ),
        (Of($"(?:never|not) (?<a>{N})"), found => A(found) > 1 ? UpTo(A(found) - 1) : Nothing),
        (Of($"more than (?<a>{N})"), found => Between(A(found) + 1, Quantity.Many)),
        (Of("(?:only|just|a|one) (?:one|single)"), _ => Between(1, 1)),
        (Of("(?:more than once|again and again|time and again|repeatedly|twice|(?:several|many) times|in turn)"), _ => Several),
        (Of("(?:several|many|various|multiple|numerous|(?:a number|lots|a couple|plenty)(?= of)|a few)"), _ => Several),
        (Of("(?:not every|not all|not each)"), _ => new Quantity(Quantifier.Some, null, null)),
        (Of("(?:no|none|zero|nothing)"), _ => Nothing),
        (Of("(?:some|most|certain)"), _ => new Quantity(Quantifier.Some, null, null)),
        (Of("(?:each|every|any|all)"), _ => new Quantity(Quantifier.Each, null, null)),
        (Of("(?:a|an|another)(?! of)"), _ => new Quantity(Quantifier.Indefinite, 1, 1)),
        (Of($"(?<a>{N})"), found => Between(A(found), A(found)) with { Explicit = A(found) > 1 }),
        (Of("(?:the same|the|its|their|his|her|these|those|our|whose)(?! of)"), _ => new Quantity(
            Quantifier.Definite,
            null,
            null
        )),
    ];

    private static readonly Regex Behind = OrNone();
    private static readonly Regex Limit = AtMost();

    private static Quantity Any => new(Quantifier.Number, 0, Quantity.Many) { Explicit = true, OrNone = true };

    private static Quantity Several => new(Quantifier.Number, null, Quantity.Many) { Explicit = true };

    private static Quantity Nothing => new(Quantifier.None, 0, 0);

    /// <summary>The amounts in a sentence, by the place of their first word, each with the place after its last.</summary>
    public static ImmutableSortedDictionary<int, (int End, Quantity Says)> Read(ScenarioSentence sentence)
    {
        var (text, starts) = Joined(sentence);
        var found = ImmutableSortedDictionary.CreateBuilder<int, (int End, Quantity Says)>();
        for (var word = 0; word < starts.Length; word++)
        {
            if (At(text, starts, word) is not var (end, quantity))
            {
                continue;
            }

            found[word] = (end, quantity);
            word = end - 1;
        }

        return found.ToImmutable();
    }

    /// <summary>
    /// What words behind a thing add to how many it is: <c>or none</c>, <c>at most</c>. The place after them, and the amount with
    /// them.
    /// </summary>
    public static (int End, Quantity Says) With(ScenarioSentence sentence, int end, Quantity quantity)
    {
        var (text, starts) = Joined(sentence);
        while (end < starts.Length && text.AsSpan(starts[end]) is var rest)
        {
            if (sentence.After[end - 1] == Pause.None && Limit.Match(text, starts[end]) is { Success: true } limit)
            {
                quantity =
                    limit.Value == "only" ? quantity with { Explicit = true }
                    : quantity.Min is { } most ? UpTo(most)
                    : quantity;
                end += WordsIn(limit.Value);
            }
            else if (Behind.Match(text, starts[end]) is { Success: true } none)
            {
                quantity = quantity with { Min = 0, OrNone = true, Explicit = true };
                end += WordsIn(none.Value);
            }
            else
            {
                break;
            }
        }

        return (end, quantity);
    }

    private static (int End, Quantity Says)? At(string text, ImmutableArray<int> starts, int word)
    {
        foreach (var (form, says) in Forms)
        {
            if (form.Match(text, starts[word]) is { Success: true } match)
            {
                return (word + WordsIn(match.Value), says(match));
            }
        }

        return null;
    }

    // No form goes over a pause.
    private static (string Text, ImmutableArray<int> Starts) Joined(ScenarioSentence sentence)
    {
        var starts = ImmutableArray.CreateBuilder<int>();
        var text = new StringBuilder();
        for (var i = 0; i < sentence.Written.Length; i++)
        {
            starts.Add(text.Length);
            text.Append(sentence.Written[i]).Append(sentence.After[i] == Pause.None ? ' ' : ',');
        }

        return (text.ToString(), starts.ToImmutable());
    }

    private static int WordsIn(string text) => text.Count(c => c == ' ') + 1;

    private static Quantity Between(int min, int max) => new(Quantifier.Number, min, max) { Explicit = true, OrNone = min == 0 };

    // At most one says that there may be none; up to three leaves open whether one must be.
    private static Quantity UpTo(int max) =>
        new(Quantifier.Number, max <= 1 ? 0 : null, max) { Explicit = true, OrNone = max <= 1 };

    private static int A(Match found) => Number(found.Groups["a"].Value);

    private static int B(Match found) => Number(found.Groups["b"].Value);

    private static int Number(string word) =>
        NumberOf.TryGetValue(word, out var number) ? number : int.Parse(word, CultureInfo.InvariantCulture);

    private static Regex Of(string form) => new($@"\G{form}(?: of)?(?![\w'’-])", RegexOptions.CultureInvariant);

    [GeneratedRegex(
        @"\G(?:or|and|including|perhaps|possibly|maybe|even|sometimes)(?: perhaps| even| else| also)?"
            + @"(?: in| at| on| with| by| to| for| from| of| under)? "
            + @"(?:none|nobody|nothing|never|no one|not at all)(?: at all| yet| for a while)?(?![\w'’-])",
        RegexOptions.CultureInvariant
    )]
    private static partial Regex OrNone();

    [GeneratedRegex(@"\G(?:at most|at the most|at best|only)(?![\w'’-])", RegexOptions.CultureInvariant)]
    private static partial Regex AtMost();
}
