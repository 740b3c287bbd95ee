using System.Security.Cryptography;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Soundness;
using BlueSlate.Data;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Drawings;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace BlueSlate.Server.Features.Answers;

/// <summary>A student's way: see what is due, start, draw, hand in, read the marks.</summary>
public static class AnswerEndpoints
{
    private const int MostEarlier = 100;

    /// <summary>Maps the endpoints.</summary>
    public static void MapAnswers(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/study").WithTags("Answers");
        group.MapGet("/exercises", List).ForStudents();
        group.MapGet("/exercises/{id:guid}", BeforeStart).ForStudents();
        group.MapPost("/exercises/{id:guid}/answer", Start).ForStudents().Produces<CreatedReply>();
        group.MapGet("/answers/{id:guid}", Get).ForStudents();
        group.MapGet("/answers/{id:guid}/earlier", Earlier).ForStudents().Produces<EarlierState[]>();
        // The update itself asks whose answer it is, so that a save needs no question before it.
        group.MapPut("/answers/{id:guid}/drawing", Save).ForSignedIn().Produces<DrawingSavedReply>();
        group.MapPost("/answers/{id:guid}/reading", Read).ForStudents();
        group.MapPost("/answers/{id:guid}/tidy", Tidy).ForStudents().Produces<TidyReply>();
        group.MapDrawingTools("/answers", PartOf, part => part.Aids, route => route.ForStudents());
        group.MapPost("/answers/{id:guid}/hand-in", HandIn).ForStudents().Produces<ReceiptReply>();
        group.MapGet("/answers/{id:guid}/marks", Marks).ForStudents();
        group.MapPost("/answers/{id:guid}/queries", NoteQueries.Ask).ForStudents().Produces<NoteQueryReply[]>();
    }

    private static async Task<StudentExercise[]> List(Access access, CancellationToken cancellation)
    {
        var id = access.AccountId;
        return await access
            .StudentExercises()
            .OrderBy(exercise => exercise.DueAt == null)
            .ThenBy(exercise => exercise.DueAt)
            .Select(exercise => new
            {
                Exercise = exercise,
                exercise.Cohort!.Name,
                Answer = exercise.Answers.FirstOrDefault(answer => answer.AccountId == id),
            })
            .Select(row => new StudentExercise(
                row.Exercise.Id,
                row.Exercise.Title,
                row.Name,
                row.Exercise.DueAt,
                row.Answer == null ? null : row.Answer.Id,
                row.Answer == null ? null : row.Answer.StartedAt,
                row.Answer == null ? null : row.Answer.HandedInAt,
                row.Answer != null && row.Answer.Late,
                row.Answer != null && row.Answer.Released != null,
                row.Answer == null || row.Answer.Released == null ? null : row.Answer.Released.Total,
                row.Answer == null || row.Answer.Released == null ? null : row.Answer.Released.Maximum
            ))
            .ToArrayAsync(cancellation);
    }

    private static async Task<Results<Ok<BeforeStartReply>, ProblemHttpResult>> BeforeStart(
        Guid id,
        Access access,
        CancellationToken cancellation
    )
    {
        var account = access.AccountId;
        var row = await access
            .StudentExercises()
            .AsNoTracking()
            .Where(exercise => exercise.Id == id)
            .Select(exercise => new
            {
                exercise.Id,
                exercise.Title,
                Cohort = exercise.Cohort!.Name,
                exercise.DueAt,
                Part = exercise.Questions.OrderByDescending(question => question.Number).First().Part,
                AnswerId = exercise
                    .Answers.Where(answer => answer.AccountId == account)
                    .Select(answer => (Guid?)answer.Id)
                    .FirstOrDefault(),
            })
            .FirstOrDefaultAsync(cancellation);
        return row is null
            ? Problems.NotFound("no-such-exercise", "There is no such exercise among yours.")
            : TypedResults.Ok(new BeforeStartReply(row.Id, row.Title, row.Cohort, PartFor(row.Part), row.DueAt, row.AnswerId));
    }

    private static async Task<IResult> Start(
        Guid id,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var account = access.AccountId;
        var existing = await access
            .OwnAnswers()
            .Where(answer => answer.ExerciseId == id)
            .Select(answer => (Guid?)answer.Id)
            .FirstOrDefaultAsync(cancellation);
        if (existing is { } found)
        {
            return TypedResults.Ok(new CreatedReply(found));
        }

        var question = await access
            .StudentExercises()
            .Where(exercise => exercise.Id == id)
            .Select(exercise => exercise.Questions.OrderByDescending(revision => revision.Number).First())
            .FirstOrDefaultAsync(cancellation);
        if (question is null)
        {
            return Problems.NotFound("no-such-exercise", "There is no such exercise among yours.");
        }

        var now = clock.GetUtcNow();
        var minutes = ExerciseJson.Read<PartDocument>(question.Part).Minutes;
        var answer = NewAnswer.Make(
            id,
            account,
            question.Id,
            Drawing.Empty,
            now,
            minutes is { } limit ? now.AddMinutes(limit) : null
        );
        database.Answers.Add(answer);
        try
        {
            await database.SaveChangesAsync(cancellation);
        }
        catch (DbUpdateException error)
            when (error.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            // A second tab was quicker; both get the one answer.
            database.ChangeTracker.Clear();
            return TypedResults.Ok(
                new CreatedReply(
                    await access.OwnAnswers().Where(row => row.ExerciseId == id).Select(row => row.Id).FirstAsync(cancellation)
                )
            );
        }

        return TypedResults.Ok(new CreatedReply(answer.Id));
    }

    private static async Task<Results<Ok<AnswerReply>, ProblemHttpResult>> Get(
        Guid id,
        Access access,
        ScenarioRenderer renderer,
        AnswerStore store,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var answer = await access
            .OwnAnswers()
            .AsNoTracking()
            .Include(row => row.Question)
            .Include(row => row.Exercise)
            .Include(row => row.Released)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (answer is null)
        {
            return NoSuchAnswer();
        }

        await store.KeepOpenedAsync(answer, cancellation);
        return TypedResults.Ok(
            new AnswerReply(
                answer.Id,
                answer.Exercise!.Title,
                renderer.Render(answer.Question!.Scenario),
                PartFor(answer.Question.Part),
                answer.Revision,
                answer.Drawing,
                clock.GetUtcNow(),
                answer.EndsAt,
                answer.Exercise.DueAt,
                answer.HandedInAt,
                answer.Late,
                answer.Receipt,
                answer.Released is not null
            )
        );
    }

    private static async Task<IResult> Earlier(
        Guid id,
        Access access,
        BlueSlateContext database,
        CancellationToken cancellation
    ) =>
        await access.OwnAnswers().AnyAsync(answer => answer.Id == id, cancellation)
            ? TypedResults.Ok(
                await database
                    .Checkpoints.AsNoTracking()
                    .Where(state => state.AnswerId == id)
                    .OrderByDescending(state => state.At)
                    .Take(MostEarlier)
                    .Select(state => new EarlierState(state.Id, state.At, state.Reason, state.Revision, state.Drawing))
                    .ToArrayAsync(cancellation)
            )
            : NoSuchAnswer();

    private static async Task<IResult> Save(
        Guid id,
        SaveDrawingRequest request,
        Access access,
        AnswerStore store,
        CancellationToken cancellation
    )
    {
        var (drawing, refusal) = DrawingInput.Read(request.Drawing);
        return drawing is null
            ? refusal!
            : await store.SaveAsync(id, access.AccountId, request.Revision, request.SaveId, drawing, cancellation);
    }

    private static async Task<Results<Ok<ReadingReply>, ProblemHttpResult>> Read(
        Guid id,
        ReadingRequest request,
        Access access,
        CancellationToken cancellation
    )
    {
        var part = await access
            .OwnAnswers()
            .Where(answer => answer.Id == id)
            .Select(answer => answer.Question!.Part)
            .FirstOrDefaultAsync(cancellation);
        if (part is null)
        {
            return NoSuchAnswer();
        }

        var (drawing, refusal) = DrawingInput.Read(request.Drawing);
        if (drawing is null)
        {
            return refusal!;
        }

        var document = ExerciseJson.Read<PartDocument>(part);
        var options = document.ToOptions();
        var reading = Notation.Read(drawing, options);
        var sentences = document.Aids.Sentences ? SentenceWriter.Write(reading) : DrawnSentenceWriter.Write(drawing);
        return TypedResults.Ok(
            new ReadingReply(
                DrawingWriter.Hash(drawing),
                [.. sentences.Select(ResultSentence.Of)],
                document.Aids.Form ? [.. FormRule.Check(reading, options)] : []
            )
        );
    }

    private static async Task<(PartDocument? Part, IResult? Refusal)> PartOf(
        Guid id,
        Access access,
        CancellationToken cancellation
    )
    {
        var part = await access
            .OwnAnswers()
            .Where(answer => answer.Id == id)
            .Select(answer => answer.Question!.Part)
            .FirstOrDefaultAsync(cancellation);
        return part is null ? (null, NoSuchAnswer()) : (ExerciseJson.Read<PartDocument>(part), null);
    }

    private static async Task<IResult> Tidy(
        Guid id,
        TidyRequest request,
        Access access,
        DraftingPool pool,
        CancellationToken cancellation
    )
    {
        var part = await access
            .OwnAnswers()
            .Where(answer => answer.Id == id)
            .Select(answer => answer.Question!.Part)
            .FirstOrDefaultAsync(cancellation);
        return part is null ? NoSuchAnswer()
            : !ExerciseJson.Read<PartDocument>(part).Aids.TidyUp
                ? Problems.NotAllowed("In this exercise drawings are not tidied up.")
            : await request.AnswerAsync(access.AccountId, pool, cancellation);
    }

    private static async Task<IResult> HandIn(
        Guid id,
        HandInRequest request,
        Access access,
        AnswerStore store,
        CancellationToken cancellation
    ) =>
        await access.OwnAnswers().AnyAsync(answer => answer.Id == id, cancellation)
            ? await store.HandInAsync(id, request.Revision, cancellation)
            : NoSuchAnswer();

    private static async Task<Results<Ok<StudentMarksReply>, ProblemHttpResult>> Marks(
        Guid id,
        Access access,
        BlueSlateContext database,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    )
    {
        var answer = await access
            .OwnAnswers()
            .AsNoTracking()
            .Include(row => row.Released)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (answer is null)
        {
            return NoSuchAnswer();
        }

        if (answer.Released is null)
        {
            return Problems.NotFound("not-released", "The marks of this answer are not released yet.");
        }

        var frozen = ExerciseJson.Read<FrozenSheet>(answer.Released.Frozen);
        var shown = frozen.Part.ShowModelAnswer;
        return TypedResults.Ok(
            new StudentMarksReply(
                frozen.Title,
                renderer.Render(frozen.Scenario),
                ForStudent(frozen.Part),
                frozen.Drawing,
                shown ? frozen.ModelDrawing : null,
                StudentResult.Of(frozen.Result, shown),
                [.. frozen.Rulings.Select(ruling => new StudentRuling(ruling.FindingId, ruling.Decision, ruling.Comment))],
                answer.Released.ReleasedAt,
                await database
                    .MarkRevisions.Where(revision => revision.AnswerId == id)
                    .OrderBy(revision => revision.At)
                    .Select(revision => new StudentMarkChange(revision.At, revision.Before, revision.After, revision.Reason))
                    .ToArrayAsync(cancellation),
                await NoteQueries.OfAsync(database, id, cancellation)
            )
        );
    }

    private static StudentPart PartFor(string part) => ForStudent(ExerciseJson.Read<PartDocument>(part));

    private static StudentPart ForStudent(PartDocument part) =>
        new(part.ToOptions(), part.Marks, part.Minutes, part.Aids, part.ShowModelAnswer);

    /// <summary>The answer to whoever asks for an answer that is not theirs.</summary>
    internal static ProblemHttpResult NoSuchAnswer() =>
        Problems.NotFound("no-such-answer", "There is no such answer among yours.");
}

/// <summary>Makes an answer with a candidate code of its own.</summary>
internal static class NewAnswer
{
    // Without letters and digits that are easily taken for each other.
    private const string Alphabet = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";

    public static Answer Make(
        Guid exerciseId,
        Guid accountId,
        Guid questionId,
        Drawing drawing,
        DateTimeOffset now,
        DateTimeOffset? endsAt
    ) =>
        new()
        {
            Id = Guid.CreateVersion7(now),
            ExerciseId = exerciseId,
            AccountId = accountId,
            QuestionRevisionId = questionId,
            CandidateCode = Code(4),
            Revision = 1,
            Drawing = DrawingWriter.WriteText(drawing),
            DrawingHash = DrawingWriter.Hash(drawing),
            StartedAt = now,
            SavedAt = now,
            EndsAt = endsAt,
        };

    /// <summary>A random code of so many letters and digits.</summary>
    public static string Code(int length) => RandomNumberGenerator.GetString(Alphabet, length);
}
