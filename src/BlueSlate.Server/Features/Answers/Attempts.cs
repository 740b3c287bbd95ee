using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Exercises;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>Says which of a student's attempts at an exercise counts, by the exercise's rule.</summary>
public sealed class Attempts(BlueSlateContext database)
{
    /// <summary>Settles it for one student.</summary>
    public async Task SettleAsync(Guid exerciseId, Guid accountId, CancellationToken cancellation)
    {
        var handedIn = await database
            .Answers.AsNoTracking()
            .Where(answer => answer.ExerciseId == exerciseId && answer.AccountId == accountId && answer.HandedInAt != null)
            .OrderBy(answer => answer.Attempt)
            .Select(answer => new
            {
                answer.Id,
                answer.Counts,
                Totals = answer
                    .Works.Select(work =>
                        work.Results.OrderByDescending(result => result.At).Select(result => result.Total).FirstOrDefault()
                    )
                    .ToList(),
            })
            .ToListAsync(cancellation);
        if (handedIn is [] or [{ Counts: true }])
        {
            return;
        }

        var exercise = await database.Exercises.AsNoTracking().FirstAsync(row => row.Id == exerciseId, cancellation);
        var counting = handedIn[Sittings.AttemptsOf(exercise).Counting([.. handedIn.Select(one => TotalOf(one.Totals))])].Id;
        await database
            .Answers.Where(answer =>
                answer.ExerciseId == exerciseId && answer.AccountId == accountId && answer.HandedInAt != null
            )
            .ExecuteUpdateAsync(set => set.SetProperty(answer => answer.Counts, answer => answer.Id == counting), cancellation);
    }

    private static Rational? TotalOf(IReadOnlyCollection<string?> totals) =>
        totals.Any(total => total is null)
            ? null
            : totals.Aggregate(Rational.Zero, (sum, total) => sum + StoredMarks.Read(total!));
}
