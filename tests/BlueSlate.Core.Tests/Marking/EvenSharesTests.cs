using System.Collections.Immutable;
using BlueSlate.Core.Marking;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

public sealed class EvenSharesTests
{
    [Fact]
    public void Lines_of_a_sort_are_worth_the_same()
    {
        var lines = Enumerable.Range(0, 12).Select(i => new ShareOfLine(i % 2 == 0 ? "entity" : "key", 2, 1)).ToImmutableArray();
        // 24 half steps over 12 lines leave 9 half steps: enough for all lines of one sort.
        var shares = EvenShares.Of(new Rational(33, 2), lines);
        shares.Where((_, i) => i % 2 == 0).Distinct().ShouldHaveSingleItem();
        shares.Aggregate(Rational.Zero, (sum, share) => sum + share).ShouldBe(new Rational(33, 2));
    }

    [Fact]
    public void What_remains_goes_to_lines_that_ask_for_more()
    {
        var shares = EvenShares.Of(new Rational(7, 2), [Attributes(1), Attributes(5), Attributes(1)]);
        shares.ShouldBe([1, new Rational(3, 2), 1], "no whole step is left for all three");
        static ShareOfLine Attributes(int facts) => new("attributes", 2, facts);
    }

    [Fact]
    public void What_is_too_little_for_all_alike_is_not_the_first_ones()
    {
        var shares = EvenShares.Of(6, [.. Enumerable.Repeat(new ShareOfLine("entity", 2, 1), 10)]);
        shares.Count(share => share == 1).ShouldBe(2);
        shares[..5].ShouldContain(1);
        shares[5..].ShouldContain(1);
    }

    [Fact]
    public void Nothing_is_lost_and_no_line_is_a_step_from_its_share()
    {
        var line = Gen.Select(Gen.Int[0, 2].Select(at => $"sort {at}"), Gen.Int[1, 3], Gen.Int[1, 6], (sort, weight, facts) =>
            new ShareOfLine(sort, weight, facts)
        );
        Gen.Select(line.Array[1, 40], Gen.Int[0, 400]).Sample((lines, quarters) => Check([.. lines], new Rational(quarters, 4)));
    }

    private static void Check(ImmutableArray<ShareOfLine> lines, Rational marks)
    {
        var shares = EvenShares.Of(marks, lines);
        var total = lines.Sum(one => one.Weight);
        shares.Aggregate(Rational.Zero, (sum, share) => sum + share).ShouldBe(marks);
        foreach (var (share, one) in shares.Zip(lines))
        {
            var exact = marks * new Rational(one.Weight, total);
            (share > exact - Rational.Half && share < exact + Rational.Half).ShouldBeTrue($"{share} for {exact}");
        }
    }
}
