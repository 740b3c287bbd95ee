using BlueSlate.Core.Drawings;
using BlueSlate.Drafting;
using Shouldly;
using Xunit;

namespace BlueSlate.Cli.Tests;

/// <summary>A layout fills a slate: long chains are folded, and trees lead downward all the same.</summary>
public sealed class ArrangementTests
{
    [Theory]
    [InlineData(5)]
    [InlineData(8)]
    [InlineData(13)]
    public void A_chain_of_boxes_is_no_row_of_tiny_ones(int boxes)
    {
        var chain = new Sketch();
        for (var i = 0; i < boxes; i++)
        {
            chain.Box($"Booth {i}", "PK booth no", "name");
        }

        for (var i = 1; i < boxes; i++)
        {
            chain.Line($"Booth {i - 1}", Ends.One, $"Booth {i}", Ends.OneOrMore, "is brought to", "is kept in");
        }

        var (width, height) = SizeOf(Placer.Place(chain.ToDrawing()));
        // Side by side, each with its words would take more than twice that.
        (width / boxes / 4).ShouldBeLessThan(260);
        (height / boxes / 4).ShouldBeLessThan(170);
    }

    [Fact]
    public void Two_boxes_stand_side_by_side()
    {
        var places = Placer
            .Place(new Sketch().Box("Visit").Box("Item").Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in").ToDrawing())
            .Shapes.Select(shape => shape.Place!)
            .ToList();
        (places[0].X + places[0].Width).ShouldBeLessThan(places[1].X);
    }

    [Fact]
    public void Kinds_stand_beneath_what_they_are_kinds_of_whatever_else_is_drawn()
    {
        var sketch = new Sketch().Box("Recording").Box("Concert").Box("Talk").Box("Archivist").Box("Booth").Box("Listening");
        var drawing = sketch
            .Circle("d", "Recording", false, "Concert", "Talk")
            .Line("Archivist", Ends.One, "Recording", Ends.ZeroOrMore, "files")
            .Line("Booth", Ends.One, "Listening", Ends.ZeroOrMore, "hosts")
            .Line("Recording", Ends.One, "Listening", Ends.ZeroOrMore, "is heard in")
            .ToDrawing();
        var places = Placer.Place(drawing).Shapes.ToDictionary(shape => shape.Text, shape => shape.Place!);
        foreach (var kind in new[] { "Concert", "Talk" })
        {
            places[kind].Y.ShouldBeGreaterThan(places["Recording"].Y + places["Recording"].Height);
        }

        places["Concert"].Y.ShouldBe(places["Talk"].Y);
    }

    private static (double Width, double Height) SizeOf(Drawing drawing)
    {
        var places = drawing.Shapes.Select(shape => shape.Place!).ToList();
        return (
            places.Max(place => place.X + place.Width) - places.Min(place => place.X),
            places.Max(place => place.Y + place.Height) - places.Min(place => place.Y)
        );
    }
}
