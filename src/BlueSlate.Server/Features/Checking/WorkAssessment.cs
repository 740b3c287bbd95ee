using System.Collections.Immutable;
using BlueSlate.Core;
using BlueSlate.Core.Classes;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Exercises;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Checking;

/// <summary>For how many answers a decision holds.</summary>
public enum Reach
{
    Answer,
    Alike,
}

/// <summary>The decision that holds for a note of an answer, with what is given back where it is allowed in part.</summary>
public sealed record NoteDecision(Decision Decision, Rational Part, string Comment, Reach Reach)
{
    internal static NoteDecision Of(FindingRuling ruling) => Of(ruling.Decision, ruling.Part, ruling.Comment, Reach.Answer);

    internal static NoteDecision Of(ClassRuling ruling) => Of(ruling.Decision, ruling.Part, ruling.Comment, Reach.Alike);

    private static NoteDecision Of(string decision, string? part, string comment, Reach reach) =>
        new(Enum.Parse<Decision>(decision), Rational.TryParse(part ?? "", out var given) ? given : Rational.Half, comment, reach);

    internal Ruling On(Note note) => note.Ruled(Decision, Comment) with { Part = Part };
}

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
    /// <summary>The id of what lateness costs, among the adjustments.</summary>
    public const string Late = "late";

    /// <summary>True when a person has to look before the marks are released.</summary>
    public bool Doubtful => Assessment.Doubt.IsOpen;

    /// <summary>What was drawn or written.</summary>
    public IDocument Document => StoredDrawings.Read(ExerciseJson.Read<PartDocument>(Work.Asked!.Document), Work.Drawing);

    /// <summary>What alike notes on other answers have in common with this one.</summary>
    public string KeyOf(Note note) => AlikeKey.Of(note, Assessment.Comparison);

    /// <summary>The total if a note were decided on otherwise.</summary>
    public Rational TotalIf(Note note, NoteDecision decision) => With([note], decision).Assessment.Sheet.Total;

    /// <summary>The same work with another decision on some of its notes, or none. Nothing is judged again.</summary>
    public CheckedWork With(IEnumerable<Note> notes, NoteDecision? decision)
    {
        var ids = notes.Select(note => note.Finding.Id).ToList();
        var decisions = decision is null
            ? Decisions.RemoveRange(ids)
            : Decisions.SetItems(ids.Select(id => KeyValuePair.Create(id, decision)));
        return this with
        {
            Assessment = Assessment.Under(
                new Decisions(RulingsOf(Assessment, decisions), AdjustmentsOf(Work, Assessment.Sheet.Maximum))
            ),
            Decisions = decisions,
        };
    }

    /// <summary>What the desk and the picture of the class need of it.</summary>
    public AnswerDigest Digest => AnswerDigest.Of(Assessment, note => Decisions.GetValueOrDefault(note.Finding.Id)?.Decision);

    // What somebody gave or took, and then what lateness costs by the exercise's rule.
    internal static ImmutableArray<Adjustment> AdjustmentsOf(Work work, Rational maximum) =>
        [
            .. work
                .Adjustments.OrderBy(row => row.At)
                .ThenBy(row => row.Id)
                .Select(row => new Adjustment(
                    row.Id.ToString(),
                    row.LineId,
                    StoredMarks.Read(row.Amount),
                    row.Reason,
                    [.. row.Elements]
                )),
            .. LateOf(work.Answer!, maximum),
        ];

    private static ImmutableArray<Adjustment> LateOf(Answer answer, Rational maximum) =>
        Sittings.LateRuleOf(answer.Exercise!) is { } rule && rule.Of(maximum, answer.LateMinutes) is { IsZero: false } lost
            ? [new Adjustment(Late, null, Rational.Zero - lost, rule.Why(answer.LateMinutes), [])]
            : [];

    internal static ImmutableArray<Ruling> RulingsOf(
        Assessment assessment,
        ImmutableSortedDictionary<string, NoteDecision> decisions
    ) =>
        [
            .. assessment
                .Notes.Where(note => decisions.ContainsKey(note.Finding.Id))
                .Select(note => decisions[note.Finding.Id].On(note)),
        ];
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
        var earlier = await EarlierWork.OfAsync([work], database, assessors, cancellation);
        return CheckOrNot(work, revision, rulings, assessors.For(work.Asked!, revision), earlier)
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
            await EarlierWork.OfAsync([before.Work], database, assessors, cancellation),
            stands
        );

    /// <summary>
    /// A document that is not handed in, held against what the part of its work is held against now, and the revision of that.
    /// </summary>
    public async Task<(Assessment Assessment, AssessmentRevision Revision)> OfAsync(
        Work work,
        IDocument document,
        CancellationToken cancellation
    )
    {
        var revision = await NewestAsync(work.PartId, cancellation);
        return (assessors.For(work.Asked!, revision).Assess(document, []), revision);
    }

    /// <summary>The same of all work on a part that is handed in and not released, in no particular order.</summary>
    public async Task<IReadOnlyList<CheckedWork>> RunAllAsync(Guid partId, CancellationToken cancellation)
    {
        var revision = await NewestAsync(partId, cancellation);
        return await RunAllAsync(partId, revision, asked => assessors.For(asked, revision), cancellation);
    }

    /// <summary>The same of some of it, by its ids.</summary>
    public async Task<IReadOnlyList<CheckedWork>> RunTheseAsync(
        Guid partId,
        IReadOnlyCollection<Guid> works,
        CancellationToken cancellation
    )
    {
        var revision = await NewestAsync(partId, cancellation);
        return await RunEachAsync(
            database.Works.Where(row => row.PartId == partId && works.Contains(row.Id)),
            partId,
            revision,
            asked => assessors.For(asked, revision),
            cancellation
        );
    }

    /// <summary>The facts of a part's model answer and the scheme by which it is marked, as they are now.</summary>
    public async Task<Assessor> AssessorOfAsync(Guid partId, CancellationToken cancellation)
    {
        var asked = await database
            .QuestionParts.AsNoTracking()
            .Include(row => row.Question)
            .Where(row => row.PartId == partId)
            .OrderByDescending(row => row.Question!.Number)
            .FirstAsync(cancellation);
        return assessors.For(asked, await NewestAsync(partId, cancellation));
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
        var earlier = await EarlierWork.OfAsync([.. some.Select(one => one.Work)], database, assessors, cancellation);
        var prepared = some.DistinctBy(one => one.Work.QuestionRevisionId)
            .ToDictionary(one => one.Work.QuestionRevisionId, one => AssessorStore.Prepare(one.Work.Asked!, thoughtOf));
        return
        [
            .. some.AsParallel()
                .WithCancellation(cancellation)
                .Select(one => CheckOrNot(one.Work, thoughtOf, rulings, prepared[one.Work.QuestionRevisionId], earlier))
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
            database.Works.Where(row => row.PartId == partId && row.Answer!.Counts && row.Released == null),
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
        var earlier = await EarlierWork.OfAsync(works, database, assessors, cancellation);
        var pairs = works.Select(work => (Work: work, Assessor: assessorFor(work.Asked!))).ToList();
        return
        [
            .. pairs
                .AsParallel()
                .WithCancellation(cancellation)
                .Select(pair => CheckOrNot(pair.Work, revision, rulings, pair.Assessor, earlier))
                .OfType<CheckedWork>(),
        ];
    }

    /// <summary>Writes what is kept of checked work to its result row, making the row when there is none.</summary>
    public Task StoreAsync(CheckedWork result, DateTimeOffset now, CancellationToken cancellation) =>
        StoreAsync([result], now, cancellation);

    /// <summary>The same of much work in one step.</summary>
    public async Task StoreAsync(IReadOnlyList<CheckedWork> results, DateTimeOffset now, CancellationToken cancellation)
    {
        if (results.Count == 0)
        {
            return;
        }

        var ids = results.Select(_ => Guid.CreateVersion7()).ToArray();
        var works = results.Select(result => result.Work.Id).ToArray();
        var questions = results.Select(result => result.Work.QuestionRevisionId).ToArray();
        var revisions = results.Select(result => result.Revision.Id).ToArray();
        var totals = results.Select(result => result.Assessment.Sheet.Total.ToString()).ToArray();
        var maxima = results.Select(result => result.Assessment.Sheet.Maximum.ToString()).ToArray();
        var doubtful = results.Select(result => result.Doubtful).ToArray();
        var digests = results.AsParallel().AsOrdered().Select(result => ExerciseJson.Write(result.Digest)).ToArray();
        await database.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO check_results (
                id, work_id, question_revision_id, assessment_revision_id, core_version, total, maximum, doubtful, digest, at)
            SELECT one.id, one.work, one.question, one.revision, {Assessor.CoreVersion}, one.total, one.maximum, one.doubtful,
                one.digest, {now}
            FROM unnest({ids}, {works}, {questions}, {revisions}, {totals}, {maxima}, {doubtful}, {digests})
                AS one (id, work, question, revision, total, maximum, doubtful, digest)
            ON CONFLICT (work_id, question_revision_id, assessment_revision_id, core_version)
            DO UPDATE SET total = excluded.total, maximum = excluded.maximum, doubtful = excluded.doubtful,
                digest = excluded.digest
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
            .Include(row => row.Adjustments)
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
    private CheckedWork? CheckOrNot(
        Work work,
        AssessmentRevision revision,
        IReadOnlyList<ClassRuling> forAll,
        Assessor assessor,
        EarlierWork earlier
    )
    {
        try
        {
            return Check(work, revision, forAll, assessor, earlier);
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
        EarlierWork earlier,
        IReadOnlyList<StandsFor>? stands = null
    )
    {
        var document = StoredDrawings.Read(assessor.Subject, work.Drawing);
        var standing = (stands ?? work.Stands).ToImmutableDictionary(
            row => row.ModelElement,
            row => row.AnswerElement,
            StringComparer.Ordinal
        );
        var assessment = earlier.Inherited(work, assessor, assessor.AssessAs(document, standing), standing);
        var own = work.Rulings.ToDictionary(ruling => ruling.FindingId, StringComparer.Ordinal);
        var byKey = forAll.ToDictionary(ruling => ruling.AlikeKey, StringComparer.Ordinal);
        var decisions = ImmutableSortedDictionary.CreateBuilder<string, NoteDecision>(StringComparer.Ordinal);
        // A decision acts where its note is: one whose note is gone stays in the table, unseen, and changes nothing.
        foreach (var note in byKey.Count + own.Count == 0 ? [] : assessment.Notes)
        {
            if (own.TryGetValue(note.Finding.Id, out var ruling))
            {
                decisions.Add(note.Finding.Id, NoteDecision.Of(ruling));
            }
            else if (
                byKey.TryGetValue(AlikeKey.Of(note, assessment.Comparison), out var shared)
                || byKey.TryGetValue(AlikeKey.FormerOf(note, assessment.Comparison), out shared)
            )
            {
                decisions.Add(note.Finding.Id, NoteDecision.Of(shared));
            }
        }

        var decided = decisions.ToImmutable();
        var all = new Decisions(
            CheckedWork.RulingsOf(assessment, decided),
            CheckedWork.AdjustmentsOf(work, assessment.Sheet.Maximum)
        );
        return new CheckedWork(work, revision, all.IsNone ? assessment : assessment.Under(all), decided);
    }
}

/// <summary>Work could not be assessed. It is kept as it is, and stands in nobody's way.</summary>
public sealed class NotAssessedException(string code)
    : Exception(
        $"Answer {code} could not be assessed. Its drawing is kept as it is; tell whoever runs this server, with the number of this reply."
    );
