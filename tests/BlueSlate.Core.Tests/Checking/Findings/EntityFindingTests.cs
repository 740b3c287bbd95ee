using BlueSlate.Core.Notations;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Entities: missing, extra, twice, not shown as what they are.</summary>
public sealed class EntityFindingTests : FindingTest
{
    private const string Radio = """
        Presenter: PK member no, name
        Programme: PK title, genre
        Presenter 1m presents / is presented by 0m Programme
        """;

    [Fact]
    public void An_entity_that_is_missing_takes_what_belongs_to_it_along() =>
        Says(
            Only(
                "entity-missing",
                """
                Presenter: PK member no, name
                «Programme»: PK title, genre
                Presenter 1m presents / is presented by 0m Programme
                """,
                "Presenter: PK member no, name"
            ),
            "Programme is missing.",
            "No box stands for programme.",
            "An entity Programme with title and genre.",
            "As drawn, nothing could be kept about programmes."
        );

    [Fact]
    public void An_entity_under_another_name_is_not_missing() =>
        Nothing(
            Radio,
            """
            Announcer: PK MemberNumber, name
            RadioProgramme: PK title, genre
            Announcer 1m presents / is presented by 0m RadioProgramme
            """.Replace("RadioProgramme", "Broadcast", StringComparison.Ordinal)
        );

    [Fact]
    public void A_box_for_what_the_scenario_does_not_keep_is_extra() =>
        Says(
            Only("entity-extra", Radio, Radio + "\n«Station»: PK call sign"),
            "Station is not in the scenario.",
            "Station is drawn as an entity.",
            "No box Station: the scenario wants nothing of it kept.",
            "Whoever builds this would keep stations that nobody asked for."
        );

    [Fact]
    public void Two_boxes_for_one_thing_are_said_as_that() =>
        Says(
            Only("entity-duplicate", Radio, Radio + "\n«Presenters»: PK member no, name"),
            "Presenters is drawn twice.",
            "Two boxes stand for presenter: Presenter and Presenters.",
            "One box Presenter, to which all the lines go.",
            "Whoever builds this would keep presenters in two places that soon disagree."
        );

    [Fact]
    public void A_weak_entity_drawn_by_itself_is_said_at_its_box() =>
        Says(
            Only(
                "entity-kind-not-shown",
                """
                Programme: PK title, genre
                Episode: PPK number, air date
                Programme 11 = consists of / belongs to 0m Episode
                """,
                """
                Programme: PK title, genre
                «Episode»: PK number, air date
                Programme 11 consists of / belongs to 0m Episode
                """
            ),
            "Episode is not shown as told apart only within its programme.",
            "Episode is drawn as if it stood by itself.",
            "A partial key of Episode, and an identifying line to its programme.",
            "As drawn, episodes of different programmes could never share a number."
        );

    [Fact]
    public void A_slate_with_nothing_on_it_is_said_once()
    {
        Codes(Radio, "").ShouldBe(["drawing-shows-little"]);
    }

    private const string Towers = """
        Tower: PK tower code, dedication
        Ringer: PK ringer no, name, joined
        Bell: PK bell no, weight, note struck
        Tower 11 houses / hangs in 1m Bell
        Ringer 01 minds / is minded by 0m Bell
        """;

    [Theory]
    [InlineData("ringer name")]
    [InlineData("name of ringer")]
    [InlineData("ringer no")]
    public void What_is_called_by_a_thing_and_by_what_it_has_is_that_thing_drawn_as_a_value(string drawn)
    {
        var finding = Only(
            "entity-as-attribute",
            Towers,
            $"""
            Tower: PK tower code, dedication
            Bell: PK bell no, weight, note struck, «{drawn}»
            Tower 11 houses / hangs in 1m Bell
            """
        );
        finding.Headline.ShouldBe("Ringer is more than an attribute.");
    }

    [Fact]
    public void A_value_that_has_the_name_of_a_thing_is_that_thing_and_none_of_its_kinds() =>
        Codes(
                """
                Rope: PK rope no, length
                Peal: PK peal no, rung on
                Long peal: changes
                Short peal: minutes
                Rope 11 serves / needs 0m Peal
                (d) Peal > Long peal, Short peal
                """,
                "Rope: PK rope no, length, peal"
            )
            .Where(code => code != "drawing-shows-little")
            .ShouldBe(["entity-as-attribute", "entity-missing", "entity-missing"], ignoreOrder: true);

    [Fact]
    public void Another_word_for_a_thing_before_what_it_has_says_as_much()
    {
        var finding = Only(
            "entity-as-attribute",
            """
            Leaflet: PK leaflet no, heading
            Writer: PK writer no, name
            Writer 11 writes / is written by 1m Leaflet
            """,
            "Leaflet: PK leaflet no, heading, «author name»"
        );
        finding.Headline.ShouldBe("Writer is more than an attribute.");
    }

    [Fact]
    public void A_line_drawn_as_a_box_with_facts_that_nobody_wants_is_one_thing_too_many() =>
        Says(
            Only(
                "entity-extra",
                """
                Hall: PK hall no, seats
                Rehearsal: PK rehearsal no, day
                Hall 11 houses / is held in 0m Rehearsal
                """,
                """
                Hall: PK hall no, seats
                Rehearsal: PK rehearsal no, day
                «Reservation»: made on, deposit
                Hall 11 has / is for 0m Reservation
                Rehearsal 11 has / is for 11 Reservation
                """
            ),
            "The scenario wants nothing kept of reservations.",
            "Reservation is drawn as an entity with made on and deposit.",
            "Only what ties hall and rehearsal.",
            "Whoever builds this would ask for made on and deposit each time the two are tied."
        );

    [Fact]
    public void What_merely_mentions_a_thing_is_not_that_thing() =>
        Codes(
                Towers,
                """
                Tower: PK tower code, dedication
                Bell: PK bell no, weight, note struck, ringer complaints
                Tower 11 houses / hangs in 1m Bell
                """
            )
            .ShouldContain("entity-missing");

    [Fact]
    public void What_else_of_a_thing_stands_where_it_is_drawn_as_a_value_follows_from_that() =>
        Only(
            "entity-as-attribute",
            Towers,
            """
            Bell: PK bell no, weight, note struck, «tower», dedication
            Ringer: PK ringer no, name, joined
            Ringer 01 minds / is minded by 0m Bell
            """
        )
            .Headline.ShouldBe("Tower is more than an attribute.");

    [Fact]
    public void A_thing_drawn_as_a_value_of_another() =>
        Says(
            Only(
                "entity-as-attribute",
                """
                Item: PK item no, fault
                «Fixer»: PK badge no, name
                Fixer 11 looks at / is looked at by 0m Item
                """,
                """
                Item: PK item no, fault, «fixer»
                """
            ),
            "Fixer is more than an attribute.",
            "Item has a fixer.",
            "An entity Fixer with badge no and name.",
            "As drawn, a fixer is one value of an item, of which nothing further can be kept."
        );

    [Fact]
    public void A_role_with_a_box_of_its_own_is_one_mistake()
    {
        var finding = Only(
            "entity-duplicate",
            """
            Fixer: PK badge no, name
            Fixer 01 guides / is guided by 0m Fixer
            """,
            """
            Fixer: PK badge no, name
            «Mentor»: PK badge no, name
            Mentor 01 guides / is guided by 0m Fixer
            """
        );
        finding.Headline.ShouldBe("A mentor is a fixer too.");
    }

    [Fact]
    public void At_logical_level_the_foreign_keys_of_the_key_name_the_owners() =>
        Only(
            "entity-kind-not-shown",
            """
            Hive: PK hive no, colour
            Check: PK FK hive no, PK check no, date
            Hive 11 = is seen in / is of 0m Check
            """,
            """
            Hive: PK hive no, colour
            «Check»: PK check no, date, FK hive no
            Hive 11 is seen in / is of 0m Check
            """,
            Level.Logical
        )
            .Headline.ShouldBe("Check is not shown as told apart only within its hive.");
}
