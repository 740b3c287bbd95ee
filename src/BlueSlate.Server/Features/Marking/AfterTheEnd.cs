using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>A drawing that reached the server after its answer was handed in.</summary>
public sealed record DrawingAfterEnd(Guid Id, DateTimeOffset At, string Drawing);

/// <summary>Takes a drawing that came after the end in place of what was handed in, and says why.</summary>
public sealed record TakeAfterEndRequest(Guid State, string Reason);

/// <summary>
/// What was drawn without a connection and came after the end: kept beside the answer, and a person says whether it counts.
/// </summary>
public sealed class AfterTheEnd(BlueSlateContext database, WorkAssessment assessment, AuditTrail audit, TimeProvider clock)
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(RouteGroupBuilder group) =>
        group.MapPut("/work/{id:guid}/after-end", Take).ForInstructors().Produces<MarkingReply>();

    /// <summary>What came for work after its end, the newest first.</summary>
    public static Task<DrawingAfterEnd[]> OfAsync(BlueSlateContext database, Guid work, CancellationToken cancellation) =>
        database
            .Checkpoints.AsNoTracking()
            .Where(state => state.WorkId == work && state.Reason == CheckpointReason.TooLate)
            .OrderByDescending(state => state.At)
            .Select(state => new DrawingAfterEnd(state.Id, state.At, state.Drawing))
            .ToArrayAsync(cancellation);

    private static async Task<IResult> Take(
        Guid id,
        TakeAfterEndRequest request,
        Access access,
        AfterTheEnd after,
        MarkingPage page,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        if (!await access.MarkableWorks().AnyAsync(work => work.Id == id, cancellation))
        {
            return MarkingEndpoints.NoSuchAnswer();
        }

        if (await sample.BlindForMe().ContainsAsync(id, cancellation))
        {
            return MarkingEndpoints.BlindFirst();
        }

        return Reason.Refusal(request.Reason, "The record keeps why") is { } refusal
            ? refusal
            : await after.TakeAsync(id, request.State, request.Reason.Trim(), cancellation)
                ?? TypedResults.Ok(await page.OfAsync(id, cancellation));
    }

    private async Task<IResult?> TakeAsync(Guid id, Guid state, string reason, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var work = await database
            .Works.Include(row => row.Answer!.Exercise)
            .Include(row => row.Released)
            .FirstAsync(row => row.Id == id, cancellation);
        await database.LockExerciseAsync(work.Answer!.ExerciseId, cancellation);
        if (work.Released is not null)
        {
            return Problems.Conflict("released", "The marks of this answer are released; what it is no longer changes.");
        }

        var taken = await database.Checkpoints.FirstOrDefaultAsync(
            row => row.Id == state && row.WorkId == id && row.Reason == CheckpointReason.TooLate,
            cancellation
        );
        if (taken is null)
        {
            return Problems.NotFound("no-such-drawing", "No such drawing came after the end of this answer.");
        }

        var now = clock.GetUtcNow();
        database.Checkpoints.Add(
            new Checkpoint
            {
                Id = Guid.CreateVersion7(now),
                WorkId = id,
                Revision = work.Revision,
                Reason = CheckpointReason.Replaced,
                Drawing = work.Drawing,
                At = now,
            }
        );
        database.Checkpoints.Remove(taken);
        (work.Drawing, work.DrawingHash) = (taken.Drawing, Answers.StoredDrawings.HashOf(taken.Drawing));
        (work.Revision, work.SavedAt) = (work.Revision + 1, now);
        (work.GoneThroughAt, work.GoneThroughById, work.ConfirmedAt) = (null, null, null);
        work.Answer.Late = true;
        audit.Add(
            AuditKind.Ruling,
            work.Answer.Exercise!.CohortId,
            $"{work.Answer.CandidateCode}: what came after the end is taken: {reason}",
            work.Answer.ExerciseId
        );
        await database.SaveChangesAsync(cancellation);
        if (await assessment.RunOrNotAsync(id, cancellation) is { } result)
        {
            await assessment.StoreAsync(result, now, cancellation);
        }

        await transaction.CommitAsync(cancellation);
        return null;
    }
}
