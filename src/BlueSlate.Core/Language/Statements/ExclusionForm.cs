using System.Collections.Immutable;

namespace BlueSlate.Core.Language.Statements;

/// <summary><c>Only one can be: Member looks after Tram, or Member serves Kiosk</c>: ties that are said already.</summary>
internal sealed class ExclusionForm : IStatementForm
{
    /// <summary>What it begins with.</summary>
    public const string Lead = "Only one can be: ";

    /// <inheritdoc />
    public Statement? Read(StatementLine line)
    {
        if (!line.Text.StartsWith(Lead, StringComparison.OrdinalIgnoreCase))
        {
            return null;
        }

        ImmutableArray<string> ties = [.. line.Text[Lead.Length..].Split([", or ", ", "], Trimmed)];
        if (ties.Length < 2)
        {
            line.Add(
                Lead.Length,
                Math.Max(1, line.Text.Length - Lead.Length),
                "Here stand two ties that are said above: “Member looks after Tram, or Member serves Kiosk”."
            );
            return null;
        }

        return new ExclusionStatement(ties);
    }

    private const StringSplitOptions Trimmed = StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries;
}
