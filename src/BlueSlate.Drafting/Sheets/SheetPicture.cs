using BlueSlate.Core.Drawings;
using BlueSlate.Drafting.Painting;
using PdfSharp;
using PdfSharp.Drawing;
using PdfSharp.UniversalAccessibility;

namespace BlueSlate.Drafting.Sheets;

/// <summary>The pictures of a drawing on pages, with the numbers of notes at the parts of which they speak.</summary>
internal static class SheetPicture
{
    private const double PointsInPixel = 0.75;

    // Below this the texts of a drawing are hard to read on paper: about 6.5 points.
    private const double Readable = 0.5;
    private const double Almost = 0.85;
    private const double Radius = 9;

    /// <summary>The colour of numbers, losses and what lies behind a part that a note is about.</summary>
    public static XColor Ochre { get; } = PdfCanvas.Colour(Ink.Ochre);

    /// <summary>Paints every sheet of a drawing on which something is drawn.</summary>
    /// <param name="pages">Where.</param>
    /// <param name="drawing">The drawing, with places.</param>
    /// <param name="says">What stands for the picture when it is read aloud.</param>
    /// <param name="notes">Numbers of notes with their elements.</param>
    public static void Paint(
        SheetPages pages,
        Drawing drawing,
        IReadOnlyList<string> says,
        IReadOnlyList<(int Number, IReadOnlyList<string> Elements)> notes
    )
    {
        foreach (var sheet in drawing.Sheets.Where(sheet => !sheet.Shapes.IsEmpty))
        {
            PaintSheet(pages, sheet, says, notes);
        }
    }

    /// <summary>The notes in the order in which they are read on the drawing, from the top; those without a place last.</summary>
    public static IReadOnlyList<SheetNote> InReadingOrder(Drawing drawing, IEnumerable<SheetNote> notes)
    {
        var places = drawing.Sheets.Select(ElementPlaces.Of).ToList();
        (int Sheet, double Y, double X) Of(SheetNote note)
        {
            var sheet = places.FindIndex(here => note.Elements.Any(here.ContainsKey));
            if (sheet < 0)
            {
                return (int.MaxValue, 0, 0);
            }

            var place = places[sheet][note.Elements.First(places[sheet].ContainsKey)];
            return (sheet, Math.Round(place.Y / 40), place.X);
        }

        return [.. notes.OrderBy(Of)];
    }

    /// <summary>How a page lies on which the first sheet of a drawing is painted.</summary>
    public static PageOrientation OrientationFor(Drawing drawing) =>
        drawing.Sheets.FirstOrDefault(sheet => !sheet.Shapes.IsEmpty) is { } sheet
            ? OrientationFor(ScenePainter.Extent(sheet, null))
            : PageOrientation.Portrait;

    // A page is turned only for what could hardly be read on it as it is.
    private static PageOrientation OrientationFor(Frame extent)
    {
        var upright = ScaleIn(SheetPages.RoomOf(PageOrientation.Portrait), extent);
        var lying = ScaleIn(SheetPages.RoomOf(PageOrientation.Landscape), extent);
        return upright < Readable && lying > upright * 1.15 ? PageOrientation.Landscape : PageOrientation.Portrait;
    }

    private static void PaintSheet(
        SheetPages pages,
        Sheet sheet,
        IReadOnlyList<string> says,
        IReadOnlyList<(int Number, IReadOnlyList<string> Elements)> notes
    )
    {
        var extent = ScenePainter.Extent(sheet, null);
        var orientation = OrientationFor(extent);
        var whole = ScaleIn(SheetPages.RoomOf(orientation), extent);
        var here = ScaleIn(new XSize(pages.Width, pages.Left), extent);
        // A picture that would only just not fit is made a little smaller rather than put on a page of its own.
        var scale = here;
        if (pages.Orientation != orientation || here < Math.Min(whole, Readable) * Almost)
        {
            pages.Turn(orientation);
            scale = whole;
        }

        var bounds = new XRect(SheetPages.Edge, pages.Y, extent.Width * scale, extent.Height * scale);
        pages.Tags.BeginElement(
            PdfIllustrationElementTag.Figure,
            says.Count == 0 ? "A drawing that says nothing yet." : string.Join(' ', says),
            bounds
        );
        var state = pages.Graphics.Save();
        pages.Graphics.TranslateTransform(bounds.X, bounds.Y);
        pages.Graphics.ScaleTransform(scale);
        pages.Graphics.TranslateTransform(-extent.X, -extent.Y);
        ScenePainter.Paint(sheet, null, new PdfCanvas(pages.Graphics));
        PaintNumbers(pages, sheet, notes);
        pages.Graphics.Restore(state);
        pages.Tags.End();
        pages.Space(bounds.Height + 8);
    }

    private static double ScaleIn(XSize room, Frame extent) =>
        Math.Min(PointsInPixel, Math.Min(room.Width / extent.Width, room.Height / extent.Height));

    private static void PaintNumbers(
        SheetPages pages,
        Sheet sheet,
        IReadOnlyList<(int Number, IReadOnlyList<string> Elements)> notes
    )
    {
        var places = ElementPlaces.Of(sheet);
        var marked = notes
            .SelectMany(note => note.Elements.Where(places.ContainsKey).Select(element => (note.Number, Place: places[element])))
            .ToList();
        foreach (var (_, place) in marked)
        {
            pages.Graphics.DrawRectangle(
                new XSolidBrush(XColor.FromArgb(46, Ochre)),
                place.X - 2,
                place.Y - 2,
                place.Width + 4,
                place.Height + 4
            );
        }

        var points = NumberPlaces.Beside(marked.Select(one => one.Place), ScenePainter.Covered(sheet), Radius);
        foreach (var ((number, _), (x, y)) in marked.Zip(points))
        {
            pages.Graphics.DrawEllipse(
                new XPen(PdfCanvas.Colour(Ink.Ground), 1),
                new XSolidBrush(Ochre),
                x - Radius,
                y - Radius,
                2 * Radius,
                2 * Radius
            );
            pages.At(
                x,
                y + 3.8,
                number.ToString(System.Globalization.CultureInfo.InvariantCulture),
                new Lettering(10.5, Bold: true, Anchor: 0),
                PdfCanvas.Colour(Ink.Ground)
            );
        }
    }
}
