using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Home;

/// <summary>What is to do next, in numbers that the front end puts into sentences.</summary>
public sealed record HomeReply(HomeExercise[] Exercises);

/// <summary>An exercise with what waits in it.</summary>
public sealed record HomeExercise(
    ExerciseSummary Summary,
    PartDocument[] Parts,
    string? Lacks,
    int Undecided,
    int ToGoThrough,
    int Unreleased
);

/// <summary>The page that instructors and assistants see first.</summary>
public static class HomeEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void MapHome(this IEndpointRouteBuilder routes) => routes.MapGet("/api/home", Get).ForStaff().WithTags("Home");

    private static async Task<HomeReply> Get(Access access, BlueSlateContext database, CancellationToken cancellation)
    {
        var summaries = await ExerciseEndpoints.Summaries(access.StaffExercises()).ToListAsync(cancellation);
        var drafts = await access
            .StaffExercises()
            .AsNoTracking()
            .Where(exercise => exercise.PublishedAt == null)
            .AsSplitQuery()
            .Include(exercise => exercise.Documents)
            .Include(exercise => exercise.Parts)
                .ThenInclude(part => part.Documents)
            .ToDictionaryAsync(exercise => exercise.Id, cancellation);
        var waiting = await access
            .StaffExercises()
            .Select(exercise => new
            {
                exercise.Id,
                Undecided = exercise.Answers.Count(answer =>
                    answer.Counts
                    && answer.Works.Any(work =>
                        work.Released == null
                        && work.GoneThroughAt == null
                        && (work.Results.Any(result => result.Doubtful) || work.Results.Count == 0)
                    )
                ),
                Unreleased = exercise.Answers.Count(answer => answer.Counts && answer.Works.Any(work => work.Released == null)),
            })
            .ToDictionaryAsync(row => row.Id, cancellation);
        var parts = (
            await access
                .StaffExercises()
                .SelectMany(exercise => exercise.Parts)
                .OrderBy(part => part.Position)
                .SelectMany(
                    part => part.Documents.Where(document => document.Kind == DocumentKind.Part),
                    (part, document) => new { part.ExerciseId, document.Text }
                )
                .ToListAsync(cancellation)
        ).ToLookup(row => row.ExerciseId, row => ExerciseJson.Read<PartDocument>(row.Text));
        return new HomeReply([
            .. summaries.Select(summary => new HomeExercise(
                summary,
                [.. parts[summary.Id]],
                drafts.TryGetValue(summary.Id, out var draft) ? Publishing.Missing(draft) : null,
                waiting[summary.Id].Undecided,
                summary.HandedIn - summary.GoneThrough,
                summary.IsTrial ? 0 : waiting[summary.Id].Unreleased
            )),
        ]);
    }
}
