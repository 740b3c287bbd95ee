using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// <c>Fixer as mentor mentors 0 or more Fixer</c>: who, in which role, the verb, how many, of whom; the role of those may be said behind
/// them instead, <c>Fixer has at most 1 Fixer as mentor</c>.
/// </summary>
internal sealed record TieHalf(string Subject, string Role, string Verb, Count Count, string Object, string ObjectRole)
{
    /// <summary>The other half, where nobody has said it.</summary>
    public TieHalf Back => new(Object, "", "", Count.Unsaid, Subject, "");

    /// <summary>A half as a clause around an amount says it; the clause starts at a place in its line.</summary>
    public static TieHalf Read(string clause, (int Start, int Length, Count Count) amount, int offset, StatementLine line)
    {
        var front = clause[..amount.Start].Trim();
        front = front[line.Names.LeadOf(front)..];
        var subject = line.Names.FirstOf(front);
        var (role, verb) = RoleAndVerb(front[Math.Min(front.Length, subject.Length)..].Trim());
        var target = clause[(amount.Start + amount.Length)..].Trim();
        if (target.IndexOf('(', StringComparison.Ordinal) is var open and > 0)
        {
            var strange = target[open..];
            line.Add(
                offset + clause.LastIndexOf(strange, StringComparison.Ordinal),
                strange.Length,
                $"“{strange.Trim('(', ')')}” is not understood: here stands identifying, derived, or as what it is a part."
            );
            target = target[..open].Trim();
        }

        var (said, count) = Modal.Take(verb, amount.Count);
        var (whom, whose) = WhomAndRole(target, line);
        return new TieHalf(subject, role, said == SentenceWriter.NoVerb ? "" : said, count, whom, whose);
    }

    private static (string Whom, string Role) WhomAndRole(string target, StatementLine line)
    {
        var words = target.Split(" as ", 2, StringSplitOptions.TrimEntries);
        return words.Length < 2 || line.Names.Has(target) ? (target, "") : (words[0], words[1]);
    }

    // A role of several words ends at a comma.
    private static (string Role, string Verb) RoleAndVerb(string text)
    {
        if (TieText.After("as", text) is not { } rest)
        {
            return ("", text);
        }

        var words = rest.Trim().Split(rest.Contains(',', StringComparison.Ordinal) ? ',' : ' ', 2);
        return (words[0].Trim(), words.Length > 1 ? words[1].Trim() : "");
    }
}
