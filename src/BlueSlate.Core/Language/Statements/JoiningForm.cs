using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// <c>Booking joins many Person as guest, exactly 1 Hall and some Day; noting fee</c>: a tie with a name of its own, between
/// any number of things.
/// </summary>
internal sealed class JoiningForm : IStatementForm
{
    private const string Joins = " joins ";

    /// <inheritdoc />
    public Statement? Read(StatementLine line)
    {
        var joins = line.Text.IndexOf(Joins, StringComparison.OrdinalIgnoreCase);
        if (joins <= 0 || line.Amount is not { } first || first.Start < joins)
        {
            return null;
        }

        var (bare, markers) = TieText.TakeMarkers(line.Text);
        var clauses = TieText.Clauses(bare);
        var name = bare[..joins].Trim();
        var ends = Lists.Joined(clauses[0].Clause[(joins + Joins.Length - clauses[0].Start)..], "and");
        ImmutableArray<AttributeText> noting = [];
        var embodied = "";
        foreach (var (start, clause) in clauses.Skip(1))
        {
            if (TieText.After("noting", clause) is { } noted)
            {
                noting = AttributeList.Read(noted, start + clause.Length - noted.Length, line);
            }
            else if (TieText.After("as", clause) is { } thing)
            {
                embodied = thing.Trim();
            }
            else
            {
                line.Add(
                    start,
                    clause.Length,
                    "Here stands “noting” with what the tie notes, or “as” with the thing that it is."
                );
            }
        }

        return new RelationshipStatement(
            name.Equals("Something", StringComparison.Ordinal) ? "" : name,
            [.. ends.Select(end => EndOf(end, line))],
            noting,
            embodied,
            markers
        );
    }

    private static EndText EndOf(string text, StatementLine line)
    {
        if (AmountText.Find(text) is not { Start: 0 } amount)
        {
            line.Add(
                line.Text.IndexOf(text, StringComparison.Ordinal),
                text.Length,
                "Say how many: “exactly 1”, “many”, “some”."
            );
            return new EndText(text, "", "", Count.Unsaid);
        }

        var whom = text[amount.Length..].Split(" as ", 2);
        return new EndText(whom[0].Trim(), whom.Length > 1 ? whom[1].Trim() : "", "", amount.Count);
    }
}
