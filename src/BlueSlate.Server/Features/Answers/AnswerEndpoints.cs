using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>A student's way: see what is due, start, draw, hand in, read the marks.</summary>
public static class AnswerEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapAnswers(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/study").WithTags("Answers");
        group.MapGet("/exercises", StudyList.Get).ForStudents();
        group.MapGet("/exercises/{id:guid}", Starting.Before).ForStudents();
        group.MapPost("/exercises/{id:guid}/answer", Starting.Start).ForStudents().Produces<CreatedReply>();
        group.MapGet("/answers/{id:guid}", Get).ForStudents();
        group.MapGet("/answers/{id:guid}/wording", Wording).ForStudents();
        group.MapPost("/answers/{id:guid}/hand-in", HandIn).ForStudents().Produces<ReceiptReply>();
        group.MapGet("/answers/{id:guid}/marks", Marks).ForStudents();
        group.MapPost("/answers/{id:guid}/marks/seen", MarksSeen).ForStudents().Produces(StatusCodes.Status204NoContent);
        group
            .MapGet("/answers/{id:guid}/sheet", FeedbackSheets.Own)
            .ForStudents()
            .Produces<FileContentHttpResult>(200, "application/pdf");
        WorkEndpoints.Map(group);
    }

    private static async Task<IResult> MarksSeen(Guid id, Access access, TimeProvider clock, CancellationToken cancellation) =>
        await access
            .OwnAnswers()
            .Where(answer => answer.Id == id && answer.Works.Any(work => work.Released != null))
            .ExecuteUpdateAsync(set => set.SetProperty(answer => answer.MarksSeenAt, clock.GetUtcNow()), cancellation) == 0
            ? NoSuchAnswer()
            : TypedResults.NoContent();

    private static async Task<Results<Ok<AnswerReply>, ProblemHttpResult>> Get(
        Guid id,
        Access access,
        ScenarioRenderer renderer,
        AnswerStore store,
        Help help,
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
        var own = await database
            .Extensions.AsNoTracking()
            .FirstOrDefaultAsync(row => row.ExerciseId == answer.ExerciseId && row.AccountId == answer.AccountId, cancellation);
        var attempts = await access.OwnAnswers().CountAsync(row => row.ExerciseId == answer.ExerciseId, cancellation);
        var now = clock.GetUtcNow();
        var times = Sittings.Of(answer.Exercise!, minutes: null, own);
        var works = new List<WorkReply>();
        foreach (var work in answer.Works.OrderBy(work => work.Asked!.Position))
        {
            var part = ExerciseJson.Read<PartDocument>(work.Asked!.Document);
            works.Add(
                new WorkReply(
                    work.Id,
                    StudentPart.Of(part),
                    work.Revision,
                    work.Drawing,
                    work.ClosedAt is not null,
                    await help.OfAsync(work.Id, part.Aids.Help, cancellation)
                )
            );
        }

        return TypedResults.Ok(
            new AnswerReply(
                answer.Id,
                answer.ExerciseId,
                answer.Attempt,
                answer.Exercise!.Title,
                renderer.Render(answer.Question!.Scenario),
                [.. works],
                now,
                answer.EndsAt,
                StudentTimes.Of(times, now),
                StudentAttempts.Of(answer.Exercise, attempts),
                answer.HandedInAt,
                answer.EndedByTime,
                answer.Late,
                answer.Receipt,
                answer.HandedInBecause,
                answer.ReopenedUntil,
                answer.ReopenedBecause,
                answer.Works.Exists(work => work.Released is not null)
            )
        );
    }

    private static async Task<Results<Ok<WordingReply>, ProblemHttpResult>> Wording(
        Guid id,
        Access access,
        BlueSlateContext database,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    )
    {
        var begun = await access
            .OwnAnswers()
            .Where(answer => answer.Id == id)
            .Select(answer => new
            {
                answer.ExerciseId,
                answer.Question!.Number,
                answer.QuestionRevisionId,
            })
            .FirstOrDefaultAsync(cancellation);
        if (begun is null)
        {
            return NoSuchAnswer();
        }

        var newest = await database
            .QuestionRevisions.AsNoTracking()
            .Where(question => question.ExerciseId == begun.ExerciseId && question.Number > begun.Number)
            .OrderByDescending(question => question.Number)
            .FirstOrDefaultAsync(cancellation);
        if (newest is null)
        {
            return TypedResults.Ok(new WordingReply(null));
        }

        var before = await database
            .QuestionRevisions.Where(question => question.Id == begun.QuestionRevisionId)
            .Select(question => question.Scenario)
            .FirstAsync(cancellation);
        return TypedResults.Ok(
            new WordingReply(
                new CorrectedWording(
                    newest.Number,
                    newest.PublishedAt,
                    newest.Why ?? "",
                    renderer.Render(newest.Scenario),
                    before,
                    newest.Scenario
                )
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
            parts.Add(await PartMarksAsync(work, database, renderer, cancellation));
        }

        var first = ExerciseJson.Read<FrozenSheet>(works[0].Released!.Frozen);
        var questionsUntil = await access
            .OwnAnswers()
            .Where(answer => answer.Id == id)
            .Select(answer => answer.Exercise!.QuestionsUntil)
            .FirstAsync(cancellation);
        return TypedResults.Ok(
            new StudentMarksReply(
                first.Title,
                renderer.Render(first.Scenario),
                parts.Aggregate(Rational.Zero, (sum, part) => sum + part.Result.Total),
                parts.Aggregate(Rational.Zero, (sum, part) => sum + part.Result.Maximum),
                works[0].Released!.ReleasedAt,
                questionsUntil,
                [.. parts]
            )
        );
    }

    private static async Task<StudentPartMarks> PartMarksAsync(
        Work work,
        BlueSlateContext database,
        ScenarioRenderer renderer,
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
        )
        {
            Evidence = ScenarioEvidence.Of(
                frozen.Part,
                StoredDrawings.Read(frozen.Part, frozen.Drawing),
                shown ? StoredDrawings.Read(frozen.Part, frozen.ModelDrawing) : null,
                renderer.ToProse(frozen.Scenario),
                "your drawing"
            ),
        };
    }

    /// <summary>The answer to whoever asks for an answer that is not theirs.</summary>
    internal static ProblemHttpResult NoSuchAnswer() =>
        Problems.NotFound("no-such-answer", "There is no such answer among yours.");
}
