using System.Collections.Immutable;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// Reads one line of the sentences. It knows the names of the drawing, so that names of several words and verbs need no marks
/// between them; a name that it does not know is new. It never fails: what it cannot take it says, with the place.
/// </summary>
public sealed class StatementParser(IEnumerable<string> entityNames)
{
    // In this order: the words that hold a form together come before its names and verbs, which can be any.
    private static readonly ImmutableArray<IStatementForm> Forms =
    [
        new ExclusionForm(),
        new DescribedForm(),
        new SpecialisationForm(),
        new UnionForm(),
        new DirectedForm(),
        new JoiningForm(),
        new RelationshipForm(),
        new OperationForm(),
    ];

    private readonly KnownNames names = new(entityNames);

    /// <summary>The statement of a line, or null when it is none, and what of it could not be taken.</summary>
    public (Statement? Statement, ImmutableArray<StatementProblem> Problems) Parse(string line)
    {
        var text = line.TrimEnd('.', ' ');
        var lead = names.LeadOf(text);
        if (text.Trim().Length == 0)
        {
            return (null, []);
        }

        var read = new StatementLine(text[lead..], names);
        var statement = Read(read);
        return (statement, [.. read.Problems.Select(problem => problem with { Start = problem.Start + lead })]);
    }

    private static Statement? Read(StatementLine line)
    {
        if (Forms.Select(form => form.Read(line)).FirstOrDefault(statement => statement is not null) is { } found)
        {
            return found;
        }

        if (line.Problems.Count > 0)
        {
            return null;
        }

        if (Misunderstanding.Of(line) is { } problem)
        {
            line.Add(problem);
            return null;
        }

        return EntityForm.Read(line);
    }
}
