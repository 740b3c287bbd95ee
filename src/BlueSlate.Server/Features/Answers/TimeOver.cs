using Npgsql;

namespace BlueSlate.Server.Features.Answers;

/// <summary>Hands in what is drawn once its time is over, by the server's clock, whether or not a browser is there.</summary>
public sealed class TimeOver(IServiceScopeFactory scopes, TimeProvider clock, ILogger<TimeOver> log) : BackgroundService
{
    private const int AtOnce = 100;

    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(500);

    /// <summary>Hands in all that is over now; how many answers it was.</summary>
    public async Task<int> EndAsync(CancellationToken cancellation)
    {
        for (var all = 0; ; )
        {
            await using var scope = scopes.CreateAsyncScope();
            var ended = await scope.ServiceProvider.GetRequiredService<AnswerStore>().EndAsync(AtOnce, cancellation);
            all += ended;
            if (ended < AtOnce)
            {
                return all;
            }
        }
    }

    /// <inheritdoc />
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, clock);
        do
        {
            try
            {
                if (await EndAsync(stoppingToken) is > 0 and var ended)
                {
                    log.LogInformation("{Ended} answers were handed in because their time was over", ended);
                }
            }
            catch (Exception error) when (error is NpgsqlException or InvalidOperationException)
            {
                log.LogWarning(error, "What is over could not be looked for; it will be tried again");
            }
        } while (await timer.WaitForNextTickAsync(stoppingToken));
    }
}
