namespace BlueSlate.Server.Features.Drafting;

/// <summary>Makes a drafting process ready when the server starts, so that nobody waits for its start.</summary>
public sealed class DraftingStart(DraftingPool pool) : IHostedService
{
    /// <inheritdoc/>
    public Task StartAsync(CancellationToken cancellationToken)
    {
        pool.WarmUp();
        return Task.CompletedTask;
    }

    /// <inheritdoc/>
    public Task StopAsync(CancellationToken cancellationToken) => Task.CompletedTask;
}
