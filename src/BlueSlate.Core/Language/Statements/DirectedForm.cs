using System.Text.RegularExpressions;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary><c>Desk depends on Ledger</c>, <c>Ledger realises Keeper</c>.</summary>
internal sealed partial class DirectedForm : IStatementForm
{
    /// <inheritdoc />
    public Statement? Read(StatementLine line) =>
        Pattern().Match(line.Text) is { Success: true } found
            ? new DirectedStatement(
                found.Groups["verb"].Value.Equals("realises", StringComparison.OrdinalIgnoreCase)
                    ? RelationshipKind.Realization
                    : RelationshipKind.Dependency,
                found.Groups["from"].Value.Trim(),
                found.Groups["to"].Value.Trim()
            )
            : null;

    [GeneratedRegex(@"^(?<from>[^:;()]+?) (?<verb>depends on|realises) (?<to>[^:;()]+)$", RegexOptions.IgnoreCase)]
    private static partial Regex Pattern();
}
