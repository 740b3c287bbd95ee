using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Statements;

/// <summary><c>A crate is identified by its crate no and has a colour and a weight</c>: a thing with its attributes, in prose.</summary>
internal sealed partial class DescribedForm : IStatementForm
{
    /// <inheritdoc />
    public Statement? Read(StatementLine line)
    {
        if (line.Colon >= 0 || Pattern().Match(line.Text) is not { Success: true } found || line.Amount is not null)
        {
            return null;
        }

        var (keys, others) = (PiecesOf(found.Groups["keys"]), PiecesOf(found.Groups["others"]));
        if (keys.Concat(others).Where(piece => line.Names.Has(piece.Text)).ToList() is [var thing, ..])
        {
            line.Add(
                thing.Start,
                thing.Text.Length,
                $"“{thing.Text}” is a thing of its own: say what ties the two, “Visit brings in 1 or more Item”."
            );
            return null;
        }

        return new EntityStatement(
            found.Groups["name"].Value.Trim(),
            null,
            false,
            "",
            [
                .. keys.SelectMany(piece => AttributeList.Read(piece.Text, piece.Start, line))
                    .Select(key =>
                        key with
                        {
                            Markers = [.. key.Markers.Append("key").Distinct(StringComparer.OrdinalIgnoreCase)],
                        }
                    ),
                .. others.SelectMany(piece => AttributeList.Read(piece.Text, piece.Start, line)),
            ]
        );
    }

    /// <summary>
    /// Of a line that says only what a thing has, the verb, and how it is written in a form that tells facts from further things;
    /// null where it is none.
    /// </summary>
    public static (Capture Verb, string Wanted)? Having(StatementLine line)
    {
        if (line.Colon >= 0 || HavingPattern().Match(line.Text) is not { Success: true } found)
        {
            return null;
        }

        var pieces = PiecesOf(found.Groups["others"]).ConvertAll(piece => piece.Text);
        if (pieces.Count == 0 || pieces.Exists(piece => piece.Any(char.IsDigit) || line.Names.Has(piece)))
        {
            return null;
        }

        var name = Capital(found.Groups["name"].Value.Trim());
        var facts = $"“{name}: {string.Join(", ", pieces)}” says what it has of its own";
        return (
            found.Groups["verb"],
            pieces.Find(piece => !piece.Contains('(', StringComparison.Ordinal)) is { } other
                ? $"{facts}, “{name} {found.Groups["verb"].Value} exactly 1 {Capital(other)}” ties it to another thing"
                : facts
        );
    }

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    // What stands between commas and “and”, without articles; what is in brackets belongs to what stands before it.
    private static List<(int Start, string Text)> PiecesOf(Group list) =>
        [
            .. Commas
                .Split(list.Value)
                .SelectMany(piece =>
                    PiecePattern()
                        .Matches(piece.Text)
                        .Select(match => match.Groups["text"])
                        .Select(text => (list.Index + piece.Start + text.Index, text.Value))
                ),
        ];

    [GeneratedRegex(
        @"^(?<name>[^,;()]+?) (?:is|are) (?:uniquely )?(?:identified|known|recogni[sz]ed|told apart) by (?<keys>.+?)"
            + @"(?:(?:[,;]|,? and)(?: it| they)? (?:has|have|is described by|are described by) (?<others>.+))?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Pattern();

    [GeneratedRegex(@"^(?<name>[^,;()]+?) (?<verb>has|have) (?<others>.+)$", RegexOptions.IgnoreCase)]
    private static partial Regex HavingPattern();

    [GeneratedRegex(
        @"(?:^|\G)(?:and )?(?:(?:an?|the|its|their|his|her) )?(?<text>\S(?:[^()]|\([^()]*\))*?)(?: and |$)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex PiecePattern();
}
