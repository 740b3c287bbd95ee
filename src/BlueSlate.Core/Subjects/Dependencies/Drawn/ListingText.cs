using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// The text of what is listed beside a diagram: <c>Candidate keys: host, show; host, producer</c>, also with braces round each, and
/// <c>Prime attributes: host, show</c>; a closure, <c>Closure of host, show: host, show, producer</c>, also <c>{host, show}+ = ...</c>;
/// <c>Minimal cover: host, show -> producer; producer -> show</c>; a derivation, <c>Derivation of a -> c: a -> b; b -> c; a -> c</c>, with
/// or without the rule in brackets behind a step; the form of all as one table, <c>Normal form: 3NF</c>.
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

    /// <summary>A set, and what a line gives as its closure; null where it gives none.</summary>
    public static (ImmutableArray<string> Of, ImmutableArray<string> Reached)? Closure(string line)
    {
        if (ClosurePattern().Match(line) is not { Success: true } found)
        {
            return null;
        }

        var (of, reached) = (Names("of"), Names("rest"));
        return of.IsEmpty ? null : (of, reached);

        ImmutableArray<string> Names(string group) => DependencyStatement.NamesIn(found.Groups[group].Value);
    }

    /// <summary>The dependencies that a line gives as a minimal cover; null where it gives none.</summary>
    public static ImmutableArray<(ImmutableArray<string> From, ImmutableArray<string> To)>? Cover(string line) =>
        CoverPattern().Match(line) is { Success: true } found
            ?
            [
                .. found
                    .Groups["rest"]
                    .Value.Split(';')
                    .Select(DependencyStatement.ArrowIn)
                    .Where(arrow => !arrow.From.IsEmpty && !arrow.To.IsEmpty),
            ]
            : null;

    /// <summary>What a line derives, and the steps of it; null where it derives nothing. Reasons in brackets are left out.</summary>
    public static (
        (ImmutableArray<string> From, ImmutableArray<string> To) Goal,
        ImmutableArray<(ImmutableArray<string> From, ImmutableArray<string> To)> Steps
    )? Derivation(string line)
    {
        if (DerivationPattern().Match(line) is not { Success: true } found)
        {
            return null;
        }

        var goal = DependencyStatement.ArrowIn(found.Groups["goal"].Value);
        var steps = found
            .Groups["rest"]
            .Value.Split(';')
            .Select(step => DependencyStatement.ArrowIn(ReasonPattern().Replace(step, "")))
            .Where(step => !step.From.IsEmpty && !step.To.IsEmpty);
        return goal.From.IsEmpty || goal.To.IsEmpty ? null : (goal, [.. steps]);
    }

    /// <summary>A derivation as a line.</summary>
    public static string OfDerivation<T>((T From, T To) goal, IEnumerable<(T From, T To)> steps)
        where T : IEnumerable<string> => $"Derivation of {OfArrow(goal)}: {string.Join("; ", steps.Select(OfArrow))}";

    private static string OfArrow<T>((T From, T To) arrow)
        where T : IEnumerable<string> => $"{string.Join(", ", arrow.From)} -> {string.Join(", ", arrow.To)}";

    /// <summary>The form that a line names; null where it names none.</summary>
    public static NormalForm? Form(string line) =>
        FormPattern().Match(line) is { Success: true } found ? FormNames.Claimed(found.Groups["rest"].Value) : null;

    /// <summary>A closure as a line.</summary>
    public static string OfClosure(IEnumerable<string> of, IEnumerable<string> reached) =>
        $"Closure of {string.Join(", ", of)}: {string.Join(", ", reached)}";

    /// <summary>A minimal cover as a line.</summary>
    public static string OfCover<T>(IEnumerable<(T From, T To)> arrows)
        where T : IEnumerable<string> => "Minimal cover: " + string.Join("; ", arrows.Select(OfArrow));

    /// <summary>The form of all as a line.</summary>
    public static string OfForm(NormalForm form) => $"Normal form: {FormNames.Short(form)}";

    /// <summary>Keys as a line.</summary>
    public static string OfKeys<T>(IEnumerable<T> keys)
        where T : IEnumerable<string> => "Candidate keys: " + string.Join("; ", keys.Select(names => string.Join(", ", names)));

    /// <summary>Prime attributes as a line.</summary>
    public static string OfPrimes(IEnumerable<string> names) => "Prime attributes: " + string.Join(", ", names);

    [GeneratedRegex(@"^\s*(?:all\s+)?(?:candidate\s+keys|keys)\s*:\s*(?<rest>.*?)\s*\.?$", RegexOptions.IgnoreCase)]
    private static partial Regex KeysPattern();

    [GeneratedRegex(@"^\s*(?:all\s+)?prime(?:\s+attributes?)?\s*:\s*(?<rest>.*?)\s*\.?$", RegexOptions.IgnoreCase)]
    private static partial Regex PrimesPattern();

    [GeneratedRegex(
        @"^\s*(?:(?:the\s+)?closure\s+of\s+(?<of>.+?)\s*(?::|=|\bis\b)|(?<of>[^:+=]+?)\s*\+\s*(?::|=))\s*(?<rest>.*?)\s*\.?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex ClosurePattern();

    [GeneratedRegex(@"^\s*(?:a\s+|the\s+)?minimal\s+cover\s*:\s*(?<rest>.*?)\s*\.?$", RegexOptions.IgnoreCase)]
    private static partial Regex CoverPattern();

    [GeneratedRegex(
        @"^\s*(?:a\s+|the\s+)?(?:derivation|proof)\s+(?:of|that)\s+(?<goal>[^:]+?)\s*:\s*(?<rest>.*?)\s*\.?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex DerivationPattern();

    [GeneratedRegex(@"\s*\([^)]*\)\s*$|^\s*\d+[.)]\s*")]
    private static partial Regex ReasonPattern();

    [GeneratedRegex(@"^\s*(?:(?:highest\s+)?normal\s+form|form)\s*:\s*(?<rest>.*?)\s*\.?$", RegexOptions.IgnoreCase)]
    private static partial Regex FormPattern();

    [GeneratedRegex(@"[{(](?<inside>[^})]*)[})]")]
    private static partial Regex BracePattern();

    [GeneratedRegex(@"\s*;\s*|\s+or\s+", RegexOptions.IgnoreCase)]
    private static partial Regex BetweenPattern();
}
