using System.Collections.Concurrent;

namespace BlueSlate.Server.Features.Accounts;

/// <summary>
/// Slows down guessing. For one account two passwords are tried at a time; a wrong one keeps its place for a while, longer with
/// every failure. Who came last is next, so that the owner does not stand in a crowd's queue; who waits too long is sent away
/// without an attempt. Nobody is locked out, and a right password never waits for anything but a free place. Of one address,
/// which a hall of students shares, many more failures are free.
/// </summary>
public sealed class SignInGate(TimeProvider clock)
{
    private const int AtOnce = 2;
    private const int MostWaiting = 64;
    private const int MostKnown = 10_000;
    private static readonly TimeSpan Memory = TimeSpan.FromMinutes(10);
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(5);

    private const int FreeOfAddress = 60;
    private static readonly TimeSpan HeldByAddress = TimeSpan.FromSeconds(2);

    private readonly ConcurrentDictionary<string, Door> doors = new(StringComparer.OrdinalIgnoreCase);
    private readonly ConcurrentDictionary<string, (int Count, DateTimeOffset Last)> addresses = new(
        StringComparer.OrdinalIgnoreCase
    );

    /// <summary>A turn at an account's door, of somebody at an address.</summary>
    public Turn Enter(string account, string address)
    {
        if (doors.Count > MostKnown)
        {
            foreach (var (key, old) in doors.Where(pair => pair.Value.IsForgotten(clock.GetUtcNow())).ToList())
            {
                doors.TryRemove(new KeyValuePair<string, Door>(key, old));
            }
        }

        return doors.GetOrAdd(account, _ => new Door(clock)).Enter(this, address);
    }

    /// <summary>How long a wrong password keeps its place after so many failures.</summary>
    internal static TimeSpan Held(int failures) =>
        failures <= 2 ? TimeSpan.Zero : TimeSpan.FromMilliseconds(Math.Min(1000, 100 << Math.Min(failures - 2, 5)));

    private TimeSpan FailureAt(string address)
    {
        if (addresses.Count > MostKnown)
        {
            addresses.Clear();
        }

        var now = clock.GetUtcNow();
        var known = addresses.AddOrUpdate(address, (1, now), (_, failures) =>
            now - failures.Last < Memory ? (failures.Count + 1, now) : (1, now)
        );
        return known.Count > FreeOfAddress ? HeldByAddress : TimeSpan.Zero;
    }

    /// <summary>Who tries passwords of one account.</summary>
    internal sealed class Door(TimeProvider clock)
    {
        private readonly Lock key = new();
        private readonly List<Turn> waiting = [];
        private int inside;
        private int failures;
        private DateTimeOffset last;

        public bool IsForgotten(DateTimeOffset now)
        {
            lock (key)
            {
                return inside == 0 && waiting.Count == 0 && now - last > Memory;
            }
        }

        public Turn Enter(SignInGate gate, string address)
        {
            lock (key)
            {
                var turn = new Turn(this, gate, address, clock);
                if (inside < AtOnce)
                {
                    inside++;
                    turn.Call(true);
                    return turn;
                }

                waiting.Add(turn);
                if (waiting.Count > MostWaiting)
                {
                    waiting[0].Call(false);
                    waiting.RemoveAt(0);
                }

                return turn;
            }
        }

        public TimeSpan Record(bool right)
        {
            lock (key)
            {
                var now = clock.GetUtcNow();
                failures =
                    right ? 0
                    : now - last < Memory ? failures + 1
                    : 1;
                last = now;
                return right ? TimeSpan.Zero : Held(failures);
            }
        }

        public void Leave(Turn turn, bool wasInside)
        {
            lock (key)
            {
                if (!wasInside)
                {
                    waiting.Remove(turn);
                    return;
                }

                if (waiting.Count == 0)
                {
                    inside--;
                    return;
                }

                var next = waiting[^1];
                waiting.RemoveAt(waiting.Count - 1);
                next.Call(true);
            }
        }
    }

    /// <summary>One attempt; disposing it makes room for the next.</summary>
    public sealed class Turn : IDisposable
    {
        private readonly Door door;
        private readonly SignInGate gate;
        private readonly string address;
        private readonly TimeProvider clock;
        private readonly TaskCompletionSource<bool> called = new(TaskCreationOptions.RunContinuationsAsynchronously);

        internal Turn(Door door, SignInGate gate, string address, TimeProvider clock) =>
            (this.door, this.gate, this.address, this.clock) = (door, gate, address, clock);

        /// <summary>Whether the attempt may be made, once that is known.</summary>
        public async Task<bool> ComesAsync(CancellationToken cancellation)
        {
            try
            {
                return await called.Task.WaitAsync(Patience, clock, cancellation);
            }
            catch (TimeoutException)
            {
                return called.Task is { IsCompletedSuccessfully: true, Result: true };
            }
        }

        /// <summary>Says how it went; after a wrong password the place is kept for a while.</summary>
        public async Task EndsAsync(bool right, CancellationToken cancellation)
        {
            var held = door.Record(right);
            if (!right && gate.FailureAt(address) is var longer && longer > held)
            {
                held = longer;
            }

            if (held > TimeSpan.Zero)
            {
                await Task.Delay(held, clock, cancellation);
            }
        }

        /// <inheritdoc/>
        public void Dispose() => door.Leave(this, called.Task is { IsCompletedSuccessfully: true, Result: true });

        internal void Call(bool may) => called.TrySetResult(may);
    }
}
