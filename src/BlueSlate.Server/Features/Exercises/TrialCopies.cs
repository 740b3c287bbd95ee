using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>
/// Copies an exercise with the answers that count and all that was decided on them, to try another marking on: another model
/// answer, another scheme, other decisions. The copy stays with the class that gave the answers, so that they are
/// kept and erased with it; its students never see it, and nothing of it is given back.
/// </summary>
public sealed class TrialCopies(
    BlueSlateContext database,
    CheckQueue queue,
    BlindSample sample,
    AuditTrail audit,
    TimeProvider clock
)
{
    private readonly Dictionary<Guid, Guid> copied = [];

    /// <summary>Makes a copy.</summary>
    public static async Task<IResult> Make(Guid id, Access access, TrialCopies copies, CancellationToken cancellation)
    {
        var exercise = await access
            .StaffExercises(instructorsOnly: true)
            .AsNoTracking()
            .AsSplitQuery()
            .Include(row => row.Documents)
            .Include(row => row.Parts)
                .ThenInclude(part => part.Documents)
            .Include(row => row.Parts)
                .ThenInclude(part => part.Rulings)
            .Include(row => row.Questions)
                .ThenInclude(question => question.Parts)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        return exercise is null ? ExerciseEndpoints.NoSuchExercise() : await copies.MakeAsync(exercise, cancellation);
    }

    /// <summary>Takes a copy away, with its answers.</summary>
    public static async Task<IResult> TakeAway(
        Guid id,
        Access access,
        BlueSlateContext database,
        AuditTrail audit,
        CancellationToken cancellation
    )
    {
        var trial = await access
            .StaffExercises(instructorsOnly: true)
            .AsNoTracking()
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (trial is null)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        if (trial.TrialOfId is null)
        {
            return Problems.Conflict("no-trial", "Only a copy on which another marking is tried can be taken away.");
        }

        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        audit.Add(AuditKind.Trial, trial.CohortId, $"took “{trial.Title}” away");
        await database.SaveChangesAsync(cancellation);
        await database.Answers.Where(answer => answer.ExerciseId == id).ExecuteDeleteAsync(cancellation);
        await database.Exercises.Where(row => row.Id == id).ExecuteDeleteAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.NoContent();
    }

    private async Task<IResult> MakeAsync(Exercise exercise, CancellationToken cancellation)
    {
        var answers = await database
            .Answers.AsNoTracking()
            .AsSplitQuery()
            .Where(answer => answer.ExerciseId == exercise.Id && answer.Counts)
            .Include(answer => answer.Works)
                .ThenInclude(work => work.Rulings)
            .Include(answer => answer.Works)
                .ThenInclude(work => work.Stands)
            .Include(answer => answer.Works)
                .ThenInclude(work => work.Adjustments)
            .ToListAsync(cancellation);
        if (answers.Count == 0)
        {
            return Problems.Conflict(
                "no-answers",
                "Nobody has handed in an answer yet, so there is none to try another marking on."
            );
        }

        var works = answers.SelectMany(answer => answer.Works).Select(work => work.Id).ToList();
        if (await sample.AnyIsBlindAsync(works, cancellation))
        {
            return Problems.Conflict(
                "blind",
                "Some of the answers are still to be marked blind, and a copy would show what was found in them. Copy it when they are."
            );
        }

        var now = clock.GetUtcNow();
        var trial = CopyOf(exercise, await TitleAsync(exercise, cancellation), now);
        database.Exercises.Add(trial);
        var assessments = trial.Parts.ToDictionary(part => part.Id, part => Publishing.HeldAgainst(part, 1, now));
        database.AssessmentRevisions.AddRange(assessments.Values);
        var copies = new List<Guid>();
        foreach (var answer in answers)
        {
            var copy = CopyOf(answer, trial.Id);
            database.Answers.Add(copy);
            database.CheckRequests.AddRange(copy.Works.Select(work => queue.RequestFor(work.Id, assessments[work.PartId].Id)));
            copies.AddRange(copy.Works.Select(work => work.Id));
        }

        audit.Add(
            AuditKind.Trial,
            exercise.CohortId,
            $"“{trial.Title}” with {answers.Count} {(answers.Count == 1 ? "answer" : "answers")}",
            trial.Id
        );
        await database.SaveChangesAsync(cancellation);
        queue.Enqueue(copies);
        return TypedResults.Ok(new CreatedReply(trial.Id));
    }

    // Told apart from the exercise itself, and from other copies of it.
    private async Task<string> TitleAsync(Exercise exercise, CancellationToken cancellation)
    {
        var others = await database
            .Exercises.Where(row => row.CohortId == exercise.CohortId && row.TrialOfId != null)
            .Select(row => row.Title)
            .ToListAsync(cancellation);
        var title = $"{exercise.Title} (trial)";
        for (var number = 2; others.Contains(title); number++)
        {
            title = $"{exercise.Title} (trial {number})";
        }

        return title;
    }

    private Exercise CopyOf(Exercise exercise, string title, DateTimeOffset now)
    {
        var trial = new Exercise
        {
            Id = New(exercise.Id),
            CohortId = exercise.CohortId,
            Title = title,
            CreatedAt = now,
            PublishedAt = exercise.PublishedAt,
            OpensAt = exercise.OpensAt,
            DueAt = exercise.DueAt,
            ClosesAt = now,
            Attempts = exercise.Attempts,
            BestCounts = exercise.BestCounts,
            LateRule = exercise.LateRule,
            TrialOfId = exercise.Id,
        };
        trial.Documents.AddRange(
            exercise.Documents.Select(document => new ExerciseDocument
            {
                ExerciseId = trial.Id,
                Kind = document.Kind,
                Revision = 1,
                Text = document.Text,
                SavedAt = now,
            })
        );
        trial.Parts.AddRange(exercise.Parts.Select(part => CopyOf(part, trial.Id, now)));
        trial.Questions.AddRange(exercise.Questions.Select(question => CopyOf(question, trial.Id)));
        return trial;
    }

    private ExercisePart CopyOf(ExercisePart part, Guid trial, DateTimeOffset now)
    {
        var copy = new ExercisePart
        {
            Id = New(part.Id),
            ExerciseId = trial,
            Position = part.Position,
        };
        copy.Documents.AddRange(
            part.Documents.Select(document => new ExercisePartDocument
            {
                PartId = copy.Id,
                Kind = document.Kind,
                Revision = 1,
                Text = document.Text,
                SavedAt = now,
            })
        );
        copy.Rulings.AddRange(
            part.Rulings.Select(ruling => new ClassRuling
            {
                PartId = copy.Id,
                AlikeKey = ruling.AlikeKey,
                Headline = ruling.Headline,
                Decision = ruling.Decision,
                Part = ruling.Part,
                Comment = ruling.Comment,
                ById = ruling.ById,
                At = ruling.At,
            })
        );
        return copy;
    }

    private QuestionRevision CopyOf(QuestionRevision question, Guid trial)
    {
        var copy = new QuestionRevision
        {
            Id = New(question.Id),
            ExerciseId = trial,
            Number = question.Number,
            Scenario = question.Scenario,
            PublishedAt = question.PublishedAt,
            Why = question.Why,
        };
        copy.Parts.AddRange(
            question.Parts.Select(part => new QuestionPart
            {
                QuestionRevisionId = copy.Id,
                PartId = copied[part.PartId],
                Position = part.Position,
                Document = part.Document,
            })
        );
        return copy;
    }

    // Under the same code, so that one finds in the copy what one knows from the desk.
    private Answer CopyOf(Answer answer, Guid trial)
    {
        var copy = new Answer
        {
            Id = New(answer.Id),
            ExerciseId = trial,
            AccountId = answer.AccountId,
            QuestionRevisionId = copied[answer.QuestionRevisionId],
            Attempt = 1,
            Counts = true,
            CandidateCode = answer.CandidateCode,
            StartedAt = answer.StartedAt,
            EndsAt = answer.EndsAt,
            HandedInAt = answer.HandedInAt,
            EndedByTime = answer.EndedByTime,
            Late = answer.Late,
            LateMinutes = answer.LateMinutes,
        };
        copy.Works.AddRange(answer.Works.Select(work => CopyOf(work, copy)));
        return copy;
    }

    private Work CopyOf(Work work, Answer answer)
    {
        var copy = new Work
        {
            Id = New(work.Id),
            AnswerId = answer.Id,
            PartId = copied[work.PartId],
            QuestionRevisionId = answer.QuestionRevisionId,
            Revision = work.Revision,
            Drawing = work.Drawing,
            DrawingHash = work.DrawingHash,
            SavedAt = work.SavedAt,
            ClosedAt = work.ClosedAt,
        };
        copy.Rulings.AddRange(
            work.Rulings.Select(ruling => new FindingRuling
            {
                WorkId = copy.Id,
                FindingId = ruling.FindingId,
                FactIds = ruling.FactIds,
                Extras = ruling.Extras,
                Decision = ruling.Decision,
                Part = ruling.Part,
                Comment = ruling.Comment,
                ById = ruling.ById,
                At = ruling.At,
            })
        );
        copy.Stands.AddRange(
            work.Stands.Select(stands => new StandsFor
            {
                WorkId = copy.Id,
                ModelElement = stands.ModelElement,
                AnswerElement = stands.AnswerElement,
                ById = stands.ById,
                At = stands.At,
            })
        );
        copy.Adjustments.AddRange(
            work.Adjustments.Select(adjustment => new MarkAdjustment
            {
                WorkId = copy.Id,
                Id = adjustment.Id,
                LineId = adjustment.LineId,
                Amount = adjustment.Amount,
                Reason = adjustment.Reason,
                Elements = adjustment.Elements,
                ById = adjustment.ById,
                At = adjustment.At,
            })
        );
        return copy;
    }

    private Guid New(Guid id) => copied[id] = Guid.CreateVersion7();
}
