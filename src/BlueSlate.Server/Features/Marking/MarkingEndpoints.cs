using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Classes;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>The marking desk: all answers of an exercise, the work on one part with its notes, rulings, release.</summary>
public static class MarkingEndpoints
{
    /// <summary>How long a word to a student may be.</summary>
    internal const int LongestComment = 1000;

    /// <summary>Maps the endpoints.</summary>
    public static void MapMarking(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/marking").WithTags("Marking");
        group.AddEndpointFilter(
            async (context, next) =>
            {
                try
                {
                    return await next(context);
                }
                catch (ReleasedMeanwhileException)
                {
                    return Released();
                }
            }
        );
        group.MapGet("/exercises/{id:guid}", GetDesk).ForStaff();
        group.MapGet("/work/{id:guid}", GetAnswer).ForStaff();
        group.MapPut("/work/{id:guid}/rulings", Rule).ForStaff();
        group.MapDelete("/work/{id:guid}/rulings", TakeBack).ForStaff();
        group.MapGet("/work/{id:guid}/alike", Alike).ForStaff();
        group.MapPost("/work/{id:guid}/stands-for/preview", IfStood).ForStaff();
        group.MapPut("/work/{id:guid}/stands-for", Stand).ForStaff();
        group.MapPost("/work/{id:guid}/gone-through", MarkGoneThrough).ForStaff().Produces(StatusCodes.Status204NoContent);
        group.MapPost("/exercises/{id:guid}/identities", Identities).ForInstructors().Produces<IdentityReply[]>();
        group
            .MapGet("/exercises/{id:guid}/marks", MarksTable.Get)
            .ForInstructors()
            .Produces<FileContentHttpResult>(200, "text/csv");
        group
            .MapGet("/exercises/{id:guid}/gradebook", Gradebook.Get)
            .ForInstructors()
            .NotForTrials()
            .Produces<FileContentHttpResult>(200, "application/zip");
        group
            .MapPost("/exercises/{id:guid}/sheets", FeedbackSheets.Write)
            .ForInstructors()
            .NotForTrials()
            .Produces<FileContentHttpResult>(200, "application/octet-stream");
        group.MapGet("/exercises/{id:guid}/release", Releasing.Preview).ForInstructors().Produces<ReleaseReply>();
        group
            .MapPost("/exercises/{id:guid}/release", Releasing.Release)
            .ForInstructors()
            .NotForTrials()
            .Produces<ReleasedReply>();
        group
            .MapPut("/exercises/{id:guid}/withheld", Releasing.Withhold)
            .ForInstructors()
            .NotForTrials()
            .Produces<WithheldReply>();
        group.MapGet("/exercises/{id:guid}/remarking", Remarking.Preview).ForInstructors().Produces<RemarkingReply>();
        group.MapPost("/exercises/{id:guid}/remarking", Remarking.Take).ForInstructors().Produces<RemarkedReply>();
        ClassEndpoints.Map(group);
        group.MapPut("/queries/{id:guid}", NoteQueries.Reply).ForStaff().Produces<NoteQueryReply[]>();
        AdjustmentEndpoints.Map(group);
        Sharing.Map(group);
        group.MapPost("/work/{id:guid}/here", Presence.Here).ForStaff().Produces<PresenceReply>();
        group
            .MapPut("/exercises/{id:guid}/questions-until", NoteQueries.EndAt)
            .ForInstructors()
            .NotForTrials()
            .Produces<QuestionsUntilReply>();
        AfterTheEnd.Map(group);
        BlindSample.Map(group);
    }

    private static async Task<Results<Ok<DeskReply>, ProblemHttpResult>> GetDesk(
        Guid id,
        Access access,
        Desk desk,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        var exercise = await access
            .StaffExercises()
            .AsNoTracking()
            .Include(row => row.Cohort)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        var mayRelease = await access.StaffExercises(instructorsOnly: true).AnyAsync(row => row.Id == id, cancellation);
        var reply = await desk.OfAsync(exercise, access.AccountId, mayRelease, cancellation);
        var blind = await sample.BlindForMe().ToHashSetAsync(cancellation);
        return TypedResults.Ok(reply with { Answers = [.. reply.Answers.Select(answer => Unseen(answer, blind))] });
    }

    // Without the marks of what the caller has still to mark blind.
    private static DeskAnswer Unseen(DeskAnswer answer, HashSet<Guid> blind) =>
        answer.Works.Any(work => blind.Contains(work.Id))
            ? answer with
            {
                Total = null,
                Works = [.. answer.Works.Select(work => blind.Contains(work.Id) ? work with { Total = null } : work)],
            }
            : answer;

    private static async Task<Results<Ok<MarkingReply>, ProblemHttpResult>> GetAnswer(
        Guid id,
        Access access,
        BlindSample sample,
        MarkingPage page,
        CancellationToken cancellation
    )
    {
        if (!await access.MarkableWorks().AnyAsync(work => work.Id == id, cancellation))
        {
            return NoSuchAnswer();
        }

        if (await sample.BlindForMe().ContainsAsync(id, cancellation))
        {
            return BlindFirst();
        }

        await sample.SawAsync(id, cancellation);
        return TypedResults.Ok(await page.OfAsync(id, cancellation));
    }

    private static async Task<Results<Ok<AlikeReply>, ProblemHttpResult>> Alike(
        Guid id,
        string finding,
        string? part,
        Access access,
        BlindSample sample,
        Rulings rulings,
        CancellationToken cancellation
    ) =>
        (await MayDecideAsync(id, access, sample, cancellation)).Refusal is { } refusal ? refusal
        : PartOf(part) is not { } share ? NoPart()
        : await rulings.AlikeAsync(id, finding, share, cancellation) is { } alike ? TypedResults.Ok(alike)
        : NoSuchNote();

    private static async Task<Results<Ok<MarkingReply>, ProblemHttpResult>> Rule(
        Guid id,
        string finding,
        RulingRequest request,
        Access access,
        BlindSample sample,
        Rulings rulings,
        MarkingPage page,
        CancellationToken cancellation
    )
    {
        var (refusal, released) = await MayDecideAsync(id, access, sample, cancellation);
        if (refusal is not null)
        {
            return refusal;
        }

        if (Unfit(request) is { } unfit)
        {
            return unfit;
        }

        return await rulings.RuleAsync(id, finding, request, request.Comment?.Trim() ?? "", released, cancellation)
            ? TypedResults.Ok(await page.OfAsync(id, cancellation))
            : NoSuchNote();
    }

    /// <summary>Why a decision cannot be taken as it was sent; null when it can.</summary>
    internal static ProblemHttpResult? Unfit(RulingRequest request) =>
        request.Comment?.Trim().Length > LongestComment
            ? Problems.Unreadable("too-long", $"A comment has at most {LongestComment} characters.", "comment")
        : request.Part is { } part && (request.Decision != Decision.AllowInPart || part <= Rational.Zero || part >= Rational.One)
            ? NoPart()
        : null;

    /// <summary>The part of a loss that somebody asks about, half when they name none; null for what is no part.</summary>
    internal static Rational? PartOf(string? part) =>
        part is null ? Rational.Half
        : Rational.TryParse(part, out var share) && share > Rational.Zero && share < Rational.One ? share
        : null;

    /// <summary>Refuses what is no part of a loss.</summary>
    internal static ProblemHttpResult NoPart() =>
        Problems.Unreadable("no-part", "A part of a loss is more than nothing and less than all of it.", "part");

    private static async Task<Results<Ok<MarkingReply>, ProblemHttpResult>> TakeBack(
        Guid id,
        string finding,
        Access access,
        BlindSample sample,
        Rulings rulings,
        MarkingPage page,
        CancellationToken cancellation
    )
    {
        var (refusal, released) = await MayDecideAsync(id, access, sample, cancellation);
        if (refusal is not null)
        {
            return refusal;
        }

        await rulings.TakeBackAsync(id, finding, released, cancellation);
        return TypedResults.Ok(await page.OfAsync(id, cancellation));
    }

    private static async Task<Results<Ok<TotalReply>, ProblemHttpResult>> IfStood(
        Guid id,
        StandsForRequest request,
        Access access,
        BlindSample sample,
        Rulings rulings,
        CancellationToken cancellation
    ) =>
        await RefusalAsync(id, access, sample, cancellation) is { } refusal ? refusal
        : await rulings.TotalIfAsync(id, request, cancellation) is { } total ? TypedResults.Ok(new TotalReply(total))
        : NoSuchThing();

    private static async Task<Results<Ok<MarkingReply>, ProblemHttpResult>> Stand(
        Guid id,
        StandsForRequest request,
        Access access,
        BlindSample sample,
        Rulings rulings,
        MarkingPage page,
        CancellationToken cancellation
    ) =>
        await RefusalAsync(id, access, sample, cancellation) is { } refusal ? refusal
        : await rulings.StandAsync(id, request, cancellation) ? TypedResults.Ok(await page.OfAsync(id, cancellation))
        : NoSuchThing();

    private static async Task<IResult> MarkGoneThrough(
        Guid id,
        Access access,
        BlindSample sample,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        if (await RefusalAsync(id, access, sample, cancellation) is { } refusal)
        {
            return refusal;
        }

        var teaches = await access
            .StaffExercises(instructorsOnly: true)
            .AnyAsync(exercise => exercise.Answers.Any(answer => answer.Works.Any(work => work.Id == id)), cancellation);
        await database
            .Works.Where(work => work.Id == id)
            .GoneThroughAsync(access.AccountId, teaches, clock.GetUtcNow(), cancellation);
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Identities(
        Guid id,
        Access access,
        AuditTrail audit,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        audit.Add(AuditKind.IdentityView, exercise.CohortId, "the names behind the candidate codes", id);
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(
            await database
                .Answers.Where(answer => answer.ExerciseId == id && answer.Counts)
                .Join(
                    database.Users,
                    answer => answer.AccountId,
                    account => account.Id,
                    (answer, account) => new IdentityReply(answer.Id, account.DisplayName)
                )
                .ToArrayAsync(cancellation)
        );
    }

    private static async Task<ProblemHttpResult?> RefusalAsync(
        Guid id,
        Access access,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        var work = await access
            .MarkableWorks()
            .Where(row => row.Id == id)
            .Select(row => new { Released = row.Released != null })
            .FirstOrDefaultAsync(cancellation);
        return work is null ? NoSuchAnswer()
            : work.Released ? Released()
            : await sample.BlindForMe().ContainsAsync(id, cancellation) ? BlindFirst()
            : null;
    }

    /// <summary>
    /// Why somebody may not decide on work, and whether it is released: after release an instructor may still decide, which changes no
    /// released mark but is proposed as a change.
    /// </summary>
    internal static async Task<(ProblemHttpResult? Refusal, bool Released)> MayDecideAsync(
        Guid id,
        Access access,
        BlindSample sample,
        CancellationToken cancellation
    ) =>
        await access
            .StaffExercises(instructorsOnly: true)
            .AnyAsync(
                exercise => exercise.Answers.Any(answer => answer.Works.Any(work => work.Id == id && work.Released != null)),
                cancellation
            )
            ? (await sample.BlindForMe().ContainsAsync(id, cancellation) ? BlindFirst() : null, true)
            : (await RefusalAsync(id, access, sample, cancellation), false);

    private static ProblemHttpResult Released() =>
        Problems.Conflict("released", "The marks of this answer are released; they no longer change.");

    internal static ProblemHttpResult BlindFirst() =>
        Problems.Conflict("blind-first", "This answer is in the sample: give your own marks first, then see what was found.");

    private static ProblemHttpResult NoSuchNote() =>
        Problems.NotFound("no-such-finding", "There is no such note on this answer any more.");

    private static ProblemHttpResult NoSuchThing() =>
        Problems.NotFound("no-such-thing", "The model answer, or this answer, has no such thing.");

    internal static ProblemHttpResult NoSuchAnswer() =>
        Problems.NotFound("no-such-answer", "There is no such answer among those that you mark.");
}
