using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Cohorts;

/// <summary>
/// Erases what is kept of people: one of them when an instructor asks, all students of a cohort when its day has come.
/// </summary>
public sealed class Erasure(BlueSlateContext database, AuditTrail audit)
{
    /// <summary>
    /// Erases a person's answers in a cohort, with all that hangs on them, and the place in the cohort; the account too when it
    /// belongs to no other cohort. All in one transaction, and the record says that it was done, not of whom.
    /// </summary>
    public async Task EraseAsync(Guid cohort, Guid person, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var answers = await EraseAllAsync(cohort, [person], cancellation);
        audit.Add(AuditKind.Erasure, cohort, Say(1, answers));
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
    }

    /// <summary>Erases the students of every cohort whose day has come; how many people that were.</summary>
    public async Task<int> EraseWhatIsDueAsync(DateOnly today, CancellationToken cancellation)
    {
        var erased = 0;
        foreach (
            var cohort in await database
                .Cohorts.Where(row => row.KeepUntil != null && row.KeepUntil <= today)
                .Select(row => row.Id)
                .ToListAsync(cancellation)
        )
        {
            await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
            var students = await database
                .Memberships.Where(member => member.CohortId == cohort && member.Role == CohortRole.Student)
                .Select(member => member.AccountId)
                .ToListAsync(cancellation);
            var answers = await EraseAllAsync(cohort, students, cancellation);
            await database
                .Cohorts.Where(row => row.Id == cohort)
                .ExecuteUpdateAsync(set => set.SetProperty(row => row.KeepUntil, (DateOnly?)null), cancellation);
            audit.Add(AuditKind.Erasure, cohort, $"the day had come: {Say(students.Count, answers)}");
            await database.SaveChangesAsync(cancellation);
            await transaction.CommitAsync(cancellation);
            erased += students.Count;
        }

        return erased;
    }

    private async Task<int> EraseAllAsync(Guid cohort, List<Guid> people, CancellationToken cancellation)
    {
        var answers = await database
            .Answers.Where(answer => answer.Exercise!.CohortId == cohort && people.Contains(answer.AccountId))
            .Select(answer => answer.Id)
            .ToListAsync(cancellation);
        // All that hangs on an answer goes with it, by the database's own references.
        await database.Answers.Where(answer => answers.Contains(answer.Id)).ExecuteDeleteAsync(cancellation);
        await database
            .Extensions.Where(extension =>
                people.Contains(extension.AccountId)
                && database.Exercises.Any(exercise => exercise.Id == extension.ExerciseId && exercise.CohortId == cohort)
            )
            .ExecuteDeleteAsync(cancellation);
        await database
            .Memberships.Where(member => member.CohortId == cohort && people.Contains(member.AccountId))
            .ExecuteDeleteAsync(cancellation);
        var gone = await database
            .Users.Where(account =>
                people.Contains(account.Id) && !database.Memberships.Any(member => member.AccountId == account.Id)
            )
            .Select(account => account.Id)
            .ToListAsync(cancellation);
        await database
            .AuditEvents.Where(line => line.Kind == AuditKind.SignIn && line.ActorId != null && gone.Contains(line.ActorId.Value))
            .ExecuteDeleteAsync(cancellation);
        await database.Users.Where(account => gone.Contains(account.Id)).ExecuteDeleteAsync(cancellation);
        return answers.Count;
    }

    private static string Say(int people, int answers) =>
        $"{people} {(people == 1 ? "person" : "people")} with {answers} {(answers == 1 ? "answer" : "answers")}";
}
