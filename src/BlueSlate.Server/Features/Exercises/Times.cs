using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>
/// Changes when an exercise is sat, for everybody or for one student. What is being drawn ends by the new time; what was handed in already
/// is late, or late no longer, by it; marks that are released stay as they are.
/// </summary>
public sealed class Times(
    BlueSlateContext database,
    Attempts attempts,
    WorkAssessment assessment,
    AuditTrail audit,
    TimeProvider clock
)
{
    private const int MostMinutes = 1440;
    private const string ToldToStudent = "The student is told why";

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder group)
    {
        group.MapGet("/{id:guid}/times", Get).ForInstructors().Produces<TimesReply>();
        group.MapPut("/{id:guid}/times", Set).ForInstructors().NotForTrials().Produces<TimesReply>();
        group.MapPut("/{id:guid}/extensions/{student:guid}", Extend).ForInstructors().NotForTrials().Produces<TimesReply>();
        group.MapDelete("/{id:guid}/extensions/{student:guid}", TakeBack).ForInstructors().NotForTrials().Produces<TimesReply>();
        group
            .MapPost("/{id:guid}/students/{student:guid}/hand-in", HandInFor)
            .ForInstructors()
            .NotForTrials()
            .Produces<TimesReply>();
        group.MapPost("/{id:guid}/students/{student:guid}/reopen", Reopen).ForInstructors().NotForTrials().Produces<TimesReply>();
    }

    private static async Task<IResult> Get(Guid id, Access access, Times times, CancellationToken cancellation) =>
        await PublishedAsync(id, access, cancellation) is { } exercise
            ? TypedResults.Ok(await times.ReplyAsync(exercise.Id, cancellation))
            : ExerciseEndpoints.NoSuchExercise();

    private static async Task<IResult> Set(
        Guid id,
        SittingRequest request,
        Access access,
        Times times,
        CancellationToken cancellation
    )
    {
        if (await PublishedAsync(id, access, cancellation) is not { } exercise)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        return request.Refusal(exercise.PublishedAt!.Value)
            ?? await times.ChangeAsync(
                exercise,
                request.Said(),
                () =>
                {
                    request.WriteTo(exercise);
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

        return !await times.IsStudentAsync(exercise, student, cancellation)
            ? NoSuchStudent()
            : Refusal(exercise, request)
                ?? await times.ChangeAsync(
                    exercise,
                    $"one student has {Said(request)}",
                    () => times.AddAsync(exercise.Id, student, request, cancellation),
                    cancellation
                );
    }

    private static async Task<IResult> HandInFor(
        Guid id,
        Guid student,
        OnBehalfRequest request,
        Access access,
        Times times,
        OnBehalf behalf,
        CancellationToken cancellation
    ) =>
        await PublishedAsync(id, access, cancellation) is not { } exercise ? ExerciseEndpoints.NoSuchExercise()
        : !await times.IsStudentAsync(exercise, student, cancellation) ? NoSuchStudent()
        : Reason.Refusal(request.Reason, ToldToStudent)
            ?? await behalf.HandInAsync(exercise, student, request.Reason.Trim(), cancellation)
            ?? TypedResults.Ok(await times.ReplyAsync(id, cancellation));

    private static async Task<IResult> Reopen(
        Guid id,
        Guid student,
        ReopenRequest request,
        Access access,
        Times times,
        OnBehalf behalf,
        CancellationToken cancellation
    ) =>
        await PublishedAsync(id, access, cancellation) is not { } exercise ? ExerciseEndpoints.NoSuchExercise()
        : !await times.IsStudentAsync(exercise, student, cancellation) ? NoSuchStudent()
        : Reason.Refusal(request.Reason, ToldToStudent)
            ?? await behalf.ReopenAsync(exercise, student, request with { Reason = request.Reason.Trim() }, cancellation)
            ?? TypedResults.Ok(await times.ReplyAsync(id, cancellation));

    private static IResult? Refusal(Exercise exercise, ExtensionRequest request) =>
        Reason.Refusal(request.Reason, "A student’s own time has a reason") is { } refusal ? refusal
        : request.ExtraMinutes is < 0 or > MostMinutes
            ? Problems.Unreadable("extra-minutes", $"A student has 0 to {MostMinutes} minutes more.", "extraMinutes")
        : request is { Until: null, ExtraMinutes: 0 }
            ? Problems.Unreadable("until", "Say until when, or how many minutes more.", "until")
        : request.Until is { } until && !(until > (exercise.DueAt ?? exercise.ClosesAt))
            ? Problems.Unreadable("until", "A single student's time is later than everybody's.", "until")
        : null;

    private static string Said(ExtensionRequest request) =>
        string.Join(
            " and ",
            new[]
            {
                request.Until is { } until ? $"time until {until:u}" : null,
                request.ExtraMinutes > 0 ? $"{request.ExtraMinutes} minutes more" : null,
            }.OfType<string>()
        );

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

    private async Task AddAsync(Guid exercise, Guid student, ExtensionRequest request, CancellationToken cancellation)
    {
        await ForgetAsync(exercise, student, cancellation);
        database.Extensions.Add(
            new Extension
            {
                ExerciseId = exercise,
                AccountId = student,
                Until = request.Until?.ToUniversalTime(),
                ExtraMinutes = request.ExtraMinutes,
                Reason = request.Reason.Trim(),
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
        await MarkAnewAsync(exercise.Id, await TimeAnewAsync(exercise, cancellation), cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.Ok(await ReplyAsync(exercise.Id, cancellation));
    }

    // What is being drawn ends by the new times, what is handed in is late by them, and another attempt may be the one that counts. Gives
    // the answers that were late or are, whose marks may be others.
    private async Task<List<Guid>> TimeAnewAsync(Exercise exercise, CancellationToken cancellation)
    {
        var own = await database
            .Extensions.AsNoTracking()
            .Where(row => row.ExerciseId == exercise.Id)
            .ToDictionaryAsync(row => row.AccountId, cancellation);
        var answers = await database
            .Answers.Include(answer => answer.Works)
                .ThenInclude(work => work.Asked)
            .Where(answer => answer.ExerciseId == exercise.Id)
            .ToListAsync(cancellation);
        var late = answers.Where(answer => answer.Late).ToHashSet();
        foreach (var answer in answers)
        {
            var minutes = Sittings.MinutesOf(answer.Works.Select(work => work.Asked!.Document));
            var times = Sittings.Of(exercise, minutes, own.GetValueOrDefault(answer.AccountId));
            if (answer.HandedInAt is { } handedIn)
            {
                Sittings.WriteLateness(answer, times, handedIn);
            }
            else
            {
                answer.EndsAt = Sittings.EndOf(answer, times);
            }
        }

        await database.SaveChangesAsync(cancellation);
        foreach (var account in answers.Where(answer => answer.Attempt > 1).Select(answer => answer.AccountId).Distinct())
        {
            await attempts.SettleAsync(exercise.Id, account, cancellation);
        }

        return [.. answers.Where(answer => answer.Late || late.Contains(answer)).Select(answer => answer.Id)];
    }

    // What was checked is marked by the rule for lateness as it is now; what is still to be checked will be.
    private async Task MarkAnewAsync(Guid exercise, List<Guid> answers, CancellationToken cancellation)
    {
        var parts = await database
            .Works.Where(work =>
                work.Answer!.ExerciseId == exercise
                && answers.Contains(work.AnswerId)
                && work.Answer.Counts
                && work.Released == null
                && work.Results.Any()
            )
            .GroupBy(work => work.PartId)
            .Select(part => new { part.Key, Works = part.Select(work => work.Id).ToList() })
            .ToListAsync(cancellation);
        foreach (var part in parts)
        {
            var marked = await assessment.RunTheseAsync(part.Key, part.Works, cancellation);
            await assessment.StoreAsync(marked, clock.GetUtcNow(), cancellation);
        }
    }

    private async Task<TimesReply> ReplyAsync(Guid id, CancellationToken cancellation)
    {
        var exercise = await database.Exercises.AsNoTracking().FirstAsync(row => row.Id == id, cancellation);
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
                        Attempts = database.Answers.Count(answer => answer.ExerciseId == id && answer.AccountId == account.Id),
                        Answer = database
                            .Answers.Where(answer => answer.ExerciseId == id && answer.AccountId == account.Id)
                            .OrderByDescending(answer => answer.Attempt)
                            .FirstOrDefault(),
                        Released = database.Works.Any(work =>
                            work.Answer!.ExerciseId == id && work.Answer.AccountId == account.Id && work.Released != null
                        ),
                        Extension = database.Extensions.FirstOrDefault(extension =>
                            extension.ExerciseId == id && extension.AccountId == account.Id
                        ),
                    }
            )
            .ToListAsync(cancellation);
        return new TimesReply(
            SittingRequest.Of(exercise),
            await MinutesAsync(id, cancellation),
            [
                .. students
                    .OrderBy(student => student.DisplayName, StringComparer.Ordinal)
                    .Select(student => new TimesStudent(
                        student.Id,
                        student.DisplayName,
                        student.Attempts,
                        student.Answer?.StartedAt,
                        student.Answer?.EndsAt,
                        student.Answer?.HandedInAt,
                        student.Answer?.EndedByTime == true,
                        student.Answer?.Late == true,
                        student.Extension?.Until,
                        student.Extension?.ExtraMinutes ?? 0,
                        student.Extension?.Reason,
                        student.Answer?.HandedInBecause,
                        student.Answer?.ReopenedUntil,
                        student.Answer?.ReopenedBecause,
                        student.Released
                    )),
            ]
        );
    }

    private async Task<int?> MinutesAsync(Guid exercise, CancellationToken cancellation) =>
        Sittings.MinutesOf(
            await database
                .QuestionRevisions.Where(question => question.ExerciseId == exercise)
                .OrderByDescending(question => question.Number)
                .Take(1)
                .SelectMany(question => question.Parts)
                .Select(part => part.Document)
                .ToListAsync(cancellation)
        );

    private static IResult NoSuchStudent() =>
        Problems.NotFound("no-such-student", "There is no such student in the class of this exercise, or no time of their own.");
}
