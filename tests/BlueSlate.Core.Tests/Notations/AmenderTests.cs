using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using Shouldly;

namespace BlueSlate.Core.Tests.Notations;

/// <summary>Editing a statement changes just the shapes that it names; everything else, faults too, stays as drawn.</summary>
public sealed class AmenderTests
{
    private static readonly CrowsFootOptions CrowsFoot = new();

    private static Drawing Café =>
        new Sketch()
            .Box("Visit", "PK visit no", "date")
            .Box("Item", "PK item no", "fault")
            .Line("Visit", Ends.One, "Item", [EndMark.FootOutward, EndMark.Bar], "brings in", "comes in on")
            .ToDrawing();

    [Fact]
    public void A_changed_amount_changes_the_marks_of_that_end_alone()
    {
        var lines = Lines(Café);
        var amended = Amend(
            Café,
            [lines[0], lines[1], lines[2].Replace("exactly 1 Visit", "0 or 1 Visit", StringComparison.Ordinal)]
        );
        var (old, line) = (Café.Lines.Single(), amended.Lines.Single());
        line.From.Marks.ShouldBe([EndMark.Bar, EndMark.Ring]);
        line.To.Marks.ShouldBe(old.To.Marks);
        line.To.Label.ShouldBe(old.To.Label);
        amended.Shapes.ShouldBe(Café.Shapes, new ShapeText());
    }

    [Fact]
    public void Things_that_are_said_in_another_order_keep_their_lines()
    {
        string[] ties =
        [
            "Conductor leads 0 or more Rehearsal; Rehearsal is led by exactly 1 Conductor",
            "Rehearsal practises 1 or more Piece; Piece is practised at 0 or more Rehearsal",
        ];
        var options = new CrowsFootOptions();
        var bare = Amender.Amend(Drawing.Empty, ties, options).Drawing;
        string[] lines = ["Piece: title, composer", "Rehearsal: date, place", "Conductor: name, phone", .. ties];
        var typed = Amender.Amend(bare, lines, options);
        typed.Problems.ShouldBeEmpty();
        SentenceWriter
            .Write(Notation.Read(typed.Drawing, options))
            .Select(sentence => sentence.Text)
            .ShouldBe(lines, ignoreOrder: true);
        var boxes = bare.Shapes.ToDictionary(shape => shape.Text, shape => shape.Id);
        typed.Drawing.Shapes.ShouldAllBe(shape => boxes[shape.Text] == shape.Id);
    }

    [Fact]
    public void A_renamed_attribute_keeps_its_row_and_a_new_one_follows()
    {
        var amended = Amend(Café, ["Visit: visit no (key), day, helper (optional)", .. Lines(Café)[1..]]);
        amended
            .Shapes.First()
            .TextLines.Select(row => (row.Id, row.Mark, row.Ring, row.Text))
            .ShouldBe([("t1", "PK", false, "visit no"), ("t2", "", false, "day"), ("n1", "", true, "helper")]);
        amended.Lines.Single().To.Marks.ShouldBe([EndMark.FootOutward, EndMark.Bar]);
    }

    [Fact]
    public void A_statement_that_was_deleted_takes_its_shapes_and_lines_away()
    {
        var lines = Lines(Café);
        Amend(Café, [lines[0], lines[1]]).Lines.ShouldBeEmpty();
        Amend(Café, [lines[0]]).Shapes.Select(shape => shape.Text).ShouldBe(["Visit"]);
        Amend(Café, [lines[0], lines[2]]).Lines.ShouldBeEmpty();
    }

    [Fact]
    public void A_set_that_becomes_total_doubles_the_line_to_its_circle_as_that_was_drawn()
    {
        var chen = new ChenOptions();
        var drawing = new Sketch()
            .Box("Person")
            .Box("Fixer")
            .Box("Visitor")
            .Circle("d", "Person", false, "Fixer", "Visitor")
            .ToDrawing();
        string[] lines = [.. SentenceWriter.Write(Notation.Read(drawing, chen)).Select(sentence => sentence.Text)];
        var amended = Amender
            .Amend(drawing, [.. lines.Select(line => line.Replace("partial", "total", StringComparison.Ordinal))], chen)
            .Drawing;
        amended
            .Lines.Select(line => (line.Id, line.Stroke))
            .ShouldBe([("r1", Stroke.Double), ("r2", Stroke.Solid), ("r3", Stroke.Solid)]);
    }

    [Fact]
    public void A_new_statement_draws_what_it_names()
    {
        var amended = Amend(
            Café,
            [
                .. Lines(Café),
                "Fixer: badge no (key), skills (several)",
                "Fixer looks at 0 or more Item; Item is looked at by 0 or 1 Fixer",
            ]
        );
        var fixer = amended.Shapes.Single(shape => shape.Text == "Fixer");
        fixer.TextLines.Select(row => row.Mark + row.Text).ShouldBe(["PKbadge no", "{skills}"]);
        var line = amended.Lines.Last();
        (line.From.On.Id, line.To.On.Id, line.From.Label, line.To.Label).ShouldBe(
            (fixer.Id, "b2", "looks at", "is looked at by")
        );
        line.To.Marks.ShouldBe([EndMark.Foot, EndMark.Ring]);
    }

    [Theory]
    [InlineData("Session, Dome, Telescope, Plate, Observer")]
    [InlineData("Observer, Session, Telescope, Dome, Plate")]
    [InlineData("Plate, Telescope, Observer, Session, Dome")]
    public void Lines_in_another_order_take_nothing_away(string order)
    {
        var drawing = new Sketch()
            .Box("Dome", "PK no")
            .Box("Telescope", "PK no")
            .Box("Session", "PK no")
            .Box("Observer", "PK no")
            .ToDrawing();
        var typed = order.Split(", ").Select(name => name == "Session" ? "Session: no (key), date" : $"{name}: no (key)");
        var amended = Amend(drawing, [.. typed]);
        amended
            .Shapes.Select(shape => (shape.Id[..1], shape.Text))
            .ShouldBe([("b", "Dome"), ("b", "Telescope"), ("b", "Session"), ("b", "Observer"), ("n", "Plate")]);
        amended.Shapes.Single(shape => shape.Text == "Session").TextLines.Select(row => row.Text).ShouldBe(["no", "date"]);
    }

    [Fact]
    public void A_statement_typed_twice_is_drawn_once_and_told_of()
    {
        var lines = Lines(Café);
        var amendment = Amender.Amend(
            Café,
            [.. lines[..2], lines[2], "Fixer: badge no (key)", lines[2], "Fixer: badge no (key)"],
            CrowsFoot
        );
        amendment
            .Problems.Select(problem => (problem.Line, problem.Problem.Message))
            .ShouldBe([(4, "line 3 says this already"), (5, "line 4 says this already")]);
        amendment.Drawing.Shapes.Select(shape => shape.Text).ShouldBe(["Visit", "Item", "Fixer"]);
        amendment.Drawing.Lines.ShouldHaveSingleItem();
    }

    [Fact]
    public void A_box_that_keeps_what_a_tie_notes_is_called_by_what_it_joins()
    {
        var amended = Amend(
            Café,
            [
                .. Lines(Café),
                "Fixer: badge no (key)",
                "Fixer comes to 0 or more Visit; Visit is joined by many Fixer, noting hours",
            ]
        );
        var between = amended.Shapes.Single(shape => shape.Form == Form.Rounded);
        (between.Text, between.TextLines.Single().Text).ShouldBe(("Fixer Visit", "hours"));
        Lines(amended)[^2..]
            .ShouldBe([
                "Fixer comes to 0 or more Fixer Visit; Fixer Visit goes with exactly 1 Fixer (identifying)",
                "Visit is joined by many Fixer Visit; Fixer Visit goes with exactly 1 Visit (identifying)",
            ]);
    }

    [Fact]
    public void A_name_that_is_new_in_a_relationship_becomes_a_box()
    {
        var amended = Amend(Café, [.. Lines(Café), "Fixer looks at many Item"]);
        amended.Shapes.Count(shape => shape.Text == "Fixer").ShouldBe(1);
        amended.Lines.Count().ShouldBe(2);
    }

    [Fact]
    public void An_oval_is_restyled_and_a_line_doubled_in_Chen()
    {
        var chen = new ChenOptions();
        var drawing = ChenReaderTests.Weak().ToDrawing();
        var lines = Lines(drawing, chen);
        lines[2].ShouldBe("Item is tried in 0 or more Repair; Repair goes with exactly 1 Item (identifying)");
        var amended = Amender
            .Amend(
                drawing,
                [
                    "Item: item no (key), fault, names (several)",
                    lines[1],
                    lines[2].Replace("0 or more", "1 or more", StringComparison.Ordinal),
                ],
                chen
            )
            .Drawing;
        amended
            .Shapes.Where(shape => shape.Form == Form.Oval)
            .Select(shape => (shape.Text, shape.Outline))
            .ShouldContain(("names", Outline.Double));
        amended.Lines.Single(line => line.From.On.Id == "b1" && line.From.Count == "1").Stroke.ShouldBe(Stroke.Double);
        amended.Lines.Count().ShouldBe(drawing.Lines.Count() + 2);
    }

    [Fact]
    public void A_whole_class_diagram_can_be_typed()
    {
        var uml = new UmlOptions();
        string[] lines =
        [
            "Person is abstract: name of type String (private)",
            "Visitor: first visit of type Date (private)",
            "Fixer: skills of type Skill (several), since of type Date (private)",
            "Evening: date of type Date (private)",
            "Evening can freeSlots giving Slot (public)",
            "Slot: minutes of type Integer by default 30 (private)",
            "Evening goes with 1 or more Slot; Slot goes with exactly 1 Evening (composition in Evening)",
            "Fixer serves 0 or more Slot; Slot goes with exactly 1 Fixer",
            "Visitor and Fixer are kinds of Person (overlapping, total)",
        ];
        var amended = Amender.Amend(Drawing.Empty, lines, uml);
        amended.Problems.ShouldBeEmpty();
        SentenceWriter.Write(Notation.Read(amended.Drawing, uml)).Select(sentence => sentence.Text).ShouldBe(lines);
    }

    [Theory]
    [InlineData(": fault", 0, "Say first")]
    [InlineData("Visit brings in 1 or more Item; and more", 32, "second half")]
    public void What_cannot_be_taken_is_told_with_its_place(string line, int start, string message)
    {
        var problem = Amender.Amend(Café, [.. Lines(Café), line], CrowsFoot).Problems.Single();
        (problem.Line, problem.Problem.Start).ShouldBe((3, start));
        problem.Problem.Message.ShouldContain(message);
    }

    [Fact]
    public void What_the_notation_cannot_say_is_told() =>
        Amender.Amend(Café, [.. Lines(Café), "Gate is abstract"], CrowsFoot).Unsaid.ShouldBe(["Gate is abstract."]);

    private static string[] Lines(Drawing drawing, NotationOptions? options = null) =>
        [.. SentenceWriter.Write(Notation.Read(drawing, options ?? CrowsFoot)).Select(sentence => sentence.Text)];

    private static Drawing Amend(Drawing drawing, params IReadOnlyList<string> lines) =>
        Amender.Amend(drawing, lines, CrowsFoot).Drawing;

    private sealed class ShapeText : IEqualityComparer<Shape>
    {
        public bool Equals(Shape? x, Shape? y) => x!.Id == y!.Id && x.Text == y.Text && x.TextLines.SequenceEqual(y.TextLines);

        public int GetHashCode(Shape obj) => obj.Id.GetHashCode(StringComparison.Ordinal);
    }
}
