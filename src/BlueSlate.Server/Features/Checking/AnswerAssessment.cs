using System.Collections.Immutable;
using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Checking;

/// <summary>For how many answers a decision holds.</summary>
public enum Reach
{
    Answer,
    Alike,
}

/// <summary>The decision that holds for a note of an answer.</summary>
public sealed record NoteDecision(Decision Decision, string Comment, Reach Reach);

/// <summary>An answer checked under an assessment, its rulings applied.</summary>
/// <param name="Answer">The answer with its question, rulings and what stands for what.</param>
/// <param name="Revision">What it was held against.</param>
/// <param name="Assessment">What was found.</param>
/// <param name="Decisions">By finding id.</param>
public sealed record CheckedAnswer(
    Answer Answer,
    AssessmentRevision Revision,
    Assessment Assessment,
    ImmutableSortedDictionary<string, NoteDecision> Decisions
)
{
    /// <summary>True when a person has to look before the marks are released.</summary>
    public bool Doubtful => Assessment.Doubt.IsOpen;

    /// <summary>What alike notes on other answers have in common with this one.</summary>
    public string KeyOf(Note note) => AlikeKey.Of(note, Assessment.Comparison);

    /// <summary>The total if a note were decided on otherwise.</summary>
    public Rational TotalIf(Note note, Decision decision) =>
        Assessment.Under([.. Rulings(Decisions.Remove(note.Finding.Id)), note.Ruled(decision, "")]).Sheet.Total;

    /// <summary>The rulings that decisions on notes are.</summary>
    private IEnumerable<Ruling> Rulings(ImmutableSortedDictionary<string, NoteDecision> decisions) =>
        Assessment
            .Notes.Where(note => decisions.ContainsKey(note.Finding.Id))
            .Select(note => note.Ruled(decisions[note.Finding.Id].Decision, decisions[note.Finding.Id].Comment));
}

/// <summary>Runs the core on stored answers.</summary>
public sealed partial class AnswerAssessment(BlueSlateContext database, AssessorStore assessors, ILogger<AnswerAssessment> log)
{
    /// <summary>
    /// Reads, matches, checks and marks an answer as it stands, with its rulings and those for all alike; throws
    /// <see cref="NotAssessedException"/> for one with which that fails.
    /// </summary>
    public async Task<CheckedAnswer> RunAsync(Guid answerId, CancellationToken cancellation)
    {
        var answer = await WithAll(database.Answers.Where(row => row.Id == answerId)).FirstAsync(cancellation);
        var revision = await NewestAsync(answer.ExerciseId, cancellation);
        var rulings = await RulingsForAllAsync(answer.ExerciseId, cancellation);
        return CheckOrNot(answer, revision, rulings, assessors.For(answer.Question!, revision))
            ?? throw new NotAssessedException(answer.CandidateCode);
    }

    /// <summary>The same; null for an answer with which it fails.</summary>
    public async Task<CheckedAnswer?> RunOrNotAsync(Guid answerId, CancellationToken cancellation)
    {
        try
        {
            return await RunAsync(answerId, cancellation);
        }
        catch (NotAssessedException)
        {
            return null;
        }
    }

    /// <summary>The same answer again, with something else said of what stands for what.</summary>
    public async Task<CheckedAnswer> RunAsAsync(
        CheckedAnswer before,
        IReadOnlyList<StandsFor> stands,
        CancellationToken cancellation
    ) =>
        Check(
            before.Answer,
            before.Revision,
            await RulingsForAllAsync(before.Answer.ExerciseId, cancellation),
            assessors.For(before.Answer.Question!, before.Revision),
            stands
        );

    /// <summary>The same of every answer of an exercise that is handed in and not released, in no particular order.</summary>
    public async Task<IReadOnlyList<CheckedAnswer>> RunAllAsync(Guid exerciseId, CancellationToken cancellation)
    {
        var revision = await NewestAsync(exerciseId, cancellation);
        return await RunAllAsync(exerciseId, revision, question => assessors.For(question, revision), cancellation);
    }

    /// <summary>The same of every answer whose marks are released, as it would be marked now.</summary>
    public async Task<IReadOnlyList<CheckedAnswer>> RunReleasedAsync(Guid exerciseId, CancellationToken cancellation)
    {
        var revision = await NewestAsync(exerciseId, cancellation);
        return await RunEachAsync(
            database.Answers.Where(row => row.ExerciseId == exerciseId && row.Released != null),
            exerciseId,
            revision,
            question => assessors.For(question, revision),
            cancellation
        );
    }

    /// <summary>An answer with its exercise and question, and the scheme by which it is marked. Nothing is checked.</summary>
    public async Task<(Answer Answer, MarkingScheme Scheme)> SchemeOfAsync(Guid answerId, CancellationToken cancellation)
    {
        var answer = await WithAll(database.Answers.Where(row => row.Id == answerId)).FirstAsync(cancellation);
        return (answer, assessors.For(answer.Question!, await NewestAsync(answer.ExerciseId, cancellation)).Scheme);
    }

    /// <summary>The same under an assessment that is only being thought of.</summary>
    public Task<IReadOnlyList<CheckedAnswer>> RunAllAsync(
        Guid exerciseId,
        AssessmentRevision thoughtOf,
        CancellationToken cancellation
    )
    {
        var prepared = new Dictionary<Guid, Assessor>();
        Assessor For(QuestionRevision question) =>
            prepared.TryGetValue(question.Id, out var known)
                ? known
                : prepared[question.Id] = AssessorStore.Prepare(question, thoughtOf);
        return RunAllAsync(exerciseId, thoughtOf, For, cancellation);
    }

    private Task<IReadOnlyList<CheckedAnswer>> RunAllAsync(
        Guid exerciseId,
        AssessmentRevision revision,
        Func<QuestionRevision, Assessor> assessorFor,
        CancellationToken cancellation
    ) =>
        RunEachAsync(
            database.Answers.Where(row => row.ExerciseId == exerciseId && row.HandedInAt != null && row.Released == null),
            exerciseId,
            revision,
            assessorFor,
            cancellation
        );

    private async Task<IReadOnlyList<CheckedAnswer>> RunEachAsync(
        IQueryable<Answer> chosen,
        Guid exerciseId,
        AssessmentRevision revision,
        Func<QuestionRevision, Assessor> assessorFor,
        CancellationToken cancellation
    )
    {
        var rulings = await RulingsForAllAsync(exerciseId, cancellation);
        var answers = await WithAll(chosen).ToListAsync(cancellation);
        var work = answers.Select(answer => (Answer: answer, Assessor: assessorFor(answer.Question!))).ToList();
        return
        [
            .. work.AsParallel()
                .WithCancellation(cancellation)
                .Select(pair => CheckOrNot(pair.Answer, revision, rulings, pair.Assessor))
                .OfType<CheckedAnswer>(),
        ];
    }

    /// <summary>Writes the total of a checked answer to its result row, making the row when there is none.</summary>
    public async Task StoreAsync(CheckedAnswer result, DateTimeOffset now, CancellationToken cancellation)
    {
        var (total, maximum) = (result.Assessment.Sheet.Total.ToString(), result.Assessment.Sheet.Maximum.ToString());
        await database.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO check_results (
                id, answer_id, question_revision_id, assessment_revision_id, core_version, total, maximum, doubtful, at)
            VALUES ({Guid.CreateVersion7()}, {result.Answer.Id}, {result.Answer.QuestionRevisionId}, {result.Revision.Id},
                {Assessor.CoreVersion}, {total}, {maximum}, {result.Doubtful}, {now})
            ON CONFLICT (answer_id, question_revision_id, assessment_revision_id, core_version)
            DO UPDATE SET total = excluded.total, maximum = excluded.maximum, doubtful = excluded.doubtful
            """,
            cancellation
        );
    }

    private static IQueryable<Answer> WithAll(IQueryable<Answer> answers) =>
        answers
            .AsNoTracking()
            .AsSplitQuery()
            .Include(row => row.Question)
            .Include(row => row.Exercise)
            .Include(row => row.Rulings)
            .Include(row => row.Stands)
            .Include(row => row.Released);

    private Task<AssessmentRevision> NewestAsync(Guid exerciseId, CancellationToken cancellation) =>
        database
            .AssessmentRevisions.AsNoTracking()
            .Where(row => row.ExerciseId == exerciseId)
            .OrderByDescending(row => row.Number)
            .FirstAsync(cancellation);

    private Task<List<ClassRuling>> RulingsForAllAsync(Guid exerciseId, CancellationToken cancellation) =>
        database.ClassRulings.AsNoTracking().Where(row => row.ExerciseId == exerciseId).ToListAsync(cancellation);

    // No answer stands in the way of others: one that cannot be assessed is left out here, and told where it stands by itself.
    private CheckedAnswer? CheckOrNot(
        Answer answer,
        AssessmentRevision revision,
        IReadOnlyList<ClassRuling> forAll,
        Assessor assessor
    )
    {
        try
        {
            return Check(answer, revision, forAll, assessor);
        }
        catch (Exception error) when (error is not OperationCanceledException)
        {
            LogNotAssessed(log, error, answer.Id);
            return null;
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "Answer {AnswerId} could not be assessed")]
    private static partial void LogNotAssessed(ILogger logger, Exception error, Guid answerId);

    private static CheckedAnswer Check(
        Answer answer,
        AssessmentRevision revision,
        IReadOnlyList<ClassRuling> forAll,
        Assessor assessor,
        IReadOnlyList<StandsFor>? stands = null
    )
    {
        var drawing = DrawingReader.Read(answer.Drawing).Drawing
            ?? throw new InvalidOperationException("A stored drawing cannot be read.");
        var assessment = assessor.AssessAs(
            drawing,
            (stands ?? answer.Stands).ToImmutableDictionary(
                row => row.ModelElement,
                row => row.AnswerElement,
                StringComparer.Ordinal
            )
        );
        var own = answer.Rulings.ToDictionary(ruling => ruling.FindingId, StringComparer.Ordinal);
        var byKey = forAll.ToDictionary(ruling => ruling.AlikeKey, StringComparer.Ordinal);
        var decisions = ImmutableSortedDictionary.CreateBuilder<string, NoteDecision>(StringComparer.Ordinal);
        // A decision acts where its note is: one whose note is gone stays in the table, unseen, and changes nothing.
        var rulings = new List<Ruling>();
        foreach (var note in byKey.Count + own.Count == 0 ? [] : assessment.Notes)
        {
            if (own.TryGetValue(note.Finding.Id, out var ruling))
            {
                var decision = new NoteDecision(Enum.Parse<Decision>(ruling.Decision), ruling.Comment, Reach.Answer);
                decisions.Add(note.Finding.Id, decision);
                rulings.Add(note.Ruled(decision.Decision, decision.Comment));
            }
            else if (byKey.TryGetValue(AlikeKey.Of(note, assessment.Comparison), out var shared))
            {
                var decision = new NoteDecision(Enum.Parse<Decision>(shared.Decision), shared.Comment, Reach.Alike);
                decisions.Add(note.Finding.Id, decision);
                rulings.Add(note.Ruled(decision.Decision, decision.Comment));
            }
        }

        return new CheckedAnswer(
            answer,
            revision,
            rulings.Count == 0 ? assessment : assessment.Under([.. rulings]),
            decisions.ToImmutable()
        );
    }
}

/// <summary>An answer could not be assessed. It is kept as it is, and stands in nobody's way.</summary>
public sealed class NotAssessedException(string code)
    : Exception(
        $"Answer {code} could not be assessed. Its drawing is kept as it is; tell whoever runs this server, with the number of this reply."
    );
