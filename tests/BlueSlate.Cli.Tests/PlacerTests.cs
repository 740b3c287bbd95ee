using BlueSlate.Core.Drawings;
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
}
