using BlueSlate.Core.Sitting;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Sitting;

/// <summary>From when until when an exercise is sat, for everybody and for one student.</summary>
public sealed class SittingTimesTests
{
    private static readonly DateTimeOffset Nine = new(2030, 5, 6, 9, 0, 0, TimeSpan.Zero);

    private static readonly SittingTimes Examination = new(Nine, Nine.AddMinutes(60), Nine.AddMinutes(60), 45);

    private static readonly OwnTime NoneOfOnesOwn = new(null, 0);

    [Fact]
    public void Whoever_starts_in_time_has_the_whole_clock_and_whoever_starts_late_has_until_the_closing()
    {
        Examination.EndOf(Nine.AddMinutes(5)).ShouldBe(Nine.AddMinutes(50));
        Examination.EndOf(Nine.AddMinutes(30)).ShouldBe(Nine.AddMinutes(60));
        (Examination with { Minutes = null }).EndOf(Nine).ShouldBe(Nine.AddMinutes(60));
        (Examination with { ClosesAt = null }).EndOf(Nine.AddMinutes(30)).ShouldBe(Nine.AddMinutes(75));
        new SittingTimes(null, null, null, null).EndOf(Nine).ShouldBeNull();
    }

    [Fact]
    public void It_is_open_from_its_opening_until_its_closing()
    {
        Examination.At(Nine.AddTicks(-1)).ShouldBe(Openness.NotYet);
        Examination.At(Nine).ShouldBe(Openness.Open);
        Examination.At(Nine.AddMinutes(60).AddTicks(-1)).ShouldBe(Openness.Open);
        Examination.At(Nine.AddMinutes(60)).ShouldBe(Openness.Closed);
    }

    [Fact]
    public void Extra_minutes_go_past_the_closing_hour()
    {
        var own = Examination.For(new OwnTime(null, 15));
        own.EndOf(Nine.AddMinutes(5)).ShouldBe(Nine.AddMinutes(65));
        own.EndOf(Nine.AddMinutes(30)).ShouldBe(Nine.AddMinutes(75));
        own.IsLate(Nine.AddMinutes(75)).ShouldBeFalse();
        own.IsLate(Nine.AddMinutes(75).AddTicks(1)).ShouldBeTrue();
    }

    [Fact]
    public void A_time_of_ones_own_is_a_due_time_and_never_an_earlier_one()
    {
        Examination.For(new OwnTime(Nine.AddDays(1), 0)).DueAt.ShouldBe(Nine.AddDays(1));
        Examination.For(new OwnTime(Nine, 0)).DueAt.ShouldBe(Nine.AddMinutes(60));
        (Examination with { DueAt = null }).For(new OwnTime(Nine.AddDays(1), 0)).DueAt.ShouldBeNull();
    }

    [Fact]
    public void Nobody_is_worse_off_by_time_of_their_own()
    {
        var minutes = Gen.Int[-120, 240];
        var moment = Gen.OneOf(minutes.Select(at => (DateTimeOffset?)Nine.AddMinutes(at)), Gen.Const((DateTimeOffset?)null));
        var limit = Gen.OneOf(Gen.Int[1, 180].Select(at => (int?)at), Gen.Const((int?)null));
        Gen.Select(moment, moment, limit, moment, Gen.Int[0, 60], minutes)
            .Sample(
                (due, closes, clock, until, extra, start) =>
                {
                    var everybody = new SittingTimes(null, due, closes, clock);
                    var one = everybody.For(new OwnTime(until, extra));
                    var at = Nine.AddMinutes(start);
                    var end = one.EndOf(at);
                    (end ?? DateTimeOffset.MaxValue).ShouldBeGreaterThanOrEqualTo(everybody.EndOf(at) ?? DateTimeOffset.MaxValue);
                    (end is null).ShouldBe(everybody.EndOf(at) is null);
                    if (one.IsLate(at))
                    {
                        everybody.IsLate(at).ShouldBeTrue();
                    }

                    // Whatever the clock of one student, it is longer by exactly the extra minutes where nothing closes.
                    (everybody with { ClosesAt = null })
                        .For(new OwnTime(until, extra))
                        .EndOf(at)
                        .ShouldBe(clock is null ? null : at.AddMinutes(clock.Value + extra));
                    everybody.For(NoneOfOnesOwn).ShouldBe(everybody);
                }
            );
    }

    [Fact]
    public void Times_that_are_out_of_order_are_told_by_their_field()
    {
        Examination.Problems().ShouldBeEmpty();
        (Examination with { DueAt = Nine }).Problems().ShouldContain(problem => problem.Property == "dueAt");
        (Examination with { ClosesAt = Nine, DueAt = null }).Problems().ShouldContain(problem => problem.Property == "closesAt");
        (Examination with { ClosesAt = Nine.AddMinutes(59) }).Problems().ShouldContain(problem => problem.Property == "closesAt");
    }
}
