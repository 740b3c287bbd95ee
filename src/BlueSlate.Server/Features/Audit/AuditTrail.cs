using System.Security.Claims;
using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Audit;

/// <summary>
/// Writes the audit record. A line goes into the caller's context, so that it is kept exactly when the deed is. Who did it is
/// whoever sent the request; outside a request it is the server itself.
/// </summary>
public sealed class AuditTrail(BlueSlateContext database, IHttpContextAccessor accessor, TimeProvider clock)
{
    private Guid? Actor =>
        Guid.TryParse(accessor.HttpContext?.User.FindFirstValue(ClaimTypes.NameIdentifier), out var id) ? id : null;

    /// <summary>Adds a line about a cohort.</summary>
    public void Add(AuditKind kind, Guid cohortId, string detail, Guid? exerciseId = null) =>
        AddLine(kind, Actor, cohortId, exerciseId, detail);

    /// <summary>Adds a line about work of an answer, which it names by its candidate code.</summary>
    public async Task AddOfWorkAsync(AuditKind kind, Guid workId, string detail, CancellationToken cancellation)
    {
        var answer = await database
            .Works.Where(row => row.Id == workId)
            .Select(row => new
            {
                row.Answer!.CandidateCode,
                row.Answer.ExerciseId,
                row.Answer.Exercise!.CohortId,
            })
            .FirstAsync(cancellation);
        Add(kind, answer.CohortId, $"{answer.CandidateCode}: {detail}", answer.ExerciseId);
    }

    /// <summary>Adds that somebody signed in; the instructors of that person's cohorts may read it.</summary>
    public void AddSignIn(Guid accountId) => AddLine(AuditKind.SignIn, accountId, null, null, "");

    private void AddLine(AuditKind kind, Guid? actor, Guid? cohort, Guid? exercise, string detail)
    {
        var now = clock.GetUtcNow();
        database.AuditEvents.Add(
            new AuditEvent
            {
                Id = Guid.CreateVersion7(now),
                At = now,
                Kind = kind,
                ActorId = actor,
                CohortId = cohort,
                ExerciseId = exercise,
                Detail = detail,
            }
        );
    }
}
