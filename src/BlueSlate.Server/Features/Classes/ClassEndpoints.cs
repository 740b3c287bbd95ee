using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Classes;

/// <summary>A class as a whole: its differences and the decisions on them, its picture, the questions that it raises.</summary>
public static class ClassEndpoints
{
    private const int LongestKey = 64;

    /// <summary>Maps the endpoints into those of marking.</summary>
    public static void Map(RouteGroupBuilder group)
    {
        var part = group.MapGroup("/parts/{id:guid}");
        part.MapGet("/differences", Differences).ForStaff().Produces<DifferencesReply>();
        part.MapGet("/differences/{key}/alike", Alike).ForStaff().Produces<AlikeReply>();
        part.MapPut("/differences/{key}", Decide).ForStaff().Produces<DifferencesReply>();
        part.MapDelete("/differences/{key}", TakeBack).ForStaff().Produces<DifferencesReply>();
        part.MapPost("/gone-through", GoneThrough).ForStaff().Produces<GoneThroughReply>();
        part.MapGet("/class", Picture).ForStaff().Produces<ClassPictureReply>();
        part.MapPost("/class/picture", ClassPaper.Paint)
            .ForStaff()
            .Produces<FileContentHttpResult>(200, "application/octet-stream");
        part.MapGet("/class/others", OtherClasses.List).ForStaff().Produces<OtherClassesReply>();
        part.MapGet("/resemblances", Resemblances.List).ForStaff().Produces<ResemblancesReply>();
        part.MapGet("/questions", ClassQuestions.List).ForInstructors().Produces<ClassQuestionsReply>();
        part.MapPost("/questions/preview", ClassQuestions.Preview).ForInstructors().Produces<MarkChangesReply>();
        part.MapPut("/questions", ClassQuestions.Answer).ForInstructors().Produces<SavedReply>();
    }

    private static async Task<IResult> Differences(Guid id, Access access, ClassView view, CancellationToken cancellation) =>
        await PartAsync(id, access, cancellation) is { } part
            ? await RepliedAsync(part, access, view, cancellation)
            : PartEndpoints.NoSuchPart();

    private static async Task<IResult> Picture(Guid id, Access access, ClassView view, CancellationToken cancellation) =>
        await PartAsync(id, access, cancellation) is not { } part ? PartEndpoints.NoSuchPart()
        : part.Exercise!.PublishedAt is null ? NobodyAsked()
        : TypedResults.Ok(await view.PictureAsync(part, cancellation));

    private static async Task<IResult> Alike(
        Guid id,
        string key,
        string? part,
        Access access,
        Rulings rulings,
        CancellationToken cancellation
    ) =>
        await PartAsync(id, access, cancellation) is null ? PartEndpoints.NoSuchPart()
        : MarkingEndpoints.PartOf(part) is not { } share ? MarkingEndpoints.NoPart()
        : await rulings.AlikeOfAsync(id, key, share, cancellation) is { } alike ? TypedResults.Ok(alike)
        : NoSuchDifference();

    private static async Task<IResult> Decide(
        Guid id,
        string key,
        RulingRequest request,
        Access access,
        Rulings rulings,
        ClassView view,
        CancellationToken cancellation
    )
    {
        if (await PartAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        if (MarkingEndpoints.Unfit(request) is { } unfit)
        {
            return unfit;
        }

        return
            key.Length <= LongestKey && await rulings.RuleAllAsync(id, key, request, request.Comment?.Trim() ?? "", cancellation)
            ? await RepliedAsync(part, access, view, cancellation)
            : NoSuchDifference();
    }

    private static async Task<IResult> TakeBack(
        Guid id,
        string key,
        Access access,
        Rulings rulings,
        ClassView view,
        CancellationToken cancellation
    ) =>
        await PartAsync(id, access, cancellation) is not { } part ? PartEndpoints.NoSuchPart()
        : await rulings.TakeBackAllAsync(id, key, cancellation) ? await RepliedAsync(part, access, view, cancellation)
        : NoSuchDifference();

    private static async Task<IResult> GoneThrough(
        Guid id,
        GoneThroughRequest request,
        Access access,
        BlindSample sample,
        BlueSlateContext database,
        AuditTrail audit,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        if (await PartAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var blind = sample.BlindForMe();
        var teaches = await access
            .StaffExercises(instructorsOnly: true)
            .AnyAsync(exercise => exercise.Id == part.ExerciseId, cancellation);
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(part.ExerciseId, cancellation);
        var done = await database
            .Works.Where(work =>
                work.PartId == id
                && work.Answer!.Counts
                && work.Released == null
                && work.GoneThroughAt == null
                && request.Works.Contains(work.Id)
                && !blind.Contains(work.Id)
            )
            .GoneThroughAsync(access.AccountId, teaches, clock.GetUtcNow(), cancellation);
        if (done > 0)
        {
            audit.Add(AuditKind.Ruling, part.Exercise!.CohortId, $"{done} answers gone through together", part.ExerciseId);
            await database.SaveChangesAsync(cancellation);
        }

        await transaction.CommitAsync(cancellation);
        return TypedResults.Ok(new GoneThroughReply(done));
    }

    private static async Task<IResult> RepliedAsync(
        ExercisePart part,
        Access access,
        ClassView view,
        CancellationToken cancellation
    )
    {
        var teaches = await access
            .StaffExercises(instructorsOnly: true)
            .AnyAsync(exercise => exercise.Id == part.ExerciseId, cancellation);
        return TypedResults.Ok(await view.DifferencesAsync(part, teaches, cancellation));
    }

    /// <summary>A part with its documents and its exercise, of those that the caller marks, or teaches; null for another.</summary>
    internal static Task<ExercisePart?> PartAsync(
        Guid id,
        Access access,
        CancellationToken cancellation,
        bool instructorsOnly = false
    ) =>
        access
            .StaffParts(instructorsOnly)
            .AsNoTracking()
            .Include(row => row.Documents)
            .Include(row => row.Exercise)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);

    /// <summary>The answer to whoever asks what a class drew that was asked nothing.</summary>
    internal static IResult NobodyAsked() =>
        Problems.Conflict("not-published", "Nobody has been asked yet: the exercise is not published.");

    private static IResult NoSuchDifference() =>
        Problems.NotFound("no-such-difference", "No answer that is still to be marked has this difference any more.");
}
