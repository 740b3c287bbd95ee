using System.Collections.Immutable;

namespace BlueSlate.Core.Marking;

/// <summary>How a line that is about several facts is judged.</summary>
public enum LineRule { AllOrNothing, Share }

/// <summary>One line of a marking scheme.</summary>
/// <param name="Id">Unique within the scheme.</param>
/// <param name="Title">What earns the marks, for people.</param>
/// <param name="Marks">What it is worth.</param>
/// <param name="Rule">All or nothing, or half when at least one place is wholly right.</param>
/// <param name="FactIds">The facts of the model answer that it is about.</param>
public sealed record MarkLine(string Id, string Title, Rational Marks, LineRule Rule, ImmutableArray<string> FactIds);

/// <summary>What earns marks.</summary>
/// <param name="Lines">The lines.</param>
/// <param name="ExtraCost">What each extra costs.</param>
/// <param name="ExtraCap">What all extras together may cost at most.</param>
/// <param name="Step">The step to which the total, and nothing else, is rounded.</param>
public sealed record MarkingScheme(ImmutableArray<MarkLine> Lines, Rational ExtraCost, Rational ExtraCap, Rational Step)
{
    /// <summary>The marks of all lines together.</summary>
    public Rational Maximum => Lines.Aggregate(Rational.Zero, (sum, line) => sum + line.Marks);
}
