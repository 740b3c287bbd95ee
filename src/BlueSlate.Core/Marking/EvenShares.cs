using System.Collections.Immutable;

namespace BlueSlate.Core.Marking;

/// <summary>What counts for the share of a line of a scheme.</summary>
/// <param name="Sort">What sort of line it is: lines of a sort that weigh the same are worth the same, if that is possible.</param>
/// <param name="Weight">What it is worth beside others.</param>
/// <param name="Facts">How many facts it asks for.</param>
public sealed record ShareOfLine(string Sort, int Weight, int Facts);

/// <summary>
/// Shares marks out by weight in steps of a half. What remains after rounding down goes to all lines of a sort together, those of
/// the largest remainder first (Hamilton's method, applied to sorts); then to those of a sort that ask for the most; and what is
/// too little even for these is spread over them from the first to the last.
/// </summary>
public static class EvenShares
{
    private static readonly Rational Step = Rational.Half;

    /// <summary>The marks of each line, in their order; together what is shared out.</summary>
    public static ImmutableArray<Rational> Of(Rational marks, ImmutableArray<ShareOfLine> lines)
    {
        var total = Math.Max(1, lines.Sum(line => line.Weight));
        var exact = lines.Select(line => marks * new Rational(line.Weight, total)).ToArray();
        var shares = exact.Select(share => share.FloorTo(Step)).ToArray();
        var left = marks - shares.Aggregate(Rational.Zero, (sum, share) => sum + share);
        var waiting = Enumerable.Range(0, lines.Length).Where(i => exact[i] > shares[i]).ToList();

        RaiseTogether(BySort);
        RaiseTogether(BySortAndFacts);
        Spread(BySortAndFacts);
        return [.. shares];

        (int, string, int) BySort(int i) => (lines[i].Weight, lines[i].Sort, 0);
        (int, string, int) BySortAndFacts(int i) => (lines[i].Weight, lines[i].Sort, lines[i].Facts);

        List<IGrouping<(int, string, int), int>> InTurn(Func<int, (int, string, int)> together) =>
            [.. waiting.GroupBy(together).OrderByDescending(Remainder).ThenByDescending(Facts)];

        void RaiseTogether(Func<int, (int, string, int)> together)
        {
            foreach (var group in InTurn(together))
            {
                if (Step * group.Count() <= left)
                {
                    Raise([.. group]);
                }
            }
        }

        void Spread(Func<int, (int, string, int)> together)
        {
            if (left.IsZero || InTurn(together) is not [var last, ..])
            {
                return;
            }

            var places = last.Order().ToList();
            var count = Enumerable.Range(1, places.Count).First(steps => Step * steps >= left);
            Raise([.. places.Where((_, at) => (at + 1) * count / places.Count > at * count / places.Count)]);
        }

        void Raise(ImmutableArray<int> raised)
        {
            foreach (var i in raised)
            {
                var step = Rational.Min(left, Step);
                shares[i] += step;
                left -= step;
                waiting.Remove(i);
            }
        }

        Rational Remainder(IEnumerable<int> group) => exact[group.First()] - shares[group.First()];
        double Facts(IEnumerable<int> group) => group.Average(i => lines[i].Facts);
    }
}
