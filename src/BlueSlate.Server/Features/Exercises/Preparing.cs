using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>
/// What is computed from a part of an exercise for those who set it: what may be amiss before anybody sees it, of the drawing as it
/// is now, and its model answer step by step.
/// </summary>
internal static class Preparing
{
    public static async Task<IResult> Look(
        Guid id,
        ReadingRequest request,
        Access access,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    )
    {
        if (await FindAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var (drawing, refusal) = DrawingInput.Read(request.Drawing);
        if (drawing is null)
        {
            return refusal!;
        }

        var one = CaseOf(part, drawing, renderer) with { SecondsPerFact = await Pace.SecondsPerFactAsync(access, cancellation) };
        return TypedResults.Ok(
            new PreflightReply(
                [.. Preflight.Of(one).Select(PreflightItemReply.Of)],
                CoverReply.Of(Subject.Of(one.Options).Cover(one))
            )
        );
    }

    /// <summary>The model answer as it is saved, built up step by step.</summary>
    public static async Task<IResult> Steps(Guid id, Access access, ScenarioRenderer renderer, CancellationToken cancellation)
    {
        if (await FindAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var options = ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part)).Learned;
        var subject = Subject.Of(options);
        var model = subject.Parse(part.Documents.TextOf(DocumentKind.Model))!;
        var written = part.Documents.First(document => document.Kind == DocumentKind.Steps);
        var edited = ExerciseJson.Read<StepsDocument>(written.Text);
        return TypedResults.Ok(
            new PartStepsReply(
                written.Revision,
                edited.Steps.IsEmpty,
                await access.StaffParts(instructorsOnly: true).AnyAsync(row => row.Id == id, cancellation),
                [.. EditedSteps.Of(subject.Steps(CaseOf(part, model, renderer)), edited).Select(PartStepReply.Of)]
            )
        );
    }

    private static async Task<ExercisePart?> FindAsync(Guid id, Access access, CancellationToken cancellation) =>
        await access
            .StaffParts()
            .AsNoTracking()
            .Include(row => row.Documents)
            .Include(row => row.Exercise)
                .ThenInclude(exercise => exercise!.Documents)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);

    private static PreflightCase CaseOf(ExercisePart part, IDocument model, ScenarioRenderer renderer) =>
        PreflightCase.Of(
            ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part)),
            model,
            ExerciseJson.Read<AssessmentDocument>(part.Documents.TextOf(DocumentKind.Assessment)),
            renderer.ToProse(part.Exercise!.Documents.TextOf(DocumentKind.Scenario))
        );
}

/// <summary>A model answer built up step by step, as those who set it may change it.</summary>
/// <param name="Revision">Of what a person changed, to save the next change.</param>
/// <param name="AsProposed">Whether nothing was changed.</param>
/// <param name="MayEdit">Whether whoever asks may change it.</param>
/// <param name="Steps">The steps.</param>
public sealed record PartStepsReply(int Revision, bool AsProposed, bool MayEdit, PartStepReply[] Steps);

/// <summary>One step, with the elements of the proposed steps that it is made of, and what a person wrote of it.</summary>
public sealed record PartStepReply(
    string Said,
    string Why,
    string[] Elements,
    ScenarioPlace[] Places,
    string[][] Pieces,
    string? OwnSaid,
    string? OwnWhy
)
{
    internal static PartStepReply Of(EditedStep edited) =>
        new(
            edited.Step.Said,
            edited.Step.Why,
            [.. edited.Step.Elements],
            [.. edited.Step.Places],
            [.. edited.Pieces.Select(piece => piece.ToArray())],
            edited.OwnSaid,
            edited.OwnWhy
        );
}

/// <summary>Saves how a model answer is built up, conditional on the revision it started from.</summary>
public sealed record SaveStepsRequest(int Revision, StepsDocument Value);

/// <summary>A model answer built up step by step.</summary>
public sealed record StepsReply(StepReply[] Steps)
{
    internal static StepsReply Of(IEnumerable<WorkedStep> steps) =>
        new([.. steps.Select(step => new StepReply(step.Said, step.Why, [.. step.Elements], [.. step.Places]))]);
}

/// <summary>One step.</summary>
/// <param name="Said">What is drawn in it.</param>
/// <param name="Why">Why.</param>
/// <param name="Elements">The shapes, lines and rows that are drawn in it.</param>
/// <param name="Places">The words of the scenario that it follows from.</param>
public sealed record StepReply(string Said, string Why, string[] Elements, ScenarioPlace[] Places);

/// <summary>What may be amiss with a part, what decides most first.</summary>
public sealed record PreflightReply(PreflightItemReply[] Items, CoverReply Cover);

/// <summary>How far the scenario and the model answer cover each other.</summary>
/// <param name="Facts">How many things the words are to decide.</param>
/// <param name="Decided">How many of them they do, or a person did.</param>
/// <param name="Undecided">The elements of which they leave something open.</param>
/// <param name="Phrases">How many phrases of the scenario tell something.</param>
/// <param name="Unused">Those that nothing in the model answer uses.</param>
/// <param name="Proposed">Words that could be tied to what they tell of.</param>
public sealed record CoverReply(
    int Facts,
    int Decided,
    string[] Undecided,
    int Phrases,
    ScenarioPlace[] Unused,
    ProposedTie[] Proposed
)
{
    internal static CoverReply Of(ScenarioCover cover) =>
        new(cover.Facts, cover.Decided, [.. cover.Undecided], cover.Phrases, [.. cover.Unused], [.. cover.Proposed]);
}

/// <summary>One thing that may be amiss.</summary>
/// <param name="Kind">The stable name of its kind.</param>
/// <param name="Title">What several of its kind are called.</param>
/// <param name="Key">By which <c>meant so</c> is kept.</param>
/// <param name="Said">What it is.</param>
/// <param name="Better">A sentence for the scenario that would decide it; empty for none.</param>
/// <param name="Places">The words of the scenario that it is about.</param>
/// <param name="Elements">The elements of the model answer that it is about.</param>
/// <param name="Accept">What may be accepted besides, so that both readings are right; null where nothing would do.</param>
public sealed record PreflightItemReply(
    string Kind,
    string Title,
    string Key,
    string Said,
    string Better,
    ScenarioPlace[] Places,
    string[] Elements,
    AcceptedBesides? Accept
)
{
    /// <summary>The reply for an item.</summary>
    public static PreflightItemReply Of(PreflightItem item) =>
        new(
            item.Kind,
            Preflight.TitleOf(item.Kind),
            item.Key,
            item.Said,
            item.Better,
            [.. item.Places],
            [.. item.Elements],
            item.Accept
        );
}
