using System.Collections.Immutable;

namespace BlueSlate.Core.Marking;

/// <summary>
/// How a line that is about several facts is judged: all or nothing; half when at least one place is wholly right; or so much
/// off for each fact that does not hold, not below 0.
/// </summary>
public enum LineRule
{
    AllOrNothing,
    Share,
    Deduct,
}

/// <summary>One line of a marking scheme.</summary>
/// <param name="Id">Unique within the scheme.</param>
/// <param name="Title">What earns the marks, for people.</param>
/// <param name="Marks">What it is worth.</param>
/// <param name="Rule">How its facts together earn them.</param>
/// <param name="FactIds">The facts of the model answer that it is about.</param>
public sealed record MarkLine(string Id, string Title, Rational Marks, LineRule Rule, ImmutableArray<string> FactIds)
{
    /// <summary>What each fact that does not hold takes off, where the rule is to deduct.</summary>
    public Rational Off { get; init; } = Rational.Half;
}

/// <summary>What earns marks.</summary>
/// <param name="Lines">The lines.</param>
/// <param name="ExtraCost">What each extra costs.</param>
/// <param name="ExtraCap">What all extras together may cost at most.</param>
/// <param name="Step">The step to which the total, and nothing else, is rounded.</param>
public sealed record MarkingScheme(ImmutableArray<MarkLine> Lines, Rational ExtraCost, Rational ExtraCap, Rational Step)
{
    /// <summary>A scheme of one line about these facts, or of none.</summary>
    public static MarkingScheme Asking(ImmutableArray<string> factIds) =>
        new(
            factIds.IsEmpty ? [] : [new MarkLine("asked", "What is asked for besides", 1, LineRule.AllOrNothing, factIds)],
            default,
            default,
            Rational.Half
        );

    /// <summary>The marks of all lines together.</summary>
    public Rational Maximum => Lines.Aggregate(Rational.Zero, (sum, line) => sum + line.Marks);
}
