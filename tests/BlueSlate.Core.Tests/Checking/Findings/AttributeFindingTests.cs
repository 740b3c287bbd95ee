using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Attributes: missing, extra, at the wrong entity, not shown as what they are.</summary>
public sealed class AttributeFindingTests : FindingTest
{
    private const string Tracks = """
        Track: PK code, title, artist
        Studio: PK room name, seats
        """;

    [Fact]
    public void A_missing_attribute_is_marked_in_the_model_answer() =>
        Says(
            Only(
                "attribute-missing",
                """
                Track: PK code, title, «artist»
                Studio: PK room name, seats
                """,
                """
                Track: PK code, title
                Studio: PK room name, seats
                """
            ),
            "Artist of track is missing.",
            "Track has code and title.",
            "An artist as well.",
            "As drawn, there is nowhere to keep a track's artist."
        );

    [Fact]
    public void An_attribute_nobody_asked_for_is_marked_where_it_stands() =>
        Says(
            Only(
                "attribute-extra",
                Tracks,
                """
                Track: PK code, title, artist, «colour»
                Studio: PK room name, seats
                """
            ),
            "Colour of track is not in the scenario.",
            "Track has a colour.",
            "Track without colour.",
            "Whoever builds this would ask for a colour with every track."
        );

    [Fact]
    public void An_attribute_at_another_entity_is_a_move_not_a_loss_and_a_gain() =>
        Says(
            Only(
                "attribute-misplaced",
                """
                Track: PK code, title, «studio rent»
                Studio: PK room name, seats
                """,
                """
                Track: PK code, title
                Studio: PK room name, seats, «studio rent»
                """
            ),
            "Studio rent stands at Studio; it belongs to Track.",
            "Studio has a studio rent.",
            "Track has it.",
            "As drawn, each studio has one studio rent, whatever its tracks."
        );

    [Theory]
    [InlineData("{genres}", "genres")]
    [InlineData("[age]", "age")]
    [InlineData("o nickname", "nickname")]
    public void Brackets_braces_and_rings_that_are_left_out_are_said_as_such(string wanted, string drawn) =>
        Only("attribute-form-not-shown", $"Track: PK code, «{wanted}»", $"Track: PK code, «{drawn}»")
            .Headline.ShouldContain(drawn == "genres" ? "several" : drawn);

    [Fact]
    public void The_order_of_attributes_and_their_spelling_say_nothing() =>
        Nothing(
            Tracks,
            """
            Studio: seats, PK RoomName
            Track: TrackArtist, PK track code, title
            """
        );

    [Fact]
    public void Two_missing_attributes_are_two_notes() =>
        Codes(Tracks, "Track: PK code\nStudio: PK room name, seats").ShouldBe(["attribute-missing", "attribute-missing"]);

    [Fact]
    public void A_composite_drawn_as_its_name_alone_is_no_fault() =>
        Nothing("Studio: PK room name, address (street, town)", "Studio: PK room name, address");

    [Fact]
    public void A_value_drawn_as_a_thing_of_its_own() =>
        Says(
            Only(
                "attribute-as-entity",
                """
                Visit: PK visit no, date
                Item: PK item no, «fault»
                Visit 11 brings in / comes in on 1m Item
                """,
                """
                Visit: PK visit no, date
                Item: PK item no
                «Fault»: PK fault name
                Visit 11 brings in / comes in on 1m Item
                Fault 11 ails / has 0m Item
                """
            ),
            "Fault of item is an attribute, not an entity.",
            "Fault is drawn as an entity.",
            "Item has a fault.",
            "Whoever builds this would keep a list of faults of which nothing but the name is known."
        );

    [Fact]
    public void Two_values_that_have_changed_places_are_one_mistake() =>
        Says(
            Only(
                "attributes-exchanged",
                """
                Visit: PK visit no, «weather»
                Item: PK item no, «fault»
                Visit 11 brings in / comes in on 1m Item
                """,
                """
                Visit: PK visit no, «fault»
                Item: PK item no, «weather»
                Visit 11 brings in / comes in on 1m Item
                """
            ),
            "Weather and fault have changed places.",
            "Item has a weather, Visit a fault.",
            "Visit has a weather, Item a fault.",
            "As drawn, every item has a weather of its own, and every visit a fault."
        );
}
