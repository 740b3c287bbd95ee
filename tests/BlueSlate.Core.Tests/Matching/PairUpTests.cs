using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Matching;

/// <summary>Relationships between the same two entities: which stands for which, and what differs.</summary>
public sealed class PairUpTests
{
    [Fact]
    public void The_same_relationship_costs_nothing()
    {
        var side = Side(sketch => sketch.Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on"));
        var (pairs, cost) = PairUp(side, side);

        cost.ShouldBe(0);
        pairs.ShouldHaveSingleItem().Flipped.ShouldBeFalse();
    }

    [Fact]
    public void Drawn_from_the_other_end_it_is_the_same()
    {
        var model = Side(sketch => sketch.Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on"));
        var answer = Side(sketch => sketch.Line("Item", Ends.OneOrMore, "Visit", Ends.One, "comes in on", "brings in"));
        var (pairs, cost) = PairUp(model, answer);

        cost.ShouldBe(0, 1e-9);
        pairs.ShouldHaveSingleItem().Flipped.ShouldBeTrue();
    }

    [Fact]
    public void Two_relationships_are_told_apart_by_their_verbs_in_whatever_order_they_are_drawn()
    {
        var model = Side(sketch =>
            sketch
                .Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "brings in")
                .Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "takes home")
        );
        var answer = Side(sketch =>
            sketch
                .Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "takes home")
                .Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "brings in")
        );
        var (pairs, cost) = PairUp(model, answer);

        cost.ShouldBe(0, 1e-9);
        pairs.ShouldAllBe(pair => Verb(pair.Model) == Verb(pair.Answer));
        pairs.Count.ShouldBe(2);
    }

    [Fact]
    public void Without_verbs_two_are_told_apart_by_what_stands_at_their_ends()
    {
        var model = Side(sketch =>
            sketch.Line("Visit", Ends.One, "Item", Ends.OneOrMore).Line("Visit", Ends.ZeroOrOne, "Item", Ends.ZeroOrMore)
        );
        var answer = Side(sketch =>
            sketch.Line("Visit", Ends.ZeroOrOne, "Item", Ends.ZeroOrMore).Line("Visit", Ends.One, "Item", Ends.OneOrMore)
        );
        var (pairs, cost) = PairUp(model, answer);

        cost.ShouldBe(0, 1e-9);
        pairs.ShouldAllBe(pair => LinkComparer.SameEnds(pair.Model, pair.Answer, pair.Flipped));
    }

    [Fact]
    public void What_finds_no_partner_costs_as_missing_or_as_extra()
    {
        var one = Side(sketch => sketch.Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in"));
        var two = Side(sketch =>
            sketch
                .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
                .Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "takes home")
        );

        PairUp(two, one).Cost.ShouldBe(Costs.RelationshipMissing, 1e-9);
        PairUp(one, two).Cost.ShouldBe(Costs.RelationshipExtra, 1e-9);
    }

    [Fact]
    public void Each_value_at_an_end_that_differs_costs_by_itself()
    {
        var model = Side(sketch => sketch.Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in"));
        double Cost(string[] atItem) =>
            PairUp(model, Side(sketch => sketch.Line("Visit", Ends.One, "Item", atItem, "brings in"))).Cost;

        Cost(Ends.ZeroOrMore).ShouldBe(Costs.MinimumDiffers, 1e-9);
        Cost(Ends.One).ShouldBe(Costs.MaximumDiffers, 1e-9);
        Cost(Ends.ZeroOrOne).ShouldBe(Costs.MinimumDiffers + Costs.MaximumDiffers, 1e-9);
    }

    [Fact]
    public void Of_a_thing_with_itself_the_verbs_tell_which_end_is_which()
    {
        var model = Itself("mentors", "is mentored by");
        var turned = Itself("is mentored by", "mentors");

        PairUp(model, model).Cost.ShouldBe(0, 1e-9);
        PairUp(model, turned).Cost.ShouldBeGreaterThan(0);
        PairUp(model, Itself("is mentored by", "mentors", otherWay: true)).Cost.ShouldBe(0, 1e-9);
    }

    [Fact]
    public void Whatever_is_drawn_nobody_is_paired_twice_and_the_cost_is_no_less_than_nothing()
    {
        string[][] ends = [Ends.One, Ends.ZeroOrOne, Ends.OneOrMore, Ends.ZeroOrMore];
        string[] verbs = ["", "brings in", "takes home", "pays for"];
        var line = Gen.Select(Gen.Int[0, 3], Gen.Int[0, 3], Gen.Int[0, 3]);
        Gen.Select(line.Array[0, 4], line.Array[0, 4])
            .Sample(drawn =>
            {
                Side Drawn((int From, int To, int Verb)[] lines) =>
                    Side(sketch =>
                        lines.Aggregate(sketch, (sofar, one) =>
                            sofar.Line("Visit", ends[one.From], "Item", ends[one.To], verbs[one.Verb])
                        )
                    );
                var (pairs, cost) = PairUp(Drawn(drawn.Item1), Drawn(drawn.Item2));

                pairs.Select(pair => pair.Model).ShouldBeUnique();
                pairs.Select(pair => pair.Answer).ShouldBeUnique();
                pairs.Count.ShouldBe(Math.Min(drawn.Item1.Length, drawn.Item2.Length));
                cost.ShouldBeGreaterThanOrEqualTo(0);
            });
    }

    private static Side Side(Func<Sketch, Sketch> lines) =>
        new(
            Exercise.Read(lines(new Sketch().Box("Item", "PK item no").Box("Visit", "PK visit no")).ToDrawing()).Model,
            ExerciseWords.None
        );

    private static Side Itself(string there, string back, bool otherWay = false)
    {
        var (first, second) = otherWay ? (Ends.ZeroOrMore, Ends.ZeroOrOne) : (Ends.ZeroOrOne, Ends.ZeroOrMore);
        return new(
            Exercise
                .Read(new Sketch().Box("Fixer", "PK badge no").Line("Fixer", first, "Fixer", second, there, back).ToDrawing())
                .Model,
            ExerciseWords.None
        );
    }

    private static (List<(Link Model, Link Answer, bool Flipped)> Pairs, double Cost) PairUp(Side model, Side answer) =>
        new LinkComparer(model).PairUp([.. model.Links], [.. answer.Links], index => index);

    private static string Verb(Link link) => link.Relationship.Roles.Select(role => role.Verb).First(verb => verb.Length > 0);
}
