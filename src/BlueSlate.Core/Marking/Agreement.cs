using System.Collections.Immutable;

namespace BlueSlate.Core.Marking;

/// <summary>How far two markings of the same answers agree.</summary>
/// <param name="Answers">How many answers both have marked.</param>
/// <param name="MeanDifference">The mean of the absolute differences between their totals, in marks.</param>
/// <param name="LargestDifference">The largest of them.</param>
/// <param name="SameLines">How many lines of the scheme, over all answers, both gave the same marks.</param>
/// <param name="Lines">How many lines that is of.</param>
public sealed record Agreement(int Answers, Rational MeanDifference, Rational LargestDifference, int SameLines, int Lines)
{
    /// <summary>
    /// The agreement of two markings, each the marks by line of the same answers in the same order; null of no answers.
    /// </summary>
    /// <exception cref="ArgumentException">They hold different answers or lines.</exception>
    public static Agreement? Of(
        IReadOnlyList<ImmutableSortedDictionary<string, Rational>> one,
        IReadOnlyList<ImmutableSortedDictionary<string, Rational>> other
    )
    {
        if (
            one.Count != other.Count
            || one.Zip(other).Any(pair => !pair.First.Keys.SequenceEqual(pair.Second.Keys, StringComparer.Ordinal))
        )
        {
            throw new ArgumentException("Two markings are compared over the same answers and lines.", nameof(other));
        }

        if (one.Count == 0)
        {
            return null;
        }

        var differences = one.Zip(other).Select(pair => Apart(Total(pair.First), Total(pair.Second))).ToList();
        var sum = differences.Aggregate(Rational.Zero, (sofar, difference) => sofar + difference);
        var largest = differences.Aggregate(Rational.Zero, Rational.Max);
        var same = one.Zip(other).Sum(pair => pair.First.Count(line => pair.Second[line.Key] == line.Value));
        return new Agreement(one.Count, sum / one.Count, largest, same, one.Sum(marks => marks.Count));
    }

    private static Rational Total(ImmutableSortedDictionary<string, Rational> marks) =>
        marks.Values.Aggregate(Rational.Zero, (sum, mark) => sum + mark);

    private static Rational Apart(Rational a, Rational b) => a > b ? a - b : b - a;
}
