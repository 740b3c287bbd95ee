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
    private const int FewestForCorrelation = 3;

    /// <summary>
    /// The intraclass correlation of the totals, for single markings and absolute agreement, ICC(2,1) of Shrout and Fleiss (Psychological
    /// Bulletin 86, 1979): 1 where both always give the same. Null for fewer than three answers, or where no total differs from another.
    /// </summary>
    public double? Intraclass { get; private init; }

    /// <summary>The agreement on every line that both marked, in the lines' order by id.</summary>
    public ImmutableArray<LineAgreement> ByLine { get; private init; } = [];

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
        return new Agreement(one.Count, sum / one.Count, largest, same, one.Sum(marks => marks.Count))
        {
            Intraclass = IntraclassOf([
                .. one.Zip(other).Select(pair => ((double)Total(pair.First), (double)Total(pair.Second))),
            ]),
            ByLine =
            [
                .. one.SelectMany(marks => marks.Keys)
                    .Distinct(StringComparer.Ordinal)
                    .Order(StringComparer.Ordinal)
                    .Select(line =>
                        LineAgreement.Of(
                            line,
                            [
                                .. one.Zip(other)
                                    .Where(pair => pair.First.ContainsKey(line))
                                    .Select(pair => (pair.First[line], pair.Second[line])),
                            ]
                        )
                    ),
            ],
        };
    }

    // A two-way analysis of variance: answers, markers, and what is left.
    private static double? IntraclassOf(IReadOnlyList<(double One, double Other)> totals)
    {
        const int Markers = 2;
        var n = totals.Count;
        if (n < FewestForCorrelation)
        {
            return null;
        }

        var mean = totals.Average(pair => (pair.One + pair.Other) / Markers);
        var answers = totals.Sum(pair => Markers * Math.Pow(((pair.One + pair.Other) / Markers) - mean, 2)) / (n - 1);
        var (first, second) = (totals.Average(pair => pair.One), totals.Average(pair => pair.Other));
        var markers = n * (Math.Pow(first - mean, 2) + Math.Pow(second - mean, 2));
        var all = totals.Sum(pair => Math.Pow(pair.One - mean, 2) + Math.Pow(pair.Other - mean, 2));
        var left = (all - (answers * (n - 1)) - markers) / (n - 1);
        var spread = answers + ((Markers - 1) * left) + (Markers * (markers - left) / n);
        return spread < 1e-12 ? null : (answers - left) / spread;
    }

    private static Rational Total(ImmutableSortedDictionary<string, Rational> marks) =>
        marks.Values.Aggregate(Rational.Zero, (sum, mark) => sum + mark);

    private static Rational Apart(Rational a, Rational b) => a > b ? a - b : b - a;
}

/// <summary>How far two people agree on one line of the scheme.</summary>
/// <param name="Line">The line, by id.</param>
/// <param name="Same">How many answers both gave the same there.</param>
/// <param name="Answers">Of how many.</param>
/// <param name="Kappa">
/// Agreement beyond chance with squared weights, since marks are more or less apart (Cohen, Psychological Bulletin 70, 1968): 1 where both
/// always give the same, 0 where they agree as often as chance would. Null where both give one and the same mark throughout.
/// </param>
public sealed record LineAgreement(string Line, int Same, int Answers, double? Kappa)
{
    internal static LineAgreement Of(string line, IReadOnlyList<(Rational One, Rational Other)> marks)
    {
        var seen = marks.Average(pair => Apart(pair.One, pair.Other));
        var byChance = marks.Average(one => marks.Average(other => Apart(one.One, other.Other)));
        return new LineAgreement(
            line,
            marks.Count(pair => pair.One == pair.Other),
            marks.Count,
            byChance < 1e-12 ? null : 1 - (seen / byChance)
        );
    }

    private static double Apart(Rational one, Rational other) => Math.Pow((double)(one - other), 2);
}
