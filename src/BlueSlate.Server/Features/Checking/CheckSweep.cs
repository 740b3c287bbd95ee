using BlueSlate.Core;
using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace BlueSlate.Server.Features.Checking;

/// <summary>Enqueues what was asked for and has no result, whatever became of its job.</summary>
public sealed class CheckSweep(IServiceScopeFactory scopes, TimeProvider clock, ILogger<CheckSweep> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(20);

    private bool askedAgain;

    /// <inheritdoc />
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, clock);
        do
        {
            try
            {
                await SweepAsync(stoppingToken);
            }
            catch (Exception error) when (error is NpgsqlException or InvalidOperationException)
            {
                log.LogWarning(error, "The sweep could not reach the database and will try again");
            }
        } while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    /// <summary>Looks once.</summary>
    public async Task SweepAsync(CancellationToken cancellation)
    {
        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<BlueSlateContext>();
        if (!askedAgain)
        {
            await AskAgainAsync(database, cancellation);
            askedAgain = true;
        }

        var before = clock.GetUtcNow() - Every;
        var waiting = await database
            .CheckRequests.Where(request => request.DoneAt == null && !request.NeedsPerson && request.RequestedAt < before)
            .Select(request => request.WorkId)
            .Distinct()
            .Take(500)
            .ToListAsync(cancellation);
        scope.ServiceProvider.GetRequiredService<CheckQueue>().Enqueue(waiting);
    }

    // What an earlier version of the core has checked is checked by this one, unless its marks are released and what the picture of the
    // class needs of it is there.
    private static Task AskAgainAsync(BlueSlateContext database, CancellationToken cancellation) =>
        database
            .CheckRequests.Where(request =>
                request.DoneAt != null
                && (request.Work!.Released == null || !request.Work.Results.Any(result => result.Digest != null))
                && request.AssessmentRevisionId
                    == database
                        .AssessmentRevisions.Where(revision => revision.PartId == request.Work!.PartId)
                        .OrderByDescending(revision => revision.Number)
                        .Select(revision => revision.Id)
                        .First()
                && !database.CheckResults.Any(result =>
                    result.WorkId == request.WorkId
                    && result.AssessmentRevisionId == request.AssessmentRevisionId
                    && result.CoreVersion == Assessor.CoreVersion
                )
            )
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(request => request.DoneAt, (DateTimeOffset?)null).SetProperty(request => request.Attempts, 0),
                cancellation
            );
}
