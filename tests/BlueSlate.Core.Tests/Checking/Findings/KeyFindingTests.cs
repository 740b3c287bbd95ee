using BlueSlate.Core.Notations;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Keys: missing, wrong, larger than need be, alternate; and foreign keys.</summary>
public sealed class KeyFindingTests : FindingTest
{
    private const string Booked = """
        Observer: PK observer no, name
        Session: PK session no, FK observer no
        Observer 11 leads / is led by 0m Session
        """;

    [Fact]
    public void No_key_at_all_is_said_at_the_box() => Says(
        Only("key-missing", "Observer: «PK observer no», name", "«Observer»: observer no, name"),
        "Observer has no key.",
        "No line is marked as the key.",
        "The key is observer no.",
        "As drawn, two observers alike in everything could not be told apart.");

    [Fact]
    public void Another_attribute_as_the_key_is_wrong() => Says(
        Only("key-wrong", "Observer: PK observer no, name", "Observer: observer no, «PK name»"),
        "Observer is not told apart by name.",
        "The key is drawn as name.",
        "The key is observer no.",
        "As drawn, no two observers could have the same name.");

    [Fact]
    public void More_than_is_needed_is_not_minimal() => Says(
        Only("key-not-minimal", "Observer: PK observer no, name", "Observer: PK observer no, «PK name»"),
        "The key of Observer holds more than it needs.",
        "The key is drawn as observer no + name.",
        "Observer no alone tells observers apart.",
        "As drawn, two observers could share the same observer no.");

    [Fact]
    public void An_alternate_key_left_plain_is_said_at_its_attribute() => Says(
        Only("alternate-key-missing", "Observer: PK observer no, «AK1 email»", "Observer: PK observer no, «email»"),
        "No two observers share an email.",
        "Email is drawn as a plain attribute.",
        "Email marked as an alternate key.",
        "As drawn, two observers could have the same email.");

    [Fact]
    public void Any_spelling_of_the_key_is_the_key() => Nothing("Observer: PK observer no, name", "Observer: PK ObserverNumber, name");

    [Fact]
    public void A_foreign_key_left_out_is_missing_at_the_entity_that_wants_it() => Says(
        Only("foreign-key-missing", Booked, """
            Observer: PK observer no, name
            «Session»: PK session no
            Observer 11 leads / is led by 0m Session
            """, Level.Logical),
        "Session has no foreign key to Observer.",
        "No column of Session refers to Observer.",
        "Observer no, marked FK.",
        "In the tables built from this, nothing would say which observer a session goes with.");

    [Fact]
    public void A_foreign_key_at_the_other_side_is_said_once()
    {
        var finding = Only("foreign-key-wrong-side", Booked, """
            Observer: PK observer no, name, «FK session no»
            Session: PK session no
            Observer 11 leads / is led by 0m Session
            """, Level.Logical);
        finding.Headline.ShouldBe("The foreign key stands at Observer; it belongs to Session.");
        finding.Why.ShouldBe("One column of an observer cannot hold all its sessions.");
    }

    [Fact]
    public void A_foreign_key_may_have_any_name_and_stand_in_any_row() => Nothing(
        Booked,
        """
        Observer: PK observer no, name
        Session: FK led by observer, PK session no
        Observer 11 leads / is led by 0m Session
        """,
        Level.Logical);

    [Fact]
    public void At_conceptual_level_a_foreign_key_is_a_fault_of_its_own()
    {
        var finding = Only("foreign-key-in-conceptual", """
            Observer: PK observer no, name
            Session: PK session no
            Observer 11 leads / is led by 0m Session
            """, """
            Observer: PK observer no, name
            Session: PK session no, «FK observer no»
            Observer 11 leads / is led by 0m Session
            """);
        finding.There.ShouldBe("Observer no of session drawn as foreign key.");
    }
}
