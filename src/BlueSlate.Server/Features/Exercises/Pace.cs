using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>How long earlier students needed for what they were to draw.</summary>
internal static class Pace
{
    /// <summary>Of fewer answers than these nothing is told: two students are no class.</summary>
    public const int Fewest = 5;

    private const int MostExercises = 6;

    /// <summary>
    /// Seconds for each thing that a model answer states: of the newest exercises with enough answers that were handed in by their
    /// students themselves, the middle one. Null while there is none.
    /// </summary>
    public static async Task<double?> SecondsPerFactAsync(Access access, CancellationToken cancellation)
    {
        var exercises = await access
            .StaffExercises()
            .AsNoTracking()
            .Where(exercise =>
                exercise.TrialOfId == null && exercise.Answers.Count(answer => answer.Counts && !answer.EndedByTime) >= Fewest
            )
            .OrderByDescending(exercise => exercise.CreatedAt)
            .Take(MostExercises)
            .Select(exercise => new
            {
                Times = exercise
                    .Answers.Where(answer => answer.Counts && !answer.EndedByTime)
                    .Select(answer => new { answer.StartedAt, answer.HandedInAt })
                    .ToList(),
                Parts = exercise.Parts.Select(part => part.Documents.ToList()).ToList(),
            })
            .AsSplitQuery()
            .ToListAsync(cancellation);
        var paces = exercises
            .Select(exercise =>
                Median(exercise.Times.Select(time => (time.HandedInAt!.Value - time.StartedAt).TotalSeconds))
                / Math.Max(1, exercise.Parts.Sum(FactsOf))
            )
            .ToList();
        return paces.Count == 0 ? null : Median(paces);
    }

    /// <summary>The middle one of some numbers; of an even count the higher of the two.</summary>
    public static double Median(IEnumerable<double> numbers)
    {
        var sorted = numbers.Order().ToList();
        return sorted[sorted.Count / 2];
    }

    private static int FactsOf(List<ExercisePartDocument> documents)
    {
        var learned = ExerciseJson.Read<PartDocument>(documents.TextOf(DocumentKind.Part)).Learned;
        var subject = Subject.Of(learned);
        var model = documents.TextOf(DocumentKind.Model);
        return subject.Facts(subject.Parse(model)!, learned).Count(fact => !fact.Kind.IsOnRequest);
    }
}
