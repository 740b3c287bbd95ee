using System.Text.Json;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Writing exercises: title, scenario, which parts there are. What is in a part has endpoints of its own.</summary>
public static class ExerciseEndpoints
{
    private const int LongestTitle = 120;

    /// <summary>Maps the endpoints.</summary>
    public static void MapExercises(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/exercises").WithTags("Exercises");
        group.MapGet("", List).ForStaff();
        group.MapPost("", Create).ForInstructors().Produces<CreatedReply>();
        group.MapGet("/cohorts", Cohorts).ForInstructors();
        group.MapGet("/{id:guid}", Get).ForStaff();
        group.MapGet("/{id:guid}/set-aside", SetAsideTexts).ForInstructors().Produces<SetAsideReply[]>();
        group.MapPut("/{id:guid}/scenario", ScenarioEndpoints.Save).ForInstructors().Produces<SavedReply>();
        group.MapPut("/{id:guid}/title", SaveTitle).ForInstructors().Produces(StatusCodes.Status204NoContent);
        group.MapPost("/{id:guid}/parts", PartList.Add).ForInstructors().Produces<CreatedReply>();
        group.MapPut("/{id:guid}/parts", PartList.Order).ForInstructors().Produces(StatusCodes.Status204NoContent);
        group.MapPost("/{id:guid}/publish", Publishing.Publish).ForInstructors().Produces(StatusCodes.Status204NoContent);
        Times.Map(group);
        Correcting.Map(group);
        Folders.Map(group);
        Shelf.Map(group);
    }

    private static async Task<ExerciseSummary[]> List(Access access, CancellationToken cancellation) =>
        await Summaries(access.StaffExercises()).ToArrayAsync(cancellation);

    /// <summary>Summaries of exercises, newest first.</summary>
    internal static IQueryable<ExerciseSummary> Summaries(IQueryable<Exercise> exercises) =>
        exercises
            .OrderByDescending(exercise => exercise.CreatedAt)
            .Select(exercise => new ExerciseSummary(
                exercise.Id,
                exercise.Title,
                exercise.CohortId,
                exercise.Cohort!.Name,
                exercise.PublishedAt,
                exercise.DueAt,
                exercise.ReleasedAt,
                exercise.Cohort.Members.Count(member => member.Role == CohortRole.Student),
                exercise.Answers.Count(answer => answer.Attempt == 1),
                exercise.Answers.Count(answer => answer.Counts),
                exercise.Answers.Count(answer => answer.Counts && answer.Works.All(work => work.GoneThroughAt != null)),
                exercise.TrialOfId != null
            ));

    private static async Task<CohortReply[]> Cohorts(Access access, CancellationToken cancellation)
    {
        return await access
            .OwnCohorts()
            .OrderBy(cohort => cohort.Name)
            .Select(cohort => new CohortReply(
                cohort.Id,
                cohort.Name,
                cohort.Members.Count(member => member.Role == CohortRole.Student)
            ))
            .ToArrayAsync(cancellation);
    }

    private static async Task<IResult> Create(
        NewExerciseRequest request,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var title = request.Title.Trim();
        if (title.Length is 0 or > LongestTitle)
        {
            return Problems.Unreadable("title", $"An exercise has a title of at most {LongestTitle} characters.", "title");
        }

        var account = access.AccountId;
        var mayTeach = await database.Memberships.AnyAsync(
            member => member.CohortId == request.CohortId && member.AccountId == account && member.Role == CohortRole.Instructor,
            cancellation
        );
        if (!mayTeach)
        {
            return Problems.NotFound("no-such-cohort", "There is no such cohort among yours.");
        }

        var exercise = NewExercise.Make(title, request.CohortId, clock.GetUtcNow());
        database.Exercises.Add(exercise);
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(new CreatedReply(exercise.Id));
    }

    private static async Task<Results<Ok<ExerciseReply>, ProblemHttpResult>> Get(
        Guid id,
        Access access,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    )
    {
        var exercise = await access
            .StaffExercises()
            .AsNoTracking()
            .AsSplitQuery()
            .Include(row => row.Documents)
            .Include(row => row.Parts)
                .ThenInclude(part => part.Documents)
            .Include(row => row.Cohort)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return NoSuchExercise();
        }

        var mayEdit = await access.StaffExercises(instructorsOnly: true).AnyAsync(row => row.Id == id, cancellation);
        var scenario = exercise.Documents.First(document => document.Kind == DocumentKind.Scenario);
        return TypedResults.Ok(
            new ExerciseReply(
                exercise.Id,
                exercise.Title,
                exercise.Cohort!.Name,
                mayEdit,
                exercise.TrialOfId is not null,
                exercise.PublishedAt,
                exercise.DueAt,
                new TextDocument(scenario.Revision, scenario.Text),
                renderer.Render(scenario.Text),
                [.. exercise.Parts.OrderBy(part => part.Position).Select(PartEndpoints.ReplyOf)]
            )
        );
    }

    private static async Task<IResult> SetAsideTexts(
        Guid id,
        Access access,
        BlueSlateContext database,
        CancellationToken cancellation
    ) =>
        await access.StaffExercises(instructorsOnly: true).AnyAsync(exercise => exercise.Id == id, cancellation)
            ? TypedResults.Ok(
                await database
                    .SetAside.AsNoTracking()
                    .Where(row => row.ExerciseId == id)
                    .OrderByDescending(row => row.At)
                    .Select(row => new SetAsideReply(
                        row.Id,
                        row.PartId,
                        row.Kind,
                        row.At,
                        database
                            .Users.Where(account => account.Id == row.ById)
                            .Select(account => account.DisplayName)
                            .FirstOrDefault(),
                        row.Text
                    ))
                    .ToArrayAsync(cancellation)
            )
            : NoSuchExercise();

    private static async Task<IResult> SaveTitle(
        Guid id,
        SaveTitleRequest request,
        Access access,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        var title = request.Title.Trim();
        if (title.Length is 0 or > LongestTitle)
        {
            return Problems.Unreadable("title", $"An exercise has a title of at most {LongestTitle} characters.", "title");
        }

        if (!await access.StaffExercises(instructorsOnly: true).AnyAsync(exercise => exercise.Id == id, cancellation))
        {
            return NoSuchExercise();
        }

        var changed = await database
            .Exercises.Where(exercise => exercise.Id == id && exercise.PublishedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(exercise => exercise.Title, title), cancellation);
        return changed == 1 ? TypedResults.NoContent() : Published();
    }

    /// <summary>The answer to whoever would change what is asked in a published exercise.</summary>
    internal static ProblemHttpResult Published() =>
        Problems.Conflict("published", "This exercise is published; what is asked no longer changes.");

    /// <summary>The answer to whoever asks for an exercise that is not theirs.</summary>
    internal static ProblemHttpResult NoSuchExercise() =>
        Problems.NotFound("no-such-exercise", "There is no such exercise among yours.");
}

/// <summary>Documents of the open formats as they stand in the database.</summary>
internal static class ExerciseJson
{
    public static T Read<T>(string text) => JsonSerializer.Deserialize<T>(text, Formats.Json)!;

    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Formats.Compact);
}
