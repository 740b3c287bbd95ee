using System.Collections.Immutable;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Preparing;

/// <summary>A step as a person wants it.</summary>
/// <param name="Step">What is drawn, said and shown in it.</param>
/// <param name="Pieces">The elements of the proposed steps that it is made of, in its order.</param>
/// <param name="OwnSaid">What a person wrote of it; null where it is as proposed.</param>
/// <param name="OwnWhy">The same of its reason.</param>
public sealed record EditedStep(
    WorkedStep Step,
    ImmutableArray<ImmutableArray<string>> Pieces,
    string? OwnSaid = null,
    string? OwnWhy = null
);

/// <summary>
/// Puts what a person wants and what is proposed together. Order and words are the person's; what is said of nothing is proposed still,
/// what is drawn no longer is left out, and what was drawn since comes behind the step that is proposed before it.
/// </summary>
public static class EditedSteps
{
    /// <summary>The steps in their order. Each element that is proposed is in one of them.</summary>
    public static ImmutableArray<EditedStep> Of(ImmutableArray<WorkedStep> proposed, StepsDocument edited)
    {
        var stepOf = proposed
            .SelectMany((step, at) => step.Elements.Select(element => (element, at)))
            .DistinctBy(pair => pair.element)
            .ToDictionary(pair => pair.element, pair => pair.at, StringComparer.Ordinal);
        var left = stepOf.Keys.ToHashSet(StringComparer.Ordinal);
        var steps = new List<EditedStep>();
        foreach (var wanted in edited.Steps)
        {
            ImmutableArray<string> elements = [.. wanted.Elements.Where(left.Remove)];
            if (!elements.IsEmpty)
            {
                steps.Add(Made(proposed, elements, stepOf, wanted));
            }
        }

        for (var at = 0; at < proposed.Length; at++)
        {
            ImmutableArray<string> missing = [.. proposed[at].Elements.Where(left.Contains)];
            if (!missing.IsEmpty)
            {
                var before = at == 0 ? [] : proposed[at - 1].Elements;
                var place = steps.FindLastIndex(step => step.Step.Elements.Any(before.Contains)) + 1;
                steps.Insert(place, Made(proposed, missing, stepOf, new StepDocument()));
            }
        }

        return [.. steps];
    }

    private static EditedStep Made(
        ImmutableArray<WorkedStep> proposed,
        ImmutableArray<string> elements,
        Dictionary<string, int> stepOf,
        StepDocument wanted
    )
    {
        var pieces = elements.GroupBy(element => stepOf[element]).ToList();
        var sources = pieces.ConvertAll(piece => proposed[piece.Key]);
        return new EditedStep(
            new WorkedStep(
                wanted.Said ?? string.Join(' ', sources.Select(step => step.Said)),
                wanted.Why ?? string.Join(' ', sources.Select(step => step.Why).Distinct(StringComparer.Ordinal)),
                elements,
                [.. sources.SelectMany(step => step.Places).Distinct<ScenarioPlace>()]
            ),
            [.. pieces.Select(piece => piece.ToImmutableArray())],
            wanted.Said,
            wanted.Why
        );
    }
}
