using System.Text.RegularExpressions;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary>A line being read: its text, the names that it may speak of, and what of it could not be taken so far.</summary>
internal sealed class StatementLine(string text, KnownNames names)
{
    private readonly List<StatementProblem> problems = [];

    /// <summary>What is read, without a word before its first name.</summary>
    public string Text => text;

    /// <summary>The names in the drawing.</summary>
    public KnownNames Names => names;

    /// <summary>Where the list of a thing's attributes begins, or −1.</summary>
    public int Colon { get; } = text.IndexOf(':', StringComparison.Ordinal);

    /// <summary>What could not be taken, with places in the text.</summary>
    public IReadOnlyList<StatementProblem> Problems => problems;

    /// <summary>The first amount outside a list of attributes: a line with one ties things.</summary>
    public (int Start, int Length, Count Count)? Amount =>
        AmountText.Find(Text) is { } amount && (Colon < 0 || amount.Start < Colon) ? amount : null;

    /// <summary>Tells what could not be taken.</summary>
    public void Add(StatementProblem problem) => problems.Add(problem);

    /// <summary>Tells what could not be taken.</summary>
    public void Add(int start, int length, string message) => Add(new StatementProblem(start, length, message));

    /// <summary>Tells of words in brackets that mean nothing there.</summary>
    public void Refuse(Group inside, Func<string, bool> means, string wanted)
    {
        foreach (var (start, word) in Commas.Split(inside.Value).Where(piece => !means(piece.Text.ToLowerInvariant())))
        {
            Add(inside.Index + start, word.Length, $"“{word}” is not understood: here stands {wanted}.");
        }
    }
}
