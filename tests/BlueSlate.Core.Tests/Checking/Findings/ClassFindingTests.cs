using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>What only classes have: operations, types, visibilities, scope, stereotypes, literals, wholes and parts.</summary>
public sealed class ClassFindingTests : FindingTest
{
    private const string Bench = """
        Workbench: - lamps: Integer | + isFree(on: Date): Boolean
        Visit: - date: Date
        """;

    private const string Rides = """
        Tram: fleetNo
        Ride: at
        Tram [1 whole] makes [1..*] Ride
        """;

    [Fact]
    public void A_class_without_instances_of_its_own() =>
        Says(
            Only("abstract-missing", "Person {abstract}: name", "«Person»: name", Uml),
            "Person is not shown as abstract.",
            "Person is drawn as if there were some that are nothing more.",
            "The name Person in italics, or {abstract} beside it.",
            "Whoever builds this could make a person that is of no subclass."
        );

    [Fact]
    public void A_value_that_an_enumeration_lacks() =>
        Says(
            Only("literal-missing", "<<enumeration>> Skill: sewing; «wood»", "«<<enumeration>> Skill»: sewing", Uml),
            "Wood is missing from skill.",
            "Skill does not list wood.",
            "Skill with the literal wood.",
            "As drawn, no skill could be wood."
        );

    [Fact]
    public void An_operation_left_out() =>
        Says(
            Only(
                "operation-missing",
                Bench,
                """
                «Workbench»: - lamps: Integer
                Visit: - date: Date
                """,
                Formal
            ),
            "“isFree” of workbench is missing.",
            "Workbench has no operation isFree.",
            "Workbench with isFree(on: Date): Boolean.",
            "As drawn, nobody can call isFree of a workbench."
        );

    [Fact]
    public void An_operation_at_a_class_that_cannot_answer() =>
        Says(
            Only(
                "operation-misplaced",
                Bench,
                """
                Workbench: - lamps: Integer
                Visit: - date: Date | «+ isFree(on: Date): Boolean»
                """,
                Formal
            ),
            "“isFree” belongs to workbench.",
            "“isFree” is drawn at Visit.",
            "Workbench with isFree.",
            "As drawn, a visit is asked for isFree, which only a workbench can answer."
        );

    [Fact]
    public void An_operation_for_which_there_is_no_reason() =>
        Says(
            Only(
                "operation-extra",
                Bench,
                """
                Workbench: - lamps: Integer | + isFree(on: Date): Boolean; «+ paint()»
                Visit: - date: Date
                """,
                Formal
            ),
            "Nothing in the scenario asks for paint of workbench.",
            "Workbench has the operation paint.",
            "Workbench without paint: the scenario gives no reason for it.",
            "Whoever builds workbench would build paint for nobody."
        );

    [Fact]
    public void Accessors_and_constructors_are_nobodys_mistake() =>
        Codes(
                Bench,
                """
                Workbench: - lamps: Integer | + isFree(on: Date): Boolean; + getLamps(): Integer; + setLamps(n: Integer); + Workbench()
                Visit: - date: Date
                """,
                Formal
            )
            .ShouldBeEmpty();

    [Fact]
    public void A_signature_that_lacks_a_parameter() =>
        Only(
            "operation-signature",
            Bench,
            """
            Workbench: - lamps: Integer | «+ isFree(): Boolean»
            Visit: - date: Date
            """,
            Formal
        )
            .There.ShouldContain("isFree()");

    [Fact]
    public void A_type_that_is_another() =>
        Says(
            Only(
                "type",
                Bench,
                """
                Workbench: «- lamps: String» | + isFree(on: Date): Boolean
                Visit: - date: Date
                """,
                Formal
            ),
            "Lamps of workbench has the wrong type.",
            "Drawn at lamps of workbench: String.",
            "Integer after the colon of lamps of workbench.",
            "Whoever builds workbench as drawn keeps another sort of value in lamps."
        );

    [Fact]
    public void A_visibility_that_is_another() =>
        Says(
            Only(
                "visibility",
                Bench,
                """
                Workbench: «+ lamps: Integer» | + isFree(on: Date): Boolean
                Visit: - date: Date
                """,
                Formal
            ),
            "Lamps of workbench has the wrong visibility.",
            "Drawn at lamps of workbench: +.",
            "“-” before lamps of workbench.",
            "Whoever builds workbench as drawn lets the wrong ones use lamps."
        );

    [Fact]
    public void Something_kept_once_for_all() =>
        Says(
            Only("class-scope-not-shown", "Workbench: lamps; _next number", "Workbench: lamps; «next number»", Uml),
            "Next number is not shown as belonging to workbench as a whole.",
            "Next number of workbench is not underlined.",
            "The line of next number of workbench underlined.",
            "As drawn, every workbench would have next number of its own."
        );

    [Fact]
    public void A_stereotype_left_out() =>
        Says(
            Only("stereotype-not-shown", "<<boundary>> Gate: name", "«Gate»: name", Uml),
            "Gate has no stereotype.",
            "Nothing stands in guillemets above Gate.",
            "“boundary” in guillemets above Gate.",
            "Whoever builds this would not know what sort of class Gate is."
        );

    [Fact]
    public void A_part_that_cannot_be_without_its_whole_drawn_as_a_mere_neighbour() =>
        Says(
            Only(
                "relationship-kind",
                Rides,
                """
                Tram: fleetNo
                Ride: at
                Tram [1] «makes» [1..*] Ride
                """,
                Uml
            ),
            "Tram makes Ride is not drawn as a composition with tram as the whole.",
            "Tram makes Ride is drawn as an association.",
            "Tram makes Ride as a composition with tram as the whole.",
            "Whoever builds Tram makes Ride as drawn gets the life of its ends wrong."
        );

    [Fact]
    public void A_diamond_at_the_part() =>
        Says(
            Only(
                "whole-part-reversed",
                Rides,
                """
                Tram: fleetNo
                Ride: at
                Tram [1] «makes» [1..* whole] Ride
                """,
                Uml
            ),
            "The diamond of “Tram makes Ride” is at the wrong end.",
            "Tram makes Ride is drawn as a composition with ride as the whole.",
            "The diamond of “Tram makes Ride” at Tram.",
            "As drawn, a tram would go when what it holds goes."
        );

    [Fact]
    public void A_value_drawn_at_every_kind_of_a_thing() =>
        Says(
            Only(
                "attribute-repeated-in-subtypes",
                """
                Person: name; phone
                Visitor: firstVisit
                Fixer: since
                Visitor [] [general] Person
                Fixer [] [general] Person
                """,
                """
                Person: name
                Visitor: firstVisit; «phone»
                Fixer: since; «phone»
                Visitor [] [general] Person
                Fixer [] [general] Person
                """,
                Uml
            ),
            "Phone belongs to Person, once.",
            "Visitor and Fixer each have a phone.",
            "Person has it, and they inherit it.",
            "As drawn, a person that is neither Visitor nor Fixer has no phone."
        );

    [Fact]
    public void A_recursive_line_of_which_one_end_says_nothing() =>
        Says(
            Only(
                "role-missing",
                """
                Fixer: name
                Fixer [0..1 mentor] guides [* newcomer] Fixer
                """,
                """
                Fixer: name
                Fixer [0..1 mentor] guides «[*]» Fixer
                """,
                Uml
            ),
            "One end at fixer does not say that it is the newcomer.",
            "An end of “Fixer guides Fixer” has no role.",
            "The role newcomer at its end of “Fixer guides Fixer”.",
            "Of two fixers on this line, nobody could tell which is the newcomer."
        );
}
