using BlueSlate.Core.Drawings;
using BlueSlate.Drafting;
using Shouldly;
using Xunit;

namespace BlueSlate.Cli.Tests;

/// <summary>Tidying up leaves alone what it is told to, covers nothing, and stays where the drawing was.</summary>
public sealed class TidierTests
{
    private static readonly string[] Names = ["Visitor", "Visit", "Item", "Volunteer", "Skill", "Tool"];

    /// <summary>Six boxes on one heap, with lines between them.</summary>
    private static Drawing Heap(params string[] pinned)
    {
        var sketch = new Sketch();
        foreach (var name in Names)
        {
            sketch.Box(name, $"PK {name} no", "remark");
        }

        sketch
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .Line("Volunteer", Ends.ZeroOrMore, "Skill", Ends.ZeroOrMore, "has")
            .Line("Item", Ends.ZeroOrMore, "Volunteer", Ends.ZeroOrOne, "is mended by");
        var drawing = sketch.ToDrawing();
        var sheet = drawing.Sheets[0];
        return drawing with
        {
            Sheets =
            [
                sheet with
                {
                    Shapes =
                    [
                        .. sheet.Shapes.Select(
                            (shape, i) =>
                                shape with
                                {
                                    Place = new Place(4000 + (i * 40), 2000 + (i * 40), 600, 320),
                                    Pinned = pinned.Contains(shape.Text),
                                }
                        ),
                    ],
                },
            ],
        };
    }

    [Fact]
    public void All_are_placed_apart_and_start_where_the_drawing_did()
    {
        var places = Tidier.Tidy(Heap(), []);
        places.Count.ShouldBe(Names.Length);
        ShouldBeApart([.. places.Values]);
        places.Values.Min(place => place.X).ShouldBe(4000);
        places.Values.Min(place => place.Y).ShouldBe(2000);
    }

    [Fact]
    public void What_is_pinned_stays_and_nothing_comes_to_lie_on_it()
    {
        var drawing = Heap("Item", "Tool");
        var places = Tidier.Tidy(drawing, []);
        var pinned = drawing.Shapes.Where(shape => shape.Pinned).ToList();
        pinned.ShouldAllBe(shape => !places.ContainsKey(shape.Id));
        foreach (var fixedPlace in pinned.Select(shape => shape.Place!))
        {
            ShouldBeApart([fixedPlace, .. places.Values]);
        }
    }

    [Fact]
    public void Only_what_is_named_is_moved()
    {
        var drawing = Heap();
        var ids = drawing.Shapes.Take(3).Select(shape => shape.Id).ToArray();
        var places = Tidier.Tidy(drawing, ids);
        places.Keys.Order().ShouldBe(ids.Order());
        ShouldBeApart([.. places.Values]);
        Tidier.Tidy(drawing, ["no such shape"]).ShouldBeEmpty();
    }

    [Fact]
    public void The_same_drawing_is_tidied_the_same_way_and_all_pinned_is_left_alone()
    {
        Tidier.Tidy(Heap("Item"), []).ShouldBe(Tidier.Tidy(Heap("Item"), []));
        Tidier.Tidy(Heap(Names), []).ShouldBeEmpty();
        Tidier.Tidy(Drawing.Empty, []).ShouldBeEmpty();
    }

    [Fact]
    public void Longer_words_at_the_ends_get_more_room()
    {
        Drawing Worded(string label) =>
            new Sketch().Box("Visit").Box("Item").Line("Visit", Ends.One, "Item", Ends.OneOrMore, label).ToDrawing();
        int Room(Drawing drawing)
        {
            var places = Placer.Place(drawing).Shapes.Select(shape => shape.Place!).OrderBy(place => place.X).ToList();
            return places[1].X - places[0].X - places[0].Width;
        }

        Room(Worded("is brought along in the morning by")).ShouldBeGreaterThan(Room(Worded("has")));
    }

    private static void ShouldBeApart(IReadOnlyList<Place> places)
    {
        foreach (var (a, i) in places.Select((place, i) => (place, i)))
        {
            places
                .Skip(i + 1)
                .ShouldAllBe(b => a.X + a.Width <= b.X || b.X + b.Width <= a.X || a.Y + a.Height <= b.Y || b.Y + b.Height <= a.Y);
        }
    }
}
