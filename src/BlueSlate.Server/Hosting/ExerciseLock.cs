using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Hosting;

/// <summary>
/// Lets one change at a time be made of what a whole exercise depends on: publishing, decisions, schemes, release. Whoever
/// comes second sees what the first has done.
/// </summary>
public static class ExerciseLock
{
    /// <summary>Waits for an exercise, until the end of the transaction that runs.</summary>
    public static Task LockExerciseAsync(this BlueSlateContext database, Guid exerciseId, CancellationToken cancellation) =>
        database.Database.ExecuteSqlAsync($"SELECT 1 FROM exercises WHERE id = {exerciseId} FOR UPDATE", cancellation);
}
