using System.Text.RegularExpressions;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary><c>Ledger can note payment given amount of type Money giving Receipt (class scope)</c>.</summary>
internal sealed partial class OperationForm : IStatementForm
{
    /// <inheritdoc />
    public Statement? Read(StatementLine line)
    {
        if (line.Colon >= 0 || Pattern().Match(line.Text) is not { Success: true } found)
        {
            return null;
        }

        line.Refuse(
            found.Groups["markers"],
            word => word is "class scope" or "abstract" or "public" or "private" or "protected" or "package",
            "class scope, abstract, public, private, protected or package"
        );
        return new OperationStatement(
            found.Groups["owner"].Value.Trim(),
            found.Groups["name"].Value.Trim(),
            [
                .. Commas
                    .Split(found.Groups["given"].Value)
                    .Select(piece => piece.Text.Split(" of type ", 2, StringSplitOptions.TrimEntries))
                    .Select(pair => new Parameter(pair[0], pair.Length > 1 ? pair[1] : "")),
            ],
            found.Groups["giving"].Value.Trim(),
            [.. Lists.Of(found.Groups["markers"].Value)]
        );
    }

    [GeneratedRegex(
        @"^(?<owner>.+?) can (?<name>(?!be )[^():;,]+?)(?: given (?<given>.+?))?(?: giving (?<giving>[^()]+?))?"
            + @"(?: \((?<markers>[^()]*)\))?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Pattern();
}
