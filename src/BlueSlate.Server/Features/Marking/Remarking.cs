using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>Released work on a part that would be marked otherwise now.</summary>
public sealed record MarkProposal(Guid Id, string Code, string Part, Rational Before, Rational After);

/// <summary>All of them, the largest changes first, and how many would stay as they are.</summary>
public sealed record RemarkingReply(MarkProposal[] Proposals, int Unchanged);

/// <summary>Takes some of the proposals. A mark goes down only with a reason; the reason is told to the student.</summary>
public sealed record RemarkingRequest(Guid[] Works, string? Reason = null);

/// <summary>How many marks were changed.</summary>
public sealed record RemarkedReply(int Changed);

/// <summary>
/// What other decisions, another scheme or another version of the core would make of released marks. It only proposes: a
/// released sheet stays as it is until a person takes the change, and the one before is kept.
/// </summary>
public sealed class Remarking(
    BlueSlateContext database,
    WorkAssessment assessment,
    AuditTrail audit,
    Access access,
    TimeProvider clock
)
{
    private const int LongestReason = 1000;

    /// <summary>Says which released marks would be others now.</summary>
    public static async Task<IResult> Preview(Guid id, Access access, Remarking remarking, CancellationToken cancellation) =>
        await access.StaffExercises(instructorsOnly: true).AnyAsync(row => row.Id == id, cancellation)
            ? TypedResults.Ok(await remarking.ProposalsAsync(id, cancellation))
            : ExerciseEndpoints.NoSuchExercise();

    /// <summary>Changes marks as proposed.</summary>
    public static async Task<IResult> Take(
        Guid id,
        RemarkingRequest request,
        Access access,
        Remarking remarking,
        CancellationToken cancellation
    ) =>
        await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation) is { } exercise
            ? await remarking.TakeAsync(exercise, request, cancellation)
            : ExerciseEndpoints.NoSuchExercise();

    private async Task<RemarkingReply> ProposalsAsync(Guid exerciseId, CancellationToken cancellation)
    {
        var released = await ReleasedAsync(exerciseId, cancellation);
        var proposals = released
            .Select(result => new MarkProposal(
                result.Work.Id,
                result.Work.Answer!.CandidateCode,
                ExerciseJson.Read<PartDocument>(result.Work.Asked!.Document).Title,
                TotalOf(result.Work),
                result.Assessment.Sheet.Total
            ))
            .Where(proposal => proposal.Before != proposal.After)
            .OrderByDescending(proposal => Rational.Max(proposal.After - proposal.Before, proposal.Before - proposal.After))
            .ThenBy(proposal => proposal.Code, StringComparer.Ordinal)
            .ToArray();
        return new RemarkingReply(proposals, released.Count - proposals.Length);
    }

    private async Task<IReadOnlyList<CheckedWork>> ReleasedAsync(Guid exerciseId, CancellationToken cancellation)
    {
        var parts = await database
            .ExerciseParts.Where(part => part.ExerciseId == exerciseId)
            .OrderBy(part => part.Position)
            .Select(part => part.Id)
            .ToListAsync(cancellation);
        var all = new List<CheckedWork>();
        foreach (var part in parts)
        {
            all.AddRange(await assessment.RunReleasedAsync(part, cancellation));
        }

        return all;
    }

    private async Task<IResult> TakeAsync(Exercise exercise, RemarkingRequest request, CancellationToken cancellation)
    {
        var reason = request.Reason?.Trim() ?? "";
        if (reason.Length > LongestReason)
        {
            return Problems.Unreadable("too-long", $"A reason has at most {LongestReason} characters.", "reason");
        }

        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        var taken = (await ReleasedAsync(exercise.Id, cancellation))
            .Where(result => request.Works.Contains(result.Work.Id) && TotalOf(result.Work) != result.Assessment.Sheet.Total)
            .ToList();
        if (reason.Length == 0 && taken.Exists(result => result.Assessment.Sheet.Total < TotalOf(result.Work)))
        {
            return Problems.Unreadable(
                "reason-wanted",
                "A released mark goes down only with a reason, which the student is told.",
                "reason"
            );
        }

        var now = clock.GetUtcNow();
        foreach (var result in taken)
        {
            var sheet = await database.ReleasedSheets.FirstAsync(row => row.WorkId == result.Work.Id, cancellation);
            var total = result.Assessment.Sheet.Total.ToString();
            database.MarkRevisions.Add(
                new MarkRevision
                {
                    Id = Guid.CreateVersion7(now),
                    WorkId = sheet.WorkId,
                    At = now,
                    ById = access.AccountId,
                    Reason = reason,
                    Before = sheet.Total,
                    After = total,
                    FrozenBefore = sheet.Frozen,
                }
            );
            sheet.Frozen = ExerciseJson.Write(Releasing.Freeze(result));
            (sheet.Total, sheet.Maximum) = (total, result.Assessment.Sheet.Maximum.ToString());
            await assessment.StoreAsync(result, now, cancellation);
        }

        if (taken.Count > 0)
        {
            audit.Add(
                AuditKind.Remark,
                exercise.CohortId,
                $"{taken.Count} released {(taken.Count == 1 ? "mark" : "marks")} changed{(reason.Length > 0 ? $": {reason}" : "")}",
                exercise.Id
            );
        }

        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.Ok(new RemarkedReply(taken.Count));
    }

    private static Rational TotalOf(Work work) => StoredMarks.Read(work.Released!.Total);
}
