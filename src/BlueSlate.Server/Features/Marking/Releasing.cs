using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>Releases marks to a cohort in one step. A released sheet is frozen by copying everything that made it.</summary>
public sealed class Releasing(
    BlueSlateContext database,
    Desk desk,
    WorkAssessment assessment,
    AuditTrail audit,
    TimeProvider clock
)
{
    private static readonly string[] Frozen =
    [
        "the drawing and the model answer",
        "every mark line and note",
        "your decisions and comments",
        "the scenario and the part as they were asked",
    ];

    /// <summary>Says what a release would do.</summary>
    public static async Task<IResult> Preview(
        Guid id,
        Access access,
        Releasing releasing,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation);
        return exercise is null
            ? ExerciseEndpoints.NoSuchExercise()
            : TypedResults.Ok(await releasing.PreviewAsync(exercise, sample, cancellation));
    }

    /// <summary>Releases.</summary>
    public static async Task<IResult> Release(
        Guid id,
        ReleaseRequest? request,
        Access access,
        Releasing releasing,
        CancellationToken cancellation
    )
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation);
        return exercise is null
            ? ExerciseEndpoints.NoSuchExercise()
            : await releasing.ReleaseAsync(exercise, request?.OnlyGoneThrough == true, cancellation);
    }

    private async Task<ReleaseReply> PreviewAsync(Exercise exercise, BlindSample sample, CancellationToken cancellation)
    {
        var answers = await desk.AnswersAsync(exercise.Id, cancellation);
        var drawing = await database.Answers.CountAsync(
            answer => answer.ExerciseId == exercise.Id && answer.HandedInAt == null,
            cancellation
        );
        return new ReleaseReply(
            [.. answers.Where(Desk.IsReady).Select(answer => answer.Code)],
            [.. answers.Where(Desk.IsReady).Where(answer => answer.State == AnswerState.Checked).Select(answer => answer.Code)],
            [.. answers.Where(Desk.IsReady).Where(Desk.IsToConfirm).Select(answer => answer.Code)],
            [
                .. answers
                    .Where(answer => answer.Withheld is null && Desk.IsUndecided(answer))
                    .Select(answer => (Answer: answer, Work: answer.Works.First(Desk.IsUndecided)))
                    .Select(pair => new UndecidedAnswer(pair.Answer.Id, pair.Work.Id, pair.Work.Code, WhyUndecided(pair.Work))),
            ],
            [
                .. answers
                    .Where(answer => answer.State != AnswerState.Released && answer.Withheld is not null)
                    .Select(answer => new UndecidedAnswer(answer.Id, answer.Works[0].Id, answer.Code, answer.Withheld!)),
            ],
            drawing,
            Frozen,
            await AgreementsAsync(exercise.Id, sample, cancellation)
        );
    }

    private async Task<PartAgreement[]> AgreementsAsync(Guid exerciseId, BlindSample sample, CancellationToken cancellation)
    {
        var agreements = new List<PartAgreement>();
        foreach (var part in await desk.PartsAsync(exerciseId, cancellation))
        {
            if (await sample.AgreementAsync(part.Id, cancellation) is { } agreement)
            {
                agreements.Add(new PartAgreement(part.Title, agreement));
            }
        }

        return [.. agreements];
    }

    /// <summary>Freezes and releases every answer that is decided.</summary>
    public async Task<IResult> ReleaseAsync(Exercise exercise, bool onlyGoneThrough, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        var answers = await desk.AnswersAsync(exercise.Id, cancellation);
        var ready = answers
            .Where(Desk.IsReady)
            .Where(answer => !onlyGoneThrough || answer.State == AnswerState.GoneThrough)
            .ToList();
        if (ready.Count == 0)
        {
            return Array.Exists(answers, answer => answer.State == AnswerState.Released)
                ? Problems.AlreadyDone("All answers that are decided are released already.")
                : Problems.Conflict("nothing-to-release", "No answer is decided yet, so there is nothing to release.");
        }

        var now = clock.GetUtcNow();
        var heldBack = answers.Count(answer => answer.State != AnswerState.Released) - ready.Count;
        foreach (var answer in ready.ToList())
        {
            if (await SheetsAsync(answer, now, cancellation) is not { } sheets)
            {
                heldBack++;
                ready.Remove(answer);
                continue;
            }

            database.ReleasedSheets.AddRange(sheets);
        }

        await database
            .Exercises.Where(row => row.Id == exercise.Id && row.ReleasedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(row => row.ReleasedAt, now), cancellation);
        audit.Add(
            AuditKind.Release,
            exercise.CohortId,
            $"{ready.Count} mark {(ready.Count == 1 ? "sheet" : "sheets")}",
            exercise.Id
        );
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.Ok(new ReleasedReply(ready.Count, heldBack));
    }

    /// <summary>Holds answers back, or no longer.</summary>
    public static async Task<IResult> Withhold(
        Guid id,
        WithholdRequest request,
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

        var reason = request.Reason?.Trim();
        if (reason is not null && Reason.Refusal(reason, "The students are told why") is { } refusal)
        {
            return refusal;
        }

        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(id, cancellation);
        var concerned = await database
            .Answers.Where(answer =>
                answer.ExerciseId == id
                && answer.Counts
                && request.Answers.Contains(answer.Id)
                && answer.Works.Any(work => work.Released == null)
            )
            .ExecuteUpdateAsync(set => set.SetProperty(answer => answer.Withheld, reason), cancellation);
        if (concerned > 0)
        {
            audit.Add(
                AuditKind.Release,
                exercise.CohortId,
                reason is null ? $"{concerned} held back no longer" : $"{concerned} held back: {reason}",
                id
            );
            await database.SaveChangesAsync(cancellation);
        }

        await transaction.CommitAsync(cancellation);
        return TypedResults.Ok(new WithheldReply(concerned));
    }

    // Of all parts of an answer; null when one of them cannot be assessed.
    private async Task<List<ReleasedSheet>?> SheetsAsync(DeskAnswer answer, DateTimeOffset now, CancellationToken cancellation)
    {
        var sheets = new List<ReleasedSheet>();
        foreach (var work in answer.Works)
        {
            if (await assessment.RunOrNotAsync(work.Id, cancellation) is not { } result)
            {
                return null;
            }

            await assessment.StoreAsync(result, now, cancellation);
            sheets.Add(SheetOf(result, now));
        }

        return sheets;
    }

    /// <summary>The sheet of work as it is released at a moment.</summary>
    internal static ReleasedSheet SheetOf(CheckedWork result, DateTimeOffset now) =>
        new()
        {
            WorkId = result.Work.Id,
            Frozen = ExerciseJson.Write(Freeze(result)),
            Total = result.Assessment.Sheet.Total.ToString(),
            Maximum = result.Assessment.Sheet.Maximum.ToString(),
            ReleasedAt = now,
        };

    /// <summary>The sheet of work as it stands, everything by value.</summary>
    internal static FrozenSheet Freeze(CheckedWork result)
    {
        var part = ExerciseJson.Read<PartDocument>(result.Work.Asked!.Document);
        return new FrozenSheet(
            result.Work.Answer!.Exercise!.Title,
            result.Work.Asked.Question!.Scenario,
            part,
            result.Work.Drawing,
            Subject.Of(part.Learned).Write(result.Assessment.ModelAnswer),
            ResultDocument.Of(result.Assessment, result.Work.DrawingHash),
            RulingReply.Of(result),
            result.Work.Asked.Question.Number,
            result.Revision.Number
        );
    }

    private static string WhyUndecided(DeskWork work) =>
        work.State switch
        {
            AnswerState.Waiting => "its check is still under way",
            AnswerState.NeedsPerson => "its check failed; a person has to look",
            _ when work.DrawnAfterEnd => "something was drawn after the end; a person has to say whether it counts",
            _ => "its mark is not certain; a person has to look what stands for what",
        };
}
