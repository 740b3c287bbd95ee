using System.Collections.Frozen;

namespace BlueSlate.Core.Language;

/// <summary>
/// Words that in names of data say the same though in general they do not: what is the start in one name is the beginning in
/// another, and what one calls a fee another calls the price.
/// </summary>
internal static class DesignWords
{
    /// <summary>How alike two words of one group are.</summary>
    public const double Likeness = 0.75;

    private static readonly FrozenDictionary<string, int> Groups = new[]
    {
        "start begin beginning from since",
        "end ending until till to finish",
        "length duration runtime span",
        "place location position site venue spot locality",
        "town city",
        "sum amount total price cost fee charge payment money",
        "kind type category sort genre",
        "description text explanation wording",
        "note remark comment",
        "title heading headline caption",
        "number count quantity",
        "level grade degree rank",
        "picture photo image photograph",
        "state status condition",
        "size capacity",
        "nickname alias",
        "first given",
        "last family",
    }
        .SelectMany((group, index) => group.Split(' ').Select(word => (word, index)))
        .ToFrozenDictionary(pair => pair.word, pair => pair.index, StringComparer.Ordinal);

    private static readonly FrozenSet<string> Starts = new[]
    {
        "start",
        "begin",
        "beginning",
        "from",
        "since",
        "first",
        "departure",
        "open",
        "opening",
    }.ToFrozenSet(StringComparer.Ordinal);

    private static readonly FrozenSet<string> Ends = new[]
    {
        "end",
        "ending",
        "until",
        "till",
        "to",
        "finish",
        "last",
        "arrival",
        "close",
        "closing",
        "expiry",
    }.ToFrozenSet(StringComparer.Ordinal);

    /// <summary>All words that say the same as another.</summary>
    public static IEnumerable<string> All => Groups.Keys;

    /// <summary>Whether two words say the same in names of data.</summary>
    public static bool Same(string first, string second) =>
        Groups.TryGetValue(first, out var group) && Groups.TryGetValue(second, out var other) && group == other;

    /// <summary>Which end of a stretch of time or way a name means: −1 the first, 1 the last, 0 neither.</summary>
    public static int EndOf(Name name) =>
        name.Words.Any(Starts.Contains) ? -1
        : name.Words.Any(Ends.Contains) ? 1
        : 0;
}
