using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace BlueSlate.Server.Features.Checking;

/// <summary>Enqueues what was asked for and has no result, whatever became of its job.</summary>
public sealed class CheckSweep(IServiceScopeFactory scopes, TimeProvider clock, ILogger<CheckSweep> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(20);

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
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    private async Task SweepAsync(CancellationToken cancellation)
    {
        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<BlueSlateContext>();
        var before = clock.GetUtcNow() - Every;
        var waiting = await database.CheckRequests
            .Where(request => request.DoneAt == null && !request.NeedsPerson && request.RequestedAt < before)
            .Select(request => request.AnswerId).Distinct().Take(500).ToListAsync(cancellation);
        scope.ServiceProvider.GetRequiredService<CheckQueue>().Enqueue(waiting);
    }
}
