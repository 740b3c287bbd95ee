using System.Collections.Immutable;

namespace BlueSlate.Core.Marking;

/// <summary>
/// Marks that a person gives or takes besides what was found: for something that no finding tells, at a part of the drawing, in a line
/// of the scheme or in the total.
/// </summary>
/// <param name="Id">Unique within one answer.</param>
/// <param name="LineId">The line of the scheme in which it counts; null for the total.</param>
/// <param name="Amount">What is given; below 0 what is taken.</param>
/// <param name="Reason">Why, in the words that the student reads.</param>
/// <param name="Elements">The parts of the drawing that it is about, by id; none where it is about the answer as a whole.</param>
public sealed record Adjustment(string Id, string? LineId, Rational Amount, string Reason, ImmutableArray<string> Elements);

/// <summary>
/// An adjustment with what came of it: a line earns no less than nothing and no more than it is worth, and so does the whole. One whose
/// line is not in the scheme changes nothing.
/// </summary>
public sealed record Adjusted(Adjustment Adjustment, Rational Effect);

/// <summary>What a person decided on one answer.</summary>
/// <param name="Rulings">On what was found.</param>
/// <param name="Adjustments">Besides that, in the order in which they count.</param>
public sealed record Decisions(ImmutableArray<Ruling> Rulings, ImmutableArray<Adjustment> Adjustments)
{
    /// <summary>Nothing is decided.</summary>
    public static Decisions None { get; } = new([], []);

    /// <summary>Whether nothing is decided.</summary>
    public bool IsNone => Rulings.IsEmpty && Adjustments.IsEmpty;

    /// <summary>On what was found, and nothing besides.</summary>
    public static implicit operator Decisions(ImmutableArray<Ruling> rulings) => new(rulings, []);
}
