using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>
/// How sure the marks of an answer are: what it would get under other correspondences that cost hardly more, and by how much
/// careful examiners could differ on lines of which some is right and some is not.
/// </summary>
/// <param name="Lowest">The lowest total that is likely.</param>
/// <param name="Highest">The highest.</param>
/// <param name="Unsure">Entities of the model answer, by id, whose match is below the stated sureness.</param>
public sealed record Doubt(Rational Lowest, Rational Highest, ImmutableArray<string> Unsure)
{
    private static readonly Rational Part = new(1, 3);

    /// <summary>Whether it depends on what stands for what, so that a person has to look before the marks are released.</summary>
    public bool IsOpen { get; private init; }

    internal static Doubt Of(Comparison comparison, MarkSheet sheet, ImmutableArray<MarkSheet> others)
    {
        var totals = others.Select(other => other.Total).Append(sheet.Total).ToList();
        var (lowest, highest) = (totals.Aggregate(Rational.Min), totals.Aggregate(Rational.Max));
        var spread = SpreadOf(sheet);
        return new Doubt(
            Rational.Max(Rational.Zero, lowest - spread),
            Rational.Min(sheet.Maximum, highest + spread),
            comparison.Unsure
        )
        {
            IsOpen = lowest != highest || !comparison.Unsure.IsEmpty,
        };
    }

    // On each such line a part of its marks is a matter of judgement. Doubts that do not hang together seldom all fall the same
    // way: they add up by their squares.
    private static Rational SpreadOf(MarkSheet sheet)
    {
        var squares = 0.0;
        foreach (var line in sheet.Lines.Where(IsMixed))
        {
            var part = line.Line.Marks * Part;
            squares += Math.Pow((double)part.Numerator / (double)part.Denominator, 2);
        }

        return new Rational((long)Math.Round(Math.Sqrt(squares) * 2), 2);
    }

    private static bool IsMixed(LineResult line) =>
        line.Credits.Any(credit => credit.Credit > Rational.Zero)
        && line.Credits.Any(credit => credit.Credit < Rational.One)
        && !line.Credits.Any(credit => credit.Ruled);
}
