using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>The marks of one answer, line by line, with the evidence of each.</summary>
/// <param name="Lines">A result for every line of the scheme.</param>
/// <param name="ExtrasLoss">What the extras cost, within the cap.</param>
/// <param name="Exact">The total before rounding, not below 0.</param>
/// <param name="Total">The total, rounded once.</param>
/// <param name="Maximum">What could be earned.</param>
public sealed record MarkSheet(
    ImmutableArray<LineResult> Lines,
    Rational ExtrasLoss,
    Rational Exact,
    Rational Total,
    Rational Maximum
);

/// <summary>The result of one line: what it earned and the credit of each of its facts, from 0 to 1.</summary>
public sealed record LineResult(MarkLine Line, Rational Earned, ImmutableArray<FactCredit> Credits)
{
    /// <summary>What the line did not earn.</summary>
    public Rational Lost => Line.Marks - Earned;
}

/// <summary>The credit of one fact within a line.</summary>
public sealed record FactCredit(string FactId, VerdictKind Verdict, Rational Credit, bool Ruled);
