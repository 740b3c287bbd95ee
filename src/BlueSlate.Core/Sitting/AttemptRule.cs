namespace BlueSlate.Core.Sitting;

/// <summary>How often an exercise may be sat, and which attempt counts.</summary>
/// <param name="Most">How many attempts there are, from 1; null for any number.</param>
/// <param name="BestCounts">True when the best attempt counts, false when the last one that was handed in does.</param>
public sealed record AttemptRule(int? Most, bool BestCounts)
{
    /// <summary>How many attempts can be allowed, where there is a limit.</summary>
    public const int Limit = 20;

    /// <summary>Whether one may begin another attempt after so many.</summary>
    public bool Allows(int attempts) => Most is null || attempts < Most;

    /// <summary>
    /// The attempt that counts, of those that are handed in, in their order, as an index; of equally good ones the later. Where the best
    /// counts, one that is not checked yet, without a total, does so only while none is. Throws when there is none.
    /// </summary>
    public int Counting(IReadOnlyList<Marking.Rational?> totals)
    {
        if (totals.Count == 0)
        {
            throw new ArgumentException("There is no attempt that could count.", nameof(totals));
        }

        var best = totals.Count - 1;
        for (var at = totals.Count - 2; BestCounts && at >= 0; at--)
        {
            if (totals[at] is { } total && (totals[best] is not { } so || total > so))
            {
                best = at;
            }
        }

        return best;
    }

    /// <summary>What makes no sense in it, with a code and the property that says so; null when nothing does.</summary>
    public (string Code, string Said, string Property)? Problem =>
        Most is < 1 or > Limit ? ("attempts", $"An exercise has 1 to {Limit} attempts, or any number.", "attempts") : null;
}
