namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>How far a derivation goes.</summary>
/// <param name="Astray">The steps that do not follow by one rule from those before, by their place in it.</param>
/// <param name="IsFinished">Whether it comes to what was to be derived.</param>
public sealed record DerivationStanding(IReadOnlyList<int> Astray, bool IsFinished);

/// <summary>
/// Whether a step of a derivation follows by one of the rules of Armstrong (Dependency Structures of Data Base Relationships, 1974) and
/// those that are commonly derived from them: what is given, reflexivity, augmentation, transitivity, union, decomposition,
/// pseudotransitivity.
/// </summary>
public static class DerivationCheck
{
    /// <summary>Which steps of a derivation do not follow, and whether it comes to its end.</summary>
    /// <param name="steps">The steps, in their order; null for one about something that is not known.</param>
    /// <param name="goal">What is to be derived.</param>
    /// <param name="given">What is given.</param>
    public static DerivationStanding Of(IReadOnlyList<Dependency?> steps, Dependency goal, IReadOnlyList<Dependency> given)
    {
        var (sound, astray) = (new List<Dependency>(), new List<int>());
        foreach (var (i, step) in steps.Index())
        {
            if (step is { } known && Follows(known, sound, given))
            {
                sound.Add(known);
            }
            else
            {
                astray.Add(i);
            }
        }

        // What goes astray is told there: the end that is written is an end.
        return new DerivationStanding(
            astray,
            steps.Count > 0 && steps[^1] is { } last && last.From == goal.From && goal.To.IsSubsetOf(last.To)
        );
    }

    /// <summary>
    /// Whether a step is given, or follows from the steps before it by one rule applied once. What is given counts where it is written.
    /// </summary>
    /// <param name="step">The step.</param>
    /// <param name="before">The steps before it.</param>
    /// <param name="given">What is given.</param>
    public static bool Follows(Dependency step, IReadOnlyList<Dependency> before, IReadOnlyList<Dependency> given)
    {
        if (step.IsTrivial)
        {
            return true;
        }

        return IsGiven(step, given)
            || before.Any(one => IsAugmented(step, one))
            || before.Any(one => before.Any(other => IsChained(step, one, other) || IsUnited(step, one, other)));
    }

    // Several arrows from one determinant are one dependency.
    private static bool IsGiven(Dependency step, IReadOnlyList<Dependency> given) =>
        step.To.IsSubsetOf(given.Where(one => one.From == step.From).Aggregate(AttributeSet.Empty, (all, one) => all | one.To));

    // X → Y gives XZ → YZ, and with less behind the arrow, decomposition.
    private static bool IsAugmented(Dependency step, Dependency one) =>
        one.From.IsSubsetOf(step.From) && step.To.IsSubsetOf(one.To | step.From);

    // X → Y and WY → Z give WX → Z.
    private static bool IsChained(Dependency step, Dependency one, Dependency other) =>
        one.From.IsSubsetOf(step.From)
        && other.From.IsSubsetOf(one.To | step.From)
        && step.To.IsSubsetOf(other.To | one.To | step.From);

    private static bool IsUnited(Dependency step, Dependency one, Dependency other) =>
        one.From == step.From && other.From == step.From && step.To.IsSubsetOf(one.To | other.To | step.From);
}
