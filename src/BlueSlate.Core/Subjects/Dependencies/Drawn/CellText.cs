using System.Collections.Immutable;
using System.Text.RegularExpressions;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>An attribute that a line of a table names.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Whole">The cell of which it is a part; empty where it has a cell of its own.</param>
internal readonly record struct NamedCell(string Name, string Whole);

/// <summary>
/// The text of a line of a table: one attribute; in braces several that repeat within a row, <c>{part no, quantity}</c>; one cell that
/// holds several, <c>address (street, town)</c>.
/// </summary>
internal static partial class CellText
{
    /// <summary>What a line names, and whether it repeats.</summary>
    public static (ImmutableArray<NamedCell> Cells, bool IsRepeating) Read(string text)
    {
        var trimmed = text.Trim();
        var repeats = trimmed.StartsWith('{') && trimmed.EndsWith('}');
        var cells = (repeats ? Split(trimmed[1..^1]) : [trimmed]).SelectMany(OfOne);
        return ([.. cells.Where(cell => !Name.Of(cell.Name).Words.IsEmpty)], repeats);
    }

    /// <summary>A line that names them.</summary>
    public static string Write(IReadOnlyList<NamedCell> cells, bool repeats)
    {
        var texts = cells
            .GroupBy(cell => cell.Whole.Length > 0 ? cell.Whole : "\n" + cell.Name, StringComparer.Ordinal)
            .Select(cell =>
                cell.First().Whole.Length == 0
                    ? cell.First().Name
                    : $"{cell.Key} ({string.Join(", ", cell.Select(one => one.Name))})"
            );
        var text = string.Join(", ", texts);
        return repeats ? $"{{{text}}}" : text;
    }

    /// <summary>The pieces of a list with commas between, those inside of brackets and braces left alone.</summary>
    public static IEnumerable<string> Split(string text) =>
        PiecePattern().Matches(text).Select(piece => piece.Value.Trim()).Where(piece => piece.Length > 0);

    private static IEnumerable<NamedCell> OfOne(string text)
    {
        if (text.EndsWith(')') && text.IndexOf('(', StringComparison.Ordinal) is > 0 and var open)
        {
            var parts = Split(text[(open + 1)..^1]).ToList();
            if (parts.Count > 1)
            {
                return parts.Select(part => new NamedCell(part, text[..open].Trim()));
            }
        }

        return [new NamedCell(text, "")];
    }

    [GeneratedRegex(@"\s*\{[^}]*\}|(?:\([^)]*\)|[^,;({])+")]
    private static partial Regex PiecePattern();
}
