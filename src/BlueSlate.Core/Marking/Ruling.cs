using System.Collections.Immutable;

namespace BlueSlate.Core.Marking;

/// <summary>What a person decided on a finding.</summary>
public enum Decision
{
    Allow,
    AllowInPart,
    KeepLoss,
}

/// <summary>
/// A person's decision that overrides verdicts: at facts of the model answer, and at extras by the answer's concepts.
/// </summary>
/// <param name="Decision">Allow: the drawing stands, no loss. Allow in part: a part of the loss stays. Keep the loss.</param>
/// <param name="FactIds">The facts ruled on.</param>
/// <param name="Extras">The extras ruled on.</param>
/// <param name="Comment">Why, for the student to read; may be empty.</param>
public sealed record Ruling(Decision Decision, ImmutableArray<string> FactIds, ImmutableArray<string> Extras, string Comment)
{
    /// <summary>What is given back of a loss that is allowed in part: more than 0 and less than 1 of it.</summary>
    public Rational Part { get; init; } = Rational.Half;

    /// <summary>What is given back of the loss, from 0 to 1.</summary>
    public Rational GivenBack =>
        Decision switch
        {
            Decision.Allow => Rational.One,
            Decision.AllowInPart => Part,
            _ => Rational.Zero,
        };
}
