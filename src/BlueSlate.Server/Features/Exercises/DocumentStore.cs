using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>
/// Saves the documents of exercises and of their parts, each conditional on the revision it started from. Once published, the
/// scenario, parts and model answers no longer change here but are corrected and repaired elsewhere; tolerances and scheme make a new
/// assessment revision, after release too: what it would make of released marks is proposed, and changes nothing by itself.
/// </summary>
public sealed class DocumentStore(BlueSlateContext database, Access access, Publishing publishing, TimeProvider clock)
{
    /// <summary>Saves an exercise's scenario, or says why not; a conflict carries what is stored now.</summary>
    public async Task<IResult> SaveScenarioAsync(Guid exerciseId, int revision, string text, CancellationToken cancellation) =>
        await access.StaffExercises(instructorsOnly: true).AnyAsync(row => row.Id == exerciseId, cancellation)
            ? await SaveAsync(
                database.ExerciseDocuments.Where(document => document.ExerciseId == exerciseId),
                new Place(exerciseId, null, DocumentKind.Scenario),
                revision,
                text,
                cancellation
            )
            : ExerciseEndpoints.NoSuchExercise();

    /// <summary>The same for a document of a part.</summary>
    public async Task<IResult> SaveAsync(
        Guid partId,
        DocumentKind kind,
        int revision,
        string text,
        CancellationToken cancellation
    ) =>
        await access.StaffParts(instructorsOnly: true).AsNoTracking().FirstOrDefaultAsync(row => row.Id == partId, cancellation)
            is { } part
            ? await SaveAsync(
                database.ExercisePartDocuments.Where(document => document.PartId == partId),
                new Place(part.ExerciseId, partId, kind),
                revision,
                text,
                cancellation
            )
            : PartEndpoints.NoSuchPart();

    private async Task<IResult> SaveAsync<T>(
        IQueryable<T> documents,
        Place place,
        int revision,
        string text,
        CancellationToken cancellation
    )
        where T : WrittenDocument
    {
        // What a class is held against changes together with the request to check it again.
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(place.ExerciseId, cancellation);
        var published = await database.Exercises.AnyAsync(
            row => row.Id == place.ExerciseId && row.PublishedAt != null,
            cancellation
        );
        // How a model answer is shown to a class changes nothing that anybody is held against.
        var held = published && place.Kind != DocumentKind.Steps;
        if (held && Refusal(place.Kind, text) is { } refusal)
        {
            return refusal;
        }

        var now = clock.GetUtcNow();
        var saved = await documents
            .Where(document => document.Kind == place.Kind && document.Revision == revision)
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(document => document.Text, text)
                        .SetProperty(document => document.Revision, revision + 1)
                        .SetProperty(document => document.SavedAt, now),
                cancellation
            );
        if (saved == 0)
        {
            var current = await documents.AsNoTracking().FirstAsync(document => document.Kind == place.Kind, cancellation);
            if (current.Text == text)
            {
                return TypedResults.Ok(new SavedReply(current.Revision));
            }

            database.SetAside.Add(
                new SetAside
                {
                    Id = Guid.CreateVersion7(now),
                    ExerciseId = place.ExerciseId,
                    PartId = place.PartId,
                    Kind = place.Kind,
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

        var again = held && place.PartId is { } part ? await publishing.ReassessAsync(part, cancellation) : [];
        await transaction.CommitAsync(cancellation);
        publishing.Enqueue(again);
        return TypedResults.Ok(new SavedReply(revision + 1));
    }

    // What stands against changing a document of a published exercise.
    private static IResult? Refusal(DocumentKind kind, string text) =>
        kind is not DocumentKind.Assessment ? ExerciseEndpoints.Published()
        : ExerciseJson.Read<AssessmentDocument>(text).Scheme is null
            ? Problems.Unreadable(
                "scheme",
                "What is published is marked by a scheme: it can be changed, and not be taken away.",
                "value.scheme"
            )
        : null;

    private readonly record struct Place(Guid ExerciseId, Guid? PartId, DocumentKind Kind);
}
