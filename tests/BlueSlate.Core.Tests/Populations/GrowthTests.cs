using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Populations;
using Shouldly;

namespace BlueSlate.Core.Tests.Populations;

/// <summary>A few things grown into a whole population: what is asked for comes along, and nothing besides.</summary>
public sealed class GrowthTests
{
    private static readonly ConceptModel Cafe = Exercise
        .Read(
            new Sketch()
                .Box("Visitor", "PK visitor no")
                .Box("Visit", "PK visit no")
                .Box("Item", "PK item no")
                .Box("Fixer", "PK badge no")
                .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
                .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
                .Line("Fixer", Ends.ZeroOrOne, "Item", Ends.ZeroOrMore, "looks at")
                .ToDrawing()
        )
        .Model;

    [Fact]
    public void What_asks_for_nothing_stays_alone()
    {
        var growth = new Growth(Cafe);
        growth.Add(Id("Visitor"));

        var population = growth.Complete()!;
        population.Things.Length.ShouldBe(1);
        population.Ties.ShouldBeEmpty();
        PopulationRules.Allows(Cafe, population).ShouldBeTrue();
    }

    [Fact]
    public void Minima_are_met_all_along_a_chain()
    {
        var growth = new Growth(Cafe);
        growth.Add(Id("Item"));

        var population = growth.Complete()!;
        population.Things.Select(thing => Cafe.Entity(thing.Types[0]).Name).ShouldBe(["Item", "Visit", "Visitor"]);
        population.Ties.Length.ShouldBe(2);
        PopulationRules.Allows(Cafe, population).ShouldBeTrue();
    }

    [Fact]
    public void A_partner_that_has_room_is_taken_before_a_new_one_is_made()
    {
        var growth = new Growth(Cafe);
        var visit = growth.Add(Id("Visit"));
        growth.Add(Id("Item"));
        growth.Add(Id("Item"));

        var population = growth.Complete()!;
        population.Things.Count(thing => thing.Types.Contains(Id("Visit"))).ShouldBe(1);
        population.TiesOf(Between("Visit", "Item").Id).Count().ShouldBe(2);
        population.TiesOf(Between("Visit", "Item").Id).ShouldAllBe(tie => tie.Players.Contains(visit));
    }

    [Fact]
    public void A_partner_that_may_have_only_one_is_not_taken_twice()
    {
        var model = Exercise
            .Read(
                new Sketch()
                    .Box("Shed", "PK code")
                    .Box("Key", "PK key no")
                    .Line("Shed", Ends.One, "Key", Ends.One, "has")
                    .ToDrawing()
            )
            .Model;
        var growth = new Growth(model);
        growth.Add(model.Entities.Single(entity => entity.Name == "Key").Id);
        growth.Add(model.Entities.Single(entity => entity.Name == "Key").Id);

        var population = growth.Complete()!;
        population.Things.Length.ShouldBe(4);
        PopulationRules.Allows(model, population).ShouldBeTrue();
    }

    [Fact]
    public void What_is_closed_is_not_added_to_and_so_ends_without_a_population()
    {
        var growth = new Growth(Cafe);
        var visit = growth.Add(Id("Visit"));
        growth.Close(Between("Visit", "Item").Roles.Single(role => role.EntityId == Id("Item")).Id, visit);

        growth.Complete().ShouldBeNull();
    }

    [Fact]
    public void A_model_that_asks_for_ever_more_is_given_up()
    {
        // Every lock hangs on two chains, and every chain is for one lock that comes before it.
        var model = Exercise
            .Read(new Sketch().Box("Lock", "PK lock no").Line("Lock", Ends.ZeroOrOne, "Lock", Ends.One, "follows").ToDrawing())
            .Model;
        var doubled = model with
        {
            Relationships =
            [
                .. model.Relationships.Select(relationship =>
                    relationship with
                    {
                        Roles =
                        [
                            relationship.Roles[0] with
                            {
                                CoOccurrence = new Count(2, Count.Many),
                            },
                            relationship.Roles[1] with
                            {
                                CoOccurrence = new Count(0, 1),
                            },
                        ],
                    }
                ),
            ],
        };
        var growth = new Growth(doubled);
        growth.Add(doubled.Entities[0].Id);

        growth.Complete().ShouldBeNull();
    }

    [Fact]
    public void A_subtype_brings_its_supertypes_and_a_total_supertype_one_of_its_subtypes()
    {
        var model = Notation
            .Read(
                new Sketch()
                    .Class("Person")
                    .Class("Guide")
                    .Class("Guest")
                    .Tie("Guide", "Person", markTo: EndMark.Triangle)
                    .Tie("Guest", "Person", markTo: EndMark.Triangle)
                    .ToDrawing(),
                new UmlOptions()
            )
            .Model;
        var total = model with
        {
            Specialisations = [.. model.Specialisations.Select(set => set with { Total = true, Disjoint = true })],
        };
        string Named(string name) => model.Entities.Single(entity => entity.Name == name).Id;

        var byGuest = new Growth(total);
        byGuest.Add(Named("Guest"));
        byGuest.Complete()!.Things[0].Types.Order().ShouldBe(new[] { Named("Guest"), Named("Person") }.Order());

        var byPerson = new Growth(total);
        byPerson.Add(Named("Person"));
        var population = byPerson.Complete()!;
        population.Things[0].Types.Length.ShouldBe(2);
        PopulationRules.Allows(total, population).ShouldBeTrue();

        var exactly = new Growth(total);
        exactly.AddExactly([Named("Person")]);
        PopulationRules.Broken(total, exactly.Complete()!).Select(broken => broken.Rule).ShouldBe([PopulationRule.Total]);
    }

    private static string Id(string name) => Cafe.Entities.Single(entity => entity.Name == name).Id;

    private static RelationshipType Between(string one, string other) =>
        Cafe.Relationships.Single(relationship =>
            relationship.Roles.Any(role => role.EntityId == Id(one)) && relationship.Roles.Any(role => role.EntityId == Id(other))
        );
}
