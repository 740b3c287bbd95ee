using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// A counterexample as a note writes it: <c>Counterexample to a -> b: a, b, c; 1, 2, 3; 1, 4, 3</c>, the columns first, then the rows. What
/// stands in no column may be anything.
/// </summary>
/// <param name="Goal">What the rows are to contradict.</param>
/// <param name="Columns">The names of the columns.</param>
/// <param name="Rows">The values of each row, in the order of the columns.</param>
internal sealed partial record CounterexampleText(
    (ImmutableArray<string> From, ImmutableArray<string> To) Goal,
    ImmutableArray<string> Columns,
    ImmutableArray<ImmutableArray<string>> Rows
)
{
    /// <summary>As a line of a note.</summary>
    public string Line =>
        $"Counterexample to {string.Join(", ", Goal.From)} -> {string.Join(", ", Goal.To)}: "
        + string.Join("; ", Rows.Prepend(Columns).Select(row => string.Join(", ", row)));

    /// <summary>What a line gives; null where it gives none.</summary>
    public static CounterexampleText? Read(string line)
    {
        if (Pattern().Match(line) is not { Success: true } found)
        {
            return null;
        }

        var goal = DependencyStatement.ArrowIn(found.Groups["goal"].Value);
        ImmutableArray<ImmutableArray<string>> rows =
        [
            .. found
                .Groups["rest"]
                .Value.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                .Select(row => row.Split([',', '|'], StringSplitOptions.TrimEntries).ToImmutableArray()),
        ];
        return goal.From.IsEmpty || goal.To.IsEmpty || rows.IsEmpty
            ? null
            : new CounterexampleText(goal, rows[0], rows.RemoveAt(0));
    }

    /// <summary>The first row that has not as many values as there are columns, counted from 1; null where all have.</summary>
    public int? Uneven =>
        Rows.Index().Where(row => row.Item.Length != Columns.Length).Select(row => (int?)(row.Index + 1)).FirstOrDefault();

    [GeneratedRegex(
        @"^\s*(?:a\s+|the\s+)?counter-?example\s+(?:to|for|of|against)\s+(?<goal>[^:]+?)\s*:\s*(?<rest>.*?)\s*\.?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Pattern();
}
