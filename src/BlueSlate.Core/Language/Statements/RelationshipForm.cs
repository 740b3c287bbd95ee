using System.Collections.Immutable;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// <c>Visit brings in 1 or more Item; Item comes in on exactly 1 Visit</c>: a half for each way to say it, the second one left away
/// where it is not known.
/// </summary>
internal sealed class RelationshipForm : IStatementForm
{
    /// <inheritdoc />
    public Statement? Read(StatementLine line)
    {
        if (line.Amount is null)
        {
            return null;
        }

        var (bare, markers) = TieText.TakeMarkers(line.Text);
        var halves = new List<TieHalf>();
        ImmutableArray<AttributeText> noting = [];
        var embodied = "";
        foreach (var (start, clause) in TieText.Clauses(bare))
        {
            if (TieText.After("noting", clause) is { } noted)
            {
                noting = AttributeList.Read(noted, start + clause.Length - noted.Length, line);
            }
            else if (TieText.After("as", clause) is { } thing)
            {
                embodied = thing.Trim();
            }
            else if (halves.Count < 2 && AmountText.Find(clause) is { } amount)
            {
                halves.Add(TieHalf.Read(clause, amount, start, line));
            }
            else
            {
                line.Add(start, clause.Length, "Here a second half is wanted: “Item comes in on exactly 1 Visit”.");
            }
        }

        var first = halves[0];
        var second = halves.Count > 1 ? halves[1] : first.Back;
        if (!KnownNames.Same(second.Object, first.Subject))
        {
            line.Add(0, line.Text.Length, $"The second half leads back to {first.Subject}; it is understood so.");
        }

        return new RelationshipStatement(
            "",
            [
                new EndText(first.Subject, first.Role, first.Verb, second.Count),
                new EndText(first.Object, second.Role, second.Verb, first.Count),
            ],
            noting,
            embodied,
            markers
        );
    }
}
