using System.Collections.Immutable;
using System.Text.RegularExpressions;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Statements;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>A sentence about dependencies, by the names in it.</summary>
internal abstract partial record DependencyStatement
{
    /// <summary>Which attributes there are.</summary>
    public sealed record OfAttributes(ImmutableArray<string> Names) : DependencyStatement;

    /// <summary>Which attributes are the key.</summary>
    public sealed record OfKey(ImmutableArray<string> Names) : DependencyStatement;

    /// <summary>What a determinant determines.</summary>
    public sealed record OfDeterminant(ImmutableArray<string> From, ImmutableArray<string> To, bool IsMultivalued)
        : DependencyStatement;

    /// <summary>
    /// Reads a line: <c>Attributes: a, b</c>, <c>Key: a, b</c>, <c>A and b determine c, d</c>, or with an arrow, <c>a, b -> c</c> and
    /// <c>a ->> c</c>. Gives what of it could not be taken.
    /// </summary>
    public static (DependencyStatement? Statement, StatementProblem? Problem) Parse(string line)
    {
        var text = line.Trim().TrimEnd('.');
        if (HeadPattern().Match(text) is { Success: true } head)
        {
            var names = NamesIn(text[head.Length..]);
            return names.IsEmpty
                    ? (null, new StatementProblem(0, line.Length, "Here names of attributes are wanted, with commas between."))
                : head.Groups["key"].Success ? (new OfKey(names), null)
                : (new OfAttributes(names), null);
        }

        var verb = VerbPattern().Match(text);
        var (from, to) = verb.Success ? (NamesIn(text[..verb.Index]), NamesIn(text[(verb.Index + verb.Length)..])) : ([], []);
        return from.IsEmpty || to.IsEmpty
            ? (
                null,
                new StatementProblem(0, line.Length, "This is not understood: “Item no and visit no determine fault, outcome”.")
            )
            : (new OfDeterminant(from, to, verb.Groups["many"].Success), null);
    }

    private static ImmutableArray<string> NamesIn(string text) =>
        [
            .. SeparatorPattern()
                .Split(text)
                .Select(name => name.Trim().Trim('{', '}', '(', ')').Trim())
                .Where(name => !Name.Of(name).Words.IsEmpty)
                .DistinctBy(name => Name.Of(name).Key),
        ];

    [GeneratedRegex(@"^(?:attributes?|(?<key>(?:candidate |primary )?key))\s*:", RegexOptions.IgnoreCase)]
    private static partial Regex HeadPattern();

    [GeneratedRegex(
        @"\s*(?:(?<many>->>|-->>|→→|↠)|->|-->|→|=>)\s*|\s+(?:(?<many>multi-?determines?)|(?:functionally\s+)?determines?)\s+",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex VerbPattern();

    [GeneratedRegex(@"\s*[,;+]\s*(?:and\s+)?|\s+and\s+", RegexOptions.IgnoreCase)]
    private static partial Regex SeparatorPattern();
}
