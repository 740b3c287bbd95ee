using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Populations;
using Shouldly;

namespace BlueSlate.Core.Tests.Populations;

/// <summary>
/// The judge of the examples on what a sketch cannot say shortly: keys over relationships, three and more, sets, unions,
/// exclusion.
/// </summary>
public sealed class StatedRulesTests
{
    private static readonly Count Any = new(0, Count.Many);
    private static readonly Count One = new(1, 1);

    [Fact]
    public void A_key_of_an_own_part_and_an_owner_tells_apart_by_both()
    {
        var model = Model([Entity("visit"), Weak("item", "no", "r")], [Binary("r", "visit", One, "item", Any)]);

        Broken(model, [Of(0, "visit"), Numbered(1, "item", "no", 1), Numbered(2, "item", "no", 2)], ("r", [0, 1]), ("r", [0, 2]))
            .ShouldBeEmpty();
        Broken(model, [Of(0, "visit"), Numbered(1, "item", "no", 1), Numbered(2, "item", "no", 1)], ("r", [0, 1]), ("r", [0, 2]))
            .ShouldBe([PopulationRule.Unique]);
        Broken(
                model,
                [Of(0, "visit"), Of(1, "visit"), Numbered(2, "item", "no", 1), Numbered(3, "item", "no", 1)],
                ("r", [0, 2]),
                ("r", [1, 3])
            )
            .ShouldBeEmpty();
    }

    [Fact]
    public void What_lacks_a_piece_of_its_key_is_told_apart_by_nothing_and_clashes_with_nothing()
    {
        var model = Model([Entity("visit"), Weak("item", "no", "r")], [Binary("r", "visit", new Count(0, 1), "item", Any)]);

        Broken(model, [Numbered(0, "item", "no", 1), Numbered(1, "item", "no", 1)]).ShouldBeEmpty();
    }

    [Fact]
    public void A_minimum_of_two_is_broken_by_one_and_by_none()
    {
        var model = Model([Entity("team"), Entity("rower")], [Binary("r", "team", Any, "rower", new Count(2, 4))]);

        Broken(model, [Of(0, "team"), Of(1, "rower"), Of(2, "rower")], ("r", [0, 1]), ("r", [0, 2])).ShouldBeEmpty();
        Broken(model, [Of(0, "team"), Of(1, "rower")], ("r", [0, 1])).ShouldBe([PopulationRule.Least]);
        Broken(model, [Of(0, "team")]).ShouldBe([PopulationRule.Least]);
        Broken(
                model,
                [Of(0, "team"), .. Enumerable.Range(1, 5).Select(i => Of(i, "rower"))],
                [.. Enumerable.Range(1, 5).Select(i => ("r", new[] { 0, i }))]
            )
            .ShouldBe([PopulationRule.Most]);
    }

    [Fact]
    public void The_same_two_tied_twice_count_as_one()
    {
        var model = Model([Entity("team"), Entity("rower")], [Binary("r", "team", Any, "rower", new Count(0, 1))]);

        Broken(model, [Of(0, "team"), Of(1, "rower")], ("r", [0, 1]), ("r", [0, 1])).ShouldBeEmpty();
    }

    [Fact]
    public void What_is_not_said_forbids_nothing()
    {
        var model = Model(
            [Entity("team"), Entity("rower")],
            [Binary("r", "team", new Count(null, null), "rower", new Count(null, null))]
        );

        Broken(model, [Of(0, "team"), Of(1, "rower"), Of(2, "rower")], ("r", [0, 1]), ("r", [0, 2])).ShouldBeEmpty();
        Broken(model, [Of(0, "team")]).ShouldBeEmpty();
    }

    [Fact]
    public void Of_three_the_most_at_one_role_is_for_each_pair_of_the_others()
    {
        var model = Model([Entity("rower"), Entity("boat"), Entity("river")], [Ternary("t", One with { Min = 0 }, Any)]);

        Broken(model, [Of(0, "rower"), Of(1, "boat"), Of(2, "river"), Of(3, "river")], ("t", [0, 1, 2]), ("t", [0, 1, 3]))
            .ShouldBeEmpty();
        Broken(model, [Of(0, "rower"), Of(1, "rower"), Of(2, "boat"), Of(3, "river")], ("t", [0, 2, 3]), ("t", [1, 2, 3]))
            .ShouldBe([PopulationRule.Most]);
    }

    [Fact]
    public void Of_three_each_takes_part_as_often_as_is_said()
    {
        var model = Model([Entity("rower"), Entity("boat"), Entity("river")], [Ternary("t", Any, new Count(1, 2))]);

        Broken(model, [Of(0, "rower"), Of(1, "boat"), Of(2, "river")], ("t", [0, 1, 2])).ShouldBeEmpty();
        Broken(model, [Of(0, "rower")]).ShouldBe([PopulationRule.Least]);
        Broken(
                model,
                [Of(0, "rower"), Of(1, "boat"), Of(2, "river"), Of(3, "river"), Of(4, "river")],
                ("t", [0, 1, 2]),
                ("t", [0, 1, 3]),
                ("t", [0, 1, 4])
            )
            .ShouldBe([PopulationRule.Most]);
    }

    [Theory]
    [InlineData(true, true, new[] { "a", "b" }, PopulationRule.Disjoint)]
    [InlineData(true, true, new string[0], PopulationRule.Total)]
    [InlineData(false, true, new[] { "a", "b" }, null)]
    [InlineData(true, false, new string[0], null)]
    [InlineData(true, true, new[] { "a" }, null)]
    public void Subtypes_are_disjoint_and_total_where_that_is_said(
        bool disjoint,
        bool total,
        string[] subtypes,
        PopulationRule? broken
    )
    {
        var model = Model([Entity("person"), Entity("a"), Entity("b")], []) with
        {
            Specialisations =
            [
                new Specialisation("s", "person", [new SubtypeLink("la", "a"), new SubtypeLink("lb", "b")], disjoint, total, ""),
            ],
        };

        Broken(model, [Of(0, ["person", .. subtypes])]).ShouldBe(broken is { } rule ? [rule] : []);
    }

    [Fact]
    public void A_subtype_without_its_supertype_is_no_member()
    {
        var model = Model([Entity("person"), Entity("a")], []) with
        {
            Specialisations = [new Specialisation("s", "person", [new SubtypeLink("la", "a")], null, null, "")],
        };

        Broken(model, [Of(0, "a")]).ShouldBe([PopulationRule.Membership]);
        Broken(model, [Of(0, "person")]).ShouldBeEmpty();
    }

    [Fact]
    public void What_is_abstract_has_no_instance_of_its_own()
    {
        var model = Model([Entity("person") with { Abstract = true }, Entity("a")], []) with
        {
            Specialisations = [new Specialisation("s", "person", [new SubtypeLink("la", "a")], null, null, "")],
        };

        Broken(model, [Of(0, "person")]).ShouldBe([PopulationRule.Membership]);
        Broken(model, [Of(0, "person", "a")]).ShouldBeEmpty();
    }

    [Fact]
    public void A_member_of_a_category_is_one_of_its_supertypes()
    {
        var model = Model([Entity("owner"), Entity("person"), Entity("club")], []) with
        {
            Unions = [new UnionType("u", "owner", [new SubtypeLink("l1", "person"), new SubtypeLink("l2", "club")], null)],
        };

        Broken(model, [Of(0, "owner", "club")]).ShouldBeEmpty();
        Broken(model, [Of(0, "owner")]).ShouldBe([PopulationRule.Membership]);
    }

    [Fact]
    public void Of_relationships_that_exclude_each_other_a_thing_takes_part_in_one()
    {
        var model = Model(
            [Entity("visit"), Entity("item"), Entity("lesson")],
            [Binary("r", "visit", Any, "item", Any), Binary("s", "visit", Any, "lesson", Any)]
        ) with
        {
            Exclusions = [new ExclusiveConstraint("x", ["r", "s"])],
        };

        Broken(model, [Of(0, "visit"), Of(1, "item"), Of(2, "visit"), Of(3, "lesson")], ("r", [0, 1]), ("s", [2, 3]))
            .ShouldBeEmpty();
        Broken(model, [Of(0, "visit"), Of(1, "item"), Of(2, "lesson")], ("r", [0, 1]), ("s", [0, 2]))
            .ShouldBe([PopulationRule.Exclusive]);
    }

    [Fact]
    public void A_dependency_between_classes_says_nothing_of_instances()
    {
        var model = Model(
            [Entity("a"), Entity("b")],
            [Binary("r", "a", One, "b", One) with { Kind = RelationshipKind.Dependency }]
        );

        Broken(model, [Of(0, "a")]).ShouldBeEmpty();
    }

    private static ConceptModel Model(ImmutableArray<EntityType> entities, ImmutableArray<RelationshipType> relationships) =>
        new(entities, relationships);

    private static EntityType Entity(string id) => new(id, id, EntityKind.Strong, [], []);

    private static EntityType Weak(string id, string number, string along) =>
        new(
            id,
            id,
            EntityKind.Weak,
            [ConceptAttribute.Plain(number, number)],
            [new Identifier(IdentifierKind.Primary, 0, true, [number], [along])]
        );

    private static RelationshipType Binary(string id, string first, Count atFirst, string second, Count atSecond) =>
        new(
            id,
            "",
            [
                new RelationshipRole($"{id}1", first, "", "", atFirst, atSecond),
                new RelationshipRole($"{id}2", second, "", "", atSecond, atFirst),
            ],
            null,
            null
        );

    private static RelationshipType Ternary(string id, Count rowers, Count rowersTakePart) =>
        new(
            id,
            "takes out",
            [
                new RelationshipRole($"{id}1", "rower", "", "", rowers, rowersTakePart),
                new RelationshipRole($"{id}2", "boat", "", "", Any, Any),
                new RelationshipRole($"{id}3", "river", "", "", Any, Any),
            ],
            null,
            null
        );

    private static Thing Of(int number, params ImmutableArray<string> types) => new(number, types, Thing.Unlisted);

    private static Thing Numbered(int number, string type, string attribute, int value) =>
        new(number, [type], Thing.Unlisted.Add(attribute, [value]));

    private static List<PopulationRule> Broken(
        ConceptModel model,
        ImmutableArray<Thing> things,
        params ImmutableArray<(string Along, int[] Players)> ties
    ) =>
        [
            .. PopulationRules
                .Broken(model, new Population(things, [.. ties.Select(tie => new Bond(tie.Along, [.. tie.Players]))]))
                .Select(broken => broken.Rule)
                .Distinct(),
        ];
}
