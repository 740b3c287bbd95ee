using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Freezes what is asked and what it is held against as numbered revisions.</summary>
public sealed class Publishing(BlueSlateContext database, CheckQueue queue, AuditTrail audit, TimeProvider clock)
{
    /// <summary>Publishes an exercise to its cohort.</summary>
    public static async Task<IResult> Publish(
        Guid id,
        PublishRequest request,
        Access access,
        Publishing publishing,
        CancellationToken cancellation
    )
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation);
        return exercise is null
            ? ExerciseEndpoints.NoSuchExercise()
            : await publishing.PublishAsync(exercise, request.DueAt, cancellation);
    }

    private async Task<IResult> PublishAsync(Exercise exercise, DateTimeOffset? dueAt, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        if (await database.Exercises.AnyAsync(row => row.Id == exercise.Id && row.PublishedAt != null, cancellation))
        {
            return Problems.AlreadyDone("This exercise is published already.");
        }

        await database.Entry(exercise).Collection(row => row.Documents).Query().LoadAsync(cancellation);

        if (Missing(exercise) is { } missing)
        {
            return Problems.Unreadable("not-ready", missing);
        }

        var now = clock.GetUtcNow();
        if (dueAt <= now)
        {
            return Problems.Unreadable("due", "The time by which answers are due lies in the past.", "dueAt");
        }

        exercise.PublishedAt = now;
        exercise.DueAt = dueAt;
        database.QuestionRevisions.Add(
            new QuestionRevision
            {
                Id = Guid.CreateVersion7(),
                ExerciseId = exercise.Id,
                Number = 1,
                Scenario = TextOf(exercise, DocumentKind.Scenario),
                Part = TextOf(exercise, DocumentKind.Part),
                PublishedAt = now,
            }
        );
        AddAssessment(exercise, 1, now);
        audit.Add(
            AuditKind.Publish,
            exercise.CohortId,
            dueAt is { } due ? $"due {due.UtcDateTime:yyyy-MM-dd HH:mm} UTC" : "without a due time",
            exercise.Id
        );
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.NoContent();
    }

    /// <summary>
    /// Makes a new assessment revision of a published exercise and writes, in the caller's transaction, the rows that ask for
    /// all its answers to be checked again; whose those are. Released ones stay as they are.
    /// </summary>
    public async Task<IReadOnlyList<Guid>> ReassessAsync(Guid exerciseId, CancellationToken cancellation)
    {
        var exercise = await database
            .Exercises.Include(row => row.Documents)
            .Include(row => row.Assessments)
            .FirstAsync(row => row.Id == exerciseId, cancellation);
        var next = exercise.Assessments.Max(revision => revision.Number) + 1;
        var revision = AddAssessment(exercise, next, clock.GetUtcNow());
        var answers = await database
            .Answers.Where(answer => answer.ExerciseId == exerciseId && answer.HandedInAt != null && answer.Released == null)
            .Select(answer => answer.Id)
            .ToListAsync(cancellation);
        database.CheckRequests.AddRange(answers.Select(answer => queue.RequestFor(answer, revision.Id)));
        await database.SaveChangesAsync(cancellation);
        return answers;
    }

    /// <summary>Puts checks to work once the rows that ask for them are committed.</summary>
    public void Enqueue(IReadOnlyList<Guid> answers) => queue.Enqueue(answers);

    /// <summary>What an exercise still lacks before it can be published, as a sentence; null when it is ready.</summary>
    public static string? Missing(Exercise exercise)
    {
        if (string.IsNullOrWhiteSpace(TextOf(exercise, DocumentKind.Scenario)))
        {
            return "Write the scenario first.";
        }

        if (DrawingReader.Read(TextOf(exercise, DocumentKind.Model)).Drawing is not { IsBlank: false })
        {
            return "Draw the model answer first.";
        }

        return ExerciseJson.Read<AssessmentDocument>(TextOf(exercise, DocumentKind.Assessment)).Scheme is null
            ? "Derive the marking scheme first."
            : null;
    }

    private AssessmentRevision AddAssessment(Exercise exercise, int number, DateTimeOffset now)
    {
        var revision = new AssessmentRevision
        {
            Id = Guid.CreateVersion7(),
            ExerciseId = exercise.Id,
            Number = number,
            Model = TextOf(exercise, DocumentKind.Model),
            Assessment = TextOf(exercise, DocumentKind.Assessment),
            CreatedAt = now,
        };
        database.AssessmentRevisions.Add(revision);
        return revision;
    }

    private static string TextOf(Exercise exercise, DocumentKind kind) =>
        exercise.Documents.First(document => document.Kind == kind).Text;
}
