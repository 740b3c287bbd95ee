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
    public async Task<AlikeReply?> AlikeAsync(Guid workId, string finding, Rational part, CancellationToken cancellation)
    {
        var (own, note) = await NoteAsync(workId, finding, cancellation);
        if (note is null)
        {
            return null;
        }

        var key = own.KeyOf(note);
        var alike = await AlikeToAsync(own, key, cancellation);
        return await ReplyAsync([.. alike.OrderByDescending(pair => pair.Checked.Work.Id == workId)], key, part, cancellation);
    }

    /// <summary>The answers to a part that have a difference, and what each would get by each decision; null for none.</summary>
    public async Task<AlikeReply?> AlikeOfAsync(Guid partId, string key, Rational part, CancellationToken cancellation)
    {
        var alike = await WithKeyAsync(partId, key, null, cancellation);
        return alike.Count == 0 ? null : await ReplyAsync(alike, key, part, cancellation);
    }

    // The one of which somebody asks is the first.
    private async Task<AlikeReply> ReplyAsync(
        IReadOnlyList<(CheckedWork Checked, Note Note)> alike,
        string key,
        Rational part,
        CancellationToken cancellation
    )
    {
        var blind = await sample.BlindForMe().ToHashSetAsync(cancellation);
        Rational? Seen(CheckedWork work, Func<Rational> total) => blind.Contains(work.Work.Id) ? null : total();
        return new AlikeReply([
            .. alike.Select(pair => new AlikeAnswer(
                pair.Checked.Work.Id,
                pair.Checked.Work.Answer!.CandidateCode,
                pair.Checked.Work.DrawingHash == alike[0].Checked.Work.DrawingHash,
                Seen(pair.Checked, () => pair.Checked.Assessment.Sheet.Total),
                Seen(pair.Checked, () => LossOf(pair.Checked, key)),
                Seen(pair.Checked, () => TotalIf(pair.Checked, key, Decision.Allow, part)),
                Seen(pair.Checked, () => TotalIf(pair.Checked, key, Decision.AllowInPart, part)),
                Seen(pair.Checked, () => TotalIf(pair.Checked, key, Decision.KeepLoss, part))
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
        if (request.Reach == Reach.Alike)
        {
            await DecideForAllAsync(own.Work.PartId, key, alike, request, comment, cancellation);
        }
        else
        {
            var same = alike.Where(pair => pair.Checked.Work.DrawingHash == own.Work.DrawingHash).ToList();
            await ForgetAsync(same, cancellation);
            database.Rulings.AddRange(
                same.Select(pair => new FindingRuling
                {
                    WorkId = pair.Checked.Work.Id,
                    FindingId = pair.Note.Finding.Id,
                    FactIds = [.. pair.Note.AllFactIds],
                    Extras = [.. pair.Note.Finding.Extras],
                    Decision = request.Decision.ToString(),
                    Part = request.Part?.ToString(),
                    Comment = comment,
                    ById = access.AccountId,
                    At = clock.GetUtcNow(),
                })
            );
            await audit.AddOfWorkAsync(AuditKind.Ruling, workId, Said(request.Decision), cancellation);
            await database.SaveChangesAsync(cancellation);
            await StoreAsync([.. same.Select(pair => pair.Checked.With([pair.Note], request.AsDecision(comment)))], cancellation);
        }

        await transaction.CommitAsync(cancellation);
        return true;
    }

    /// <summary>
    /// Decides on a difference for all answers to a part that have it and are not released; false when none of them has.
    /// </summary>
    public async Task<bool> RuleAllAsync(
        Guid partId,
        string key,
        RulingRequest request,
        string comment,
        CancellationToken cancellation
    )
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await LockPartAsync(partId, cancellation);
        var alike = await WithKeyAsync(partId, key, null, cancellation);
        if (alike.Count == 0)
        {
            return false;
        }

        await DecideForAllAsync(partId, key, alike, request, comment, cancellation);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    /// <summary>Takes back what was decided on a difference for all; false when nothing was.</summary>
    public async Task<bool> TakeBackAllAsync(Guid partId, string key, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await LockPartAsync(partId, cancellation);
        if (!await database.ClassRulings.AnyAsync(row => row.PartId == partId && row.AlikeKey == key, cancellation))
        {
            return false;
        }

        await TakeBackForAllAsync(partId, key, await WithKeyAsync(partId, key, null, cancellation), cancellation);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    private async Task DecideForAllAsync(
        Guid partId,
        string key,
        IReadOnlyList<(CheckedWork Checked, Note Note)> alike,
        RulingRequest request,
        string comment,
        CancellationToken cancellation
    )
    {
        await ForgetAsync(alike, cancellation);
        await ForgetForAllAsync(partId, key, alike, cancellation);
        database.ClassRulings.Add(
            new ClassRuling
            {
                PartId = partId,
                AlikeKey = key,
                Headline = alike[0].Note.Finding.Headline,
                Decision = request.Decision.ToString(),
                Part = request.Part?.ToString(),
                Comment = comment,
                ById = access.AccountId,
                At = clock.GetUtcNow(),
            }
        );
        await audit.AddOfWorkAsync(
            AuditKind.Ruling,
            alike[0].Checked.Work.Id,
            $"{Said(request.Decision)}, for all {alike.Count} alike",
            cancellation
        );
        await database.SaveChangesAsync(cancellation);
        var decision = request.AsDecision(comment) with { Reach = Reach.Alike };
        await StoreAsync([.. alike.Select(pair => pair.Checked.With(WithKey(pair.Checked, key), decision))], cancellation);
    }

    private async Task TakeBackForAllAsync(
        Guid partId,
        string key,
        IReadOnlyList<(CheckedWork Checked, Note Note)> alike,
        CancellationToken cancellation
    )
    {
        await ForgetForAllAsync(partId, key, alike, cancellation);
        if (alike.Count > 0)
        {
            await audit.AddOfWorkAsync(
                AuditKind.Ruling,
                alike[0].Checked.Work.Id,
                $"a decision taken back, for all {alike.Count} alike",
                cancellation
            );
            await database.SaveChangesAsync(cancellation);
        }

        await StoreAsync([.. alike.Select(pair => pair.Checked.With(ForAll(pair.Checked, key), null))], cancellation);
    }

    private Task ForgetForAllAsync(
        Guid partId,
        string key,
        IReadOnlyList<(CheckedWork Checked, Note Note)> alike,
        CancellationToken cancellation
    )
    {
        var keys = alike
            .Select(pair => AlikeKey.FormerOf(pair.Note, pair.Checked.Assessment.Comparison))
            .Append(key)
            .Distinct(StringComparer.Ordinal)
            .ToList();
        return database
            .ClassRulings.Where(row => row.PartId == partId && keys.Contains(row.AlikeKey))
            .ExecuteDeleteAsync(cancellation);
    }

    private static IEnumerable<Note> WithKey(CheckedWork work, string key) =>
        work.Assessment.Notes.Where(note => work.KeyOf(note) == key);

    // Those that are not decided on by themselves.
    private static IEnumerable<Note> ForAll(CheckedWork work, string key) =>
        WithKey(work, key).Where(note => work.Decisions.GetValueOrDefault(note.Finding.Id)?.Reach == Reach.Alike);

    private static Rational TotalIf(CheckedWork work, string key, Decision decision, Rational part) =>
        work.With(WithKey(work, key), new NoteDecision(decision, part, "", Reach.Alike)).Assessment.Sheet.Total;

    // What the difference costs while nothing is decided on it.
    private static Rational LossOf(CheckedWork work, string key) =>
        WithKey(work.With(WithKey(work, key), null), key).Aggregate(Rational.Zero, (sum, note) => sum + note.Loss);

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
            await StoreAsync([await assessment.RunAsync(workId, cancellation)], cancellation);
            await transaction.CommitAsync(cancellation);
            return;
        }

        var key = own.KeyOf(note);
        var alike = await AlikeToAsync(own, key, cancellation);
        if (decision.Reach == Reach.Alike)
        {
            await TakeBackForAllAsync(own.Work.PartId, key, alike, cancellation);
        }
        else
        {
            var same = alike.Where(pair => pair.Checked.Work.DrawingHash == own.Work.DrawingHash).ToList();
            await ForgetAsync(same, cancellation);
            await audit.AddOfWorkAsync(AuditKind.Ruling, workId, "a decision taken back", cancellation);
            await database.SaveChangesAsync(cancellation);
            // What is decided for all alike holds again.
            var again = await assessment.RunTheseAsync(
                own.Work.PartId,
                [.. same.Select(pair => pair.Checked.Work.Id)],
                cancellation
            );
            await StoreAsync(again, cancellation);
        }

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

        var twins = await TwinsAsync(own.Work, false, cancellation);
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
        await StoreAsync(await assessment.RunTheseAsync(own.Work.PartId, twins, cancellation), cancellation);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    /// <summary>
    /// Gives or takes marks besides what was found: what is about the drawing for all work with the very same drawing, what is about the
    /// total for this answer alone.
    /// </summary>
    public async Task AdjustAsync(Guid workId, AdjustmentRequest request, bool released, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await LockAsync(workId, released, cancellation);
        var own = await assessment.RunAsync(workId, cancellation);
        IReadOnlyList<Guid> works =
            request.Line is null && request.At.Length == 0 ? [workId] : await TwinsAsync(own.Work, released, cancellation);
        var (id, now) = (Guid.CreateVersion7(clock.GetUtcNow()), clock.GetUtcNow());
        database.MarkAdjustments.AddRange(
            works.Select(work => new MarkAdjustment
            {
                WorkId = work,
                Id = id,
                LineId = request.Line,
                Amount = request.Amount.ToString(),
                Reason = request.Reason.Trim(),
                Elements = request.At,
                ById = access.AccountId,
                At = now,
            })
        );
        await audit.AddOfWorkAsync(
            AuditKind.Ruling,
            workId,
            $"{(request.Amount < Rational.Zero ? "marks taken" : "marks given")}: {request.Reason.Trim()}",
            cancellation
        );
        await database.SaveChangesAsync(cancellation);
        await StoreAsync(await assessment.RunTheseAsync(own.Work.PartId, [.. works], cancellation), cancellation);
        await transaction.CommitAsync(cancellation);
    }

    /// <summary>Takes back what was given or taken, wherever it counts; false when there is no such thing.</summary>
    public async Task<bool> UnadjustAsync(Guid workId, Guid adjustment, bool released, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await LockAsync(workId, released, cancellation);
        if (!await database.MarkAdjustments.AnyAsync(row => row.WorkId == workId && row.Id == adjustment, cancellation))
        {
            return false;
        }

        // What twins were released with since stays theirs until a person takes it from them.
        var own = await database.Works.AsNoTracking().FirstAsync(row => row.Id == workId, cancellation);
        var works = (await TwinsAsync(own, released, cancellation)).Append(workId).ToHashSet();
        await database
            .MarkAdjustments.Where(row => row.Id == adjustment && works.Contains(row.WorkId))
            .ExecuteDeleteAsync(cancellation);
        await audit.AddOfWorkAsync(AuditKind.Ruling, workId, "marks given or taken, taken back", cancellation);
        await database.SaveChangesAsync(cancellation);
        await StoreAsync(await assessment.RunTheseAsync(own.PartId, works, cancellation), cancellation);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    // Identical drawings are decided on alike; those that are released and those that are not, by themselves.
    private Task<List<Guid>> TwinsAsync(Work own, bool released, CancellationToken cancellation) =>
        database
            .Works.Where(row =>
                row.PartId == own.PartId
                && row.Answer!.Counts
                && row.Released != null == released
                && row.DrawingHash == own.DrawingHash
            )
            .Select(row => row.Id)
            .ToListAsync(cancellation);

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

    private async Task LockPartAsync(Guid partId, CancellationToken cancellation) =>
        await database.LockExerciseAsync(
            await database.ExerciseParts.Where(row => row.Id == partId).Select(row => row.ExerciseId).FirstAsync(cancellation),
            cancellation
        );

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

    private Task<List<(CheckedWork Checked, Note Note)>> AlikeToAsync(
        CheckedWork own,
        string key,
        CancellationToken cancellation
    ) => WithKeyAsync(own.Work.PartId, key, own, cancellation);

    // Work that is not released and has an alike note, as its digest says, and the work of which somebody asks.
    private async Task<List<(CheckedWork Checked, Note Note)>> WithKeyAsync(
        Guid partId,
        string key,
        CheckedWork? own,
        CancellationToken cancellation
    )
    {
        var others = await database
            .Works.Where(work =>
                work.PartId == partId
                && work.Answer!.Counts
                && work.Released == null
                && work.Results.Any(result => result.Digest!.Contains(key))
            )
            .Select(work => work.Id)
            .ToListAsync(cancellation);
        var works = await assessment.RunTheseAsync(partId, [.. others.Where(id => id != own?.Work.Id)], cancellation);
        return
        [
            .. (own is null ? works : works.Append(own))
                .Select(one => (Checked: one, Note: WithKey(one, key).FirstOrDefault()!))
                .Where(pair => pair.Note is not null)
                .OrderBy(pair => pair.Checked.Work.Answer!.CandidateCode, StringComparer.Ordinal),
        ];
    }

    private async Task ForgetAsync(IEnumerable<(CheckedWork Checked, Note Note)> concerned, CancellationToken cancellation)
    {
        foreach (var (one, note) in concerned.Where(pair => pair.Checked.Work.Rulings.Count > 0))
        {
            await database
                .Rulings.Where(row => row.WorkId == one.Work.Id && row.FindingId == note.Finding.Id)
                .ExecuteDeleteAsync(cancellation);
        }
    }

    private Task StoreAsync(IReadOnlyList<CheckedWork> works, CancellationToken cancellation) =>
        assessment.StoreAsync(works, clock.GetUtcNow(), cancellation);

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
