using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations.CrowsFoot;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>What a drawing says, in plain English, and what it leaves open.</summary>
public sealed class SentenceTests
{
    [Theory]
    [InlineData("Visitor|PK visitor no|name|o phone", "A visitor is known by its visitor no and has a name and perhaps a phone.", null)]
    [InlineData("Fixer|PK badge no|{skills}|[age]", "A fixer is known by its badge no and has one or more skills and an age (worked out).", null)]
    [InlineData("Hall|PK street|PK house no", "A hall is known by its street and house no.", null)]
    [InlineData("Member|PK no|AK1 email|address (street, town)", "A member is known by its number and has an email (no two alike) and an address (street, town).", null)]
    [InlineData("Item|fault", "An item has a fault.", "what tells one item from another?")]
    [InlineData("Item", "An item is something worth keeping.", "what tells one item from another?")]
    public void A_box(string box, string said, string? open)
    {
        var parts = box.Split('|');
        var sentence = SentenceWriter.Write(Exercise.Read(new Sketch().Box(parts[0], parts[1..]).ToDrawing())).Single();
        sentence.Text.Replace(" no and", " number and", StringComparison.Ordinal).ShouldBe(said.Replace(" no and", " number and", StringComparison.Ordinal));
        sentence.StillOpen.ShouldBe(open);
    }

    [Fact]
    public void A_line_is_read_from_both_its_ends()
    {
        var sentence = Line(Ends.One, Ends.OneOrMore, "brings in", "comes in on");
        sentence.Text.ShouldBe("A visit brings in 1 or more items; an item comes in on exactly 1 visit.");
        sentence.StillOpen.ShouldBeNull();
        sentence.Pieces.Single(piece => piece.Text == "1 or more").ElementId.ShouldBe("r1/to");
    }

    [Theory]
    [InlineData(EndMark.Foot, "A visit brings in several items; an item comes in on exactly 1 visit.", "how many items, at least, go with a visit?")]
    [InlineData(EndMark.Ring, "A visit brings in at least 0 items; an item comes in on exactly 1 visit.", "how many items, at most, go with a visit?")]
    public void An_unfinished_end_is_said_and_asked_about(EndMark mark, string said, string open)
    {
        var sentence = Line(Ends.One, [mark], "brings in", "comes in on");
        sentence.Text.ShouldBe(said);
        sentence.StillOpen.ShouldBe(open);
    }

    [Fact]
    public void A_line_without_a_name_is_asked_about() => Line(Ends.One, Ends.ZeroOrOne, "", "").StillOpen.ShouldBe("what is this relationship called?");

    [Fact]
    public void Roles_tell_the_two_ends_of_a_recursive_line()
    {
        var drawing = new Sketch().Box("Fixer", "PK badge no").Line(
            new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrOne], "mentors", "mentor"),
            new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrMore], "is mentored by", "newcomer")).ToDrawing();
        SentenceWriter.Write(Exercise.Read(drawing))[1].Text.ShouldBe("A fixer, as mentor, mentors 0 or more fixers; a fixer, as newcomer, is mentored by 0 or 1 fixer.");
    }

    [Fact]
    public void A_weak_entity_is_known_within_its_owner()
    {
        var drawing = new Sketch().Box("Item", "PK item no").Box("Repair", "PPK repair no", "outcome").Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Solid).ToDrawing();
        SentenceWriter.Write(Exercise.Read(drawing))[1].Text.ShouldBe("A repair is known, within its item, by its repair no and has an outcome.");
    }

    [Fact]
    public void With_the_aid_off_only_what_is_drawn_is_said()
    {
        var drawing = new Sketch().Box("Visit", "PK visit no").Box("Item").Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "brings in").ToDrawing();
        var said = string.Join(' ', DrawnSentenceWriter.Write(drawing).Select(sentence => sentence.Text));
        said.ShouldContain("Visit, a rectangle with PK visit no.");
        said.ShouldContain("a foot, then a ring at Item");
        foreach (var meaning in new[] { "key", "many", "zero", "entity", "optional", "minimum" })
        {
            said.ShouldNotContain(meaning);
        }
    }

    private static Sentence Line(EndMark[] atVisit, EndMark[] atItem, string there, string back) =>
        SentenceWriter.Write(CrowsFootReader.Read(new Sketch().Box("Visit", "PK no").Box("Item", "PK no").Line("Visit", atVisit, "Item", atItem, there, back).ToDrawing(), new CrowsFootOptions(Level.Conceptual)))[2];
}
