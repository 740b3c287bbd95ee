using BlueSlate.Core.Marking;
using BlueSlate.Core.Sitting;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Sitting;

public sealed class LateRuleTests
{
    private static readonly DateTimeOffset Due = new(2031, 3, 7, 12, 0, 0, TimeSpan.Zero);

    [Theory]
    [InlineData(0, 0)]
    [InlineData(1, 4)]
    [InlineData(1440, 4)]
    [InlineData(1441, 8)]
    [InlineData(5 * 1440, 20)]
    [InlineData(9 * 1440, 20)]
    public void Each_day_begun_costs_a_share_up_to_the_most(int minutes, int lost) =>
        new LateRule(10, LatePeriod.Day, Most: 50).Of(40, minutes).ShouldBe(lost);

    [Fact]
    public void Minutes_of_grace_cost_nothing_and_count_once_they_are_over()
    {
        var rule = new LateRule(5, LatePeriod.Hour, Grace: 10);
        rule.Of(20, 10).ShouldBe(Rational.Zero);
        rule.Of(20, 11).ShouldBe(1);
        rule.Of(20, 61).ShouldBe(2);
    }

    [Fact]
    public void It_is_told_with_what_it_came_to()
    {
        new LateRule(10, LatePeriod.Day, Most: 50)
            .Why(1500)
            .ShouldBe("Handed in late, 2 days begun: 10 % of the marks for each.");
        new LateRule(20, LatePeriod.Hour, Most: 50)
            .Why(200)
            .ShouldBe("Handed in late, 4 hours begun: 20 % of the marks for each, 50 % at the most.");
        new LateRule(5, LatePeriod.Hour, Grace: 1).Said.ShouldBe(
            "5 % of the marks for each hour begun, after 1 minute that cost nothing"
        );
    }

    [Fact]
    public void Later_never_costs_less_and_nothing_costs_more_than_the_most() =>
        Gen.Select(Gen.Int[1, 100], Gen.Int[0, 100], Gen.Bool, Gen.Int[0, 1440], Gen.Int[0, 20000], Gen.Int[1, 60])
            .Sample(
                (percent, more, hourly, grace, late, maximum) =>
                {
                    var rule = new LateRule(
                        percent,
                        hourly ? LatePeriod.Hour : LatePeriod.Day,
                        Math.Min(100, percent + more),
                        grace
                    );
                    rule.Problem.ShouldBeNull();
                    rule.Of(maximum, late).ShouldBeLessThanOrEqualTo(rule.Of(maximum, late + 1));
                    rule.Of(maximum, late).ShouldBeInRange(0, maximum * new Rational(rule.Most, 100));
                }
            );

    [Theory]
    [InlineData(0, 100, 0, "late-percent")]
    [InlineData(101, 101, 0, "late-percent")]
    [InlineData(20, 10, 0, "late-most")]
    [InlineData(20, 120, 0, "late-most")]
    [InlineData(20, 60, -1, "late-grace")]
    [InlineData(20, 60, 1441, "late-grace")]
    public void What_makes_no_sense_is_refused(int percent, int most, int grace, string code) =>
        new LateRule(percent, LatePeriod.Day, most, grace).Problem!.Value.Code.ShouldBe(code);

    [Fact]
    public void How_late_something_is_counts_the_minute_begun()
    {
        var times = new SittingTimes(null, Due, null, null);
        times.LateBy(Due).ShouldBe(0);
        times.LateBy(Due.AddSeconds(1)).ShouldBe(1);
        times.LateBy(Due.AddMinutes(90)).ShouldBe(90);
        times.For(new OwnTime(null, 60)).LateBy(Due.AddMinutes(90)).ShouldBe(30);
        (times with { DueAt = null }).LateBy(Due).ShouldBe(0);
    }
}
