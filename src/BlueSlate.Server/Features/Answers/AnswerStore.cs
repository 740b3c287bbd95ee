using BlueSlate.Core.Drawings;
using BlueSlate.Data;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>
/// Keeps answers. A save of the work on one part is one conditional UPDATE: it counts when it starts from the current revision,
/// the answer is not handed in, and the server's clock is not past the end and its grace. What loses is kept as a checkpoint.
/// </summary>
public sealed class AnswerStore(BlueSlateContext database, CheckQueue queue, Attempts attempts, TimeProvider clock)
{
    /// <summary>How long after the end a save that was on its way still counts; then the answer is handed in.</summary>
    public static TimeSpan Grace { get; } = TimeSpan.FromSeconds(1);

    /// <summary>How many drawings that lost a conflict or came too late are kept of one work: the newest.</summary>
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
        // of it. The answer is held meanwhile, so that what is handed in is what was there when it was handed in.
        var saved = await database
            .Database.SqlQuery<int>(
                $"""
                WITH own AS (
                    SELECT id FROM answers
                    WHERE id = (SELECT answer_id FROM works WHERE id = {id}) AND account_id = {owner}
                        AND handed_in_at IS NULL AND (ends_at IS NULL OR ends_at >= {ended})
                    FOR SHARE),
                saved AS (
                    UPDATE works SET drawing = {text}, drawing_hash = {hash}, revision = {revision} + 1,
                        save_id = {saveId}, saved_at = {now}
                    FROM own WHERE works.id = {id} AND works.answer_id = own.id AND works.revision = {revision}
                        AND works.closed_at IS NULL
                    RETURNING works.id, works.revision, works.drawing),
                kept AS (
                    INSERT INTO checkpoints (id, work_id, revision, reason, drawing, at)
                    SELECT {Guid.CreateVersion7(now)}, saved.id, saved.revision, {periodic}, saved.drawing, {now} FROM saved
                    WHERE NOT EXISTS (SELECT 1 FROM checkpoints WHERE work_id = {id} AND at > {since}))
                SELECT count(*)::int AS "Value" FROM saved
                """
            )
            .ToListAsync(cancellation);
        return saved[0] == 1
            ? TypedResults.Ok(new DrawingSavedReply(revision + 1, hash, now))
            : await ExplainAsync(id, owner, revision, saveId, text, now, cancellation);
    }

    /// <summary>Hands in the revisions that the student saw, and asks for the checks in the same transaction.</summary>
    public async Task<IResult> HandInAsync(Guid id, IReadOnlyList<WorkSeen> seen, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        // Saves hold the answer while they last: after this none is under way.
        await database.Database.ExecuteSqlAsync($"SELECT 1 FROM answers WHERE id = {id} FOR UPDATE", cancellation);
        var answer = await WithWorks().FirstAsync(row => row.Id == id, cancellation);
        if (answer.HandedInAt is not null)
        {
            return TypedResults.Ok(ReceiptOf(answer));
        }

        if (answer.Works.Find(work => !seen.Any(one => one.Id == work.Id && one.Revision == work.Revision)) is { } changed)
        {
            return Problems.Conflict(
                "conflict",
                "The drawing was changed elsewhere since you looked at it. Look at it again before handing it in.",
                ConflictOf(changed)
            );
        }

        await CompleteAsync([answer], new By(), cancellation);
        await transaction.CommitAsync(cancellation);
        queue.Enqueue(answer.Works.Select(work => work.Id));
        return TypedResults.Ok(ReceiptOf(answer));
    }

    /// <summary>
    /// Hands in what is kept of an answer in its student's place; false when it is handed in already. What its student has not sent is
    /// not in it, and is kept beside it when it comes.
    /// </summary>
    public async Task<bool> HandInForAsync(Guid id, Guid person, string because, CancellationToken cancellation)
    {
        await database.Database.ExecuteSqlAsync($"SELECT 1 FROM answers WHERE id = {id} FOR UPDATE", cancellation);
        var answer = await WithWorks().FirstAsync(row => row.Id == id, cancellation);
        if (answer.HandedInAt is not null)
        {
            return false;
        }

        await CompleteAsync([answer], new By(Person: person, Because: because), cancellation);
        return true;
    }

    /// <summary>
    /// Hands in answers whose time is over, so many at most, as they stand; how many there were. One on which a save is on its way, or
    /// which another server is ending, is left for the next look.
    /// </summary>
    public async Task<int> EndAsync(int most, CancellationToken cancellation)
    {
        var ended = clock.GetUtcNow() - Grace;
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var ids = await database
            .Database.SqlQuery<Guid>(
                $"""
                SELECT id AS "Value" FROM answers WHERE handed_in_at IS NULL AND ends_at < {ended}
                ORDER BY ends_at LIMIT {most} FOR UPDATE SKIP LOCKED
                """
            )
            .ToListAsync(cancellation);
        if (ids.Count == 0)
        {
            return 0;
        }

        var answers = await WithWorks().Where(answer => ids.Contains(answer.Id)).ToListAsync(cancellation);
        await CompleteAsync(answers, new By(Time: true), cancellation);
        await transaction.CommitAsync(cancellation);
        queue.Enqueue(answers.SelectMany(answer => answer.Works).Select(work => work.Id));
        return answers.Count;
    }

    // By whom something is handed in: by its student, unless anything else is said.
    private sealed record By(bool Time = false, Guid? Person = null, string? Because = null);

    private IQueryable<Answer> WithWorks() =>
        database.Answers.AsSplitQuery().Include(row => row.Exercise).Include(row => row.Works).ThenInclude(work => work.Asked);

    // What is handed in after its end is what was there at its end, since later saves are refused: so that is when it was handed in.
    private async Task CompleteAsync(IReadOnlyList<Answer> answers, By by, CancellationToken cancellation)
    {
        var now = clock.GetUtcNow();
        var exercises = answers.Select(answer => answer.ExerciseId).Distinct().ToArray();
        var accounts = answers.Select(answer => answer.AccountId).Distinct().ToArray();
        var own = (
            await database
                .Extensions.AsNoTracking()
                .Where(row => exercises.Contains(row.ExerciseId) && accounts.Contains(row.AccountId))
                .ToListAsync(cancellation)
        ).ToDictionary(row => (row.ExerciseId, row.AccountId));
        var newest = await database
            .AssessmentRevisions.Where(row =>
                database.ExerciseParts.Any(part => part.Id == row.PartId && exercises.Contains(part.ExerciseId))
            )
            .GroupBy(row => row.PartId)
            .Select(group => group.OrderByDescending(row => row.Number).First())
            .ToDictionaryAsync(row => row.PartId, row => row.Id, cancellation);
        foreach (var answer in answers)
        {
            var at = answer.EndsAt < now ? answer.EndsAt.Value : now;
            (answer.HandedInAt, answer.Receipt) = (at, $"{NewAnswer.Code(4)}-{NewAnswer.Code(4)}");
            (answer.EndedByTime, answer.Counts) = (by.Time, true);
            (answer.HandedInById, answer.HandedInBecause) = (by.Person, by.Because);
            var times = Sittings.Of(
                answer.Exercise!,
                minutes: null,
                own.GetValueOrDefault((answer.ExerciseId, answer.AccountId))
            );
            Sittings.WriteLateness(answer, times, at);
            foreach (var work in answer.Works)
            {
                Keep(work, CheckpointReason.HandedIn, work.Drawing, now);
                database.CheckRequests.Add(queue.RequestFor(work.Id, newest[work.PartId]));
            }
        }

        await database.SaveChangesAsync(cancellation);
        foreach (var answer in answers.Where(answer => answer.Attempt > 1))
        {
            await attempts.SettleAsync(answer.ExerciseId, answer.AccountId, cancellation);
        }
    }

    /// <summary>Keeps what drawings were like when their answer was opened.</summary>
    public async Task KeepOpenedAsync(Answer answer, CancellationToken cancellation)
    {
        if (answer.HandedInAt is not null)
        {
            return;
        }

        foreach (var work in answer.Works)
        {
            if (!await database.Checkpoints.AnyAsync(row => row.WorkId == work.Id && row.Revision == work.Revision, cancellation))
            {
                Keep(work, CheckpointReason.Opened, work.Drawing, clock.GetUtcNow());
            }
        }

        await database.SaveChangesAsync(cancellation);
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
            .Works.AsNoTracking()
            .Include(work => work.Answer)
            .FirstOrDefaultAsync(work => work.Id == id && work.Answer!.AccountId == owner, cancellation);
        if (current is null)
        {
            return AnswerEndpoints.NoSuchAnswer();
        }

        if (current.SaveId == saveId || (current.Drawing == text && current.Revision >= revision))
        {
            return TypedResults.Ok(new DrawingSavedReply(current.Revision, current.DrawingHash, current.SavedAt));
        }

        var (reason, problem) =
            current.Answer!.HandedInAt is not null
                ? (
                    CheckpointReason.TooLate,
                    Problems.Conflict(
                        "handed-in",
                        current.Answer.EndedByTime
                            ? "The time was over and your answer was handed in. What you drew since is kept beside it, "
                                + "for a person to look at."
                            : "This answer is handed in; it no longer changes. What you drew since is kept.",
                        ConflictOf(current)
                    )
                )
            : current.Answer.EndsAt is { } end && now > end + Grace
                ? (
                    CheckpointReason.TooLate,
                    Problems.Conflict(
                        "time-over",
                        "The time is over. What you drew since is kept beside your answer, for a person to look at.",
                        ConflictOf(current)
                    )
                )
            : current.ClosedAt is not null
                ? (
                    CheckpointReason.LostConflict,
                    Problems.Conflict(
                        "part-closed",
                        "This part was closed when its model answer was given to you. What you drew since is kept, and does not count.",
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
        Work work,
        CheckpointReason reason,
        string text,
        DateTimeOffset now,
        CancellationToken cancellation
    )
    {
        var lost = new[] { CheckpointReason.LostConflict, CheckpointReason.TooLate };
        if (await database.Checkpoints.AnyAsync(row => row.WorkId == work.Id && row.Drawing == text, cancellation))
        {
            return;
        }

        Keep(work, reason, text, now);
        await database.SaveChangesAsync(cancellation);
        var newest = database
            .Checkpoints.Where(row => row.WorkId == work.Id && lost.Contains(row.Reason))
            .OrderByDescending(row => row.At)
            .ThenByDescending(row => row.Id)
            .Select(row => row.Id)
            .Take(MostLosers);
        await database
            .Checkpoints.Where(row => row.WorkId == work.Id && lost.Contains(row.Reason) && !newest.Contains(row.Id))
            .ExecuteDeleteAsync(cancellation);
    }

    private void Keep(Work work, CheckpointReason reason, string drawing, DateTimeOffset now) =>
        database.Checkpoints.Add(
            new Checkpoint
            {
                Id = Guid.CreateVersion7(),
                WorkId = work.Id,
                Revision = work.Revision,
                Reason = reason,
                Drawing = drawing,
                At = now,
            }
        );

    private static ConflictingDrawing ConflictOf(Work work) => new(work.Id, work.Revision, work.Drawing, work.SavedAt);

    private static ReceiptReply ReceiptOf(Answer answer) =>
        new(
            answer.Receipt!,
            answer.HandedInAt!.Value,
            answer.Late,
            answer.EndedByTime,
            [.. answer.Works.OrderBy(work => work.Asked!.Position).Select(work => new WorkReceipt(work.Id, work.DrawingHash))]
        );
}
