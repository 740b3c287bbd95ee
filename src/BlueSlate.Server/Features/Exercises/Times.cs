using System.Linq.Expressions;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>When answers to an exercise are due, and how far each student is with it.</summary>
public sealed record TimesReply(DateTimeOffset? DueAt, TimesStudent[] Students);

/// <summary>How far a student is, and until when that student's answer is due, where that is later.</summary>
public sealed record TimesStudent(
    Guid Id,
    string Name,
    DateTimeOffset? StartedAt,
    DateTimeOffset? HandedInAt,
    bool Late,
    DateTimeOffset? Until,
    string? Reason
);

/// <summary>Another time by which answers are due; null for none.</summary>
public sealed record DueRequest(DateTimeOffset? DueAt = null);

/// <summary>A later time for one student, and why.</summary>
public sealed record ExtensionRequest(DateTimeOffset Until, string Reason);

/// <summary>
/// Changes when answers are due, for everybody or for one student. What was handed in already is late, or late no longer, by the new
/// time; marks that are released stay as they are.
/// </summary>
public sealed class Times(BlueSlateContext database, AuditTrail audit, TimeProvider clock)
{
    private const int LongestReason = 500;

    /// <summary>
    /// By when a student's answer to an exercise is due: by the student's own time where that is later than everybody's.
    /// </summary>
    public static Expression<Func<Exercise, DateTimeOffset?>> DueFor(Guid account) =>
        exercise =>
            exercise
                .Extensions.Where(extension => extension.AccountId == account && extension.Until > exercise.DueAt)
                .Select(extension => (DateTimeOffset?)extension.Until)
                .FirstOrDefault()
            ?? exercise.DueAt;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder group)
    {
        group.MapGet("/{id:guid}/times", Get).ForInstructors().Produces<TimesReply>();
        group.MapPut("/{id:guid}/due", SetDue).ForInstructors().Produces<TimesReply>();
        group.MapPut("/{id:guid}/extensions/{student:guid}", Extend).ForInstructors().Produces<TimesReply>();
        group.MapDelete("/{id:guid}/extensions/{student:guid}", TakeBack).ForInstructors().Produces<TimesReply>();
    }

    private static async Task<IResult> Get(Guid id, Access access, Times times, CancellationToken cancellation) =>
        await PublishedAsync(id, access, cancellation) is { } exercise
            ? TypedResults.Ok(await times.ReplyAsync(exercise.Id, cancellation))
            : ExerciseEndpoints.NoSuchExercise();

    private static async Task<IResult> SetDue(
        Guid id,
        DueRequest request,
        Access access,
        Times times,
        CancellationToken cancellation
    )
    {
        if (await PublishedAsync(id, access, cancellation) is not { } exercise)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        return request.DueAt < exercise.PublishedAt
            ? Problems.Unreadable("due", "Answers are due after the exercise was published, not before.", "dueAt")
            : await times.ChangeAsync(
                exercise,
                request.DueAt is { } due ? $"due {due:u}" : "no time by which it is due",
                () =>
                {
                    exercise.DueAt = request.DueAt?.ToUniversalTime();
                    return Task.CompletedTask;
                },
                cancellation
            );
    }

    private static async Task<IResult> Extend(
        Guid id,
        Guid student,
        ExtensionRequest request,
        Access access,
        Times times,
        CancellationToken cancellation
    )
    {
        if (await PublishedAsync(id, access, cancellation) is not { } exercise)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        var reason = request.Reason.Trim();
        return !await times.IsStudentAsync(exercise, student, cancellation) ? NoSuchStudent()
            : reason.Length is 0 or > LongestReason
                ? Problems.Unreadable("reason-wanted", $"A reason has 1 to {LongestReason} characters.", "reason")
            : exercise.DueAt is null || request.Until <= exercise.DueAt
                ? Problems.Unreadable("until", "A single student's time is later than everybody's.", "until")
            : await times.ChangeAsync(
                exercise,
                $"one student has time until {request.Until:u}",
                () => times.AddAsync(exercise.Id, student, request.Until, reason, cancellation),
                cancellation
            );
    }

    private static async Task<IResult> TakeBack(Guid id, Guid student, Access access, Times times, CancellationToken cancellation)
    {
        if (await PublishedAsync(id, access, cancellation) is not { } exercise)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        return await times.HasExtensionAsync(id, student, cancellation)
            ? await times.ChangeAsync(
                exercise,
                "one student has time as everybody",
                () => times.ForgetAsync(id, student, cancellation),
                cancellation
            )
            : NoSuchStudent();
    }

    private static Task<Exercise?> PublishedAsync(Guid id, Access access, CancellationToken cancellation) =>
        access
            .StaffExercises(instructorsOnly: true)
            .FirstOrDefaultAsync(row => row.Id == id && row.PublishedAt != null, cancellation);

    private Task<bool> IsStudentAsync(Exercise exercise, Guid student, CancellationToken cancellation) =>
        database.Memberships.AnyAsync(
            member => member.CohortId == exercise.CohortId && member.AccountId == student && member.Role == CohortRole.Student,
            cancellation
        );

    private Task<bool> HasExtensionAsync(Guid exercise, Guid student, CancellationToken cancellation) =>
        database.Extensions.AnyAsync(row => row.ExerciseId == exercise && row.AccountId == student, cancellation);

    private Task ForgetAsync(Guid exercise, Guid student, CancellationToken cancellation) =>
        database.Extensions.Where(row => row.ExerciseId == exercise && row.AccountId == student).ExecuteDeleteAsync(cancellation);

    private async Task AddAsync(Guid exercise, Guid student, DateTimeOffset until, string reason, CancellationToken cancellation)
    {
        await ForgetAsync(exercise, student, cancellation);
        database.Extensions.Add(
            new Extension
            {
                ExerciseId = exercise,
                AccountId = student,
                Until = until.ToUniversalTime(),
                Reason = reason,
                At = clock.GetUtcNow(),
            }
        );
    }

    private async Task<IResult> ChangeAsync(Exercise exercise, string said, Func<Task> change, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        await change();
        audit.Add(AuditKind.Publish, exercise.CohortId, said, exercise.Id);
        await database.SaveChangesAsync(cancellation);
        var grace = AnswerStore.Grace;
        await database.Database.ExecuteSqlAsync(
            $"""
            UPDATE answers
            SET late = handed_in_at > coalesce(ends_at + {grace}, 'infinity')
                OR handed_in_at > coalesce(
                    (SELECT greatest(due_at, (
                            SELECT until FROM extensions
                            WHERE extensions.exercise_id = exercises.id AND extensions.account_id = answers.account_id))
                        FROM exercises WHERE exercises.id = answers.exercise_id AND due_at IS NOT NULL),
                    'infinity')
            WHERE exercise_id = {exercise.Id} AND handed_in_at IS NOT NULL
            """,
            cancellation
        );
        await transaction.CommitAsync(cancellation);
        return TypedResults.Ok(await ReplyAsync(exercise.Id, cancellation));
    }

    private async Task<TimesReply> ReplyAsync(Guid id, CancellationToken cancellation)
    {
        var exercise = await database
            .Exercises.AsNoTracking()
            .Where(row => row.Id == id)
            .Select(row => new { row.DueAt, row.CohortId })
            .FirstAsync(cancellation);
        var students = await database
            .Memberships.AsNoTracking()
            .Where(member => member.CohortId == exercise.CohortId && member.Role == CohortRole.Student)
            .Join(
                database.Users,
                member => member.AccountId,
                account => account.Id,
                (member, account) =>
                    new
                    {
                        account.Id,
                        account.DisplayName,
                        Answer = database.Answers.FirstOrDefault(answer =>
                            answer.ExerciseId == id && answer.AccountId == account.Id
                        ),
                        Extension = database.Extensions.FirstOrDefault(extension =>
                            extension.ExerciseId == id && extension.AccountId == account.Id
                        ),
                    }
            )
            .ToListAsync(cancellation);
        return new TimesReply(
            exercise.DueAt,
            [
                .. students
                    .OrderBy(student => student.DisplayName, StringComparer.Ordinal)
                    .Select(student => new TimesStudent(
                        student.Id,
                        student.DisplayName,
                        student.Answer?.StartedAt,
                        student.Answer?.HandedInAt,
                        student.Answer?.Late == true,
                        student.Extension?.Until,
                        student.Extension?.Reason
                    )),
            ]
        );
    }

    private static IResult NoSuchStudent() =>
        Problems.NotFound("no-such-student", "There is no such student in the class of this exercise, or no time of their own.");
}
