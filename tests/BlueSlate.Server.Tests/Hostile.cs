using BlueSlate.Core.Drawings;

namespace BlueSlate.Server.Tests;

/// <summary>Drawings within all limits that are much work for whoever reads, checks, places or paints them.</summary>
internal static class Hostile
{
    /// <summary>Boxes in a chain, and as many lines as are left between boxes that lie far apart in it.</summary>
    public static Drawing Chain(int boxes, int lines)
    {
        var sketch = new Sketch();
        for (var i = 0; i < boxes; i++)
        {
            sketch.Box($"Box {i}", "PK no");
        }

        for (var i = 0; i < lines; i++)
        {
            var (from, to) = i < boxes - 1 ? (i, i + 1) : (i - boxes + 1, boxes - 1 - ((i - boxes + 1) / 2));
            sketch.Line(
                new LineEnd(Attachment.ToShape($"b{1 + (from % boxes)}"), [.. Ends.One]),
                new LineEnd(Attachment.ToShape($"b{1 + (to % boxes)}"), [.. Ends.ZeroOrMore])
            );
        }

        return sketch.ToDrawing();
    }

    /// <summary>One box to which all others are tied.</summary>
    public static Drawing Star(int boxes)
    {
        var sketch = Boxes(boxes);
        for (var i = 2; i <= boxes; i++)
        {
            sketch.Line(End("b1"), End($"b{i}"));
        }

        return sketch.ToDrawing();
    }

    /// <summary>Boxes that nothing tells apart, each tied to the next.</summary>
    public static Drawing LookAlikes(int boxes)
    {
        var sketch = new Sketch();
        for (var i = 0; i < boxes; i++)
        {
            sketch.Box("Thing", "PK no", "name");
        }

        for (var i = 1; i < boxes; i++)
        {
            sketch.Line(End($"b{i}"), End($"b{i + 1}"));
        }

        return sketch.ToDrawing();
    }

    /// <summary>Boxes as large as they may be.</summary>
    public static Drawing Wide(int boxes)
    {
        var sketch = new Sketch();
        for (var i = 0; i < boxes; i++)
        {
            sketch.Box(
                $"Box {i} {new string('W', 180)}",
                [.. Enumerable.Range(0, 40).Select(row => $"FK{row % 9} {new string('w', 30)} {row} {i}")]
            );
        }

        for (var i = 1; i < boxes; i++)
        {
            sketch.Line(End($"b{i}"), End($"b{i + 1}"));
        }

        return sketch.ToDrawing();
    }

    /// <summary>An oval on an oval on an oval, and at the end the first.</summary>
    public static Drawing OvalsOnOvals(int ovals)
    {
        var sketch = new Sketch();
        for (var i = 0; i < ovals; i++)
        {
            sketch.Shape(Form.Oval, $"part {i}");
        }

        for (var i = 1; i <= ovals; i++)
        {
            sketch.Line(End($"b{i}"), End($"b{(i % ovals) + 1}"), Stroke.Solid);
        }

        return sketch.ToDrawing();
    }

    /// <summary>Lines that end on lines that end on lines.</summary>
    public static Drawing LinesOnLines(int lines)
    {
        var sketch = Boxes(20).Line(End("b1"), End("b2"));
        for (var i = 1; i < lines; i++)
        {
            sketch.Line(End($"b{1 + (i % 20)}"), new LineEnd(new Attachment(AttachmentKind.Line, $"r{i}"), []));
        }

        return sketch.ToDrawing();
    }

    /// <summary>Diamonds, each tied to many boxes.</summary>
    public static Drawing Diamonds(int diamonds, int arms)
    {
        var sketch = Boxes(60);
        for (var i = 0; i < diamonds; i++)
        {
            sketch.Shape(Form.Diamond, $"does {i}");
            for (var arm = 0; arm < arms; arm++)
            {
                sketch.Line(End($"b{1 + (((i * 7) + arm) % 60)}"), End($"b{61 + i}"), Stroke.Solid);
            }
        }

        return sketch.ToDrawing();
    }

    /// <summary>Each box a subtype of the next, and the last of the first.</summary>
    public static Drawing SubtypesInACircle(int boxes)
    {
        var sketch = Boxes(boxes);
        for (var i = 1; i <= boxes; i++)
        {
            sketch.Shape(Form.HalfCircle, "d");
            sketch.Line(End($"b{i}"), End($"b{boxes + i}"), Stroke.Solid);
            sketch.Line(End($"b{boxes + i}"), End($"b{(i % boxes) + 1}"), Stroke.Solid);
            sketch.Line(End($"b{boxes + i}"), End($"b{((i + 40) % boxes) + 1}"), Stroke.Solid);
        }

        return sketch.ToDrawing();
    }

    /// <summary>Lines from boxes to themselves, many at each.</summary>
    public static Drawing Loops(int boxes, int lines)
    {
        var sketch = Boxes(boxes);
        for (var i = 0; i < lines; i++)
        {
            sketch.Line(End($"b{1 + (i % boxes)}"), End($"b{1 + (i % boxes)}"));
        }

        return sketch.ToDrawing();
    }

    /// <summary>Boxes with places at the ends of the slate, so that pictures are as large as they can be.</summary>
    public static Drawing FarApart(int boxes)
    {
        var drawing = Chain(boxes, boxes);
        return drawing with
        {
            Sheets =
            [
                .. drawing.Sheets.Select(sheet =>
                    sheet with
                    {
                        Shapes =
                        [
                            .. sheet.Shapes.Select(
                                (shape, i) =>
                                    shape with
                                    {
                                        Place = new Place(
                                            (i % 2 == 0 ? 1 : -1) * (390_000 - i),
                                            (i % 3 == 0 ? 1 : -1) * (390_000 - i),
                                            400,
                                            200
                                        ),
                                    }
                            ),
                        ],
                    }
                ),
            ],
        };
    }

    private static Sketch Boxes(int boxes)
    {
        var sketch = new Sketch();
        for (var i = 0; i < boxes; i++)
        {
            sketch.Box($"Box {i}", "PK no");
        }

        return sketch;
    }

    private static LineEnd End(string shape) => new(Attachment.ToShape(shape), [.. Ends.ZeroOrMore]);
}
