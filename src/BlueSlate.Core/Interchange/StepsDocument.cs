using System.Collections.Immutable;

namespace BlueSlate.Core.Interchange;

/// <summary>How a person wants a model answer to be built up, where that is not as proposed (docs/formats/README.md).</summary>
public sealed record StepsDocument
{
    private const int MostSteps = 500;
    private const int MostElements = 2_000;
    private const int LongestId = 100;
    private const int LongestText = 600;

    /// <summary>The steps in their order; none where they are as proposed.</summary>
    public ImmutableArray<StepDocument> Steps { get; init; } = [];

    /// <summary>What is wrong with it, in sentences.</summary>
    public IEnumerable<string> Problems()
    {
        if (Steps.IsDefault || Steps.Length > MostSteps)
        {
            yield return $"A model answer is built up in at most {MostSteps} steps.";
            yield break;
        }

        foreach (var (step, at) in Steps.Select((step, at) => (step, at + 1)))
        {
            if (
                step.Elements.IsDefaultOrEmpty
                || step.Elements.Length > MostElements
                || step.Elements.Any(id => id is null || id.Length is 0 or > LongestId)
            )
            {
                yield return $"Step {at} draws something: ids of at most {LongestId} characters.";
            }

            if (step.Said?.Length > LongestText || step.Why?.Length > LongestText)
            {
                yield return $"What is said at step {at} has at most {LongestText} characters.";
            }
        }
    }
}

/// <summary>One step.</summary>
public sealed record StepDocument
{
    /// <summary>The elements that it draws.</summary>
    public ImmutableArray<string> Elements { get; init; } = [];

    /// <summary>What is said of it; null as proposed.</summary>
    public string? Said { get; init; }

    /// <summary>Why it is drawn so; null as proposed.</summary>
    public string? Why { get; init; }
}
