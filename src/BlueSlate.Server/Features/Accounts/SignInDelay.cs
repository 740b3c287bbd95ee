using System.Collections.Concurrent;

namespace BlueSlate.Server.Features.Accounts;

/// <summary>
/// Slows down repeated failed sign-ins to one account: each failure doubles the wait, up to 4 seconds, for 10 minutes.
/// Nobody is locked out, and nobody can lock another out.
/// </summary>
public sealed class SignInDelay(TimeProvider clock)
{
    private static readonly TimeSpan Memory = TimeSpan.FromMinutes(10);
    private const int Remembered = 10_000;

    private readonly ConcurrentDictionary<string, (int Failures, DateTimeOffset Last)> failures = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>Waits as long as the failures of this address ask for.</summary>
    public Task WaitAsync(string address) =>
        failures.TryGetValue(address, out var seen) && clock.GetUtcNow() - seen.Last < Memory && seen.Failures > 2
            ? Task.Delay(TimeSpan.FromMilliseconds(Math.Min(4000, 125 << Math.Min(seen.Failures - 2, 5))), clock)
            : Task.CompletedTask;

    /// <summary>Remembers how a sign-in went.</summary>
    public void Record(string address, bool succeeded)
    {
        if (succeeded)
        {
            failures.TryRemove(address, out _);
            return;
        }

        if (failures.Count > Remembered)
        {
            failures.Clear();
        }

        failures.AddOrUpdate(address, (1, clock.GetUtcNow()), (_, seen) => (seen.Failures + 1, clock.GetUtcNow()));
    }
}
