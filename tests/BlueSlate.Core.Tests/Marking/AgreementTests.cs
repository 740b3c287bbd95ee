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
    public void A_marking_agrees_with_itself() =>
        Agreement.Of([Marks(2, 1)], [Marks(2, 1)]).ShouldBe(new Agreement(1, 0, 0, 2, 2));

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
