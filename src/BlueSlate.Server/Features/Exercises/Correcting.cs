using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Preparing;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>A corrected wording of a published exercise, why it is corrected, and which readings of the old one are accepted too.</summary>
public sealed record CorrectionRequest(int Revision, string Text, string Why, AcceptedReading[] Accept);

/// <summary>A wording that is only being thought of.</summary>
public sealed record CorrectionPreviewRequest(string Text);

/// <summary>A value that is accepted at a fact of a part's model answer, since the old wording allowed it.</summary>
public sealed record AcceptedReading(Guid PartId, string Fact, string Value);

/// <summary>What a correction would do: whom it reaches, and which readings the old wording allowed that the new one does not.</summary>
public sealed record CorrectionPreviewReply(int Drawing, int HandedIn, OldReading[] Readings);

/// <summary>A reading of the old wording.</summary>
/// <param name="PartId">The part whose model answer it is about.</param>
/// <param name="Said">What the old wording left open, or said otherwise.</param>
/// <param name="Accept">What to accept so that both are right.</param>
public sealed record OldReading(Guid PartId, string Said, AcceptedBesides Accept);

/// <summary>
/// Corrects the wording of an exercise that is published: what is drawn already keeps the wording for which it was begun, everybody is
/// told at once, and whoever begins from now on has the new one.
/// </summary>
public sealed class Correcting(
    BlueSlateContext database,
    Publishing publishing,
    ScenarioRenderer renderer,
    AuditTrail audit,
    TimeProvider clock
)
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder group)
    {
        group.MapPost("/{id:guid}/wording/preview", Preview).ForInstructors().Produces<CorrectionPreviewReply>();
        group.MapPut("/{id:guid}/wording", Correct).ForInstructors().NotForTrials().Produces<SavedReply>();
    }

    private static async Task<IResult> Preview(
        Guid id,
        CorrectionPreviewRequest request,
        Access access,
        Correcting correcting,
        CancellationToken cancellation
    ) =>
        await access.StaffExercises(instructorsOnly: true).AnyAsync(row => row.Id == id && row.PublishedAt != null, cancellation)
            ? ScenarioEndpoints.Refusal(request.Text)
                ?? TypedResults.Ok(await correcting.PreviewAsync(id, request.Text, cancellation))
            : ExerciseEndpoints.NoSuchExercise();

    private static async Task<IResult> Correct(
        Guid id,
        CorrectionRequest request,
        Access access,
        Correcting correcting,
        CancellationToken cancellation
    )
    {
        if (
            await access
                .StaffExercises(instructorsOnly: true)
                .FirstOrDefaultAsync(row => row.Id == id && row.PublishedAt != null, cancellation)
            is not { } exercise
        )
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        return Reason.Refusal(request.Why, "Everybody is told why", "why") is { } refusal
            ? refusal
            : ScenarioEndpoints.Refusal(request.Text) ?? await correcting.CorrectAsync(exercise, request, cancellation);
    }

    private async Task<CorrectionPreviewReply> PreviewAsync(Guid id, string text, CancellationToken cancellation)
    {
        var exercise = await WithAllAsync(id, cancellation);
        var before = exercise.Documents.TextOf(DocumentKind.Scenario);
        return new CorrectionPreviewReply(
            await database.Answers.CountAsync(answer => answer.ExerciseId == id && answer.HandedInAt == null, cancellation),
            await database.Answers.CountAsync(answer => answer.ExerciseId == id && answer.HandedInAt != null, cancellation),
            [
                .. exercise
                    .Parts.OrderBy(part => part.Position)
                    .SelectMany(part =>
                    {
                        var still = ItemsOf(part, text).Select(item => item.Key).ToHashSet(StringComparer.Ordinal);
                        return ItemsOf(part, before)
                            .Where(item => item.Accept is not null && !still.Contains(item.Key))
                            .Select(item => new OldReading(part.Id, item.Said, item.Accept!));
                    }),
            ]
        );
    }

    private async Task<IResult> CorrectAsync(Exercise exercise, CorrectionRequest request, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        var now = clock.GetUtcNow();
        var saved = await database
            .ExerciseDocuments.Where(document =>
                document.ExerciseId == exercise.Id
                && document.Kind == DocumentKind.Scenario
                && document.Revision == request.Revision
            )
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(document => document.Text, request.Text)
                        .SetProperty(document => document.Revision, request.Revision + 1)
                        .SetProperty(document => document.SavedAt, now),
                cancellation
            );
        if (saved == 0)
        {
            var current = await database
                .ExerciseDocuments.AsNoTracking()
                .FirstAsync(row => row.ExerciseId == exercise.Id && row.Kind == DocumentKind.Scenario, cancellation);
            return Problems.Conflict(
                "conflict",
                "Somebody else corrected the wording in the meantime. Look at theirs first.",
                new TextDocument(current.Revision, current.Text)
            );
        }

        var last = await database
            .QuestionRevisions.AsNoTracking()
            .Include(question => question.Parts)
            .Where(question => question.ExerciseId == exercise.Id)
            .OrderByDescending(question => question.Number)
            .FirstAsync(cancellation);
        database.QuestionRevisions.Add(NextOf(last, request.Text, request.Why.Trim(), now));
        audit.Add(AuditKind.Publish, exercise.CohortId, $"wording corrected: {request.Why.Trim()}", exercise.Id);
        await database.SaveChangesAsync(cancellation);
        var again = new List<Guid>();
        foreach (var readings in request.Accept.GroupBy(reading => reading.PartId))
        {
            again.AddRange(await AcceptAsync(exercise.Id, readings.Key, [.. readings], now, cancellation));
        }

        await transaction.CommitAsync(cancellation);
        publishing.Enqueue(again);
        return TypedResults.Ok(new SavedReply(request.Revision + 1));
    }

    private static QuestionRevision NextOf(QuestionRevision last, string scenario, string why, DateTimeOffset now)
    {
        var next = new QuestionRevision
        {
            Id = Guid.CreateVersion7(now),
            ExerciseId = last.ExerciseId,
            Number = last.Number + 1,
            Scenario = scenario,
            PublishedAt = now,
            Why = why,
        };
        next.Parts.AddRange(
            last.Parts.Select(part => new QuestionPart
            {
                QuestionRevisionId = next.Id,
                PartId = part.PartId,
                Position = part.Position,
                Document = part.Document,
            })
        );
        return next;
    }

    // Readings of parts of other exercises are nobody's to accept here: they are left out.
    private async Task<IReadOnlyList<Guid>> AcceptAsync(
        Guid exercise,
        Guid part,
        IReadOnlyList<AcceptedReading> readings,
        DateTimeOffset now,
        CancellationToken cancellation
    )
    {
        var document = await database.ExercisePartDocuments.FirstOrDefaultAsync(
            row =>
                row.PartId == part
                && row.Kind == DocumentKind.Assessment
                && database.ExerciseParts.Any(one => one.Id == part && one.ExerciseId == exercise),
            cancellation
        );
        if (document is null)
        {
            return [];
        }

        var assessment = ExerciseJson.Read<AssessmentDocument>(document.Text);
        foreach (var reading in readings)
        {
            assessment = assessment.Accepting(reading.Fact, reading.Value);
        }

        (document.Text, document.Revision, document.SavedAt) = (ExerciseJson.Write(assessment), document.Revision + 1, now);
        await database.SaveChangesAsync(cancellation);
        return await publishing.ReassessAsync(part, cancellation);
    }

    private IEnumerable<PreflightItem> ItemsOf(ExercisePart part, string scenario)
    {
        var document = ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part));
        return Preflight.Of(
            PreflightCase.Of(
                document,
                Subject.Of(document.Learned).Parse(part.Documents.TextOf(DocumentKind.Model))!,
                ExerciseJson.Read<AssessmentDocument>(part.Documents.TextOf(DocumentKind.Assessment)),
                renderer.ToProse(scenario)
            )
        );
    }

    private Task<Exercise> WithAllAsync(Guid id, CancellationToken cancellation) =>
        database
            .Exercises.AsNoTracking()
            .AsSplitQuery()
            .Include(row => row.Documents)
            .Include(row => row.Parts)
                .ThenInclude(part => part.Documents)
            .FirstAsync(row => row.Id == id, cancellation);
}
