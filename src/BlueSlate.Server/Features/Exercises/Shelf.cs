using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>All exercises that one may look at, as they are found again.</summary>
public sealed record ShelfReply(ShelfExercise[] Exercises);

/// <summary>An exercise on the shelf.</summary>
/// <param name="Id">Which it is.</param>
/// <param name="Title">Its title.</param>
/// <param name="CohortId">The id of the cohort for which it was written.</param>
/// <param name="Cohort">For which cohort it was written.</param>
/// <param name="CreatedAt">When it was begun.</param>
/// <param name="Published">Whether it was published.</param>
/// <param name="Parts">What is asked.</param>
/// <param name="Topics">What its model answers have in them that exercises are looked for by.</param>
/// <param name="Facts">How much its model answers state.</param>
/// <param name="Words">How long its scenario is.</param>
/// <param name="Answers">How many answers that count were checked.</param>
/// <param name="Earned">The share of the marks that they earned on average, from 0 to 1; null while there are too few of them.</param>
/// <param name="Minutes">How long half of those who handed in themselves took at the most; null while there are too few of them.</param>
public sealed record ShelfExercise(
    Guid Id,
    string Title,
    Guid CohortId,
    string Cohort,
    DateTimeOffset CreatedAt,
    bool Published,
    PartDocument[] Parts,
    string[] Topics,
    int Facts,
    int Words,
    int Answers,
    double? Earned,
    double? Minutes
);

/// <summary>Finds exercises again: by what their model answers have in them, and by how earlier answers did.</summary>
internal static class Shelf
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder group) => group.MapGet("/shelf", Get).ForStaff();

    private static async Task<ShelfReply> Get(Access access, BlueSlateContext database, CancellationToken cancellation)
    {
        var exercises = await access
            .StaffExercises()
            .AsNoTracking()
            .AsSplitQuery()
            .Where(row => row.TrialOfId == null)
            .Include(row => row.Cohort)
            .Include(row => row.Documents)
            .Include(row => row.Parts)
                .ThenInclude(part => part.Documents)
            .OrderByDescending(row => row.CreatedAt)
            .ToListAsync(cancellation);
        var answers = (
            await access
                .StaffExercises()
                .SelectMany(exercise => exercise.Answers)
                .Where(answer => answer.Counts)
                .Select(answer => new
                {
                    answer.ExerciseId,
                    answer.StartedAt,
                    answer.HandedInAt,
                    answer.EndedByTime,
                    Results = answer
                        .Works.Select(work =>
                            work.Results.OrderByDescending(result => result.At)
                                .Select(result => new { result.Total, result.Maximum })
                                .FirstOrDefault()
                        )
                        .ToList(),
                })
                .AsSplitQuery()
                .ToListAsync(cancellation)
        ).ToLookup(answer => answer.ExerciseId);
        return new ShelfReply([
            .. exercises.Select(exercise =>
            {
                var of = answers[exercise.Id].ToList();
                var earned = of.Where(answer => answer.Results.All(result => result is not null))
                    .Select(answer => Share(answer.Results.Select(result => (result!.Total, result.Maximum))))
                    .ToList();
                var minutes = of.Where(answer => !answer.EndedByTime)
                    .Select(answer => (answer.HandedInAt!.Value - answer.StartedAt).TotalMinutes)
                    .ToList();
                return Of(
                    exercise,
                    earned.Count,
                    earned.Count < Pace.Fewest ? null : earned.Average(),
                    minutes.Count < Pace.Fewest ? null : Pace.Median(minutes)
                );
            }),
        ]);
    }

    private static ShelfExercise Of(Exercise exercise, int answers, double? earned, double? minutes)
    {
        var scenario = exercise.Documents.TextOf(DocumentKind.Scenario);
        var parts = exercise
            .Parts.OrderBy(part => part.Position)
            .Select(part =>
                (
                    Part: ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part)),
                    Model: part.Documents.TextOf(DocumentKind.Model)
                )
            )
            .ToList();
        var models = parts.ConvertAll(part => (Subject: Subject.Of(part.Part.Learned), part.Part.Learned, part.Model));
        return new ShelfExercise(
            exercise.Id,
            exercise.Title,
            exercise.CohortId,
            exercise.Cohort!.Name,
            exercise.CreatedAt,
            exercise.PublishedAt is not null,
            [.. parts.Select(part => part.Part)],
            [
                .. models
                    .SelectMany(one => one.Subject.Topics(one.Subject.Parse(one.Model)!, one.Learned))
                    .Distinct(StringComparer.Ordinal)
                    .Order(StringComparer.Ordinal),
            ],
            models.Sum(one => one.Subject.Facts(one.Subject.Parse(one.Model)!, one.Learned).Length),
            scenario.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Length,
            answers,
            earned,
            minutes
        );
    }

    private static double Share(IEnumerable<(string Total, string Maximum)> results)
    {
        var (total, maximum) = (Rational.Zero, Rational.Zero);
        foreach (var (earned, most) in results)
        {
            (total, maximum) = (total + StoredMarks.Read(earned), maximum + StoredMarks.Read(most));
        }

        return maximum.IsZero ? 0 : (double)(total / maximum);
    }
}
