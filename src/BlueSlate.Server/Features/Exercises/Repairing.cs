using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>A repaired model answer that is only being thought of.</summary>
public sealed record RepairPreviewRequest(string Text);

/// <summary>A repaired model answer, from which revision it started, and why.</summary>
public sealed record RepairRequest(int Revision, string Text, string Why);

/// <summary>What a repair would do.</summary>
/// <param name="Marks">Whose marks would change.</param>
/// <param name="Gone">What the model answer would no longer say, of what earns marks.</param>
/// <param name="Added">What it would say besides, with the lines of the scheme that it gets.</param>
/// <param name="Unmarked">What it would say besides that no line of the scheme asks for.</param>
public sealed record RepairPreviewReply(MarkChangesReply Marks, string[] Gone, string[] Added, string[] Unmarked);

/// <summary>
/// Repairs the model answer of an exercise that is published. Things keep their ids, so the lines of the scheme keep what is still there;
/// everything handed in is judged anew, and what is released gets proposals and no other marks.
/// </summary>
public sealed class Repairing(
    BlueSlateContext database,
    Publishing publishing,
    WorkAssessment assessment,
    BlindSample sample,
    AuditTrail audit,
    TimeProvider clock
)
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder group)
    {
        group.MapPost("/{id:guid}/model/repair/preview", Preview).ForInstructors().Produces<RepairPreviewReply>();
        group.MapPut("/{id:guid}/model/repair", Repair).ForInstructors().Produces<SavedReply>();
    }

    private static async Task<IResult> Preview(
        Guid id,
        RepairPreviewRequest request,
        Access access,
        Repairing repairing,
        CancellationToken cancellation
    )
    {
        if (await repairing.PublishedAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var (drawing, refusal) = DrawingInput.Read(request.Text);
        return drawing is null ? refusal! : TypedResults.Ok(await repairing.PreviewAsync(part, drawing, cancellation));
    }

    private static async Task<IResult> Repair(
        Guid id,
        RepairRequest request,
        Access access,
        Repairing repairing,
        CancellationToken cancellation
    )
    {
        if (await repairing.PublishedAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var (drawing, refusal) = DrawingInput.Read(request.Text);
        return drawing is null ? refusal!
            : drawing.IsBlank ? Problems.Unreadable("blank", "A model answer with nothing in it marks nobody.", "text")
            : Reason.Refusal(request.Why, "The record keeps why", "why") is { } unfounded ? unfounded
            : await repairing.RepairAsync(part, request, drawing, cancellation);
    }

    // With its documents and its exercise.
    private async Task<ExercisePart?> PublishedAsync(Guid id, Access access, CancellationToken cancellation)
    {
        var mine = access.StaffParts(instructorsOnly: true);
        return await database
            .ExerciseParts.Include(row => row.Documents)
            .Include(row => row.Exercise)
            .FirstOrDefaultAsync(
                row => row.Id == id && row.Exercise!.PublishedAt != null && mine.Any(part => part.Id == row.Id),
                cancellation
            );
    }

    private async Task<RepairPreviewReply> PreviewAsync(ExercisePart part, Drawing drawing, CancellationToken cancellation)
    {
        var repair = Of(part, drawing);
        var thoughtOf = new AssessmentRevision
        {
            Id = Guid.Empty,
            PartId = part.Id,
            Number = 0,
            Model = repair.Model,
            Assessment = ExerciseJson.Write(repair.Assessment),
        };
        var known = repair.Before.Select(fact => fact.Id).ToHashSet(StringComparer.Ordinal);
        var now = repair.After.Select(fact => fact.Id).ToHashSet(StringComparer.Ordinal);
        var asked = AskedIn(repair.Assessment);
        var wasAsked = AskedIn(AssessmentOf(part));
        var added = repair.After.Where(fact => !known.Contains(fact.Id)).ToLookup(fact => asked.Contains(fact.Id));
        return new RepairPreviewReply(
            await MarkChanges.OfAsync(thoughtOf, database, assessment, sample, cancellation),
            [.. repair.Before.Where(fact => !now.Contains(fact.Id) && wasAsked.Contains(fact.Id)).Select(fact => fact.Title)],
            [.. added[true].Select(fact => fact.Title)],
            [.. added[false].Select(fact => fact.Title)]
        );
    }

    private async Task<IResult> RepairAsync(
        ExercisePart part,
        RepairRequest request,
        Drawing drawing,
        CancellationToken cancellation
    )
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(part.ExerciseId, cancellation);
        // What was read before the exercise was held may have been saved anew since: the scheme as well as the model answer.
        foreach (var document in part.Documents)
        {
            await database.Entry(document).ReloadAsync(cancellation);
        }

        var model = part.Documents.First(document => document.Kind == DocumentKind.Model);
        if (model.Revision != request.Revision)
        {
            return Problems.Conflict(
                "conflict",
                "Somebody else repaired the model answer in the meantime. Look at theirs first.",
                new TextDocument(model.Revision, model.Text)
            );
        }

        var repair = Of(part, drawing);
        var now = clock.GetUtcNow();
        Write(model, repair.Model, now);
        Write(
            part.Documents.First(document => document.Kind == DocumentKind.Assessment),
            ExerciseJson.Write(repair.Assessment.Canonical()),
            now
        );
        audit.Add(AuditKind.Publish, part.Exercise!.CohortId, $"model answer repaired: {request.Why.Trim()}", part.ExerciseId);
        await database.SaveChangesAsync(cancellation);
        var again = await publishing.ReassessAsync(part.Id, cancellation);
        await transaction.CommitAsync(cancellation);
        publishing.Enqueue(again);
        return TypedResults.Ok(new SavedReply(model.Revision));
    }

    private static void Write(ExercisePartDocument document, string text, DateTimeOffset now)
    {
        document.Text = text;
        document.Revision++;
        document.SavedAt = now;
    }

    private static Repaired Of(ExercisePart part, Drawing drawing)
    {
        var options = ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part)).Learned;
        var subject = Subject.Of(options);
        var before = subject.Facts(subject.Parse(part.Documents.TextOf(DocumentKind.Model))!, options);
        var after = subject.Facts(drawing, options);
        var current = AssessmentOf(part);
        return new Repaired(
            DrawingWriter.WriteText(drawing),
            [.. before],
            [.. after],
            current with
            {
                Scheme = SchemeDocument.Of(VariantScheme.Repaired(current.Scheme!.ToScheme(), before, after)),
            }
        );
    }

    private static AssessmentDocument AssessmentOf(ExercisePart part) =>
        ExerciseJson.Read<AssessmentDocument>(part.Documents.TextOf(DocumentKind.Assessment));

    private static HashSet<string> AskedIn(AssessmentDocument assessment) =>
        assessment.Scheme!.ToScheme().Lines.SelectMany(line => line.FactIds).ToHashSet(StringComparer.Ordinal);

    private sealed record Repaired(string Model, Fact[] Before, Fact[] After, AssessmentDocument Assessment);
}
