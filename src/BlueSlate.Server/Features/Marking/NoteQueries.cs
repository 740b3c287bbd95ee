using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>A question about a note, and its answer once there is one.</summary>
public sealed record NoteQueryReply(
    Guid Id,
    string FindingId,
    string Headline,
    string Text,
    DateTimeOffset AskedAt,
    string? Reply,
    DateTimeOffset? RepliedAt
);

/// <summary>Asks about a note.</summary>
public sealed record NoteQueryRequest(string Finding, string Text);

/// <summary>Answers a question.</summary>
public sealed record NoteAnswerRequest(string Text);

/// <summary>Says until when questions are taken; null for as long as anybody likes.</summary>
public sealed record QuestionsUntilRequest(DateTimeOffset? Until = null);

/// <summary>Until when questions are taken.</summary>
public sealed record QuestionsUntilReply(DateTimeOffset? Until);

/// <summary>Questions of students about the notes of released sheets, and what markers answer.</summary>
public static class NoteQueries
{
    /// <summary>The most questions about the work on one part.</summary>
    public const int Most = 30;

    private const int Longest = 2000;

    /// <summary>The questions about the work on one part, the oldest first.</summary>
    public static Task<NoteQueryReply[]> OfAsync(BlueSlateContext database, Guid workId, CancellationToken cancellation) =>
        database
            .NoteQueries.Where(query => query.WorkId == workId)
            .OrderBy(query => query.AskedAt)
            .Select(query => new NoteQueryReply(
                query.Id,
                query.FindingId,
                query.Headline,
                query.Text,
                query.AskedAt,
                query.Reply,
                query.RepliedAt
            ))
            .ToArrayAsync(cancellation);

    // Of what was found, or of what a marker gave or took.
    private static string? HeadlineOf(ResultDocument result, string note) =>
        result.Notes.FirstOrDefault(one => one.Id == note)?.Headline
        ?? result.Adjustments.FirstOrDefault(one => one.Id == note)?.Reason;

    /// <summary>A student asks about a note of the own released sheet.</summary>
    public static async Task<IResult> Ask(
        Guid id,
        NoteQueryRequest request,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var text = request.Text.Trim();
        var sheet = await access
            .OwnWorks()
            .Where(work => work.Id == id && work.Released != null)
            .Select(work => work.Released!.Frozen)
            .FirstOrDefaultAsync(cancellation);
        if (sheet is null)
        {
            return Problems.NotFound("not-released", "There is no such mark sheet of yours.");
        }

        if (text.Length is 0 or > Longest)
        {
            return Problems.Unreadable("question", $"A question has 1 to {Longest} characters.", "text");
        }

        if (HeadlineOf(ExerciseJson.Read<FrozenSheet>(sheet).Result, request.Finding) is not { } headline)
        {
            return Problems.NotFound("no-such-finding", "There is no such note on your sheet.");
        }

        var until = await access
            .OwnWorks()
            .Where(work => work.Id == id)
            .Select(work => work.Answer!.Exercise!.QuestionsUntil)
            .FirstAsync(cancellation);
        if (until < clock.GetUtcNow())
        {
            return Problems.Conflict("too-late", "The time for questions about these marks is over.");
        }

        if (await database.NoteQueries.CountAsync(query => query.WorkId == id, cancellation) >= Most)
        {
            return Problems.Conflict("too-many", $"You have asked {Most} times about this drawing. Speak with your marker.");
        }

        if (
            await database.NoteQueries.AnyAsync(
                query => query.WorkId == id && query.FindingId == request.Finding && query.RepliedAt == null,
                cancellation
            )
        )
        {
            return Problems.Conflict("asked-already", "You have asked about this note already; your marker has still to answer.");
        }

        database.NoteQueries.Add(
            new NoteQuery
            {
                Id = Guid.CreateVersion7(),
                WorkId = id,
                FindingId = request.Finding,
                Headline = headline,
                Text = text,
                AskedAt = clock.GetUtcNow(),
            }
        );
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(await OfAsync(database, id, cancellation));
    }

    /// <summary>Says until when students may ask, or that they may as long as they like.</summary>
    public static async Task<IResult> EndAt(
        Guid id,
        QuestionsUntilRequest request,
        Access access,
        BlueSlateContext database,
        AuditTrail audit,
        CancellationToken cancellation
    )
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        exercise.QuestionsUntil = request.Until?.ToUniversalTime();
        audit.Add(
            AuditKind.Release,
            exercise.CohortId,
            exercise.QuestionsUntil is { } until ? $"questions are taken until {until:u}" : "questions are taken without an end",
            id
        );
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(new QuestionsUntilReply(exercise.QuestionsUntil));
    }

    /// <summary>A marker answers, or mends the answer.</summary>
    public static async Task<IResult> Reply(
        Guid id,
        NoteAnswerRequest request,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var text = request.Text.Trim();
        if (text.Length is 0 or > Longest)
        {
            return Problems.Unreadable("answer", $"An answer has 1 to {Longest} characters.", "text");
        }

        var query = await database.NoteQueries.FirstOrDefaultAsync(
            row => row.Id == id && access.MarkableWorks().Any(work => work.Id == row.WorkId),
            cancellation
        );
        if (query is null)
        {
            return Problems.NotFound("no-such-question", "There is no such question among the answers that you mark.");
        }

        (query.Reply, query.RepliedById, query.RepliedAt) = (text, access.AccountId, clock.GetUtcNow());
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(await OfAsync(database, query.WorkId, cancellation));
    }
}
