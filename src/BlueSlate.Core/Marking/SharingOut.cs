namespace BlueSlate.Core.Marking;

/// <summary>Shares answers out among those who mark.</summary>
public static class SharingOut
{
    /// <summary>
    /// Gives each answer to whoever has the fewest so far, in the order of the markers where several have as few: so nobody has more than
    /// one answer more than another, but for what they had before. Greedy list scheduling with jobs of one size, which is optimal
    /// (R. L. Graham, 1969).
    /// </summary>
    /// <param name="answers">How many answers there are.</param>
    /// <param name="load">How many each marker has already; at least one marker.</param>
    /// <returns>For each answer, which marker has it, as an index into <paramref name="load"/>.</returns>
    public static int[] Evenly(int answers, IReadOnlyList<int> load)
    {
        if (load.Count == 0)
        {
            throw new ArgumentException("There is nobody to whom answers could be given.", nameof(load));
        }

        var has = new PriorityQueue<int, (int Answers, int Marker)>(load.Select((so, at) => (at, (so, at))));
        var shares = new int[answers];
        for (var answer = 0; answer < answers; answer++)
        {
            has.TryDequeue(out var marker, out var so);
            shares[answer] = marker;
            has.Enqueue(marker, (so.Answers + 1, marker));
        }

        return shares;
    }
}
