using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>
/// Saves an exercise's documents, each conditional on the revision it started from. Once published, the scenario, part and
/// model answer no longer change here; tolerances and scheme make a new assessment revision.
/// </summary>
public sealed class DocumentStore(BlueSlateContext database, Access access, Publishing publishing, TimeProvider clock)
{
    /// <summary>Saves, or says why not; a conflict carries what is stored now.</summary>
    public async Task<IResult> SaveAsync(Guid exerciseId, DocumentKind kind, int revision, string text, CancellationToken cancellation)
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).AsNoTracking().FirstOrDefaultAsync(row => row.Id == exerciseId, cancellation);
        if (exercise is null)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        if (exercise.PublishedAt is not null && kind is not DocumentKind.Assessment)
        {
            return Problems.Conflict("published", "This exercise is published; what is asked no longer changes.");
        }

        if (exercise.ReleasedAt is not null)
        {
            return Problems.Conflict("released", "The marks of this exercise are released; its scheme no longer changes.");
        }

        var now = clock.GetUtcNow();
        var saved = await database.ExerciseDocuments
            .Where(document => document.ExerciseId == exerciseId && document.Kind == kind && document.Revision == revision)
            .ExecuteUpdateAsync(set => set
                .SetProperty(document => document.Text, text)
                .SetProperty(document => document.Revision, revision + 1)
                .SetProperty(document => document.SavedAt, now), cancellation);
        if (saved == 0)
        {
            var current = await database.ExerciseDocuments.AsNoTracking().FirstAsync(document => document.ExerciseId == exerciseId && document.Kind == kind, cancellation);
            if (current.Text == text)
            {
                return TypedResults.Ok(new SavedReply(current.Revision));
            }

            database.SetAside.Add(new SetAside { Id = Guid.CreateVersion7(now), ExerciseId = exerciseId, Kind = kind, Revision = revision, Text = text, At = now, ById = access.AccountId });
            await database.SaveChangesAsync(cancellation);
            return Problems.Conflict("conflict", "Somebody else saved this in the meantime. Both texts are kept; choose one.", new TextDocument(current.Revision, current.Text));
        }

        if (exercise.PublishedAt is not null)
        {
            await publishing.ReassessAsync(exerciseId, cancellation);
        }

        return TypedResults.Ok(new SavedReply(revision + 1));
    }
}
