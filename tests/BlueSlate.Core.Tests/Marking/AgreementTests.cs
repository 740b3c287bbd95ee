using System.Collections.Immutable;
using BlueSlate.Core.Marking;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

/// <summary>How far two markings of the same answers agree.</summary>
public sealed class AgreementTests
{
    [Fact]
    public void Differences_are_between_totals_and_lines_are_counted_one_by_one()
    {
        var agreement = Agreement.Of([Marks(2, 1), Marks(0, 3)], [Marks(1, 2), Marks(0, 1)]).ShouldNotBeNull();

        // In the first answer the lines differ and the totals do not.
        agreement.Answers.ShouldBe(2);
        agreement.MeanDifference.ShouldBe(1);
        agreement.LargestDifference.ShouldBe(2);
        (agreement.SameLines, agreement.Lines).ShouldBe((1, 4));
    }

    [Fact]
    public void A_marking_agrees_with_itself()
    {
        ImmutableSortedDictionary<string, Rational>[] marks = [Marks(2, 1), Marks(0, 1), Marks(1, 1)];
        var agreement = Agreement.Of(marks, marks).ShouldNotBeNull();
        (agreement.MeanDifference, agreement.LargestDifference, agreement.SameLines, agreement.Lines).ShouldBe((0, 0, 6, 6));
        agreement.Intraclass!.Value.ShouldBe(1, 1e-9);

        // Of what is always the same nothing is known beyond chance.
        agreement.ByLine.ShouldBe([new LineAgreement("m0", 3, 3, 1), new LineAgreement("m1", 3, 3, null)]);
    }

    [Fact]
    public void The_intraclass_correlation_is_that_of_the_paper()
    {
        // The first two judges of the six targets in table 2 of Shrout and Fleiss; here residual by residual.
        int[] first = [9, 6, 8, 7, 10, 6];
        int[] second = [2, 1, 4, 1, 5, 2];
        var agreement = Agreement.Of([.. first.Select(mark => Marks(mark))], [.. second.Select(mark => Marks(mark))])!;
        var (n, k) = (6.0, 2.0);
        var means = first.Zip(second).Select(pair => (pair.First + pair.Second) / k).ToList();
        var mean = means.Average();
        var answers = k * means.Sum(one => (one - mean) * (one - mean)) / (n - 1);
        var markers = n * (Math.Pow(first.Average() - mean, 2) + Math.Pow(second.Average() - mean, 2));
        var residuals = first
            .Zip(second)
            .SelectMany(
                (pair, at) =>
                    new[] { pair.First - means[at] - first.Average() + mean, pair.Second - means[at] - second.Average() + mean }
            );
        var left = residuals.Sum(one => one * one) / (n - 1);
        agreement.Intraclass!.Value.ShouldBe((answers - left) / (answers + left + (k * (markers - left) / n)), 1e-9);
    }

    [Fact]
    public void Kappa_counts_how_far_marks_are_apart_beyond_chance()
    {
        // By hand: squared distances 0, 0, 1, 4 with a mean of 1.25; by chance 1.75.
        var line = Agreement.Of([Marks(0), Marks(2), Marks(1), Marks(2)], [Marks(0), Marks(2), Marks(2), Marks(0)])!.ByLine[0];
        (line.Same, line.Answers).ShouldBe((2, 4));
        line.Kappa!.Value.ShouldBe(1 - (1.25 / ByChance([0, 2, 1, 2], [0, 2, 2, 0])), 1e-9);
        ByChance([0, 2, 1, 2], [0, 2, 2, 0]).ShouldBe(1.75, 1e-9);
    }

    [Fact]
    public void Two_answers_are_too_few_for_a_correlation() =>
        Agreement.Of([Marks(1), Marks(2)], [Marks(1), Marks(2)])!.Intraclass.ShouldBeNull();

    private static double ByChance(int[] one, int[] other) =>
        one.SelectMany(a => other.Select(b => (double)((a - b) * (a - b)))).Average();

    [Fact]
    public void Of_no_answers_nothing_is_said() => Agreement.Of([], []).ShouldBeNull();

    [Fact]
    public void Markings_of_other_answers_or_lines_are_not_compared()
    {
        Should.Throw<ArgumentException>(() => Agreement.Of([Marks(1)], []));
        Should.Throw<ArgumentException>(() => Agreement.Of([Marks(1)], [Marks(1, 2)]));
    }

    private static ImmutableSortedDictionary<string, Rational> Marks(params int[] marks) =>
        marks
            .Select((mark, i) => (Line: $"m{i}", Mark: (Rational)mark))
            .ToImmutableSortedDictionary(pair => pair.Line, pair => pair.Mark, StringComparer.Ordinal);
}
