using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// The text of what is listed beside a diagram: <c>Candidate keys: host, show; host, producer</c>, also with braces round each, and
/// <c>Prime attributes: host, show</c>.
/// </summary>
internal static partial class ListingText
{
    /// <summary>The keys that a line lists, by the names in them; null where it lists none.</summary>
    public static IReadOnlyList<ImmutableArray<string>>? Keys(string line)
    {
        if (KeysPattern().Match(line) is not { Success: true } found)
        {
            return null;
        }

        var rest = found.Groups["rest"].Value;
        var braced = BracePattern().Matches(rest);
        var keys = braced.Count > 0 ? braced.Select(one => one.Groups["inside"].Value) : BetweenPattern().Split(rest);
        return [.. keys.Select(DependencyStatement.NamesIn).Where(names => !names.IsEmpty)];
    }

    /// <summary>The prime attributes that a line lists; null where it lists none.</summary>
    public static ImmutableArray<string>? Primes(string line) =>
        PrimesPattern().Match(line) is { Success: true } found ? DependencyStatement.NamesIn(found.Groups["rest"].Value) : null;

    /// <summary>Keys as a line.</summary>
    public static string OfKeys<T>(IEnumerable<T> keys)
        where T : IEnumerable<string> => "Candidate keys: " + string.Join("; ", keys.Select(names => string.Join(", ", names)));

    /// <summary>Prime attributes as a line.</summary>
    public static string OfPrimes(IEnumerable<string> names) => "Prime attributes: " + string.Join(", ", names);

    [GeneratedRegex(@"^\s*(?:all\s+)?(?:candidate\s+keys|keys)\s*:\s*(?<rest>.*?)\s*\.?$", RegexOptions.IgnoreCase)]
    private static partial Regex KeysPattern();

    [GeneratedRegex(@"^\s*(?:all\s+)?prime(?:\s+attributes?)?\s*:\s*(?<rest>.*?)\s*\.?$", RegexOptions.IgnoreCase)]
    private static partial Regex PrimesPattern();

    [GeneratedRegex(@"[{(](?<inside>[^})]*)[})]")]
    private static partial Regex BracePattern();

    [GeneratedRegex(@"\s*;\s*|\s+or\s+", RegexOptions.IgnoreCase)]
    private static partial Regex BetweenPattern();
}
