using BlueSlate.Core.Marking;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

public sealed class SharingOutTests
{
    [Fact]
    public void Answers_go_in_turn_to_those_who_have_as_few() => SharingOut.Evenly(5, [0, 0]).ShouldBe([0, 1, 0, 1, 0]);

    [Fact]
    public void Who_has_fewer_already_gets_more() => SharingOut.Evenly(4, [3, 0]).ShouldBe([1, 1, 1, 0]);

    [Fact]
    public void With_nobody_to_give_to_nothing_is_given() => Should.Throw<ArgumentException>(() => SharingOut.Evenly(1, []));

    [Fact]
    public void Nobody_who_got_one_has_two_more_than_anybody() =>
        Gen.Select(Gen.Int[0, 200], Gen.Int[0, 40].Array[1, 6])
            .Sample(
                (answers, load) =>
                {
                    var shares = SharingOut.Evenly(answers, load);
                    shares.Length.ShouldBe(answers);
                    var all = load.Select((so, at) => so + shares.Count(share => share == at)).ToArray();
                    foreach (var got in shares.Distinct())
                    {
                        (all[got] - all.Min()).ShouldBeLessThanOrEqualTo(1);
                    }
                }
            );
}
