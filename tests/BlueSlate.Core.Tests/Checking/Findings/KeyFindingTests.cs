using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Keys: missing, wrong, larger than need be, alternate.</summary>
public sealed class KeyFindingTests : FindingTest
{
    private const string Timetable = "Lesson: PK lesson no, AK1 AK2 period, AK1 room, AK2 teacher";

    [Fact]
    public void Two_alternate_keys_with_an_attribute_in_common_are_right_as_they_are_drawn() => Nothing(Timetable, Timetable);

    [Fact]
    public void Of_two_alternate_keys_with_an_attribute_in_common_each_is_missed_by_itself() =>
        Says(
            Only("alternate-key-missing", Timetable, "Lesson: PK lesson no, AK1 «period», AK1 room, «teacher»"),
            "Nothing says that no two lessons share the same period and teacher.",
            "Nothing marks period and teacher as a key together.",
            "Period and teacher marked as one alternate key.",
            "As drawn, two lessons could have the same period and teacher."
        );

    [Fact]
    public void No_key_at_all_is_said_at_the_box() =>
        Says(
            Only("key-missing", "Observer: «PK observer no», name", "«Observer»: observer no, name"),
            "Observer has no key.",
            "Nothing of Observer is marked as the key.",
            "The key of Observer is observer no.",
            "As drawn, two observers alike in everything could not be told apart."
        );

    [Fact]
    public void Another_attribute_as_the_key_is_wrong() =>
        Says(
            Only("key-wrong", "Observer: PK observer no, name", "Observer: observer no, «PK name»"),
            "Observer is not told apart by name.",
            "The key is drawn as name.",
            "The key is observer no.",
            "As drawn, no two observers could have the same name."
        );

    [Fact]
    public void A_number_invented_in_place_of_the_key_is_said_once() =>
        Only("key-wrong", "Dome: PK hill code, PK dome no, diameter", "Dome: «PK dome id», hill code, dome no, diameter")
            .Headline.ShouldBe("Dome is not told apart by dome id.");

    [Fact]
    public void More_than_is_needed_is_not_minimal() =>
        Says(
            Only("key-not-minimal", "Observer: PK observer no, name", "Observer: PK observer no, «PK name»"),
            "The key of Observer holds more than it needs.",
            "The key is drawn as observer no + name.",
            "Observer no alone tells observers apart.",
            "As drawn, two observers could share the same observer no."
        );

    [Fact]
    public void An_alternate_key_left_plain_is_said_at_its_attribute() =>
        Says(
            Only("alternate-key-missing", "Observer: PK observer no, «AK1 email»", "Observer: PK observer no, «email»"),
            "Nothing says that no two observers share an email.",
            "Email is drawn as a plain attribute.",
            "Email marked as an alternate key.",
            "As drawn, two observers could have the same email."
        );

    [Fact]
    public void Any_spelling_of_the_key_is_the_key() =>
        Nothing("Observer: PK observer no, name", "Observer: PK ObserverNumber, name");

    private const string Put = """
        Visit: PK visit no, date
        Skill: PK skill code
        Use: PK FK1 visit no, PK FK2 skill code, minutes
        Visit 11 = needs / is of 0m Use
        Skill 11 = is put to / is of 0m Use
        """;

    [Fact]
    public void A_number_of_its_own_lets_the_pair_be_there_twice() =>
        Says(
            Only(
                "key-by-own-number",
                Put,
                """
                Visit: PK visit no, date
                Skill: PK skill code
                Use: «PK use no», FK1 visit no, FK2 skill code, minutes
                Visit 11 needs / is of 0m Use
                Skill 11 is put to / is of 0m Use
                """,
                Level.Logical
            ),
            "Use has use no as its key, and nothing keeps visit no and skill code apart.",
            "The key is use no; visit no and skill code may be the same twice.",
            "Visit no and skill code as the key, or as an alternate key beside use no.",
            "As drawn, two uses could be alike in visit no and skill code, under different numbers."
        );

    [Fact]
    public void A_number_of_its_own_beside_the_pair_as_an_alternate_key_is_the_same() =>
        Nothing(
            Put,
            """
            Visit: PK visit no, date
            Skill: PK skill code
            Use: PK use no, AK1 FK1 visit no, AK1 FK2 skill code, minutes
            Visit 11 needs / is of 0m Use
            Skill 11 is put to / is of 0m Use
            """,
            Level.Logical
        );

    [Fact]
    public void A_number_of_its_own_may_be_accepted()
    {
        var answer = Markup
            .Parse(
                """
                Visit: PK visit no, date
                Skill: PK skill code
                Use: PK use no, FK1 visit no, FK2 skill code, minutes
                Visit 11 needs / is of 0m Use
                Skill 11 is put to / is of 0m Use
                """
            )
            .Drawing;
        var assessment = Exercise
            .Of(Markup.Parse(Put).Drawing, Level.Logical, new Tolerance("key:b3", ["own number"], false, false))
            .Assess(answer, []);
        assessment.Findings.ShouldBeEmpty();
        assessment.Sheet.Total.ShouldBe(assessment.Sheet.Maximum);
    }
}
