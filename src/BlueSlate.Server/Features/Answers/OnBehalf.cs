using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>What whoever teaches a class does with an answer in its student's place, with a reason that the student reads.</summary>
public sealed class OnBehalf(
    BlueSlateContext database,
    AnswerStore store,
    Attempts attempts,
    CheckQueue queue,
    Access access,
    AuditTrail audit,
    TimeProvider clock
)
{
    /// <summary>Hands in what a student is drawing, as it is kept; null when it is done, else what stands against it.</summary>
    public async Task<IResult?> HandInAsync(Exercise exercise, Guid student, string because, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        // What is known of it here is not what counts: the student may be handing it in just now, and the store looks once it holds it.
        if (await NewestFirst(exercise.Id, student).AsNoTracking().FirstOrDefaultAsync(cancellation) is not { } answer)
        {
            return Problems.Conflict("not-begun", "This student has not begun, so there is nothing to hand in.");
        }

        if (!await store.HandInForAsync(answer.Id, access.AccountId, because, cancellation))
        {
            return Problems.AlreadyDone("This answer is handed in already.");
        }

        audit.Add(
            AuditKind.Sitting,
            exercise.CohortId,
            $"{answer.CandidateCode} handed in for its student: {because}",
            exercise.Id
        );
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        queue.Enqueue(answer.Works.Select(work => work.Id));
        return null;
    }

    /// <summary>
    /// Opens a student's newest answer again; null when it is done, else what stands against it. What was decided on it stays, and acts
    /// again on what is still found when it is handed in; what was checked is forgotten.
    /// </summary>
    public async Task<IResult?> ReopenAsync(
        Exercise exercise,
        Guid student,
        ReopenRequest request,
        CancellationToken cancellation
    )
    {
        if (request.Until <= clock.GetUtcNow())
        {
            return Problems.Unreadable("until", "An answer is opened again until a time that is still to come.", "until");
        }

        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        var answer = await NewestFirst(exercise.Id, student).FirstOrDefaultAsync(cancellation);
        if (answer?.HandedInAt is null)
        {
            return Problems.Conflict("not-handed-in", "This student has handed nothing in, so there is nothing to open again.");
        }

        var works = answer.Works.ConvertAll(work => work.Id);
        if (await database.ReleasedSheets.AnyAsync(sheet => works.Contains(sheet.WorkId), cancellation))
        {
            return Problems.Conflict("released", "The marks of this answer are released; what it is no longer changes.");
        }

        Open(answer, request);
        await database.CheckResults.Where(result => works.Contains(result.WorkId)).ExecuteDeleteAsync(cancellation);
        await database.CheckRequests.Where(asked => works.Contains(asked.WorkId)).ExecuteDeleteAsync(cancellation);
        audit.Add(
            AuditKind.Sitting,
            exercise.CohortId,
            $"{answer.CandidateCode} opened again until {request.Until:u}: {request.Reason}",
            exercise.Id
        );
        await database.SaveChangesAsync(cancellation);
        await attempts.SettleAsync(exercise.Id, student, cancellation);
        await transaction.CommitAsync(cancellation);
        return null;
    }

    private static void Open(Answer answer, ReopenRequest request)
    {
        (answer.HandedInAt, answer.Receipt, answer.Counts, answer.EndedByTime) = (null, null, false, false);
        (answer.Late, answer.LateMinutes, answer.HandedInById, answer.HandedInBecause) = (false, 0, null, null);
        answer.ReopenedUntil = answer.EndsAt = request.Until.ToUniversalTime();
        answer.ReopenedBecause = request.Reason;
        foreach (var work in answer.Works)
        {
            (work.GoneThroughAt, work.GoneThroughById, work.ConfirmedAt) = (null, null, null);
        }
    }

    private IQueryable<Answer> NewestFirst(Guid exercise, Guid student) =>
        database
            .Answers.Include(answer => answer.Works)
            .Where(answer => answer.ExerciseId == exercise && answer.AccountId == student)
            .OrderByDescending(answer => answer.Attempt);
}
