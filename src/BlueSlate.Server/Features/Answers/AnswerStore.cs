using BlueSlate.Core.Drawings;
using BlueSlate.Data;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>
/// Keeps answers. A save is one conditional UPDATE: it counts when it starts from the current revision, the answer is not
/// handed in, and the server's clock is not past the end and its grace. What loses is kept as a checkpoint.
/// </summary>
public sealed class AnswerStore(BlueSlateContext database, CheckQueue queue, TimeProvider clock)
{
    /// <summary>How long after the end a save still counts.</summary>
    public static TimeSpan Grace { get; } = TimeSpan.FromSeconds(30);

    /// <summary>How many drawings that lost a conflict or came too late are kept of an answer: the newest.</summary>
    public const int MostLosers = 10;

    private static readonly TimeSpan CheckpointEvery = TimeSpan.FromMinutes(5);

    /// <summary>Saves a drawing of the owner's, or says what stands against it.</summary>
    public async Task<IResult> SaveAsync(
        Guid id,
        Guid owner,
        int revision,
        Guid saveId,
        Drawing drawing,
        CancellationToken cancellation
    )
    {
        var now = clock.GetUtcNow();
        var (text, hash) = DrawingWriter.WriteWithHash(drawing);
        var (ended, since) = (now - Grace, now - CheckpointEvery);
        const string periodic = nameof(CheckpointReason.Periodic);
        // One statement, so that a save is one journey to the database: the update that decides, and now and then a checkpoint
        // of it.
        var saved = await database
            .Database.SqlQuery<int>(
                $"""
                WITH saved AS (
                    UPDATE answers SET drawing = {text}, drawing_hash = {hash}, revision = {revision} + 1,
                        save_id = {saveId}, saved_at = {now}
                    WHERE id = {id} AND account_id = {owner} AND revision = {revision}
                        AND handed_in_at IS NULL AND (ends_at IS NULL OR ends_at >= {ended})
                    RETURNING id, revision, drawing),
                kept AS (
                    INSERT INTO checkpoints (id, answer_id, revision, reason, drawing, at)
                    SELECT {Guid.CreateVersion7(now)}, saved.id, saved.revision, {periodic}, saved.drawing, {now} FROM saved
                    WHERE NOT EXISTS (SELECT 1 FROM checkpoints WHERE answer_id = {id} AND at > {since}))
                SELECT count(*)::int AS "Value" FROM saved
                """
            )
            .ToListAsync(cancellation);
        return saved[0] == 1
            ? TypedResults.Ok(new DrawingSavedReply(revision + 1, hash, now))
            : await ExplainAsync(id, owner, revision, saveId, text, now, cancellation);
    }

    /// <summary>Hands in the revision that the student saw, and asks for the check in the same transaction.</summary>
    public async Task<IResult> HandInAsync(Guid id, int revision, CancellationToken cancellation)
    {
        var now = clock.GetUtcNow();
        var receipt = $"{NewAnswer.Code(4)}-{NewAnswer.Code(4)}";
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var handedIn = await database.Database.ExecuteSqlAsync(
            $"""
            UPDATE answers AS answer
            SET handed_in_at = {now}, receipt = {receipt},
                late = (answer.ends_at IS NOT NULL AND {now} > answer.ends_at + {Grace})
                    OR (exercise.due_at IS NOT NULL AND {now} > exercise.due_at)
            FROM exercises AS exercise
            WHERE answer.id = {id} AND answer.revision = {revision} AND answer.handed_in_at IS NULL AND exercise.id = answer.exercise_id
            """,
            cancellation
        );
        var current = await database.Answers.AsNoTracking().FirstAsync(answer => answer.Id == id, cancellation);
        if (handedIn == 0)
        {
            return current.HandedInAt is { } before
                ? TypedResults.Ok(new ReceiptReply(current.Receipt!, before, current.Late, current.DrawingHash))
                : Problems.Conflict(
                    "conflict",
                    "The drawing was changed elsewhere since you looked at it. Look at it again before handing it in.",
                    ConflictOf(current)
                );
        }

        Keep(current, CheckpointReason.HandedIn, current.Drawing, now);
        var assessment = await database
            .AssessmentRevisions.Where(row => row.ExerciseId == current.ExerciseId)
            .OrderByDescending(row => row.Number)
            .Select(row => row.Id)
            .FirstAsync(cancellation);
        database.CheckRequests.Add(queue.RequestFor(id, assessment));
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        queue.Enqueue([id]);
        return TypedResults.Ok(new ReceiptReply(receipt, now, current.Late, current.DrawingHash));
    }

    /// <summary>Keeps what a drawing was like when it was opened.</summary>
    public async Task KeepOpenedAsync(Answer answer, CancellationToken cancellation)
    {
        if (
            answer.HandedInAt is null
            && !await database.Checkpoints.AnyAsync(
                row => row.AnswerId == answer.Id && row.Revision == answer.Revision,
                cancellation
            )
        )
        {
            Keep(answer, CheckpointReason.Opened, answer.Drawing, clock.GetUtcNow());
            await database.SaveChangesAsync(cancellation);
        }
    }

    private async Task<IResult> ExplainAsync(
        Guid id,
        Guid owner,
        int revision,
        Guid saveId,
        string text,
        DateTimeOffset now,
        CancellationToken cancellation
    )
    {
        var current = await database
            .Answers.AsNoTracking()
            .FirstOrDefaultAsync(answer => answer.Id == id && answer.AccountId == owner, cancellation);
        if (current is null)
        {
            return AnswerEndpoints.NoSuchAnswer();
        }

        if (current.SaveId == saveId || (current.Drawing == text && current.Revision >= revision))
        {
            return TypedResults.Ok(new DrawingSavedReply(current.Revision, current.DrawingHash, current.SavedAt));
        }

        var (reason, problem) =
            current.HandedInAt is not null
                ? (
                    CheckpointReason.TooLate,
                    Problems.Conflict(
                        "handed-in",
                        "This answer is handed in; it no longer changes. What you drew since is kept.",
                        ConflictOf(current)
                    )
                )
            : current.EndsAt is { } end && now > end + Grace
                ? (
                    CheckpointReason.TooLate,
                    Problems.Conflict(
                        "time-over",
                        "The time is over. What you drew since is kept, and flagged as late.",
                        ConflictOf(current)
                    )
                )
            : (
                CheckpointReason.LostConflict,
                Problems.Conflict(
                    "conflict",
                    "This answer was changed elsewhere in the meantime. Both drawings are kept, as are the last ten that lost; choose one.",
                    ConflictOf(current)
                )
            );
        await KeepLoserAsync(current, reason, text, now, cancellation);
        return problem;
    }

    // Once however often it is sent, and the newest few only: whoever sends without end fills nothing.
    private async Task KeepLoserAsync(
        Answer answer,
        CheckpointReason reason,
        string text,
        DateTimeOffset now,
        CancellationToken cancellation
    )
    {
        var lost = new[] { CheckpointReason.LostConflict, CheckpointReason.TooLate };
        if (await database.Checkpoints.AnyAsync(row => row.AnswerId == answer.Id && row.Drawing == text, cancellation))
        {
            return;
        }

        Keep(answer, reason, text, now);
        await database.SaveChangesAsync(cancellation);
        var newest = database
            .Checkpoints.Where(row => row.AnswerId == answer.Id && lost.Contains(row.Reason))
            .OrderByDescending(row => row.At)
            .ThenByDescending(row => row.Id)
            .Select(row => row.Id)
            .Take(MostLosers);
        await database
            .Checkpoints.Where(row => row.AnswerId == answer.Id && lost.Contains(row.Reason) && !newest.Contains(row.Id))
            .ExecuteDeleteAsync(cancellation);
    }

    private void Keep(Answer answer, CheckpointReason reason, string drawing, DateTimeOffset now) =>
        database.Checkpoints.Add(
            new Checkpoint
            {
                Id = Guid.CreateVersion7(),
                AnswerId = answer.Id,
                Revision = answer.Revision,
                Reason = reason,
                Drawing = drawing,
                At = now,
            }
        );

    private static ConflictingDrawing ConflictOf(Answer answer) => new(answer.Revision, answer.Drawing, answer.SavedAt);
}
