using System.Globalization;
using System.Text.RegularExpressions;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language;

/// <summary>How many values an attribute has, in words: <c>2 to 5 values</c>, <c>at least 2 values</c>, <c>exactly 3 values</c>.</summary>
internal static partial class ValueCount
{
    /// <summary>In words.</summary>
    public static string Write(Count count) =>
        count.Max == Count.Many ? $"at least {Count.Spell(count.Min)} values"
        : count.Min == count.Max ? $"exactly {Count.Spell(count.Max)} values"
        : $"{Count.Spell(count.Min)} to {Count.Spell(count.Max)} values";

    /// <summary>Of words; unsaid where they say something else.</summary>
    public static Count Read(string words) => TryRead(words, out var count) ? count : Count.Unsaid;

    /// <summary>The same, and whether they are such words.</summary>
    public static bool TryRead(string words, out Count count)
    {
        var found = Pattern().Match(words);
        var (min, max) = (Number(found, "min"), Number(found, "max"));
        count =
            !found.Success ? Count.Unsaid
            : found.Groups["least"].Success ? new Count(max, Count.Many)
            : new Count(min ?? max, max);
        return found.Success;
    }

    private static int? Number(Match found, string group) =>
        int.TryParse(found.Groups[group].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : null;

    [GeneratedRegex(@"^(?:(?<least>at least )|exactly |(?<min>\d{1,6}) to )(?<max>\d{1,6}) values$", RegexOptions.IgnoreCase)]
    private static partial Regex Pattern();
}
