using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Concepts;

/// <summary>Every spelling of a multiplicity in use, and nothing else.</summary>
public sealed class MultiplicityTests
{
    [Theory]
    [InlineData("0..1", 0, 1)]
    [InlineData("0,1", 0, 1)]
    [InlineData("0-1", 0, 1)]
    [InlineData("1", 1, 1)]
    [InlineData("*", 0, Count.Many)]
    [InlineData("n", 0, Count.Many)]
    [InlineData("M", 0, Count.Many)]
    [InlineData("0..*", 0, Count.Many)]
    [InlineData("1..n", 1, Count.Many)]
    [InlineData("1+", 1, Count.Many)]
    [InlineData("(1,n)", 1, Count.Many)]
    [InlineData(" 2 .. 4 ", 2, 4)]
    [InlineData("3...10", 3, 10)]
    public void Spellings(string text, int min, int max)
    {
        Multiplicity.TryRead(text, out var count).ShouldBeTrue();
        count.ShouldBe(new Count(min, max));
    }

    [Theory]
    [InlineData("")]
    [InlineData("some")]
    [InlineData("10..3")]
    [InlineData("*..1")]
    [InlineData("-1")]
    [InlineData("1,2,3")]
    [InlineData("99999999999")]
    public void What_is_no_multiplicity(string text) => Multiplicity.TryRead(text, out _).ShouldBeFalse();

    [Fact]
    public void Any_text_is_answered() =>
        Gen.String.Sample(text => Multiplicity.TryRead(text, out var count) || count == Count.Unsaid);

    [Fact]
    public void Any_pair_in_order_is_read_back() =>
        Gen.Select(Gen.Int[0, 99], Gen.Int[0, 99])
            .Sample(
                (a, b) =>
                {
                    Multiplicity.TryRead($"{a}..{b}", out var count).ShouldBe(a <= b);
                    return a > b || count == new Count(a, b);
                }
            );
}
