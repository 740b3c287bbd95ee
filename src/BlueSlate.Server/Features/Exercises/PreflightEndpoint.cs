using BlueSlate.Core.Interchange;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Looks a part of an exercise over before anybody sees it: its scenario, a model answer as it is drawn now, its scheme.</summary>
internal static class PreflightEndpoint
{
    public static async Task<IResult> Look(
        Guid id,
        ReadingRequest request,
        Access access,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    )
    {
        var part = await access
            .StaffParts()
            .AsNoTracking()
            .Include(row => row.Documents)
            .Include(row => row.Exercise)
                .ThenInclude(exercise => exercise!.Documents)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (part is null)
        {
            return PartEndpoints.NoSuchPart();
        }

        var (drawing, refusal) = DrawingInput.Read(request.Drawing);
        if (drawing is null)
        {
            return refusal!;
        }

        var asked = ExerciseJson.Read<PartDocument>(TextOf(part.Documents, DocumentKind.Part));
        var assessment = ExerciseJson.Read<AssessmentDocument>(TextOf(part.Documents, DocumentKind.Assessment));
        var prose = renderer.ToProse(TextOf(part.Exercise!.Documents, DocumentKind.Scenario));
        var items = Preflight.Of(PreflightCase.Of(asked, drawing, assessment, prose));
        return TypedResults.Ok(new PreflightReply([.. items.Select(PreflightItemReply.Of)]));
    }

    private static string TextOf(IEnumerable<WrittenDocument> documents, DocumentKind kind) =>
        documents.First(document => document.Kind == kind).Text;
}

/// <summary>What may be amiss with a part, what decides most first.</summary>
public sealed record PreflightReply(PreflightItemReply[] Items);

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
