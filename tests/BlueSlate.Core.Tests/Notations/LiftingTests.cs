using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using Shouldly;

namespace BlueSlate.Core.Tests.Notations;

/// <summary>What boxes share goes up into a supertype, in each notation's own symbols, and down again.</summary>
public sealed class LiftingTests
{
    private static readonly UmlOptions Uml = new();

    private static readonly CrowsFootOptions CrowsFoot = new();

    private static readonly ChenOptions Chen = new();

    private static Drawing Classes =>
        new Sketch()
            .Class("Miller", ["name: String", "since: Date"])
            .Class("Carter", ["Name: String", "cart: String", "since: Integer"])
            .ToDrawing();

    private static Drawing Boxes =>
        new Sketch().Box("Miller", "PK person no", "name", "stone").Box("Carter", "PK person no", "name", "cart").ToDrawing();

    [Fact]
    public void Members_are_the_same_by_name_and_type_and_the_shared_ones_come_first()
    {
        var rows = Amender.Members(Notation.Read(Classes, Uml).Model, ["b1", "b2"]);
        rows.Select(row => (row.Name, row.Type, row.Shared))
            .ShouldBe([
                ("name", "String", true),
                ("since", "Date", false),
                ("cart", "String", false),
                ("since", "Integer", false),
            ]);
        rows[0].Cells.Select(cell => cell.AttributeId).ShouldBe(["t1", "t3"]);
    }

    [Fact]
    public void What_was_chosen_leaves_the_subtypes_and_stands_once_above()
    {
        var lifted = Amender.Lift(
            Classes,
            ["b1", "b2"],
            "Person",
            [
                ["t1", "t3"],
            ],
            Uml
        );
        Says(lifted, Uml)
            .ShouldBe(
                [
                    "Person: name of type String",
                    "Miller: since of type Date",
                    "Carter: cart of type String, since of type Integer",
                    "Miller and Carter are kinds of Person",
                ],
                ignoreOrder: true
            );
        lifted.Lines.Select(line => line.To.Marks.Single()).ShouldBe([EndMark.Triangle, EndMark.Triangle]);
    }

    [Fact]
    public void A_shared_key_identifies_the_supertype()
    {
        var lifted = Amender.Lift(
            Boxes,
            ["b1", "b2"],
            "Person",
            [
                ["t1", "t4"],
                ["t2", "t5"],
            ],
            CrowsFoot
        );
        lifted
            .Shapes.Single(shape => shape.Text == "Person")
            .TextLines.Select(row => row.Mark + row.Text)
            .ShouldBe(["PKperson no", "name"]);
        lifted.Shapes.Single(shape => shape.Text == "Carter").TextLines.Select(row => row.Text).ShouldBe(["cart"]);
        lifted.Shapes.Count(shape => shape.Form == Form.HalfCircle).ShouldBe(1);
    }

    [Fact]
    public void In_Chens_notation_a_circle_stands_between_and_the_ovals_move_up()
    {
        var drawing = new Sketch()
            .Box("Miller")
            .Oval("Miller", "name")
            .Box("Carter")
            .Oval("Carter", "Name")
            .Oval("Carter", "cart")
            .ToDrawing();
        var rows = Amender.Members(Notation.Read(drawing, Chen).Model, ["b1", "b3"]);
        var lifted = Amender.Lift(
            drawing,
            ["b1", "b3"],
            "Person",
            [
                [.. rows[0].Cells.Select(cell => cell.AttributeId)],
            ],
            Chen
        );
        lifted.Shapes.Count(shape => shape.Form == Form.Circle).ShouldBe(1);
        Says(lifted, Chen)
            .ShouldBe(
                ["Person: name", "Miller", "Carter: cart", "Miller and Carter are kinds of Person (partial)"],
                ignoreOrder: true
            );
        lifted.Shapes.Count(shape => shape.Form == Form.Oval).ShouldBe(2);
        var down = Amender.PushDown(lifted, lifted.Shapes.Single(shape => shape.Text == "Person").Id, Chen);
        Says(down, Chen).ShouldBe(["Miller: name", "Carter: cart, name"], ignoreOrder: true);
    }

    [Fact]
    public void Pushing_down_gives_each_subtype_what_was_lifted()
    {
        var lifted = Amender.Lift(
            Boxes,
            ["b1", "b2"],
            "Person",
            [
                ["t1", "t4"],
                ["t2", "t5"],
            ],
            CrowsFoot
        );
        var down = Amender.PushDown(lifted, lifted.Shapes.Single(shape => shape.Text == "Person").Id, CrowsFoot);
        Says(down, CrowsFoot)
            .ShouldBe(["Miller: person no (key), name, stone", "Carter: person no (key), name, cart"], ignoreOrder: true);
        down.Lines.ShouldBeEmpty();
        down.Shapes.Count().ShouldBe(2);
    }

    [Fact]
    public void A_box_that_was_not_chosen_stays_as_drawn_and_so_does_its_line()
    {
        var drawing = new Sketch()
            .Box("Miller", "name")
            .Box("Carter", "name")
            .Box("Sack", "PK sack no")
            .Line("Carter", Ends.One, "Sack", [EndMark.FootOutward, EndMark.Bar], "brings", "")
            .ToDrawing();
        var lifted = Amender.Lift(
            drawing,
            ["b1", "b2"],
            "Person",
            [
                ["t1", "t2"],
            ],
            CrowsFoot
        );
        lifted.Lines.Single(line => line.Id == "r1").To.Marks.ShouldBe([EndMark.FootOutward, EndMark.Bar]);
        lifted
            .Shapes.Single(shape => shape.Id == "b3")
            .TextLines.Select(row => (row.Id, row.Mark, row.Text))
            .ShouldBe([("t3", "PK", "sack no")]);
    }

    [Fact]
    public void A_relationship_of_the_supertype_goes_down_to_every_subtype()
    {
        var drawing = new Sketch()
            .Class("Person", ["name"])
            .Class("Miller", [])
            .Class("Carter", [])
            .Class("Sack", ["weight"])
            .ToDrawing();
        var said = Amender
            .Amend(
                drawing,
                [
                    .. Says(drawing, Uml),
                    "Miller and Carter are kinds of Person",
                    "Person brings 0 or more Sack; Sack goes with exactly 1 Person",
                ],
                Uml
            )
            .Drawing;
        var down = Says(Amender.PushDown(said, "b1", Uml), Uml);
        down.ShouldContain("Miller brings 0 or more Sack; Sack goes with exactly 1 Miller");
        down.ShouldContain("Carter brings 0 or more Sack; Sack goes with exactly 1 Carter");
        down.ShouldNotContain(line => line.Contains("Person", StringComparison.Ordinal));
    }

    private static string[] Says(Drawing drawing, NotationOptions options) =>
        [.. SentenceWriter.Write(Notation.Read(drawing, options)).Select(sentence => sentence.Text)];
}
