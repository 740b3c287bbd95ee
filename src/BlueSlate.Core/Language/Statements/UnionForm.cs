using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Statements;

/// <summary><c>Owner is one of Person or Company (total)</c>.</summary>
internal sealed partial class UnionForm : IStatementForm
{
    /// <inheritdoc />
    public Statement? Read(StatementLine line) =>
        Pattern().Match(line.Text) is { Success: true } found
            ? new UnionStatement(
                found.Groups["category"].Value.Trim(),
                [.. Lists.Joined(found.Groups["supers"].Value, "or")],
                found.Groups["total"].Success
            )
            : null;

    [GeneratedRegex(@"^(?<category>.+?) is one of (?<supers>.+?)(?<total> \(total\))?$", RegexOptions.IgnoreCase)]
    private static partial Regex Pattern();
}
