using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Populations;
using Shouldly;

namespace BlueSlate.Core.Tests.Populations;

/// <summary>The judge of the examples, by populations written down by hand.</summary>
public sealed class PopulationRulesTests
{
    private static readonly ConceptModel Cafe = Exercise
        .Read(
            new Sketch()
                .Box("Visit", "PK visit no", "o remark")
                .Box("Item", "PK item no")
                .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
                .ToDrawing()
        )
        .Model;

    [Fact]
    public void A_visit_with_its_items_is_allowed() => Broken([Visit(0), Item(1), Item(2)], [(0, 1), (0, 2)]).ShouldBeEmpty();

    [Fact]
    public void A_visit_without_items_breaks_the_least() => Broken([Visit(0)], []).ShouldBe([PopulationRule.Least]);

    [Fact]
    public void An_item_of_two_visits_breaks_the_most() =>
        Broken([Visit(0), Visit(1), Item(2)], [(0, 2), (1, 2)]).ShouldBe([PopulationRule.Most]);

    [Fact]
    public void Two_visits_of_one_number_are_not_told_apart() =>
        Broken([Visit(0), With(Visit(1), "visit no", 0), Item(2), Item(3)], [(0, 2), (1, 3)]).ShouldBe([PopulationRule.Unique]);

    [Fact]
    public void Only_what_is_optional_may_be_without_a_value()
    {
        Broken([With(Visit(0), "remark"), Item(1)], [(0, 1)]).ShouldBeEmpty();
        Broken([With(Visit(0), "visit no"), Item(1)], [(0, 1)]).ShouldBe([PopulationRule.SomeValue]);
    }

    [Fact]
    public void A_second_value_needs_an_attribute_of_several() =>
        Broken([With(Visit(0), "visit no", 7, 8), Item(1)], [(0, 1)]).ShouldBe([PopulationRule.OneValue]);

    [Fact]
    public void A_tie_holds_things_of_the_right_kinds() =>
        Broken([Item(0), Visit(1)], [(0, 1)]).ShouldContain(PopulationRule.Membership);

    private static Thing Visit(int number) => Of("Visit", number);

    private static Thing Item(int number) => Of("Item", number);

    private static Thing Of(string entity, int number) =>
        new(
            number,
            [Cafe.Entities.First(candidate => candidate.Name == entity).Id],
            ImmutableDictionary<string, ImmutableArray<int>>.Empty
        );

    private static Thing With(Thing thing, string attribute, params ImmutableArray<int> values) =>
        thing with
        {
            Values = thing.Values.Add(
                Cafe.Entities.SelectMany(entity => entity.Attributes).First(candidate => candidate.Name == attribute).Id,
                values
            ),
        };

    private static List<PopulationRule> Broken(ImmutableArray<Thing> things, ImmutableArray<(int From, int To)> ties) =>
        [
            .. PopulationRules
                .Broken(
                    Cafe,
                    new Population(things, [.. ties.Select(tie => new Bond(Cafe.Relationships[0].Id, [tie.From, tie.To]))])
                )
                .Select(broken => broken.Rule),
        ];
}
