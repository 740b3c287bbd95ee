using BlueSlate.Core.Marking;
using BlueSlate.Core.Sitting;
using Shouldly;

namespace BlueSlate.Core.Tests.Sitting;

/// <summary>How often an exercise is sat, and which attempt counts.</summary>
public sealed class AttemptRuleTests
{
    [Theory]
    [InlineData(1, 0, true)]
    [InlineData(1, 1, false)]
    [InlineData(3, 2, true)]
    [InlineData(3, 3, false)]
    [InlineData(null, 99, true)]
    public void So_many_attempts_are_allowed(int? most, int begun, bool another) =>
        new AttemptRule(most, false).Allows(begun).ShouldBe(another);

    // Totals are written as text; a dot stands for what is not checked yet.
    [Theory]
    [InlineData("4 9 7", 1, 2)]
    [InlineData("4 9 9", 2, 2)]
    [InlineData("9 4", 0, 1)]
    [InlineData("4 .", 0, 1)]
    [InlineData(". 4", 1, 1)]
    [InlineData(". .", 1, 1)]
    [InlineData("5", 0, 0)]
    [InlineData("7/2 10/3", 0, 1)]
    public void The_best_or_the_last_counts(string totals, int best, int last)
    {
        Rational?[] read =
        [
            .. totals.Split(' ').Select(total => Rational.TryParse(total, out var marks) ? marks : (Rational?)null),
        ];
        new AttemptRule(null, true).Counting(read).ShouldBe(best);
        new AttemptRule(null, false).Counting(read).ShouldBe(last);
    }

    [Fact]
    public void Without_an_attempt_none_counts() =>
        Should.Throw<ArgumentException>(() => new AttemptRule(null, true).Counting([]));

    [Theory]
    [InlineData(0, true)]
    [InlineData(21, true)]
    [InlineData(20, false)]
    [InlineData(null, false)]
    public void A_number_of_attempts_that_makes_no_sense_is_told(int? most, bool told) =>
        new AttemptRule(most, false).Problem.HasValue.ShouldBe(told);
}
