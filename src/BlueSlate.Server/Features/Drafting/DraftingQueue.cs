namespace BlueSlate.Server.Features.Drafting;

/// <summary>
/// Who drafts next: so many at once, one at a time a person, and otherwise in the order in which they came.
/// </summary>
public sealed class DraftingQueue(DraftingLimits limits)
{
    private readonly Lock door = new();
    private readonly List<Turn> waiting = [];
    private readonly List<Turn> working = [];

    /// <summary>A turn, or null when this person has too many already or all places to wait are taken.</summary>
    public Turn? Enter(Guid person)
    {
        lock (door)
        {
            if (
                waiting.Count >= limits.Waiting
                || waiting.Concat(working).Count(turn => turn.Person == person) >= limits.EachPerson
            )
            {
                return null;
            }

            var turn = new Turn(this, person);
            waiting.Add(turn);
            CallNext();
            return turn;
        }
    }

    /// <summary>
    /// How many are before a person's first waiting turn: 0 for the next one, null when the person is not waiting.
    /// </summary>
    public int? PlaceOf(Guid person)
    {
        lock (door)
        {
            var at = waiting.FindIndex(turn => turn.Person == person);
            return at < 0 ? null : at;
        }
    }

    private void Leave(Turn turn)
    {
        lock (door)
        {
            waiting.Remove(turn);
            working.Remove(turn);
            CallNext();
        }
    }

    private void CallNext()
    {
        while (
            working.Count < limits.Processes
            && waiting.Find(turn => working.TrueForAll(other => other.Person != turn.Person)) is { } next
        )
        {
            waiting.Remove(next);
            working.Add(next);
            next.Call();
        }
    }

    /// <summary>A turn in the queue; disposing it gives it back, waiting or at work.</summary>
    public sealed class Turn(DraftingQueue queue, Guid person) : IDisposable
    {
        private readonly TaskCompletionSource called = new(TaskCreationOptions.RunContinuationsAsynchronously);

        /// <summary>Whose it is.</summary>
        public Guid Person => person;

        /// <summary>Ends when it is this turn's turn.</summary>
        public Task ComesAsync(CancellationToken cancellation) => called.Task.WaitAsync(cancellation);

        /// <inheritdoc/>
        public void Dispose() => queue.Leave(this);

        internal void Call() => called.TrySetResult();
    }
}
