using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Statements;

/// <summary>What all sentences that tie things have in common: clauses between semicolons, and last what the tie is, in brackets.</summary>
internal static partial class TieText
{
    /// <summary>
    /// A text without the brackets at its end, and what stands in them, where all of it says what a tie is; it may stand in a clause
    /// of its own instead.
    /// </summary>
    public static (string Bare, ImmutableArray<string> Markers) TakeMarkers(string text)
    {
        var start = text.EndsWith(')') ? text.LastIndexOf('(') : text.LastIndexOf(';');
        var markers = start > 0 ? Lists.Of(text[(start + 1)..].Trim().TrimEnd(')', '.')) : [];
        return markers.Count > 0 && markers.All(word => RelationMarkerPattern().IsMatch(word))
            ? (text[..start].TrimEnd(), [.. markers])
            : (text, []);
    }

    /// <summary>The clauses of a text, each with where it starts.</summary>
    public static List<(int Start, string Clause)> Clauses(string text)
    {
        var clauses = new List<(int, string)>();
        var start = 0;
        foreach (var piece in text.Split(';'))
        {
            if (piece.Trim().Length > 0)
            {
                clauses.Add((start + piece.Length - piece.TrimStart().Length, piece.Trim()));
            }

            start += piece.Length + 1;
        }

        return clauses;
    }

    /// <summary>What a clause says after the word that it begins with; null where it begins otherwise.</summary>
    public static string? After(string word, string clause) =>
        clause.StartsWith(word + " ", StringComparison.OrdinalIgnoreCase) ? clause[(word.Length + 1)..] : null;

    [GeneratedRegex(
        @"^(?:identifying|derived|(?:aggregation|composition) in .+|qualified by .+ at .+|navigable to .+)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex RelationMarkerPattern();
}
