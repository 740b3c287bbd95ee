using BlueSlate.Core.Notations;
using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>
/// Foreign keys: missing, at the wrong side, no key of the parent's, without a line, at odds with their line.
/// </summary>
public sealed class ForeignKeyFindingTests : FindingTest
{
    private const string Booked = """
        Observer: PK observer no, name
        Session: PK session no, FK observer no
        Observer 11 leads / is led by 0m Session
        """;

    private const string Numbered = """
        Dome: PK hill code, PK dome no, diameter
        Telescope: PK telescope code, FK1 hill code, FK1 dome no
        Dome 11 holds / stands in 0m Telescope
        """;

    private const string Mentored = """
        Observer: PK observer no, name
        Newcomer: PK newcomer no, name, FK o observer no
        Observer 01 looks after / is looked after by 0m Newcomer
        """;

    private const string Shared = """
        Slot: PK hall code, PK period
        Duty: PK warden no, PK period
        Lesson: PK lesson no, FK1 hall code, FK1 FK2 period, FK2 warden no
        Slot 11 takes / is in 0m Lesson
        Duty 11 covers / is under 0m Lesson
        """;

    [Fact]
    public void A_column_of_two_foreign_keys_is_right_as_it_is_drawn() => Nothing(Shared, Shared, Level.Logical);

    [Fact]
    public void A_column_of_two_foreign_keys_drawn_in_one_of_them_lacks_the_other() =>
        Says(
            Only(
                "foreign-key-missing",
                Shared,
                """
                Slot: PK hall code, PK period
                Duty: PK warden no, PK period
                Lesson: PK lesson no, FK1 hall code, «FK1 period», FK2 warden no
                Slot 11 takes / is in 0m Lesson
                Duty 11 covers / is under 0m Lesson
                """,
                Level.Logical
            ),
            "Period of lesson is part of 2 foreign keys.",
            "Period, marked FK once.",
            "Period, marked FK for each of Slot and Duty.",
            "In the tables built from this, one of the references to Slot and Duty would be without its period."
        );

    [Fact]
    public void A_foreign_key_left_out_is_missing_at_the_entity_that_wants_it() =>
        Says(
            Only(
                "foreign-key-missing",
                Booked,
                """
                Observer: PK observer no, name
                «Session»: PK session no
                Observer 11 leads / is led by 0m Session
                """,
                Level.Logical
            ),
            "Session has no foreign key to Observer.",
            "No column of Session refers to Observer.",
            "Observer no, marked FK.",
            "In the tables built from this, nothing would say which observer a session goes with."
        );

    [Fact]
    public void A_foreign_key_at_the_other_side_is_said_once()
    {
        var finding = Only(
            "foreign-key-wrong-side",
            Booked,
            """
            Observer: PK observer no, name, «FK session no»
            Session: PK session no
            Observer 11 leads / is led by 0m Session
            """,
            Level.Logical
        );
        finding.Headline.ShouldBe("The foreign key stands at Observer; it belongs to Session.");
        finding.Why.ShouldBe("One column of an observer cannot hold all its sessions.");
    }

    [Fact]
    public void A_foreign_key_may_have_any_name_and_stand_in_any_row() =>
        Nothing(
            Booked,
            """
            Observer: PK observer no, name
            Session: FK led by observer, PK session no
            Observer 11 leads / is led by 0m Session
            """,
            Level.Logical
        );

    [Fact]
    public void A_number_and_a_code_are_one_as_the_head_of_a_key() =>
        Nothing(
            Numbered,
            """
            Dome: PK hill code, PK dome no, diameter
            Telescope: PK telescope code, FK1 hill id, FK1 dome nr
            Dome 11 holds / stands in 0m Telescope
            """,
            Level.Logical
        );

    [Fact]
    public void At_conceptual_level_a_foreign_key_is_a_fault_of_its_own()
    {
        var finding = Only(
            "foreign-key-in-conceptual",
            """
            Observer: PK observer no, name
            Session: PK session no
            Observer 11 leads / is led by 0m Session
            """,
            """
            Observer: PK observer no, name
            Session: PK session no, «FK observer no»
            Observer 11 leads / is led by 0m Session
            """
        );
        finding.There.ShouldBe("Observer no of session is drawn as a foreign key.");
    }

    [Fact]
    public void A_column_for_half_of_the_key_as_drawn_is_no_foreign_key_of_the_parent() =>
        Says(
            Only(
                "foreign-key-mismatch",
                Numbered,
                """
                Dome: PK hill code, PK dome no, diameter
                Telescope: PK telescope code, «FK1 dome no»
                Dome 11 holds / stands in 0m Telescope
                """,
                Level.Logical
            ),
            "Dome no of telescope is only part of the key of Dome.",
            "Dome no, marked FK.",
            "Hill code and dome no, marked FK: the whole key of Dome as it is drawn.",
            "Several domes can have the same dome no, and nothing would say which of them a telescope goes with."
        );

    [Fact]
    public void A_key_of_the_answers_own_is_referred_to_as_it_is_drawn()
    {
        string[] codes =
        [
            .. Codes(
                Numbered,
                """
                Dome: PK dome id, hill code, dome no, diameter
                Telescope: PK telescope code, FK dome id
                Dome 11 holds / stands in 0m Telescope
                """,
                Level.Logical
            ),
        ];
        codes.ShouldNotContain("foreign-key-missing");
        codes.ShouldNotContain("foreign-key-mismatch");
    }

    [Fact]
    public void What_follows_from_a_key_drawn_too_large_is_folded_under_it()
    {
        var findings = Exercise
            .Of(Markup.Parse(Booked).Drawing, Level.Logical)
            .Assess(
                Markup
                    .Parse(
                        """
                        Observer: PK observer no, PK name
                        Session: PK session no, FK observer no
                        Observer 11 leads / is led by 0m Session
                        """
                    )
                    .Drawing,
                []
            )
            .Findings;
        findings
            .Select(finding => (finding.Code, Root: finding.ConsequenceOf is null))
            .ShouldBe([("key-not-minimal", true), ("foreign-key-mismatch", false)]);
    }

    [Fact]
    public void A_column_named_after_something_else_of_the_parent_refers_to_no_key() =>
        Says(
            Only(
                "foreign-key-mismatch",
                Booked,
                """
                Observer: PK observer no, name
                Session: PK session no, «FK observer name»
                Observer 11 leads / is led by 0m Session
                """,
                Level.Logical
            ),
            "Observer name of session does not refer to the key of Observer.",
            "Observer name, marked FK.",
            "Observer no, marked FK: the whole key of Observer as it is drawn.",
            "Two observers with the same name could not be told apart from a session."
        );

    [Fact]
    public void More_columns_than_the_key_in_one_foreign_key_are_too_many() =>
        Only(
            "foreign-key-mismatch",
            Booked,
            """
            Observer: PK observer no, name
            Session: PK session no, «FK1 observer no», «FK1 observer name»
            Observer 11 leads / is led by 0m Session
            """,
            Level.Logical
        )
            .Headline.ShouldBe("Observer no and observer name of session are more than the key of Observer.");

    [Fact]
    public void A_column_that_serves_two_foreign_keys_is_drawn_once() =>
        Nothing(
            """
            Hill: PK hill code, name
            Dome: PK FK hill code, PK dome no, diameter
            Telescope: PK telescope code, FK1 hill code, FK1 dome no
            Hill 11 = bears / stands on 0m Dome
            Dome 11 holds / stands in 0m Telescope
            Hill 11 owns / belongs to 0m Telescope
            """,
            """
            Hill: PK hill code, name
            Dome: PK FK hill code, PK dome no, diameter
            Telescope: PK telescope code, FK1 hill code, FK1 dome no
            Hill 11 = bears / stands on 0m Dome
            Dome 11 holds / stands in 0m Telescope
            Hill 11 owns / belongs to 0m Telescope
            """,
            Level.Logical
        );

    [Fact]
    public void A_foreign_key_whose_line_is_not_drawn_says_so_in_place_of_the_missing_relationship() =>
        Says(
            Only(
                "foreign-key-without-line",
                Booked,
                """
                Observer: PK observer no, name
                Session: PK session no, «FK observer no»
                """,
                Level.Logical
            ),
            "Observer no of session is a foreign key, but no line is drawn for it.",
            "No line ties Session to Observer where observer no would stand for it.",
            "A line: Observer leads Session.",
            "Nothing says how many sessions can have the same observer no, and whether each must have one."
        );

    [Fact]
    public void A_foreign_key_that_nobody_asked_for_still_wants_its_line() =>
        Only(
            "foreign-key-without-line",
            """
            Observer: PK observer no, name
            Session: PK session no, FK observer no
            Telescope: PK telescope code, aperture
            Observer 11 leads / is led by 0m Session
            Telescope 01 serves / uses 0m Observer
            """,
            """
            Observer: PK observer no, name
            Session: PK session no, FK1 observer no, «FK2 telescope code»
            Telescope: PK telescope code, aperture
            Observer 11 leads / is led by 0m Session
            Telescope 01 serves / uses 0m Observer
            """,
            Level.Logical
        )
            .Wanted.ShouldBe("A line from Session to Telescope.");

    [Fact]
    public void A_foreign_key_under_a_name_of_its_own_may_mean_a_line_that_has_none() =>
        Codes(
                Booked,
                """
                Observer: PK observer no, name
                Session: PK session no, FK chief
                Observer 11 leads / is led by 0m Session
                """,
                Level.Logical
            )
            .ShouldNotContain("foreign-key-without-line");

    [Fact]
    public void The_foreign_key_of_what_is_missing_is_part_of_that() =>
        Codes(
                Booked,
                """
                Session: PK session no, FK observer no
                """,
                Level.Logical
            )
            .ShouldBe(["entity-missing"]);

    [Fact]
    public void A_column_that_may_be_empty_contradicts_a_line_that_wants_one() =>
        Says(
            Only(
                "foreign-key-optionality",
                Booked,
                """
                Observer: PK observer no, name
                Session: PK session no, «FK o observer no»
                Observer 11 leads / is led by 0m Session
                """,
                Level.Logical
            ),
            "Observer no of session may be empty, though the line wants an observer.",
            "A ring at observer no, and a minimum of one at Observer.",
            "No ring at observer no.",
            "Whoever builds the table would let in a session without an observer."
        );

    [Fact]
    public void A_column_that_has_to_be_filled_contradicts_a_line_that_wants_none() =>
        Says(
            Only(
                "foreign-key-optionality",
                Mentored,
                """
                Observer: PK observer no, name
                Newcomer: PK newcomer no, name, «FK observer no»
                Observer 01 looks after / is looked after by 0m Newcomer
                """,
                Level.Logical
            ),
            "Observer no of newcomer has to be filled, though the line wants no observer.",
            "No ring at observer no, and a minimum of zero at Observer.",
            "A ring at observer no.",
            "Whoever builds the table would turn away a newcomer that has no observer."
        );

    [Fact]
    public void A_wrong_minimum_is_said_once_whatever_the_column_says() =>
        Codes(
                Mentored,
                """
                Observer: PK observer no, name
                Newcomer: PK newcomer no, name, FK o observer no
                Observer 11 looks after / is looked after by 0m Newcomer
                """,
                Level.Logical
            )
            .ShouldBe(["cardinality-min"]);

    [Fact]
    public void Of_two_that_go_one_with_one_either_may_hold_the_foreign_key() =>
        Nothing(
            """
            Dome: PK dome no, diameter
            Telescope: PK telescope code, aperture, FK dome no
            Dome 11 holds / stands in 01 Telescope
            """,
            """
            Dome: PK dome no, diameter, FK o telescope code
            Telescope: PK telescope code, aperture
            Dome 11 holds / stands in 01 Telescope
            """,
            Level.Logical
        );

    [Fact]
    public void A_key_that_lacks_a_foreign_key_is_part_of_that_mistake()
    {
        var findings = Exercise
            .Of(
                Markup
                    .Parse(
                        """
                        Hive: PK hive no, colour
                        Check: PK FK hive no, PK check no, date
                        Hive 11 = is seen in / is of 0m Check
                        """
                    )
                    .Drawing,
                Level.Logical
            )
            .Assess(
                Markup
                    .Parse(
                        """
                        Hive: PK hive no, colour
                        Check: PK check no, date
                        Hive 11 = is seen in / is of 0m Check
                        """
                    )
                    .Drawing,
                []
            )
            .Findings;
        findings
            .Select(finding => (finding.Code, Root: finding.ConsequenceOf is null))
            .ShouldBe([("foreign-key-missing", true), ("key-wrong", false)]);
    }

    [Fact]
    public void Two_that_refer_to_each_other_along_one_line_are_read()
    {
        const string Both = """
            Dome: PK dome no, diameter, FK o telescope code
            Telescope: PK telescope code, aperture, FK dome no
            Dome 11 holds / stands in 01 Telescope
            """;
        Nothing(Both, Both, Level.Logical);
    }
}
