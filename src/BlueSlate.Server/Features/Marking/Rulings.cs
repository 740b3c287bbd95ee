using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>
/// Decisions of markers: on a note of one answer or of all alike, and on what stands for what. Identical drawings are never
/// decided on differently. Every decision changes the stored totals of the answers concerned at once.
/// </summary>
public sealed class Rulings(
    BlueSlateContext database,
    WorkAssessment assessment,
    AuditTrail audit,
    Access access,
    BlindSample sample,
    TimeProvider clock
)
{
    /// <summary>The answers with an alike note, and what each would get by each decision; the answer itself first.</summary>
    public async Task<AlikeReply?> AlikeAsync(Guid workId, string finding, CancellationToken cancellation)
    {
        var (own, note) = await NoteAsync(workId, finding, cancellation);
        if (note is null)
        {
            return null;
        }

        var alike = await AlikeToAsync(own, own.KeyOf(note), cancellation);
        var blind = await sample.BlindForMe().ToHashSetAsync(cancellation);
        Rational? Seen(CheckedWork work, Func<Rational> total) => blind.Contains(work.Work.Id) ? null : total();
        return new AlikeReply([
            .. alike
                .OrderByDescending(pair => pair.Checked.Work.Id == workId)
                .ThenBy(pair => pair.Checked.Work.Answer!.CandidateCode, StringComparer.Ordinal)
                .Select(pair => new AlikeAnswer(
                    pair.Checked.Work.Id,
                    pair.Checked.Work.Answer!.CandidateCode,
                    pair.Checked.Work.DrawingHash == own.Work.DrawingHash,
                    Seen(pair.Checked, () => pair.Checked.Assessment.Sheet.Total),
                    Seen(pair.Checked, () => pair.Checked.TotalIf(pair.Note, Decision.Allow)),
                    Seen(pair.Checked, () => pair.Checked.TotalIf(pair.Note, Decision.AllowInPart)),
                    Seen(pair.Checked, () => pair.Checked.TotalIf(pair.Note, Decision.KeepLoss))
                )),
        ]);
    }

    /// <summary>
    /// Decides on a note, of an answer that was released or was not when it was asked for; false when the answer has no such
    /// note.
    /// </summary>
    public async Task<bool> RuleAsync(
        Guid workId,
        string finding,
        RulingRequest request,
        string comment,
        bool released,
        CancellationToken cancellation
    )
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await LockAsync(workId, released, cancellation);
        var (own, note) = await NoteAsync(workId, finding, cancellation);
        if (note is null)
        {
            return false;
        }

        var key = own.KeyOf(note);
        var alike = await AlikeToAsync(own, key, cancellation);
        var concerned =
            request.Reach == Reach.Alike
                ? alike
                : [.. alike.Where(pair => pair.Checked.Work.DrawingHash == own.Work.DrawingHash)];
        await ForgetAsync(concerned, cancellation);
        var now = clock.GetUtcNow();
        if (request.Reach == Reach.Alike)
        {
            await database
                .ClassRulings.Where(row => row.PartId == own.Work.PartId && row.AlikeKey == key)
                .ExecuteDeleteAsync(cancellation);
            database.ClassRulings.Add(
                new ClassRuling
                {
                    PartId = own.Work.PartId,
                    AlikeKey = key,
                    Headline = note.Finding.Headline,
                    Decision = request.Decision.ToString(),
                    Comment = comment,
                    ById = access.AccountId,
                    At = now,
                }
            );
        }
        else
        {
            database.Rulings.AddRange(
                concerned.Select(pair => new FindingRuling
                {
                    WorkId = pair.Checked.Work.Id,
                    FindingId = pair.Note.Finding.Id,
                    FactIds = [.. pair.Note.AllFactIds],
                    Extras = [.. pair.Note.Finding.Extras],
                    Decision = request.Decision.ToString(),
                    Comment = comment,
                    ById = access.AccountId,
                    At = now,
                })
            );
        }

        await audit.AddOfWorkAsync(
            AuditKind.Ruling,
            workId,
            Said(request.Decision) + (request.Reach == Reach.Alike ? $", for all {concerned.Count} alike" : ""),
            cancellation
        );
        await database.SaveChangesAsync(cancellation);
        await StoreAsync(concerned.Select(pair => pair.Checked.Work.Id), cancellation);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    /// <summary>Takes back the decision that holds for a note, with the reach that it has.</summary>
    public async Task TakeBackAsync(Guid workId, string finding, bool released, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await LockAsync(workId, released, cancellation);
        var (own, note) = await NoteAsync(workId, finding, cancellation);
        if (note is null || !own.Decisions.TryGetValue(finding, out var decision))
        {
            // What was decided on a note that is there no longer goes too.
            await database
                .Rulings.Where(row => row.WorkId == workId && row.FindingId == finding)
                .ExecuteDeleteAsync(cancellation);
            await StoreAsync([workId], cancellation);
            await transaction.CommitAsync(cancellation);
            return;
        }

        var key = own.KeyOf(note);
        var alike = await AlikeToAsync(own, key, cancellation);
        var forAll = decision.Reach == Reach.Alike;
        var concerned = forAll ? alike : [.. alike.Where(pair => pair.Checked.Work.DrawingHash == own.Work.DrawingHash)];
        if (forAll)
        {
            await database
                .ClassRulings.Where(row => row.PartId == own.Work.PartId && row.AlikeKey == key)
                .ExecuteDeleteAsync(cancellation);
        }
        else
        {
            await ForgetAsync(concerned, cancellation);
        }

        await audit.AddOfWorkAsync(
            AuditKind.Ruling,
            workId,
            "a decision taken back" + (forAll ? $", for all {concerned.Count} alike" : ""),
            cancellation
        );
        await database.SaveChangesAsync(cancellation);
        await StoreAsync(concerned.Select(pair => pair.Checked.Work.Id), cancellation);
        await transaction.CommitAsync(cancellation);
    }

    /// <summary>
    /// What an answer would get if something of it stood for an element of the model answer; null for neither.
    /// </summary>
    public async Task<Rational?> TotalIfAsync(Guid workId, StandsForRequest request, CancellationToken cancellation)
    {
        var own = await assessment.RunAsync(workId, cancellation);
        return AreThere(own, request)
            ? (await assessment.RunAsAsync(own, WithThat(own, request), cancellation)).Assessment.Sheet.Total
            : null;
    }

    /// <summary>Says, or takes back, what stands for an element of the model answer; false when either is not there.</summary>
    public async Task<bool> StandAsync(Guid workId, StandsForRequest request, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await LockAsync(workId, false, cancellation);
        var own = await assessment.RunAsync(workId, cancellation);
        if (!AreThere(own, request))
        {
            return false;
        }

        // Identical drawings are read alike.
        var twins = await database
            .Works.Where(row =>
                row.PartId == own.Work.PartId
                && row.Answer!.HandedInAt != null
                && row.Released == null
                && row.DrawingHash == own.Work.DrawingHash
            )
            .Select(row => row.Id)
            .ToListAsync(cancellation);
        await database
            .StandsFor.Where(row =>
                twins.Contains(row.WorkId) && (row.ModelElement == request.Model || row.AnswerElement == request.Answer)
            )
            .ExecuteDeleteAsync(cancellation);
        if (request.Answer is { } element)
        {
            database.StandsFor.AddRange(
                twins.Select(twin => new StandsFor
                {
                    WorkId = twin,
                    ModelElement = request.Model,
                    AnswerElement = element,
                    ById = access.AccountId,
                    At = clock.GetUtcNow(),
                })
            );
        }

        await audit.AddOfWorkAsync(
            AuditKind.Ruling,
            workId,
            request.Answer is null ? "what stands for what, taken back" : "what stands for what",
            cancellation
        );
        await database.SaveChangesAsync(cancellation);
        await StoreAsync(twins, cancellation);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    // What was released while somebody decided is released: the decision is refused, not lost.
    private async Task LockAsync(Guid workId, bool released, CancellationToken cancellation)
    {
        await database.LockExerciseAsync(
            await database.Works.Where(row => row.Id == workId).Select(row => row.Answer!.ExerciseId).FirstAsync(cancellation),
            cancellation
        );
        if (!released && await database.Works.AnyAsync(row => row.Id == workId && row.Released != null, cancellation))
        {
            throw new ReleasedMeanwhileException();
        }
    }

    private static bool AreThere(CheckedWork own, StandsForRequest request) =>
        own.Assessment.Comparison.ModelThings.Any(thing => thing.Id == request.Model)
        && (request.Answer is null || own.Assessment.Comparison.AnswerThings.Any(thing => thing.Id == request.Answer));

    private static IReadOnlyList<StandsFor> WithThat(CheckedWork own, StandsForRequest request) =>
        [
            .. own.Work.Stands.Where(row => row.ModelElement != request.Model && row.AnswerElement != request.Answer),
            .. request.Answer is { } element
                ?
                [
                    new StandsFor
                    {
                        WorkId = own.Work.Id,
                        ModelElement = request.Model,
                        AnswerElement = element,
                    },
                ]
                : Array.Empty<StandsFor>(),
        ];

    private async Task<(CheckedWork Own, Note? Note)> NoteAsync(Guid workId, string finding, CancellationToken cancellation)
    {
        var own = await assessment.RunAsync(workId, cancellation);
        return (own, own.Assessment.Notes.FirstOrDefault(note => note.Finding.Id == finding));
    }

    private async Task<List<(CheckedWork Checked, Note Note)>> AlikeToAsync(
        CheckedWork own,
        string key,
        CancellationToken cancellation
    ) =>
        [
            .. (await assessment.RunAllAsync(own.Work.PartId, cancellation))
                .Where(other => other.Work.Id != own.Work.Id)
                .Append(own)
                .Select(one => (Checked: one, Note: one.Assessment.Notes.FirstOrDefault(note => one.KeyOf(note) == key)!))
                .Where(pair => pair.Note is not null),
        ];

    private async Task ForgetAsync(IEnumerable<(CheckedWork Checked, Note Note)> concerned, CancellationToken cancellation)
    {
        foreach (var (one, note) in concerned.Where(pair => pair.Checked.Work.Rulings.Count > 0))
        {
            await database
                .Rulings.Where(row => row.WorkId == one.Work.Id && row.FindingId == note.Finding.Id)
                .ExecuteDeleteAsync(cancellation);
        }
    }

    private async Task StoreAsync(IEnumerable<Guid> works, CancellationToken cancellation)
    {
        foreach (var id in works)
        {
            await assessment.StoreAsync(await assessment.RunAsync(id, cancellation), clock.GetUtcNow(), cancellation);
        }
    }

    private static string Said(Decision decision) =>
        decision switch
        {
            Decision.Allow => "a loss allowed",
            Decision.AllowInPart => "a loss allowed in part",
            _ => "a loss kept",
        };
}

/// <summary>An answer was released while somebody decided on it.</summary>
public sealed class ReleasedMeanwhileException() : Exception("The marks of this answer were released in the meantime.");
