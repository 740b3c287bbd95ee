using System.Collections.Immutable;
using BlueSlate.Core;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>A drawing of one's own, checked as a student's would be, with the model answer, drawn and in sentences.</summary>
public sealed record TriedReply(
    string ScenarioHtml,
    string Drawing,
    string ModelDrawing,
    ResultSentence[] ModelSentences,
    StudentResult Result,
    ScenarioEvidence Evidence
);

/// <summary>A drawing to be checked, and what was drawn before of the part with whose drawing it was begun, if that was any.</summary>
public sealed record TryRequest(string Drawing, string? Before = null);

/// <summary>
/// An exercise tried on oneself before anybody sees it: read as a student would read it, and checked as it is written now. Nothing of it is
/// kept or counted.
/// </summary>
internal static class Trying
{
    /// <summary>What a drawing says, as far as the part lets students know.</summary>
    public static async Task<IResult> Read(
        Guid id,
        ReadingRequest request,
        Access access,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    ) =>
        await FindAsync(id, access, cancellation) is { } part
            ? StudentReading.Of(
                DocumentOf(part),
                request.Drawing,
                renderer.ToProse(part.Exercise!.Documents.TextOf(DocumentKind.Scenario))
            )
            : PartEndpoints.NoSuchPart();

    /// <summary>Checks a drawing.</summary>
    public static async Task<IResult> Check(
        Guid id,
        TryRequest request,
        Access access,
        ScenarioRenderer renderer,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        if (await FindAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        if (Publishing.Missing(part) is { } missing)
        {
            return Problems.Unreadable("not-ready", $"{missing} first.");
        }

        var document = DocumentOf(part);
        var subject = Subject.Of(document.Learned);
        if (subject.Parse(request.Drawing) is not { } drawing)
        {
            return DrawingInput.Read(request.Drawing).Refusal!;
        }

        var question = Publishing.Asked(part.Exercise!, clock.GetUtcNow());
        var assessor = AssessorOf(part, question);
        var assessment = Inherited(part, question, request.Before, assessor, assessor.Assess(drawing, []));
        return TypedResults.Ok(
            new TriedReply(
                renderer.Render(question.Scenario),
                request.Drawing,
                subject.Write(assessment.ModelAnswer),
                [.. subject.Sentences(assessment.ModelAnswer, document.Learned).Select(ResultSentence.Of)],
                StudentResult.Of(ResultDocument.Of(assessment, ""), withModel: true),
                ScenarioEvidence.Of(
                    document,
                    drawing,
                    assessment.ModelAnswer,
                    renderer.ToProse(question.Scenario),
                    "your drawing"
                )
            )
        );
    }

    // What one drew of the earlier part oneself, if one did.
    private static Assessment Inherited(
        ExercisePart part,
        QuestionRevision question,
        string? before,
        Assessor assessor,
        Assessment assessment
    )
    {
        if (
            before is null
            || DocumentOf(part).Begin is not { With: BeginsWith.OwnDrawing, Part: { } number }
            || part.Exercise!.Parts.Find(other => other.Position == number) is not { } earlier
        )
        {
            return assessment;
        }

        var drawn = assessor.Subject.Parse(before);
        return drawn is null || Publishing.Missing(earlier) is not null
            ? assessment
            : new FollowingOn(assessor, AssessorOf(earlier, question)).Inherited(
                assessment,
                drawn,
                ImmutableDictionary<string, string>.Empty
            );
    }

    /// <summary>The assessor of a part as it is written.</summary>
    internal static Assessor AssessorOf(ExercisePart part, QuestionRevision question) =>
        AssessorStore.Prepare(
            question.Parts.Find(one => one.PartId == part.Id)!,
            question,
            Publishing.HeldAgainst(part, 1, question.PublishedAt)
        );

    /// <summary>What is asked in a part as it is written.</summary>
    internal static PartDocument DocumentOf(ExercisePart part) =>
        ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part));

    /// <summary>A part with its exercise and all that is written of it; null for none of the caller's.</summary>
    internal static Task<ExercisePart?> FindAsync(Guid id, Access access, CancellationToken cancellation) =>
        access
            .StaffParts()
            .AsNoTrackingWithIdentityResolution()
            .AsSplitQuery()
            .Include(row => row.Documents)
            .Include(row => row.Exercise!.Documents)
            .Include(row => row.Exercise!.Parts)
                .ThenInclude(other => other.Documents)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
}
