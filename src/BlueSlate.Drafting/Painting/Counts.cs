using System.Globalization;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting.Painting;

/// <summary>How many something at one part of a drawing is about.</summary>
public sealed record Count(string Element, int Number);

/// <summary>Numbers at the parts of a drawing, and what they say, for a picture that is shown and not opened for change.</summary>
/// <param name="Title">What the picture shows.</param>
/// <param name="Says">What a number says.</param>
/// <param name="Numbers">The numbers; those at parts that are not drawn are left out.</param>
public sealed record Counts(string Title, string Says, IReadOnlyList<Count> Numbers)
{
    private const double Radius = 10.5;
    private const double Around = 14;
    private const double Head = 58;
    private const int Hue = 2;

    /// <summary>The frame of a picture with the numbers and a head above it.</summary>
    internal static Frame Widened(Frame frame) =>
        new(frame.X - Around, frame.Y - Around - Head, frame.Width + (2 * Around), frame.Height + (2 * Around) + Head);

    /// <summary>Paints what lies behind the drawing: a band at every part that has a number, and the head.</summary>
    internal void PaintBehind(Sheet sheet, Frame frame, ICanvas canvas)
    {
        canvas.Text(Title, frame.X + Around, frame.Y + 30, new Lettering(20, Reading: true, Bold: true));
        canvas.Text(Says, frame.X + Around, frame.Y + 52, new Lettering(13));
        foreach (var (_, place) in On(sheet))
        {
            var (left, top, right, bottom) = (place.X - 5, place.Y - 5, place.X + place.Width + 5, place.Y + place.Height + 5);
            canvas.Path(
                [
                    new('M', [left, top]),
                    new('L', [right, top]),
                    new('L', [right, bottom]),
                    new('L', [left, bottom]),
                    new('Z', []),
                ],
                new Brush(0, Fill: Fill.Tint, Hue: Hue)
            );
        }
    }

    /// <summary>Paints the numbers.</summary>
    internal void PaintOver(Sheet sheet, ICanvas canvas)
    {
        var on = On(sheet);
        var places = NumberPlaces.Beside(on.Select(one => one.Place), ScenePainter.Covered(sheet), Radius);
        foreach (var ((number, _), (x, y)) in on.Zip(places))
        {
            canvas.Circle(x, y, Radius, Brush.Line);
            canvas.Text(
                number.ToString(CultureInfo.InvariantCulture),
                x,
                y + 4.2,
                new Lettering(number > 99 ? 10 : 12, Bold: true, Anchor: 0)
            );
        }
    }

    private List<(int Number, Frame Place)> On(Sheet sheet)
    {
        var places = ElementPlaces.Of(sheet);
        return
        [
            .. Numbers.Where(count => places.ContainsKey(count.Element)).Select(count => (count.Number, places[count.Element])),
        ];
    }
}
