using BlueSlate.Data;
using Hangfire;

namespace BlueSlate.Server.Features.Checking;

/// <summary>Asks for checks: a row in the caller's transaction first, a job after it has been committed.</summary>
public sealed class CheckQueue(IBackgroundJobClient jobs, TimeProvider clock, ILogger<CheckQueue> log)
{
    /// <summary>The row that asks for a check.</summary>
    public CheckRequest RequestFor(Guid workId, Guid assessmentRevisionId) =>
        new()
        {
            Id = Guid.CreateVersion7(),
            WorkId = workId,
            AssessmentRevisionId = assessmentRevisionId,
            RequestedAt = clock.GetUtcNow(),
        };

    /// <summary>
    /// Enqueues the work. Should this fail, the caller's work is committed all the same, and the sweep finds the rows.
    /// </summary>
    public void Enqueue(IEnumerable<Guid> workIds)
    {
        try
        {
            foreach (var id in workIds)
            {
                jobs.Enqueue<CheckJob>(job => job.RunAsync(id, CancellationToken.None));
            }
        }
        catch (BackgroundJobClientException error)
        {
            log.LogWarning(error, "Checks could not be enqueued; the sweep will do it");
        }
    }
}
