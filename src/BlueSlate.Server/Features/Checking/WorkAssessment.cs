using System.Collections.Immutable;
using BlueSlate.Core;
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

/// <summary>Work checked under an assessment, its rulings applied.</summary>
/// <param name="Work">The work with its answer, what was asked, rulings and what stands for what.</param>
/// <param name="Revision">What it was held against.</param>
/// <param name="Assessment">What was found.</param>
/// <param name="Decisions">By finding id.</param>
public sealed record CheckedWork(
    Work Work,
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

/// <summary>Runs the core on stored work.</summary>
public sealed partial class WorkAssessment(BlueSlateContext database, AssessorStore assessors, ILogger<WorkAssessment> log)
{
    /// <summary>
    /// Reads, matches, checks and marks work as it stands, with its rulings and those for all alike; throws
    /// <see cref="NotAssessedException"/> for one with which that fails.
    /// </summary>
    public async Task<CheckedWork> RunAsync(Guid workId, CancellationToken cancellation)
    {
        var work = await WithAll(database.Works.Where(row => row.Id == workId)).FirstAsync(cancellation);
        var revision = await NewestAsync(work.PartId, cancellation);
        var rulings = await RulingsForAllAsync(work.PartId, cancellation);
        return CheckOrNot(work, revision, rulings, assessors.For(work.Asked!, revision))
            ?? throw new NotAssessedException(work.Answer!.CandidateCode);
    }

    /// <summary>The same; null for work with which it fails.</summary>
    public async Task<CheckedWork?> RunOrNotAsync(Guid workId, CancellationToken cancellation)
    {
        try
        {
            return await RunAsync(workId, cancellation);
        }
        catch (NotAssessedException)
        {
            return null;
        }
    }

    /// <summary>The same work again, with something else said of what stands for what.</summary>
    public async Task<CheckedWork> RunAsAsync(
        CheckedWork before,
        IReadOnlyList<StandsFor> stands,
        CancellationToken cancellation
    ) =>
        Check(
            before.Work,
            before.Revision,
            await RulingsForAllAsync(before.Work.PartId, cancellation),
            assessors.For(before.Work.Asked!, before.Revision),
            stands
        );

    /// <summary>The same of all work on a part that is handed in and not released, in no particular order.</summary>
    public async Task<IReadOnlyList<CheckedWork>> RunAllAsync(Guid partId, CancellationToken cancellation)
    {
        var revision = await NewestAsync(partId, cancellation);
        return await RunAllAsync(partId, revision, asked => assessors.For(asked, revision), cancellation);
    }

    /// <summary>The same of all work on it whose marks are released, as it would be marked now.</summary>
    public async Task<IReadOnlyList<CheckedWork>> RunReleasedAsync(Guid partId, CancellationToken cancellation)
    {
        var revision = await NewestAsync(partId, cancellation);
        return await RunEachAsync(
            database.Works.Where(row => row.PartId == partId && row.Released != null),
            partId,
            revision,
            asked => assessors.For(asked, revision),
            cancellation
        );
    }

    /// <summary>Work with its answer and what was asked, and the scheme by which it is marked. Nothing is checked.</summary>
    public async Task<(Work Work, MarkingScheme Scheme)> SchemeOfAsync(Guid workId, CancellationToken cancellation)
    {
        var work = await WithAll(database.Works.Where(row => row.Id == workId)).FirstAsync(cancellation);
        return (work, assessors.For(work.Asked!, await NewestAsync(work.PartId, cancellation)).Scheme);
    }

    /// <summary>The same under an assessment that is only being thought of.</summary>
    public Task<IReadOnlyList<CheckedWork>> RunAllAsync(Guid partId, AssessmentRevision thoughtOf, CancellationToken cancellation)
    {
        var prepared = new Dictionary<Guid, Assessor>();
        Assessor For(QuestionPart asked) =>
            prepared.TryGetValue(asked.QuestionRevisionId, out var known)
                ? known
                : prepared[asked.QuestionRevisionId] = AssessorStore.Prepare(asked, thoughtOf);
        return RunAllAsync(partId, thoughtOf, For, cancellation);
    }

    /// <summary>The same of some work that was checked already.</summary>
    public async Task<IReadOnlyList<CheckedWork>> RunSomeAsync(
        IReadOnlyList<CheckedWork> some,
        AssessmentRevision thoughtOf,
        CancellationToken cancellation
    )
    {
        var rulings = await RulingsForAllAsync(thoughtOf.PartId, cancellation);
        var prepared = some.DistinctBy(one => one.Work.QuestionRevisionId)
            .ToDictionary(one => one.Work.QuestionRevisionId, one => AssessorStore.Prepare(one.Work.Asked!, thoughtOf));
        return
        [
            .. some.AsParallel()
                .WithCancellation(cancellation)
                .Select(one => CheckOrNot(one.Work, thoughtOf, rulings, prepared[one.Work.QuestionRevisionId]))
                .OfType<CheckedWork>(),
        ];
    }

    private Task<IReadOnlyList<CheckedWork>> RunAllAsync(
        Guid partId,
        AssessmentRevision revision,
        Func<QuestionPart, Assessor> assessorFor,
        CancellationToken cancellation
    ) =>
        RunEachAsync(
            database.Works.Where(row => row.PartId == partId && row.Answer!.HandedInAt != null && row.Released == null),
            partId,
            revision,
            assessorFor,
            cancellation
        );

    private async Task<IReadOnlyList<CheckedWork>> RunEachAsync(
        IQueryable<Work> chosen,
        Guid partId,
        AssessmentRevision revision,
        Func<QuestionPart, Assessor> assessorFor,
        CancellationToken cancellation
    )
    {
        var rulings = await RulingsForAllAsync(partId, cancellation);
        var works = await WithAll(chosen).ToListAsync(cancellation);
        var pairs = works.Select(work => (Work: work, Assessor: assessorFor(work.Asked!))).ToList();
        return
        [
            .. pairs
                .AsParallel()
                .WithCancellation(cancellation)
                .Select(pair => CheckOrNot(pair.Work, revision, rulings, pair.Assessor))
                .OfType<CheckedWork>(),
        ];
    }

    /// <summary>Writes the total of checked work to its result row, making the row when there is none.</summary>
    public async Task StoreAsync(CheckedWork result, DateTimeOffset now, CancellationToken cancellation)
    {
        var (total, maximum) = (result.Assessment.Sheet.Total.ToString(), result.Assessment.Sheet.Maximum.ToString());
        await database.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO check_results (
                id, work_id, question_revision_id, assessment_revision_id, core_version, total, maximum, doubtful, at)
            VALUES ({Guid.CreateVersion7()}, {result.Work.Id}, {result.Work.QuestionRevisionId}, {result.Revision.Id},
                {Assessor.CoreVersion}, {total}, {maximum}, {result.Doubtful}, {now})
            ON CONFLICT (work_id, question_revision_id, assessment_revision_id, core_version)
            DO UPDATE SET total = excluded.total, maximum = excluded.maximum, doubtful = excluded.doubtful
            """,
            cancellation
        );
    }

    private static IQueryable<Work> WithAll(IQueryable<Work> works) =>
        works
            .AsNoTracking()
            .AsSplitQuery()
            .Include(row => row.Asked!.Question)
            .Include(row => row.Answer!.Exercise)
            .Include(row => row.Rulings)
            .Include(row => row.Stands)
            .Include(row => row.Released);

    private Task<AssessmentRevision> NewestAsync(Guid partId, CancellationToken cancellation) =>
        database
            .AssessmentRevisions.AsNoTracking()
            .Where(row => row.PartId == partId)
            .OrderByDescending(row => row.Number)
            .FirstAsync(cancellation);

    private Task<List<ClassRuling>> RulingsForAllAsync(Guid partId, CancellationToken cancellation) =>
        database.ClassRulings.AsNoTracking().Where(row => row.PartId == partId).ToListAsync(cancellation);

    // No work stands in the way of other work: what cannot be assessed is left out here, and told where it stands by itself.
    private CheckedWork? CheckOrNot(Work work, AssessmentRevision revision, IReadOnlyList<ClassRuling> forAll, Assessor assessor)
    {
        try
        {
            return Check(work, revision, forAll, assessor);
        }
        catch (Exception error) when (error is not OperationCanceledException)
        {
            LogNotAssessed(log, error, work.Id);
            return null;
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "Work {WorkId} could not be assessed")]
    private static partial void LogNotAssessed(ILogger logger, Exception error, Guid workId);

    private static CheckedWork Check(
        Work work,
        AssessmentRevision revision,
        IReadOnlyList<ClassRuling> forAll,
        Assessor assessor,
        IReadOnlyList<StandsFor>? stands = null
    )
    {
        var document = assessor.Subject.Parse(work.Drawing)
            ?? throw new InvalidOperationException("A stored document cannot be read.");
        var assessment = assessor.AssessAs(
            document,
            (stands ?? work.Stands).ToImmutableDictionary(
                row => row.ModelElement,
                row => row.AnswerElement,
                StringComparer.Ordinal
            )
        );
        var own = work.Rulings.ToDictionary(ruling => ruling.FindingId, StringComparer.Ordinal);
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

        return new CheckedWork(
            work,
            revision,
            rulings.Count == 0 ? assessment : assessment.Under([.. rulings]),
            decisions.ToImmutable()
        );
    }
}

/// <summary>Work could not be assessed. It is kept as it is, and stands in nobody's way.</summary>
public sealed class NotAssessedException(string code)
    : Exception(
        $"Answer {code} could not be assessed. Its drawing is kept as it is; tell whoever runs this server, with the number of this reply."
    );
