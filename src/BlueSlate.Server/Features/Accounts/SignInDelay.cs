using System.Collections.Concurrent;

namespace BlueSlate.Server.Features.Accounts;

/// <summary>
/// Slows down repeated failed sign-ins, to one account and from one address: each failure after the first few doubles the
/// wait, for 10 minutes. A hall of students shares one address, so that it is allowed many more failures, and waits less.
/// Nobody is locked out, and nobody can lock another out.
/// </summary>
public sealed class SignInDelay(TimeProvider clock)
{
    private static readonly TimeSpan Memory = TimeSpan.FromMinutes(10);
    private const int Remembered = 10_000;

    private readonly Failures accounts = new(Free: 2, Longest: 4000);
    private readonly Failures addresses = new(Free: 60, Longest: 2000);

    /// <summary>Waits as long as the failures so far ask for.</summary>
    public Task WaitAsync(string account, string address, CancellationToken cancellation = default)
    {
        var now = clock.GetUtcNow();
        var wait = Math.Max(accounts.Wait(account, now), addresses.Wait(address, now));
        return wait == 0 ? Task.CompletedTask : Task.Delay(TimeSpan.FromMilliseconds(wait), clock, cancellation);
    }

    /// <summary>Remembers how a sign-in went. One that succeeds clears the account; an address cannot clear itself by an account of its own.</summary>
    public void Record(string account, string address, bool succeeded)
    {
        if (succeeded)
        {
            accounts.Forget(account);
            return;
        }

        accounts.Add(account, clock.GetUtcNow());
        addresses.Add(address, clock.GetUtcNow());
    }

    /// <summary>Counts failures by a key.</summary>
    /// <param name="Free">How many are free of any wait.</param>
    /// <param name="Longest">The longest wait in milliseconds.</param>
    private sealed record Failures(int Free, int Longest)
    {
        private readonly ConcurrentDictionary<string, (int Count, DateTimeOffset Last)> seen = new(StringComparer.OrdinalIgnoreCase);

        public int Wait(string key, DateTimeOffset now) =>
            seen.TryGetValue(key, out var failures) && now - failures.Last < Memory && failures.Count > Free
                ? Math.Min(Longest, 125 << Math.Min(failures.Count - Free, 5))
                : 0;

        public void Forget(string key) => seen.TryRemove(key, out _);

        public void Add(string key, DateTimeOffset now)
        {
            if (seen.Count > Remembered)
            {
                seen.Clear();
            }

            seen.AddOrUpdate(key, (1, now), (_, failures) => now - failures.Last < Memory ? (failures.Count + 1, now) : (1, now));
        }
    }
}
