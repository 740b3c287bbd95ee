using System.Globalization;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting.Painting;

/// <summary>How many something at one part of a drawing is about.</summary>
public sealed record Count(string Element, int Number);

/// <summary>Numbers at the parts of a drawing, and what they say, for a picture that is shown and not opened for change.</summary>
/// <param name="Title">What the picture shows.</param>
/// <param name="Says">What a number says.</param>
/// <param name="Of">How many there are in all: a number of a third of them or more is larger.</param>
/// <param name="Numbers">The numbers; those at parts that are not drawn are left out.</param>
public sealed record Counts(string Title, string Says, int Of, IReadOnlyList<Count> Numbers)
{
    private const double Margin = 14;
    private const double Head = 58;
    private const double Radius = 9;
    private const double Gap = 8;
    private const int Hue = 2;

    /// <summary>The frame of a picture with the numbers and a head above it.</summary>
    internal static Frame Widened(Frame frame) =>
        new(frame.X - Margin, frame.Y - Margin - Head, frame.Width + (2 * Margin), frame.Height + (2 * Margin) + Head);

    /// <summary>Paints what lies behind the drawing: a band at every part that has a number, and the head.</summary>
    internal void PaintBehind(Sheet sheet, Frame frame, ICanvas canvas)
    {
        canvas.Text(Title, frame.X + Margin, frame.Y + 30, new Lettering(20, Reading: true, Bold: true));
        canvas.Text(Says, frame.X + Margin, frame.Y + 52, new Lettering(13));
        foreach (var (_, place, _) in On(sheet))
        {
            canvas.Path(Rectangle(Around(place, 5)), new Brush(0, Fill: Fill.Tint, Hue: Hue));
        }
    }

    /// <summary>Paints the numbers: in a box at the end of its name and its rows, beside everything else.</summary>
    internal void PaintOver(Sheet sheet, ICanvas canvas)
    {
        var on = On(sheet).ToLookup(one => one.Inside is not null);
        foreach (var (number, place, baseline) in on[true])
        {
            Write(canvas, number, place.X + place.Width - Gap, baseline!.Value, anchor: 1);
        }

        var beside = on[false].ToList();
        var covered = Covered(sheet);
        foreach (
            var ((number, _, _), (x, y)) in beside.Zip(NumberPlaces.Beside(beside.Select(one => one.Place), covered, Radius))
        )
        {
            Write(canvas, number, x, y + 4.5, anchor: 0);
        }
    }

    private void Write(ICanvas canvas, int number, double x, double y, int anchor) =>
        canvas.Text(
            number.ToString(CultureInfo.InvariantCulture),
            x,
            y,
            new Lettering(3 * number >= Of ? 15 : 12, Bold: true, Anchor: anchor, Ochre: true)
        );

    // Each number with the place of its part and, where it stands inside the part, its baseline.
    private List<(int Number, Frame Place, double? Inside)> On(Sheet sheet)
    {
        var places = ElementPlaces.Of(sheet);
        var inside = sheet
            .Shapes.Where(shape => Symbols.Forms[shape.Form].Layout == "rows")
            .SelectMany(shape => InsideOf(shape, places))
            .ToDictionary(StringComparer.Ordinal);
        return
        [
            .. Numbers
                .Where(count => places.ContainsKey(count.Element))
                .Select(count =>
                    (count.Number, places[count.Element], inside.TryGetValue(count.Element, out var y) ? y : (double?)null)
                ),
        ];
    }

    // The baselines of a box's name and rows, where a number fits behind them.
    private static IEnumerable<KeyValuePair<string, double>> InsideOf(Shape shape, Dictionary<string, Frame> places)
    {
        const double Room = 30;
        var box = places[shape.Id];
        var head = ShapeSizes.HeadHeightOf(shape);
        if (TextWidths.Of(ShapeSizes.HeadOf(shape.Text).Name, bold: true) + Room < box.Width)
        {
            yield return KeyValuePair.Create(shape.Id, box.Y + (head / 2) + 5);
        }

        foreach (var row in shape.TextLines.Where(row => TextWidths.Of(row.Text) + ShapeSizes.IndentOf(shape) + Room < box.Width))
        {
            yield return KeyValuePair.Create(row.Id, places[row.Id].Y + (ShapeSizes.RowHeight / 2) + 4);
        }
    }

    // Whole boxes, texts, and lines with room for the symbols at their ends: a number stands on none of them.
    private static List<Frame> Covered(Sheet sheet)
    {
        const double Beside = 4;
        var boxes = ScenePainter.Boxes(sheet, null);
        var lines = sheet
            .Lines.Select(line => ScenePainter.Route(line, boxes))
            .SelectMany(route => route.Zip(route.Skip(1)))
            .Select(leg => new Frame(
                Math.Min(leg.First.X, leg.Second.X) - Beside,
                Math.Min(leg.First.Y, leg.Second.Y) - Beside,
                Math.Abs(leg.First.X - leg.Second.X) + (2 * Beside),
                Math.Abs(leg.First.Y - leg.Second.Y) + (2 * Beside)
            ));
        return [.. boxes.Values, .. ScenePainter.Covered(sheet).Select(frame => Around(frame, Beside)), .. lines];
    }

    private static Frame Around(Frame frame, double by) =>
        new(frame.X - by, frame.Y - by, frame.Width + (2 * by), frame.Height + (2 * by));

    private static PathPiece[] Rectangle(Frame at) =>
        [
            new('M', [at.X, at.Y]),
            new('L', [at.X + at.Width, at.Y]),
            new('L', [at.X + at.Width, at.Y + at.Height]),
            new('L', [at.X, at.Y + at.Height]),
            new('Z', []),
        ];
}
