using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>
/// Saves an exercise's documents, each conditional on the revision it started from. Once published, the scenario, part and
/// model answer no longer change here; tolerances and scheme make a new assessment revision, after release too: what it would
/// make of released marks is proposed, and changes nothing by itself.
/// </summary>
public sealed class DocumentStore(BlueSlateContext database, Access access, Publishing publishing, TimeProvider clock)
{
    /// <summary>Saves, or says why not; a conflict carries what is stored now.</summary>
    public async Task<IResult> SaveAsync(
        Guid exerciseId,
        DocumentKind kind,
        int revision,
        string text,
        CancellationToken cancellation
    )
    {
        var exercise = await access
            .StaffExercises(instructorsOnly: true)
            .AsNoTracking()
            .FirstOrDefaultAsync(row => row.Id == exerciseId, cancellation);
        if (exercise is null)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        if (exercise.PublishedAt is not null && kind is not DocumentKind.Assessment)
        {
            return Problems.Conflict("published", "This exercise is published; what is asked no longer changes.");
        }

        // What a class is held against changes together with the request to check it again.
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exerciseId, cancellation);
        if (
            kind is not DocumentKind.Assessment
            && await database.Exercises.AnyAsync(row => row.Id == exerciseId && row.PublishedAt != null, cancellation)
        )
        {
            return Problems.Conflict("published", "This exercise is published; what is asked no longer changes.");
        }

        if (
            kind is DocumentKind.Assessment
            && exercise.PublishedAt is not null
            && ExerciseJson.Read<AssessmentDocument>(text).Scheme is null
        )
        {
            return Problems.Unreadable(
                "scheme",
                "What is published is marked by a scheme: it can be changed, and not be taken away.",
                "value.scheme"
            );
        }

        var now = clock.GetUtcNow();
        var saved = await database
            .ExerciseDocuments.Where(document =>
                document.ExerciseId == exerciseId && document.Kind == kind && document.Revision == revision
            )
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(document => document.Text, text)
                        .SetProperty(document => document.Revision, revision + 1)
                        .SetProperty(document => document.SavedAt, now),
                cancellation
            );
        if (saved == 0)
        {
            var current = await database
                .ExerciseDocuments.AsNoTracking()
                .FirstAsync(document => document.ExerciseId == exerciseId && document.Kind == kind, cancellation);
            if (current.Text == text)
            {
                return TypedResults.Ok(new SavedReply(current.Revision));
            }

            database.SetAside.Add(
                new SetAside
                {
                    Id = Guid.CreateVersion7(now),
                    ExerciseId = exerciseId,
                    Kind = kind,
                    Revision = revision,
                    Text = text,
                    At = now,
                    ById = access.AccountId,
                }
            );
            await database.SaveChangesAsync(cancellation);
            await transaction.CommitAsync(cancellation);
            return Problems.Conflict(
                "conflict",
                "Somebody else saved this in the meantime. Both texts are kept; choose one.",
                new TextDocument(current.Revision, current.Text)
            );
        }

        var again =
            kind is DocumentKind.Assessment
            && await database.Exercises.AnyAsync(row => row.Id == exerciseId && row.PublishedAt != null, cancellation)
                ? await publishing.ReassessAsync(exerciseId, cancellation)
                : [];
        await transaction.CommitAsync(cancellation);
        publishing.Enqueue(again);
        return TypedResults.Ok(new SavedReply(revision + 1));
    }
}
