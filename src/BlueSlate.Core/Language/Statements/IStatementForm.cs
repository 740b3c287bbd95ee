namespace BlueSlate.Core.Language.Statements;

/// <summary>One form of the sentences that can be typed.</summary>
internal interface IStatementForm
{
    /// <summary>The statement of a line of this form; null where the line has another.</summary>
    Statement? Read(StatementLine line);
}
