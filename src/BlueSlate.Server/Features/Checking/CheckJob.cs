using BlueSlate.Data;
using BlueSlate.Server.Features.Marking;
using Hangfire;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Checking;

/// <summary>
/// Checks one piece of work in the background. Each attempt is counted before it begins, so that work whose check takes the
/// process down twice is left for a person and holds nobody else up.
/// </summary>
public sealed class CheckJob(
    BlueSlateContext database,
    WorkAssessment assessment,
    AfterCheck after,
    TimeProvider clock,
    ILogger<CheckJob> log
)
{
    /// <summary>How many attempts are made.</summary>
    public const int Attempts = 2;

    /// <summary>Does what is asked for it; nothing when it has been done.</summary>
    [AutomaticRetry(Attempts = 0)]
    public async Task RunAsync(Guid workId, CancellationToken cancellation)
    {
        var open = database.CheckRequests.Where(request =>
            request.WorkId == workId && request.DoneAt == null && !request.NeedsPerson
        );
        if (
            await open.Where(request => request.Attempts >= Attempts)
                .ExecuteUpdateAsync(set => set.SetProperty(request => request.NeedsPerson, true), cancellation) > 0
        )
        {
            log.LogWarning("The check of work {WorkId} failed {Attempts} times and needs a person", workId, Attempts);
        }

        // What is asked for while this runs may want a newer model answer than this has looked at: it has a job of its own.
        var asked = await open.Select(request => request.Id).ToListAsync(cancellation);
        var these = database.CheckRequests.Where(request => asked.Contains(request.Id));
        if (
            await these.ExecuteUpdateAsync(
                set => set.SetProperty(request => request.Attempts, request => request.Attempts + 1),
                cancellation
            ) == 0
        )
        {
            return;
        }

        var result = await assessment.RunAsync(workId, cancellation);
        await assessment.StoreAsync(result, clock.GetUtcNow(), cancellation);
        await after.CheckedAsync(result, cancellation);
        await these.ExecuteUpdateAsync(set => set.SetProperty(request => request.DoneAt, clock.GetUtcNow()), cancellation);
    }
}
