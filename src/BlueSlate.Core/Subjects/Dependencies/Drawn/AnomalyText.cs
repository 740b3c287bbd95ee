using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>What goes wrong with rows that say something several times, or only beside something else.</summary>
internal enum AnomalyKind
{
    /// <summary>A fact cannot be put in without another.</summary>
    Insertion,

    /// <summary>A fact stands in several rows, and has to be changed in all of them.</summary>
    Update,

    /// <summary>A fact goes with the last row in which it stands.</summary>
    Deletion,
}

/// <summary>
/// The anomaly that rows of the scenario show, as a note names it: <c>Anomaly of rows 2, 5: update, part no -> part name</c>.
/// </summary>
/// <param name="Rows">The rows, counted from 1, in rising order.</param>
/// <param name="Kind">What goes wrong.</param>
/// <param name="Cause">The dependency that does it.</param>
internal sealed partial record AnomalyText(
    ImmutableArray<int> Rows,
    AnomalyKind Kind,
    (ImmutableArray<string> From, ImmutableArray<string> To) Cause
)
{
    /// <summary>As a line of a note.</summary>
    public string Line =>
        $"Anomaly of {SayRows(Rows)}: {Word(Kind)}, {string.Join(", ", Cause.From)} -> {string.Join(", ", Cause.To)}";

    /// <summary>What a line names; null where it names none.</summary>
    public static AnomalyText? Read(string line)
    {
        if (Pattern().Match(line) is not { Success: true } found)
        {
            return null;
        }

        var cause = DependencyStatement.ArrowIn(found.Groups["cause"].Value);
        ImmutableArray<int> rows =
        [
            .. NumberPattern()
                .Matches(found.Groups["rows"].Value)
                .Select(number => int.TryParse(number.Value, CultureInfo.InvariantCulture, out var row) ? row : 0)
                .Where(row => row > 0)
                .Distinct()
                .Order(),
        ];
        return cause.From.IsEmpty || cause.To.IsEmpty || rows.IsEmpty
            ? null
            : new AnomalyText(rows, KindOf(found.Groups["kind"].Value), cause);
    }

    /// <summary>The trade's word: update.</summary>
    public static string Word(AnomalyKind kind) =>
        kind switch
        {
            AnomalyKind.Insertion => "insertion",
            AnomalyKind.Update => "update",
            _ => "deletion",
        };

    /// <summary>Rows in running text: rows 2 and 5.</summary>
    public static string SayRows(ImmutableArray<int> rows) =>
        $"{(rows.Length == 1 ? "row" : "rows")} "
        + Phrasing.List([.. rows.Select(row => row.ToString(CultureInfo.InvariantCulture))]);

    private static AnomalyKind KindOf(string word) =>
        word[0] switch
        {
            'i' or 'I' => AnomalyKind.Insertion,
            'd' or 'D' => AnomalyKind.Deletion,
            _ => AnomalyKind.Update,
        };

    [GeneratedRegex(
        @"^\s*(?:the\s+)?anomaly\s+(?:of|in|at|that)\s+rows?\s+(?<rows>\d+(?:(?:\s*,\s*and\s+|\s*[,&]\s*|\s+and\s+)\d+)*)(?:\s+shows?)?"
            + @"\s*(?::|\bis\b)\s*(?:an?\s+)?(?<kind>insert(?:ion)?|update|modification|delet(?:e|ion))(?:\s+anomaly)?"
            + @"\s*(?:[,;:]|\b(?:since|because(?:\s+of)?|by)\b|\s)\s*(?:\b(?:since|because(?:\s+of)?|by)\b\s*)?(?<cause>.+?)\s*\.?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Pattern();

    [GeneratedRegex(@"\d+")]
    private static partial Regex NumberPattern();
}
