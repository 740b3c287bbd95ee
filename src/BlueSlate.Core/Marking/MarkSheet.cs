using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>The marks of one answer, line by line, with the evidence of each.</summary>
/// <param name="Lines">A result for every line of the scheme.</param>
/// <param name="Extras">What each of the extras costs, all together within the cap.</param>
/// <param name="Exact">The total before rounding, not below 0.</param>
/// <param name="Total">The total, rounded once.</param>
/// <param name="Maximum">What could be earned.</param>
public sealed record MarkSheet(
    ImmutableArray<LineResult> Lines,
    ImmutableArray<ExtraLoss> Extras,
    Rational Exact,
    Rational Total,
    Rational Maximum
)
{
    /// <summary>What a person gave or took besides.</summary>
    public ImmutableArray<Adjusted> Adjustments { get; init; } = [];

    /// <summary>What the extras cost together.</summary>
    public Rational ExtrasLoss => Extras.Aggregate(Rational.Zero, (sum, extra) => sum + extra.Loss);
}

/// <summary>What something costs that stands for nothing.</summary>
public sealed record ExtraLoss(string AnswerId, Rational Loss);

/// <summary>The result of one line: what it earned and the credit of each of its facts, from 0 to 1.</summary>
public sealed record LineResult(MarkLine Line, Rational Earned, ImmutableArray<FactCredit> Credits)
{
    /// <summary>What of that a person gave or, below 0, took.</summary>
    public Rational Adjusted { get; init; }

    /// <summary>What the line lost by what was found.</summary>
    public Rational Lost => Line.Marks - Earned + Adjusted;
}

/// <summary>The credit of one fact within a line.</summary>
public sealed record FactCredit(string FactId, VerdictKind Verdict, Rational Credit, bool Ruled)
{
    /// <summary>What a person gives back of its share of the line's loss, from 0 to 1.</summary>
    public Rational GivenBack { get; init; }

    /// <summary>Its weight when what the line lost is shared out.</summary>
    public Rational Weight => (Rational.One - Credit) * (Rational.One - GivenBack);
}
