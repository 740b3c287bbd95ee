using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>A released answer that would be marked otherwise now.</summary>
public sealed record MarkProposal(Guid Id, string Code, Rational Before, Rational After);

/// <summary>All of them, the largest changes first, and how many would stay as they are.</summary>
public sealed record RemarkingReply(MarkProposal[] Proposals, int Unchanged);

/// <summary>Takes some of the proposals. A mark goes down only with a reason; the reason is told to the student.</summary>
public sealed record RemarkingRequest(Guid[] Answers, string? Reason = null);

/// <summary>How many marks were changed.</summary>
public sealed record RemarkedReply(int Changed);

/// <summary>
/// What other decisions, another scheme or another version of the core would make of released marks. It only proposes: a
/// released sheet stays as it is until a person takes the change, and the one before is kept.
/// </summary>
public sealed class Remarking(
    BlueSlateContext database,
    AnswerAssessment assessment,
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
        var answers = await assessment.RunReleasedAsync(exerciseId, cancellation);
        var proposals = answers
            .Select(answer => new MarkProposal(
                answer.Answer.Id,
                answer.Answer.CandidateCode,
                TotalOf(answer.Answer.Released!),
                answer.Assessment.Sheet.Total
            ))
            .Where(proposal => proposal.Before != proposal.After)
            .OrderByDescending(proposal => Rational.Max(proposal.After - proposal.Before, proposal.Before - proposal.After))
            .ThenBy(proposal => proposal.Code, StringComparer.Ordinal)
            .ToArray();
        return new RemarkingReply(proposals, answers.Count - proposals.Length);
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
        var taken = (await assessment.RunReleasedAsync(exercise.Id, cancellation))
            .Where(answer =>
                request.Answers.Contains(answer.Answer.Id) && TotalOf(answer.Answer.Released!) != answer.Assessment.Sheet.Total
            )
            .ToList();
        if (reason.Length == 0 && taken.Exists(answer => answer.Assessment.Sheet.Total < TotalOf(answer.Answer.Released!)))
        {
            return Problems.Unreadable(
                "reason-wanted",
                "A released mark goes down only with a reason, which the student is told.",
                "reason"
            );
        }

        var now = clock.GetUtcNow();
        foreach (var answer in taken)
        {
            var sheet = await database.ReleasedSheets.FirstAsync(row => row.AnswerId == answer.Answer.Id, cancellation);
            var total = answer.Assessment.Sheet.Total.ToString();
            database.MarkRevisions.Add(
                new MarkRevision
                {
                    Id = Guid.CreateVersion7(now),
                    AnswerId = sheet.AnswerId,
                    At = now,
                    ById = access.AccountId,
                    Reason = reason,
                    Before = sheet.Total,
                    After = total,
                    FrozenBefore = sheet.Frozen,
                }
            );
            sheet.Frozen = ExerciseJson.Write(Releasing.Freeze(answer));
            (sheet.Total, sheet.Maximum) = (total, answer.Assessment.Sheet.Maximum.ToString());
            await assessment.StoreAsync(answer, now, cancellation);
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

    private static Rational TotalOf(ReleasedSheet sheet) =>
        Rational.TryParse(sheet.Total, out var total)
            ? total
            : throw new InvalidOperationException("A released sheet has no total.");
}
