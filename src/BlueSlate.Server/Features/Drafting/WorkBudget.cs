using System.Collections.Concurrent;

namespace BlueSlate.Server.Features.Drafting;

/// <summary>
/// How much work each person has left: a bucket of seconds that runs empty with what their drawings really took and fills again
/// with time. It counts work, not requests: a hundred small drawings are nothing, three monstrous ones are much.
/// </summary>
public sealed class WorkBudget(TimeSpan burst, double share, TimeProvider time)
{
    private const int MostKnown = 10_000;

    private readonly ConcurrentDictionary<Guid, (double Left, long At)> people = new();

    /// <summary>How long a person has to wait until there is something left; zero when there is.</summary>
    public TimeSpan WaitOf(Guid person)
    {
        var left = LeftOf(person);
        return left > 0 ? TimeSpan.Zero : TimeSpan.FromSeconds(Math.Max(1, -left / share));
    }

    /// <summary>Takes what a piece of work has taken.</summary>
    public void Spend(Guid person, TimeSpan work)
    {
        if (people.Count > MostKnown)
        {
            // Who has all of it again need not be remembered.
            foreach (var (id, _) in people.Where(pair => LeftOf(pair.Key) >= burst.TotalSeconds).ToList())
            {
                people.TryRemove(id, out _);
            }
        }

        people[person] = (LeftOf(person) - work.TotalSeconds, time.GetTimestamp());
    }

    private double LeftOf(Guid person) =>
        people.TryGetValue(person, out var known)
            ? Math.Min(burst.TotalSeconds, known.Left + (time.GetElapsedTime(known.At).TotalSeconds * share))
            : burst.TotalSeconds;
}
