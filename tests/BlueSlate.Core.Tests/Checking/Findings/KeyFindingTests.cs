using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Keys: missing, wrong, larger than need be, alternate.</summary>
public sealed class KeyFindingTests : FindingTest
{
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
    public void A_number_invented_in_place_of_the_key_is_said_once() =>
        Only("key-wrong", "Dome: PK hill code, PK dome no, diameter", "Dome: «PK dome id», hill code, dome no, diameter").Headline.ShouldBe("Dome is not told apart by dome id.");

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
}
