using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>What a drawing says, in plain English, and what it leaves open.</summary>
public sealed class SentenceTests
{
    [Theory]
    [InlineData("Visitor|PK visitor no|name|o phone", "Visitor: visitor no (key), name, phone (optional)", null)]
    [InlineData("Fixer|PK badge no|{skills}|[age]", "Fixer: badge no (key), skills (several), age (derived)", null)]
    [InlineData("Hall|PK street|PK house no", "Hall: street (key), house no (key)", null)]
    [InlineData(
        "Member|PK no|AK1 email|address (street, town)",
        "Member: no (key), email (alternate key 1), address (street, town)",
        null
    )]
    [InlineData("Item|fault", "Item: fault", "what tells one item from another?")]
    [InlineData("Item", "Item", "what tells one item from another?")]
    public void A_box(string box, string said, string? open)
    {
        var parts = box.Split('|');
        var sentence = SentenceWriter.Write(Exercise.Read(new Sketch().Box(parts[0], parts[1..]).ToDrawing())).Single();
        sentence.Text.ShouldBe(said);
        sentence.StillOpen.ShouldBe(open);
    }

    [Fact]
    public void A_line_is_read_from_both_its_ends()
    {
        var sentence = Line(Ends.One, Ends.OneOrMore, "brings in", "comes in on");
        sentence.Text.ShouldBe("Visit brings in 1 or more Item; Item comes in on exactly 1 Visit");
        sentence.StillOpen.ShouldBeNull();
        sentence.Pieces.Single(piece => piece.Text == "1 or more").ElementId.ShouldBe("r1/to");
    }

    [Theory]
    [InlineData(
        EndMark.Foot,
        "Visit brings in many Item; Item comes in on exactly 1 Visit",
        "how many items, at least, go with a visit?"
    )]
    [InlineData(
        EndMark.Ring,
        "Visit brings in at least 0 Item; Item comes in on exactly 1 Visit",
        "how many items, at most, go with a visit?"
    )]
    public void An_unfinished_end_is_said_and_asked_about(string mark, string said, string open)
    {
        var sentence = Line(Ends.One, [mark], "brings in", "comes in on");
        sentence.Text.ShouldBe(said);
        sentence.StillOpen.ShouldBe(open);
    }

    [Fact]
    public void A_line_without_a_name_is_asked_about() =>
        Line(Ends.One, Ends.ZeroOrOne, "", "").StillOpen.ShouldBe("what is this relationship called?");

    [Fact]
    public void Roles_tell_the_two_ends_of_a_recursive_line()
    {
        var drawing = new Sketch()
            .Box("Fixer", "PK badge no")
            .Line(
                new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrOne], "mentors", "mentor"),
                new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrMore], "is mentored by", "newcomer")
            )
            .ToDrawing();
        SentenceWriter
            .Write(Exercise.Read(drawing))[1]
            .Text.ShouldBe("Fixer as mentor mentors 0 or more Fixer; Fixer as newcomer is mentored by 0 or 1 Fixer");
    }

    [Fact]
    public void A_weak_entity_says_so_and_its_relationship_that_it_identifies()
    {
        var drawing = new Sketch()
            .Box("Item", "PK item no")
            .Box("Repair", "PPK repair no", "outcome")
            .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Solid)
            .ToDrawing();
        SentenceWriter
            .Write(Exercise.Read(drawing))
            .Select(sentence => sentence.Text)
            .Skip(1)
            .ShouldBe([
                "Repair is weak: repair no (partial key), outcome",
                "Item is tried in 0 or more Repair; Repair tries exactly 1 Item (identifying)",
            ]);
    }

    [Fact]
    public void A_class_diagram_says_members_kinds_and_links()
    {
        var sketch = new Sketch()
            .Class("«interface» Bookable", ["+ isFree(on: Date): Boolean"])
            .Class("Evening", ["- date: Date"])
            .Class("Slot", ["- minutes: Integer = 30"])
            .Tie("Evening", "Slot", Stroke.Solid, "", "1", "1..*", EndMark.SolidDiamond)
            .Tie("Slot", "«interface» Bookable", Stroke.Dashed, markTo: EndMark.Triangle);
        SentenceWriter
            .Write(Notation.Read(sketch.ToDrawing(), new UmlOptions()))
            .Select(sentence => sentence.Text)
            .ShouldBe([
                "Bookable is an interface",
                "Bookable can isFree given on of type Date giving Boolean (public, abstract)",
                "Evening: date of type Date (private)",
                "Slot: minutes of type Integer by default 30 (private)",
                "Evening goes with 1 or more Slot; Slot goes with exactly 1 Evening (composition in Evening)",
                "Slot realises Bookable",
            ]);
    }

    [Fact]
    public void A_specialisation_and_a_relationship_of_three()
    {
        var sketch = new Sketch()
            .Box("Person")
            .Box("Guest")
            .Box("Helper")
            .Circle("o", "Person", false, "Guest", "Helper")
            .Diamond("operates", Outline.Single, ("Helper", "1", false), ("Guest", "N", false), ("Person", "M", false));
        SentenceWriter
            .Write(Notation.Read(sketch.ToDrawing(), new ChenOptions()))
            .Select(sentence => sentence.Text)
            .Skip(3)
            .ShouldBe([
                "operates joins at most 1 Helper, many Guest, many Person",
                "Guest and Helper are kinds of Person (overlapping, partial)",
            ]);
    }

    [Fact]
    public void What_tells_one_from_another_is_asked_only_where_the_notation_shows_it()
    {
        var drawing = new Sketch().Box("Visit", "day").ToDrawing();
        SentenceWriter
            .Write(Notation.Read(drawing, new CrowsFootOptions()))[0]
            .StillOpen.ShouldBe("what tells one visit from another?");
        SentenceWriter.Write(Notation.Read(drawing, new UmlOptions()))[0].StillOpen.ShouldBeNull();
    }

    [Fact]
    public void With_the_aid_off_only_what_is_drawn_is_said()
    {
        var drawing = new Sketch()
            .Box("Visit", "PK visit no")
            .Box("Item")
            .Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "brings in")
            .ToDrawing();
        var said = string.Join(' ', DrawnSentenceWriter.Write(drawing).Select(sentence => sentence.Text));
        said.ShouldContain("Visit, a box with PK visit no.");
        said.ShouldContain("a foot, then a ring at Item");
        foreach (var meaning in new[] { "key", "many", "zero", "entity", "optional", "minimum" })
        {
            said.ShouldNotContain(meaning);
        }
    }

    private static Sentence Line(string[] atVisit, string[] atItem, string there, string back) =>
        SentenceWriter.Write(
            Notation.Read(
                new Sketch()
                    .Box("Visit", "PK no")
                    .Box("Item", "PK no")
                    .Line("Visit", atVisit, "Item", atItem, there, back)
                    .ToDrawing(),
                new CrowsFootOptions()
            )
        )[2];
}
