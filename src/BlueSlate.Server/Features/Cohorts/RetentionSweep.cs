using Npgsql;

namespace BlueSlate.Server.Features.Cohorts;

/// <summary>Looks once an hour whether a cohort's day has come.</summary>
public sealed class RetentionSweep(IServiceScopeFactory scopes, TimeProvider clock, ILogger<RetentionSweep> log)
    : BackgroundService
{
    /// <inheritdoc />
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(TimeSpan.FromHours(1), clock);
        do
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                var today = DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);
                var erased = await scope.ServiceProvider.GetRequiredService<Erasure>().EraseWhatIsDueAsync(today, stoppingToken);
                if (erased > 0)
                {
                    log.LogInformation("{Erased} people were erased because the day of their cohort had come", erased);
                }
            }
            catch (Exception error) when (error is NpgsqlException or InvalidOperationException)
            {
                log.LogWarning(error, "What is due to be erased could not be looked for; it will be tried again");
            }
        } while (await timer.WaitForNextTickAsync(stoppingToken));
    }
}
