using BlueSlate.Core.Crossing;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Freezes what is asked, and what each part is held against, as numbered revisions.</summary>
public sealed class Publishing(BlueSlateContext database, CheckQueue queue, AuditTrail audit, TimeProvider clock)
{
    /// <summary>Publishes an exercise to its cohort.</summary>
    public static async Task<IResult> Publish(
        Guid id,
        SittingRequest request,
        Access access,
        Publishing publishing,
        CancellationToken cancellation
    )
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation);
        return exercise is null
            ? ExerciseEndpoints.NoSuchExercise()
            : await publishing.PublishAsync(exercise, request, cancellation);
    }

    private async Task<IResult> PublishAsync(Exercise exercise, SittingRequest terms, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        if (await database.Exercises.AnyAsync(row => row.Id == exercise.Id && row.PublishedAt != null, cancellation))
        {
            return Problems.AlreadyDone("This exercise is published already.");
        }

        await database.Entry(exercise).Collection(row => row.Documents).LoadAsync(cancellation);
        await database
            .Entry(exercise)
            .Collection(row => row.Parts)
            .Query()
            .Include(part => part.Documents)
            .LoadAsync(cancellation);

        if (Missing(exercise) is { } missing)
        {
            return Problems.Unreadable("not-ready", missing);
        }

        var now = clock.GetUtcNow();
        if (terms.Refusal(now) is { } refusal)
        {
            return refusal;
        }

        exercise.PublishedAt = now;
        terms.WriteTo(exercise);
        database.QuestionRevisions.Add(Asked(exercise, now));
        exercise.Parts.ForEach(part => AddAssessment(part, 1, now));
        audit.Add(AuditKind.Publish, exercise.CohortId, terms.Said(), exercise.Id);
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.NoContent();
    }

    /// <summary>
    /// Makes a new assessment revision of a part of a published exercise and writes, in the caller's transaction, the rows that
    /// ask for all work on it to be checked again; which work that is. What is released stays as it is. Parts that were begun with
    /// the drawings of this one go with it: what they inherit may be another.
    /// </summary>
    public async Task<IReadOnlyList<Guid>> ReassessAsync(Guid partId, CancellationToken cancellation)
    {
        var part = await database
            .ExerciseParts.Include(row => row.Documents)
            .Include(row => row.Assessments)
            .FirstAsync(row => row.Id == partId, cancellation);
        var next = part.Assessments.Max(revision => revision.Number) + 1;
        var revision = AddAssessment(part, next, clock.GetUtcNow());
        var works = await database
            .Works.Where(work => work.PartId == partId && work.Answer!.HandedInAt != null && work.Released == null)
            .Select(work => work.Id)
            .ToListAsync(cancellation);
        database.CheckRequests.AddRange(works.Select(work => queue.RequestFor(work, revision.Id)));
        await database.SaveChangesAsync(cancellation);
        var others = await database
            .ExerciseParts.Include(row => row.Documents)
            .Where(row => row.ExerciseId == part.ExerciseId && row.Position > part.Position)
            .OrderBy(row => row.Position)
            .ToListAsync(cancellation);
        foreach (
            var other in others.Where(other =>
                BeginOf(other) is { With: BeginsWith.OwnDrawing } begin && begin.Part == part.Position
            )
        )
        {
            works.AddRange(await ReassessAsync(other.Id, cancellation));
        }

        return works;
    }

    /// <summary>Puts checks to work once the rows that ask for them are committed.</summary>
    public void Enqueue(IReadOnlyList<Guid> works) => queue.Enqueue(works);

    /// <summary>What an exercise still lacks before it can be published, as a sentence; null when it is ready.</summary>
    public static string? Missing(Exercise exercise)
    {
        if (string.IsNullOrWhiteSpace(exercise.Documents.TextOf(DocumentKind.Scenario)))
        {
            return "Write the scenario first.";
        }

        var parts = exercise.Parts.OrderBy(part => part.Position).ToList();
        if (parts.Find(part => FollowsNothing(part)) is { } astray)
        {
            return $"Say with which earlier part’s drawing part {parts.IndexOf(astray) + 1} begins.";
        }

        if (parts.Find(part => FollowsElsewhere(part, parts)) is { } across)
        {
            return $"Part {parts.IndexOf(across) + 1} cannot begin with the drawing of part {BeginOf(across).Part}: "
                + "what that is drawn in does not lead there.";
        }

        return parts
            .Select(part =>
                Missing(part) is not { } what ? null
                : parts.Count == 1 ? $"{what} first."
                : $"{what} of part {parts.IndexOf(part) + 1} first."
            )
            .FirstOrDefault(missing => missing is not null);
    }

    private static bool FollowsNothing(ExercisePart part) =>
        BeginOf(part) is { FollowsOn: true } begin && !(begin.Part < part.Position);

    private static bool FollowsElsewhere(ExercisePart part, List<ExercisePart> parts) =>
        BeginOf(part) is { FollowsOn: true, Part: { } place }
        && parts.Find(other => other.Position == place) is { } earlier
        && !Crossings.Lead(LearnedIn(earlier), LearnedIn(part));

    private static WorkOptions LearnedIn(ExercisePart part) =>
        ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part)).Learned;

    private static BeginDocument BeginOf(ExercisePart part) =>
        ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part)).Begin;

    /// <summary>The same of one part, without saying which.</summary>
    internal static string? Missing(ExercisePart part) =>
        DrawingReader.Read(part.Documents.TextOf(DocumentKind.Model)).Drawing is not { IsBlank: false } ? "Draw the model answer"
        : ExerciseJson.Read<AssessmentDocument>(part.Documents.TextOf(DocumentKind.Assessment)).Scheme is null
            ? "Derive the marking scheme"
        : null;

    /// <summary>What is asked as it stands, as the first revision.</summary>
    internal static QuestionRevision Asked(Exercise exercise, DateTimeOffset now)
    {
        var question = new QuestionRevision
        {
            Id = Guid.CreateVersion7(),
            ExerciseId = exercise.Id,
            Number = 1,
            Scenario = exercise.Documents.TextOf(DocumentKind.Scenario),
            PublishedAt = now,
        };
        question.Parts.AddRange(
            exercise.Parts.Select(part => new QuestionPart
            {
                QuestionRevisionId = question.Id,
                PartId = part.Id,
                Position = part.Position,
                Document = part.Documents.TextOf(DocumentKind.Part),
            })
        );
        return question;
    }

    /// <summary>What a part is held against as it stands, as a numbered revision.</summary>
    internal static AssessmentRevision HeldAgainst(ExercisePart part, int number, DateTimeOffset now) =>
        new()
        {
            Id = Guid.CreateVersion7(),
            PartId = part.Id,
            Number = number,
            Model = part.Documents.TextOf(DocumentKind.Model),
            Assessment = part.Documents.TextOf(DocumentKind.Assessment),
            CreatedAt = now,
        };

    private AssessmentRevision AddAssessment(ExercisePart part, int number, DateTimeOffset now)
    {
        var revision = HeldAgainst(part, number, now);
        database.AssessmentRevisions.Add(revision);
        return revision;
    }
}
