using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Drafting;
using Shouldly;
using Xunit;

namespace BlueSlate.Cli.Tests;

/// <summary>A drawing without places gets them: nothing overlaps, and the same drawing always the same ones.</summary>
public sealed class PlacerTests
{
    private static Drawing Sketched =>
        new Sketch()
            .Box("Visitor", "PK visitor no", "name", "o phone")
            .Box("Visit", "PK visit no", "date")
            .Box("Item", "PK item no", "description")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .Line("Item", Ends.ZeroOrOne, "Item", Ends.ZeroOrMore, "replaces")
            .ToDrawing();

    [Fact]
    public void Every_shape_gets_a_place_and_none_covers_another()
    {
        var places = Placer.Place(Sketched).Shapes.Select(shape => shape.Place!).ToList();
        foreach (var (a, i) in places.Select((place, i) => (place, i)))
        {
            places
                .Skip(i + 1)
                .ShouldAllBe(b => a.X + a.Width <= b.X || b.X + b.Width <= a.X || a.Y + a.Height <= b.Y || b.Y + b.Height <= a.Y);
        }
    }

    [Fact]
    public void The_same_drawing_gets_the_same_places() =>
        DrawingWriter.Hash(Placer.Place(Sketched)).ShouldBe(DrawingWriter.Hash(Placer.Place(Sketched)));

    [Fact]
    public void A_drawing_that_has_places_is_left_alone()
    {
        var placed = Placer.Place(Sketched);
        Placer.Place(placed).ShouldBeSameAs(placed);
    }

    [Fact]
    public void A_line_between_two_lines_and_one_tied_to_itself_do_no_harm()
    {
        LineEnd At(string line) => new(new Attachment(AttachmentKind.Line, line), []);
        var joined = new Sketch()
            .Box("Visit")
            .Box("Item")
            .Box("Fixer")
            .Tie("Visit", "Item")
            .Tie("Fixer", "Item")
            .Line(At("r1"), At("r2"), text: "{xor}")
            .Line(At("r3"), At("r4"))
            .ToDrawing();
        Placer.Place(joined).Shapes.ShouldAllBe(shape => shape.Place != null);
    }

    [Fact]
    public void Lines_to_nothing_and_empty_sheets_do_no_harm()
    {
        Placer.Place(Drawing.Empty).IsBlank.ShouldBeTrue();
        var loose = new Sketch()
            .Box("Visit")
            .Line(new LineEnd(Attachment.ToShape("b1"), []), new LineEnd(Attachment.Nothing, []))
            .ToDrawing();
        Placer.Place(loose).Shapes.Single().Place.ShouldNotBeNull();
    }

    [Fact]
    public void No_straight_line_of_a_tree_of_subtypes_runs_through_an_oval()
    {
        var tree = new Sketch()
            .Box("Person")
            .Box("Visitor")
            .Box("Fixer")
            .Circle("d", "Person", false, "Visitor", "Fixer")
            .Oval("Person", "person no", Underline.Solid)
            .Oval("Visitor", "first visit")
            .Oval("Fixer", "since")
            .Oval("Fixer", "badge colour")
            .ToDrawing();
        var placed = Placer.Place(tree);
        var sheet = placed.Sheets.Single();
        var boxes = sheet.Shapes.ToDictionary(shape => shape.Id, shape => shape.Place!);
        foreach (var line in sheet.Lines)
        {
            var (a, b) = (Middle(boxes[line.From.On.Id!]), Middle(boxes[line.To.On.Id!]));
            for (var part = 0.0; part <= 1; part += 0.02)
            {
                var (x, y) = (a.X + (part * (b.X - a.X)), a.Y + (part * (b.Y - a.Y)));
                boxes
                    .Where(box => box.Key != line.From.On.Id && box.Key != line.To.On.Id)
                    .Where(box => x > box.Value.X && x < box.Value.X + box.Value.Width)
                    .ShouldAllBe(box => y <= box.Value.Y || y >= box.Value.Y + box.Value.Height);
            }
        }

        static (double X, double Y) Middle(Place place) => (place.X + (place.Width / 2.0), place.Y + (place.Height / 2.0));
    }

    [Fact]
    public void Attributes_stand_in_a_row_in_their_order_and_what_gathers_them_above_their_key()
    {
        var typed = Typed(["Attributes: kiln, firing, shelf, potter", "Key: kiln, firing", "Kiln and firing determine shelf"]);

        var sheet = Placer.Place(typed).Sheets.Single();

        var cells = sheet.Shapes.Where(shape => shape.Form == Form.Rectangle).ToList();
        cells.Select(shape => shape.Text).ShouldBe(["kiln", "firing", "shelf", "potter"]);
        cells.Select(shape => shape.Place!.Y).Distinct().ShouldHaveSingleItem();
        cells.Select(shape => shape.Place!.X).ShouldBeInOrder();
        var gather = sheet.Shapes.Single(shape => shape.Form == Form.Junction).Place!;
        (gather.Y + gather.Height).ShouldBeLessThan(cells[0].Place!.Y);
        gather.X.ShouldBeInRange(cells[0].Place!.X, cells[1].Place!.X);
        var pieces = SlateGeometry
            .Settle(Placer.Place(typed))
            .Lines.SelectMany(line => line.Route.Zip(line.Route.Skip(1), (one, other) => (one, other)));
        pieces.ShouldAllBe(piece => piece.one.X == piece.other.X || piece.one.Y == piece.other.Y);
    }

    [Fact]
    public void What_is_new_among_attributes_comes_behind_them_and_they_stay()
    {
        var before = Placer.Place(Typed(["Attributes: kiln, firing", "Kiln determines firing"]));
        var options = new DependencyOptions();
        string[] lines = ["Attributes: kiln, firing, shelf", "Kiln determines firing and shelf"];
        var after = Placer.PlaceNew((Drawing)Subject.Of(options).Retype(before, lines, options)!.Document);

        var places = after.Shapes.ToDictionary(shape => shape.Text, shape => shape.Place!);
        before.Shapes.ShouldAllBe(shape => places[shape.Text] == shape.Place);
        places["shelf"].Y.ShouldBe(places["firing"].Y);
        places["shelf"].X.ShouldBeGreaterThan(places["firing"].X + places["firing"].Width);
    }

    [Fact]
    public void Tables_that_nothing_ties_stand_beside_each_other()
    {
        var drawing = new Sketch().Box("Load", "PK load no").Box("Kiln", "PK kiln no").Box("Glaze", "PK glaze no").ToDrawing();

        Placer.Place(drawing).Shapes.Select(shape => shape.Place!.Y).Distinct().Count().ShouldBeLessThan(3);
    }

    private static Drawing Typed(string[] lines)
    {
        var options = new DependencyOptions();
        return (Drawing)Subject.Of(options).Retype(Drawing.Empty, lines, options)!.Document;
    }
}
