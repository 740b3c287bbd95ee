using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// <c>Visit brings in 1 or more Item; Item comes in on exactly 1 Visit</c>: a half for each way to say it, the second one left away
/// where it is not known.
/// </summary>
internal sealed partial class RelationshipForm : IStatementForm
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
        foreach (var (start, clause) in TieText.Clauses(bare).SelectMany(WithTail))
        {
            if ((TieText.After("noting", clause) ?? TieText.After("with", clause)) is { } noted)
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
            else if (halves.Count == 0)
            {
                line.Add(Misunderstanding.HowMany(start, clause));
                return null;
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
                new EndText(first.Subject, RoleOf(first.Role, second.ObjectRole), first.Verb, second.Count),
                new EndText(first.Object, RoleOf(second.Role, first.ObjectRole), second.Verb, first.Count),
            ],
            noting,
            embodied,
            markers
        );
    }

    private static string RoleOf(string asSubject, string asObject) => asSubject.Length > 0 ? asSubject : asObject;

    // Whoever writes on after the second half, with a comma, says the same as in a clause of its own.
    private static IEnumerable<(int Start, string Clause)> WithTail((int Start, string Clause) one)
    {
        var (start, clause) = one;
        var tail =
            AmountText.Find(clause) is { } amount
            && TailPattern().Match(clause, amount.Start + amount.Length) is { Success: true } found
                ? found
                : null;
        return tail is null
            ? [one]
            : [(start, clause[..tail.Index].TrimEnd()), (start + tail.Index + tail.Length, clause[(tail.Index + tail.Length)..])];
    }

    [GeneratedRegex(@",\s*(?=(?:with|noting|as)\s)", RegexOptions.IgnoreCase)]
    private static partial Regex TailPattern();
}
