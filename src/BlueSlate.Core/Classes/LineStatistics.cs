using System.Collections.Immutable;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Classes;

/// <summary>
/// How the lines of a scheme did in a class. How well a line tells strong answers from weak ones is its correlation with what the same
/// answers earned by all other lines: S. Henrysson, Correction of item-total correlations in item analysis, Psychometrika 28 (1963).
/// </summary>
public static class LineStatistics
{
    /// <summary>Below so many answers a correlation says nothing.</summary>
    public const int Fewest = 30;

    private const double NoSpread = 1e-9;

    /// <summary>A count for every line of the scheme.</summary>
    public static ImmutableArray<LineCount> Of(MarkingScheme scheme, IReadOnlyList<AnswerDigest> answers)
    {
        var earned = answers
            .Select(answer => answer.Lines.ToDictionary(line => line.Id, line => line.Earned, StringComparer.Ordinal))
            .ToList();
        var sums = earned.Select(lines => lines.Values.Sum(marks => (double)marks)).ToList();
        return [.. scheme.Lines.Select(line => Of(line, earned, sums))];
    }

    private static LineCount Of(MarkLine line, List<Dictionary<string, Rational>> earned, List<double> sums)
    {
        var (all, lost, own, rest) = (Rational.Zero, new List<int>(), new List<double>(), new List<double>());
        for (var at = 0; at < earned.Count; at++)
        {
            var marks = earned[at].GetValueOrDefault(line.Id);
            all += marks;
            own.Add((double)marks);
            rest.Add(sums[at] - own[at]);
            if (marks < line.Marks)
            {
                lost.Add(at);
            }
        }

        return new LineCount(
            line,
            earned.Count == 0 || line.Marks.IsZero ? Rational.Zero : all / (line.Marks * earned.Count),
            [.. lost],
            earned.Count < Fewest ? null : Correlation(own, rest)
        );
    }

    /// <summary>Pearson's coefficient of two rows of numbers of one length; null where one of them is the same throughout.</summary>
    internal static double? Correlation(IReadOnlyList<double> a, IReadOnlyList<double> b)
    {
        var (meanA, meanB) = (a.Average(), b.Average());
        var (ofA, ofB, both) = (0.0, 0.0, 0.0);
        for (var at = 0; at < a.Count; at++)
        {
            var (x, y) = (a[at] - meanA, b[at] - meanB);
            (ofA, ofB, both) = (ofA + x * x, ofB + y * y, both + x * y);
        }

        return ofA < NoSpread || ofB < NoSpread ? null : both / Math.Sqrt(ofA * ofB);
    }
}
