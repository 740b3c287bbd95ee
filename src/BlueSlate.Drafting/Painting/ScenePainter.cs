using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting.Painting;

/// <summary>
/// Paints a sheet as the slate does, from the same symbols, by the places, routes and places of texts that the drawing holds.
/// It lays out nothing: a line without a route runs straight, and its texts stand near their ends.
/// </summary>
public static class ScenePainter
{
    private const double TextSize = 13;
    private const double LineTextSize = 14;

    /// <summary>Paints the shapes of a sheet that are wanted, or all, and the lines between them.</summary>
    public static void Paint(Sheet sheet, IReadOnlySet<string>? only, ICanvas canvas)
    {
        var boxes = Boxes(sheet, only);
        foreach (var region in sheet.Regions)
        {
            PaintRegion(region, boxes, canvas);
        }

        foreach (var line in sheet.Lines.Where(line => IsWanted(line, sheet, only)))
        {
            PaintLine(line, Route(line, boxes), canvas);
        }

        foreach (var shape in sheet.Shapes.Where(shape => boxes.ContainsKey(shape.Id)))
        {
            ShapePainter.Paint(shape, boxes[shape.Id], canvas);
        }
    }

    /// <summary>The box around what is painted, with room for texts; in pixels.</summary>
    public static Frame Extent(Sheet sheet, IReadOnlySet<string>? only)
    {
        var boxes = Boxes(sheet, only);
        var points = boxes
            .Values.SelectMany(box => new[] { (box.X, box.Y), (box.X + box.Width, box.Y + box.Height) })
            .Concat(
                sheet
                    .Lines.Where(line => IsWanted(line, sheet, only))
                    .SelectMany(line =>
                        line.Route.Select(point => (point.X / 4.0, point.Y / 4.0))
                            .Concat(line.Labels.SelectMany(label => LabelPoints(line, label)))
                    )
            )
            .ToList();
        if (points.Count == 0)
        {
            return new Frame(0, 0, 200, 100);
        }

        var (x, y) = (points.Min(point => point.Item1) - Margin, points.Min(point => point.Item2) - Margin);
        return new Frame(x, y, points.Max(point => point.Item1) + Margin - x, points.Max(point => point.Item2) + Margin - y);
    }

    /// <summary>Where something is written or drawn: texts of shapes and lines, in pixels.</summary>
    internal static List<Frame> Covered(Sheet sheet) =>
        [
            .. Boxes(sheet, null).Values.Select(box => new Frame(box.X + 6, box.Y + 4, box.Width - 16, box.Height - 8)),
            .. sheet.Lines.SelectMany(line => line.Labels.Select(label => LabelFrame(line, label))),
        ];

    private static Frame LabelFrame(Line line, LabelPlace label)
    {
        var points = LabelPoints(line, label).ToList();
        var (left, top) = points[0];
        return new Frame(left, top, points[1].Item1 - left, points[1].Item2 - top);
    }

    private const double Margin = 24;

    private static IEnumerable<(double, double)> LabelPoints(Line line, LabelPlace label)
    {
        var width = TextWidths.Of(TextOf(line, label), LineTextSize);
        var x = label.At.X / 4.0;
        return [(label.Ends ? x - width : x, (label.At.Y / 4.0) - 12), (label.Ends ? x : x + width, (label.At.Y / 4.0) + 4)];
    }

    internal static Dictionary<string, Frame> Boxes(Sheet sheet, IReadOnlySet<string>? only) =>
        sheet
            .Shapes.Where(shape => only is null || only.Contains(shape.Id))
            .ToDictionary(
                shape => shape.Id,
                shape =>
                {
                    var (width, height) = ShapeSizes.Of(shape);
                    return new Frame((shape.Place?.X ?? 0) / 4.0, (shape.Place?.Y ?? 0) / 4.0, width, height);
                },
                StringComparer.Ordinal
            );

    // With a choice of shapes, only lines that hang on nothing else.
    private static bool IsWanted(Line line, Sheet sheet, IReadOnlySet<string>? only)
    {
        if (only is null)
        {
            return true;
        }

        bool Stands(LineEnd end) =>
            end.On.Kind switch
            {
                AttachmentKind.Shape => only.Contains(end.On.Id!),
                AttachmentKind.Row => sheet.Shapes.Any(shape =>
                    only.Contains(shape.Id) && shape.TextLines.Any(row => row.Id == end.On.Id)
                ),
                AttachmentKind.Nothing => false,
                _ => true,
            };
        return Stands(line.From) && Stands(line.To);
    }

    internal static List<(double X, double Y)> Route(Line line, Dictionary<string, Frame> boxes)
    {
        if (line.Route.Length > 1)
        {
            return [.. line.Route.Select(point => (point.X / 4.0, point.Y / 4.0))];
        }

        (double, double) Middle(LineEnd end) =>
            boxes.TryGetValue(end.On.Id ?? "", out var box) ? (box.X + (box.Width / 2), box.Y + (box.Height / 2)) : (0, 0);
        return [Middle(line.From), Middle(line.To)];
    }

    private static void PaintRegion(Region region, Dictionary<string, Frame> boxes, ICanvas canvas)
    {
        var members = region.Members.Where(boxes.ContainsKey).Select(id => boxes[id]).ToList();
        if (members.Count == 0)
        {
            return;
        }

        const double Around = 18;
        var (x, y) = (members.Min(box => box.X) - Around, members.Min(box => box.Y) - Around - 18);
        var frame = new Frame(
            x,
            y,
            members.Max(box => box.X + box.Width) + Around - x,
            members.Max(box => box.Y + box.Height) + Around - y
        );
        canvas.Path(
            SymbolPaths.InBox("M0 0L1 0L1 1L0 1Z", frame.X, frame.Y, frame.Width, frame.Height),
            new Brush(0, "", Fill.Tint, region.Hue)
        );
        canvas.Text(region.Text, frame.X + 10, frame.Y + 18, new Lettering(TextSize, Reading: true, Italic: true));
    }

    private static void PaintLine(Line line, List<(double X, double Y)> route, ICanvas canvas)
    {
        List<PathPiece> path = [.. route.Select((point, i) => new PathPiece(i == 0 ? 'M' : 'L', [point.X, point.Y]))];
        if (line.Stroke == Stroke.Double)
        {
            canvas.Path(path, new Brush(5));
            canvas.Path(path, new Brush(2, Fill: Fill.Ground));
        }
        else
        {
            canvas.Path(
                path,
                line.Stroke == Stroke.Thin ? Brush.Thin : Brush.Line with { Dashes = line.Stroke == Stroke.Dashed ? "7 5" : "" }
            );
        }

        foreach (var along in line.Along)
        {
            var middle = Middle(route);
            var turn = along.Facing == EndSide.To ? 1 : -1;
            foreach (var symbol in Symbols.Along[along.Symbol].Paths)
            {
                canvas.Path(
                    SymbolPaths.Turned(
                        symbol,
                        0,
                        middle with
                        {
                            DirectionX = middle.DirectionX * turn,
                            DirectionY = middle.DirectionY * turn,
                        }
                    ),
                    Brush.Line
                );
            }
        }

        PaintEnd(line, line.From, StandAt(route[0], route[1]), canvas);
        PaintEnd(line, line.To, StandAt(route[^1], route[^2]), canvas);
        foreach (var label in line.Labels)
        {
            var lettering = new Lettering(
                LineTextSize,
                Reading: true,
                Italic: label.Kind is LabelKind.Label or LabelKind.Text,
                Anchor: label.Ends ? 1 : -1
            );
            var (x, y, text) = (label.At.X / 4.0, label.At.Y / 4.0, TextOf(line, label));
            canvas.Text(text, x, y, lettering);
            if (label.Kind == LabelKind.Text && line.Pointer != EndSide.Neither)
            {
                var middle = Middle(route);
                var turn = line.Pointer == EndSide.To ? 1 : -1;
                var stand = new Stand(
                    x + TextWidths.Of(text, LineTextSize) + 11,
                    y - 5,
                    middle.DirectionX * turn,
                    middle.DirectionY * turn
                );
                canvas.Path(SymbolPaths.Turned("M-5 -4L5 0L-5 4Z", 0, stand), new Brush(0, Fill: Fill.Ink));
            }
        }
    }

    private static void PaintEnd(Line line, LineEnd end, Stand stand, ICanvas canvas)
    {
        if (end.Qualifier.Length > 0)
        {
            var width = TextWidths.Of(end.Qualifier) + 12;
            var across = Math.Abs(stand.DirectionX) > Math.Abs(stand.DirectionY);
            var x = across ? (stand.DirectionX > 0 ? stand.X : stand.X - width) : stand.X - (width / 2);
            var y =
                across ? stand.Y - 10
                : stand.DirectionY > 0 ? stand.Y
                : stand.Y - 20;
            canvas.Path(SymbolPaths.InBox("M0 0L1 0L1 1L0 1Z", x, y, width, 20), Brush.Line with { Fill = Fill.Ground });
            canvas.Text(end.Qualifier, x + 6, y + 14, new Lettering(TextSize));
            var depth = across ? width : 20;
            var (movedX, movedY) = stand.At(depth, 0);
            stand = stand with { X = movedX, Y = movedY };
        }

        var along =
            end.Marks is [EndMark.Bar, ..] ? 4.0
            : end.Marks is [EndMark.Ring, ..] ? 6
            : 0;
        if (line.Stroke == Stroke.Dashed && !end.Marks.IsEmpty)
        {
            // Beneath its marks a line is whole, however the rest of it is dashed.
            var reach = along + end.Marks.Sum(mark => Symbols.Ends[mark].Depth + 1) - 1;
            var (farX, farY) = stand.At(reach, 0);
            canvas.Path([new PathPiece('M', [stand.X, stand.Y]), new PathPiece('L', [farX, farY])], Brush.Line);
        }

        foreach (var symbol in end.Marks.Select(mark => Symbols.Ends[mark]))
        {
            foreach (var path in symbol.Hollow)
            {
                canvas.Path(SymbolPaths.Turned(path, along, stand), Brush.Line with { Fill = Fill.Ground });
            }

            foreach (var path in symbol.Paths)
            {
                canvas.Path(SymbolPaths.Turned(path, along, stand), Brush.Line);
            }

            foreach (var path in symbol.Filled)
            {
                canvas.Path(SymbolPaths.Turned(path, along, stand), Brush.Line with { Fill = Fill.Ink });
            }

            foreach (var circle in symbol.Circles)
            {
                var (x, y) = stand.At(along + circle.X, 0);
                canvas.Circle(x, y, circle.R, Brush.Line with { Fill = Fill.Ground });
            }

            along += symbol.Depth + 1;
        }
    }

    private static string TextOf(Line line, LabelPlace label)
    {
        var end = label.Side == EndSide.To ? line.To : line.From;
        return label.Kind switch
        {
            LabelKind.Label => end.Label,
            LabelKind.Role => end.Role,
            LabelKind.Count => end.Count,
            _ => line.Text,
        };
    }

    internal static Stand StandAt((double X, double Y) at, (double X, double Y) towards)
    {
        var (dx, dy) = (towards.X - at.X, towards.Y - at.Y);
        var length = Math.Max(1e-9, Math.Sqrt((dx * dx) + (dy * dy)));
        return new Stand(at.X, at.Y, dx / length, dy / length);
    }

    internal static Stand Middle(List<(double X, double Y)> route)
    {
        var stands = route
            .Skip(1)
            .Select(
                (point, i) =>
                    (
                        Start: StandAt(route[i], point),
                        Length: Math.Sqrt(Math.Pow(point.X - route[i].X, 2) + Math.Pow(point.Y - route[i].Y, 2))
                    )
            )
            .ToList();
        var left = stands.Sum(piece => piece.Length) / 2;
        foreach (var (start, length) in stands)
        {
            if (left <= length)
            {
                var (x, y) = start.At(left, 0);
                return start with { X = x, Y = y };
            }

            left -= length;
        }

        return stands[0].Start;
    }
}

/// <summary>A box in pixels at zoom 1.</summary>
public readonly record struct Frame(double X, double Y, double Width, double Height);
