using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>
/// What follows from a check: another attempt may be the one that counts, and where an exercise is for practice the marks are told at once.
/// </summary>
public sealed class AfterCheck(BlueSlateContext database, Attempts attempts, TimeProvider clock)
{
    /// <summary>Does it for work whose result is stored.</summary>
    public async Task CheckedAsync(CheckedWork result, CancellationToken cancellation)
    {
        var answer = result.Work.Answer!;
        await attempts.SettleAsync(answer.ExerciseId, answer.AccountId, cancellation);
        if (ExerciseJson.Read<PartDocument>(result.Work.Asked!.Document).Told != Told.WhenHandedIn || answer.Withheld is not null)
        {
            return;
        }

        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(answer.ExerciseId, cancellation);
        if (!await database.ReleasedSheets.AnyAsync(sheet => sheet.WorkId == result.Work.Id, cancellation))
        {
            database.ReleasedSheets.Add(Releasing.SheetOf(result, clock.GetUtcNow()));
            await database.SaveChangesAsync(cancellation);
        }

        await transaction.CommitAsync(cancellation);
    }
}
