using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// <c>Fixer and Greeter are kinds of Volunteer by duty (overlapping, partial)</c>, and for disjoint and total ones
/// <c>Volunteer is either a Fixer or a Greeter</c>.
/// </summary>
internal sealed partial class SpecialisationForm : IStatementForm
{
    /// <inheritdoc />
    public Statement? Read(StatementLine line)
    {
        if (EitherPattern().Match(line.Text) is { Success: true } either)
        {
            var kinds = Lists.Joined(either.Groups["subs"].Value, "or").Select(kind => Article().Replace(kind, ""));
            return new SpecialisationStatement([.. kinds], either.Groups["super"].Value.Trim(), "", true, true);
        }

        if (Pattern().Match(line.Text) is not { Success: true } found)
        {
            return null;
        }

        var markers = Lists.Of(found.Groups["markers"].Value);
        line.Refuse(
            found.Groups["markers"],
            word => word is "disjoint" or "overlapping" or "total" or "partial",
            "disjoint, overlapping, total or partial"
        );
        return new SpecialisationStatement(
            [.. Lists.Joined(found.Groups["subs"].Value, "and")],
            found.Groups["super"].Value.Trim(),
            found.Groups["name"].Value.Trim(),
            markers.Contains("disjoint") ? true
                : markers.Contains("overlapping") ? false
                : null,
            markers.Contains("total") ? true
                : markers.Contains("partial") ? false
                : null
        );
    }

    [GeneratedRegex(
        @"^(?<subs>.+?) (?:are kinds of|is a kind of|is an? kind of) (?<super>.+?)(?: by (?<name>[^()]+?))?(?: \((?<markers>[^()]*)\))?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Pattern();

    [GeneratedRegex("^(?<super>.+?) is either (?<subs>.+ or .+)$", RegexOptions.IgnoreCase)]
    private static partial Regex EitherPattern();

    [GeneratedRegex("^an? ", RegexOptions.IgnoreCase)]
    private static partial Regex Article();
}
