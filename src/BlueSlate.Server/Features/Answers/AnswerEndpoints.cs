using System.Security.Cryptography;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Scenarios;
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
    /// <summary>Maps the endpoints.</summary>
    public static void MapAnswers(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/study").WithTags("Answers");
        group.MapGet("/exercises", List).ForStudents();
        group.MapGet("/exercises/{id:guid}", BeforeStart).ForStudents();
        group.MapPost("/exercises/{id:guid}/answer", Start).ForStudents().Produces<CreatedReply>();
        group.MapGet("/answers/{id:guid}", Get).ForStudents();
        group.MapPost("/answers/{id:guid}/hand-in", HandIn).ForStudents().Produces<ReceiptReply>();
        group.MapGet("/answers/{id:guid}/marks", Marks).ForStudents();
        group.MapPost("/answers/{id:guid}/marks/seen", MarksSeen).ForStudents().Produces(StatusCodes.Status204NoContent);
        group
            .MapGet("/answers/{id:guid}/sheet", FeedbackSheets.Own)
            .ForStudents()
            .Produces<FileContentHttpResult>(200, "application/pdf");
        WorkEndpoints.Map(group);
    }

    private static async Task<StudentExercise[]> List(Access access, BlueSlateContext database, CancellationToken cancellation)
    {
        var id = access.AccountId;
        var rows = await access
            .StudentExercises()
            .AsNoTracking()
            .OrderBy(exercise => exercise.DueAt == null)
            .ThenBy(exercise => exercise.DueAt)
            .Select(exercise => new
            {
                Exercise = exercise,
                Until = exercise
                    .Extensions.Where(extension => extension.AccountId == id && extension.Until > exercise.DueAt)
                    .Select(extension => (DateTimeOffset?)extension.Until)
                    .FirstOrDefault(),
                exercise.Cohort!.Name,
                Parts = exercise
                    .Questions.OrderByDescending(question => question.Number)
                    .First()
                    .Parts.OrderBy(part => part.Position)
                    .Select(part => part.Document)
                    .ToList(),
                Answer = exercise.Answers.FirstOrDefault(answer => answer.AccountId == id),
                Sheets = exercise
                    .Answers.Where(answer => answer.AccountId == id)
                    .SelectMany(answer => answer.Works)
                    .Where(work => work.Released != null)
                    .Select(work => new
                    {
                        work.Released!.Total,
                        work.Released.Maximum,
                        work.Released.ReleasedAt,
                        ChangedAt = database
                            .MarkRevisions.Where(revision => revision.WorkId == work.Id)
                            .Max(revision => (DateTimeOffset?)revision.At),
                        RepliedAt = database.NoteQueries.Where(query => query.WorkId == work.Id).Max(query => query.RepliedAt),
                    })
                    .ToList(),
            })
            .ToListAsync(cancellation);
        return
        [
            .. rows.Select(row => new StudentExercise(
                row.Exercise.Id,
                row.Exercise.Title,
                row.Name,
                [.. row.Parts.Select(document => StudentPart.Of(ExerciseJson.Read<PartDocument>(document)))],
                row.Until ?? row.Exercise.DueAt,
                row.Answer?.Id,
                row.Answer?.StartedAt,
                row.Answer?.HandedInAt,
                row.Answer?.Late == true,
                row.Sheets.Count > 0,
                row.Sheets.Count == 0 ? null : StoredMarks.Sum(row.Sheets.Select(sheet => sheet.Total)),
                row.Sheets.Count == 0 ? null : StoredMarks.Sum(row.Sheets.Select(sheet => sheet.Maximum)),
                row.Sheets.Count > 0 ? null : row.Answer?.Withheld,
                row.Sheets.Count == 0
                    ? []
                    : NewsSince(
                        row.Answer!.MarksSeenAt,
                        row.Sheets.Max(sheet => sheet.ReleasedAt),
                        row.Sheets.Max(sheet => sheet.ChangedAt),
                        row.Sheets.Max(sheet => sheet.RepliedAt)
                    )
            )),
        ];
    }

    private static MarkNews[] NewsSince(
        DateTimeOffset? seen,
        DateTimeOffset released,
        DateTimeOffset? changed,
        DateTimeOffset? replied
    ) =>
        seen is null || released > seen
            ? [MarkNews.Marks]
            :
            [
                .. changed > seen ? [MarkNews.ChangedMark] : Array.Empty<MarkNews>(),
                .. replied > seen ? [MarkNews.Reply] : Array.Empty<MarkNews>(),
            ];

    private static async Task<IResult> MarksSeen(Guid id, Access access, TimeProvider clock, CancellationToken cancellation) =>
        await access
            .OwnAnswers()
            .Where(answer => answer.Id == id && answer.Works.Any(work => work.Released != null))
            .ExecuteUpdateAsync(set => set.SetProperty(answer => answer.MarksSeenAt, clock.GetUtcNow()), cancellation) == 0
            ? NoSuchAnswer()
            : TypedResults.NoContent();

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
                DueAt = exercise
                    .Extensions.Where(extension => extension.AccountId == account && extension.Until > exercise.DueAt)
                    .Select(extension => (DateTimeOffset?)extension.Until)
                    .FirstOrDefault()
                    ?? exercise.DueAt,
                Parts = exercise
                    .Questions.OrderByDescending(question => question.Number)
                    .First()
                    .Parts.OrderBy(part => part.Position)
                    .Select(part => part.Document)
                    .ToList(),
                AnswerId = exercise
                    .Answers.Where(answer => answer.AccountId == account)
                    .Select(answer => (Guid?)answer.Id)
                    .FirstOrDefault(),
            })
            .FirstOrDefaultAsync(cancellation);
        if (row is null)
        {
            return Problems.NotFound("no-such-exercise", "There is no such exercise among yours.");
        }

        var parts = row.Parts.ConvertAll(ExerciseJson.Read<PartDocument>);
        return TypedResults.Ok(
            new BeforeStartReply(
                row.Id,
                row.Title,
                row.Cohort,
                [.. parts.Select(StudentPart.Of)],
                QuestionDocument.MinutesOf(parts),
                row.DueAt,
                row.AnswerId
            )
        );
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
            .SelectMany(exercise => exercise.Questions)
            .Include(revision => revision.Parts)
            .OrderByDescending(revision => revision.Number)
            .FirstOrDefaultAsync(cancellation);
        if (question is null)
        {
            return Problems.NotFound("no-such-exercise", "There is no such exercise among yours.");
        }

        var now = clock.GetUtcNow();
        var minutes = QuestionDocument.MinutesOf([
            .. question.Parts.Select(part => ExerciseJson.Read<PartDocument>(part.Document)),
        ]);
        var answer = NewAnswer.Make(account, question, now, minutes is { } limit ? now.AddMinutes(limit) : null);
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
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var answer = await access
            .OwnAnswers()
            .AsNoTracking()
            .AsSplitQuery()
            .Include(row => row.Question)
            .Include(row => row.Exercise)
            .Include(row => row.Works)
                .ThenInclude(work => work.Asked)
            .Include(row => row.Works)
                .ThenInclude(work => work.Released)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (answer is null)
        {
            return NoSuchAnswer();
        }

        await store.KeepOpenedAsync(answer, cancellation);
        var due = await database
            .Exercises.Where(row => row.Id == answer.ExerciseId)
            .Select(Times.DueFor(answer.AccountId))
            .FirstAsync(cancellation);
        return TypedResults.Ok(
            new AnswerReply(
                answer.Id,
                answer.Exercise!.Title,
                renderer.Render(answer.Question!.Scenario),
                [
                    .. answer
                        .Works.OrderBy(work => work.Asked!.Position)
                        .Select(work => new WorkReply(
                            work.Id,
                            StudentPart.Of(ExerciseJson.Read<PartDocument>(work.Asked!.Document)),
                            work.Revision,
                            work.Drawing
                        )),
                ],
                clock.GetUtcNow(),
                answer.EndsAt,
                due,
                answer.HandedInAt,
                answer.Late,
                answer.Receipt,
                answer.Works.Exists(work => work.Released is not null)
            )
        );
    }

    private static async Task<IResult> HandIn(
        Guid id,
        HandInRequest request,
        Access access,
        AnswerStore store,
        CancellationToken cancellation
    ) =>
        await access.OwnAnswers().AnyAsync(answer => answer.Id == id, cancellation)
            ? await store.HandInAsync(id, request.Works, cancellation)
            : NoSuchAnswer();

    private static async Task<Results<Ok<StudentMarksReply>, ProblemHttpResult>> Marks(
        Guid id,
        Access access,
        BlueSlateContext database,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    )
    {
        if (!await access.OwnAnswers().AnyAsync(answer => answer.Id == id, cancellation))
        {
            return NoSuchAnswer();
        }

        var works = await database
            .Works.AsNoTracking()
            .Include(work => work.Released)
            .Where(work => work.AnswerId == id && work.Released != null)
            .OrderBy(work => work.Asked!.Position)
            .ToListAsync(cancellation);
        if (works.Count == 0)
        {
            return Problems.NotFound("not-released", "The marks of this answer are not released yet.");
        }

        var parts = new List<StudentPartMarks>();
        foreach (var work in works)
        {
            parts.Add(await PartMarksAsync(work, database, cancellation));
        }

        var first = ExerciseJson.Read<FrozenSheet>(works[0].Released!.Frozen);
        return TypedResults.Ok(
            new StudentMarksReply(
                first.Title,
                renderer.Render(first.Scenario),
                parts.Aggregate(Rational.Zero, (sum, part) => sum + part.Result.Total),
                parts.Aggregate(Rational.Zero, (sum, part) => sum + part.Result.Maximum),
                works[0].Released!.ReleasedAt,
                [.. parts]
            )
        );
    }

    private static async Task<StudentPartMarks> PartMarksAsync(
        Work work,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        var frozen = ExerciseJson.Read<FrozenSheet>(work.Released!.Frozen);
        var shown = frozen.Part.ShowModelAnswer;
        return new StudentPartMarks(
            work.Id,
            StudentPart.Of(frozen.Part),
            frozen.Drawing,
            shown ? frozen.ModelDrawing : null,
            shown ? [.. SheetOf.ModelSentences(frozen)] : null,
            StudentResult.Of(frozen.Result, shown),
            [.. frozen.Rulings.Select(ruling => new StudentRuling(ruling.FindingId, ruling.Decision, ruling.Comment))],
            await database
                .MarkRevisions.Where(revision => revision.WorkId == work.Id)
                .OrderBy(revision => revision.At)
                .Select(revision => new StudentMarkChange(revision.At, revision.Before, revision.After, revision.Reason))
                .ToArrayAsync(cancellation),
            await NoteQueries.OfAsync(database, work.Id, cancellation)
        );
    }

    /// <summary>The answer to whoever asks for an answer that is not theirs.</summary>
    internal static ProblemHttpResult NoSuchAnswer() =>
        Problems.NotFound("no-such-answer", "There is no such answer among yours.");
}

/// <summary>Makes an answer with a candidate code of its own.</summary>
internal static class NewAnswer
{
    // Without letters and digits that are easily taken for each other.
    private const string Alphabet = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";

    /// <summary>An answer to what is asked, with an empty drawing for every part.</summary>
    public static Answer Make(Guid accountId, QuestionRevision question, DateTimeOffset now, DateTimeOffset? endsAt) =>
        Make(accountId, question, now, endsAt, _ => Drawing.Empty);

    /// <summary>The same with a drawing for each part.</summary>
    public static Answer Make(
        Guid accountId,
        QuestionRevision question,
        DateTimeOffset now,
        DateTimeOffset? endsAt,
        Func<QuestionPart, Drawing> drawingOf
    )
    {
        var answer = new Answer
        {
            Id = Guid.CreateVersion7(now),
            ExerciseId = question.ExerciseId,
            AccountId = accountId,
            QuestionRevisionId = question.Id,
            CandidateCode = Code(4),
            StartedAt = now,
            EndsAt = endsAt,
        };
        foreach (var part in question.Parts.OrderBy(part => part.Position))
        {
            var (text, hash) = DrawingWriter.WriteWithHash(drawingOf(part));
            answer.Works.Add(
                new Work
                {
                    Id = Guid.CreateVersion7(now),
                    AnswerId = answer.Id,
                    PartId = part.PartId,
                    QuestionRevisionId = question.Id,
                    Revision = 1,
                    Drawing = text,
                    DrawingHash = hash,
                    SavedAt = now,
                }
            );
        }

        return answer;
    }

    /// <summary>A random code of so many letters and digits.</summary>
    public static string Code(int length) => RandomNumberGenerator.GetString(Alphabet, length);
}
