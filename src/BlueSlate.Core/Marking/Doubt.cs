using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>
/// How sure the marks of an answer are: what it would get under other correspondences that cost hardly more, and which elements
/// are matched by their place rather than by their name.
/// </summary>
/// <param name="Lowest">The lowest total among the likely correspondences.</param>
/// <param name="Highest">The highest.</param>
/// <param name="Unsure">Entities of the model answer, by id, whose match is below the stated sureness.</param>
public sealed record Doubt(Rational Lowest, Rational Highest, ImmutableArray<string> Unsure)
{
    /// <summary>Whether a person has to look before the marks are released.</summary>
    public bool IsOpen => Lowest != Highest || !Unsure.IsEmpty;

    internal static Doubt Of(Comparison comparison, MarkSheet sheet, ImmutableArray<MarkSheet> others)
    {
        var totals = others.Select(other => other.Total).Append(sheet.Total).ToList();
        return new Doubt(totals.Aggregate(Rational.Min), totals.Aggregate(Rational.Max), comparison.Unsure);
    }
}
