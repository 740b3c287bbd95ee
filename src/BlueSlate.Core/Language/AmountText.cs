using System.Globalization;
using System.Text.RegularExpressions;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language;

/// <summary>
/// Counts in the words of the sentences, both ways: <c>exactly 1</c>, <c>0 or more</c>, <c>many</c>, <c>some</c>. Numbers may also be
/// typed as words, and a range in the other ways in which a scenario says it: <c>at least one</c>, <c>between 2 and 5</c>,
/// <c>any number of</c>, <c>several</c>.
/// </summary>
internal static partial class AmountText
{
    /// <summary>The words for a count; each count has its own.</summary>
    public static string Of(Count count) =>
        count switch
        {
            { Min: null, Max: null } => "some",
            { Min: null, Max: Count.Many } => "many",
            { Min: null } => $"at most {count.Max}",
            { Max: null } => $"at least {count.Min}",
            { Max: Count.Many } => $"{count.Min} or more",
            { } when count.Min == count.Max => $"exactly {count.Min}",
            { Min: 0, Max: 1 } => "0 or 1",
            _ => $"{count.Min} to {count.Max}",
        };

    /// <summary>The first amount in a text: where it stands, how long it is, and the count; null when there is none.</summary>
    public static (int Start, int Length, Count Count)? Find(string text)
    {
        var found = Pattern().Match(text);
        return found.Success ? (found.Index, found.Length, Read(found)) : null;
    }

    private static Count Read(Match found)
    {
        int? Number(string group) => found.Groups[group].Success ? Parse(found.Groups[group].Value) : null;
        return (Number("exact"), Number("least"), Number("most"), Number("from"), Number("to"), Number("more")) switch
        {
            ({ } exact, _, _, _, _, _) => new Count(exact, exact),
            (_, { } least, _, _, _, _) => new Count(least, null),
            (_, _, { } most, _, _, _) => new Count(null, most),
            (_, _, _, { } from, { } to, _) => new Count(from, Math.Max(from, to)),
            (_, _, _, _, _, { } more) => new Count(more, Count.Many),
            _ when found.Groups["any"].Success => new Count(0, Count.Many),
            _ => found.Value.Equals("some", StringComparison.OrdinalIgnoreCase) ? Count.Unsaid : new Count(null, Count.Many),
        };
    }

    private static int Parse(string number) =>
        Array.FindIndex(Words, word => word.Equals(number, StringComparison.OrdinalIgnoreCase)) is var at and >= 0 ? at
        : int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var digits) ? digits
        : Count.Many - 1;

    private static readonly string[] Words =
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

    private const string Number = @"(?:\d+|zero|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)";

    [GeneratedRegex(
        @"(?<![\w])(?:(?:exactly|just|one and only) (?<exact>"
            + Number
            + @")|at least (?<least>"
            + Number
            + @")|(?:at most|up to|no more than) (?<most>"
            + Number
            + @")|(?<more>"
            + Number
            + @") or more|(?:between )?(?<from>"
            + Number
            + @") (?:or|to|and) (?<to>"
            + Number
            + @")|(?<any>any number of)|many|several|some)(?![\w])",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Pattern();
}
