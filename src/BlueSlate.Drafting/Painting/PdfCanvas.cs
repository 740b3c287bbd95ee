using BlueSlate.Core.Drawings;
using PdfSharp.Drawing;

namespace BlueSlate.Drafting.Painting;

/// <summary>Paints onto a part of a page whose text and structure are written besides.</summary>
internal sealed class PdfCanvas(XGraphics page) : ICanvas
{
    public void Path(IReadOnlyList<PathPiece> pieces, Brush brush)
    {
        var path = new XGraphicsPath();
        var at = new XPoint();
        foreach (var (command, n) in pieces)
        {
            switch (command)
            {
                case 'M':
                    path.StartFigure();
                    at = new XPoint(n[0], n[1]);
                    break;
                case 'L':
                    path.AddLine(at, new XPoint(n[0], n[1]));
                    at = new XPoint(n[0], n[1]);
                    break;
                case 'C':
                    for (var i = 0; i + 5 < n.Length; i += 6)
                    {
                        var end = new XPoint(n[i + 4], n[i + 5]);
                        path.AddBezier(at, new XPoint(n[i], n[i + 1]), new XPoint(n[i + 2], n[i + 3]), end);
                        at = end;
                    }

                    break;
                default:
                    path.CloseFigure();
                    break;
            }
        }

        page.DrawPath(PenOf(brush), FillOf(brush), path);
    }

    public void Circle(double x, double y, double radius, Brush brush) =>
        page.DrawEllipse(PenOf(brush), FillOf(brush), x - radius, y - radius, 2 * radius, 2 * radius);

    public void Text(string text, double x, double y, Lettering lettering)
    {
        if (text.Length == 0)
        {
            return;
        }

        var font = PdfFaces.Of(lettering);
        var width = page.MeasureString(text, font).Width;
        var left =
            x
            - (
                lettering.Anchor switch
                {
                    0 => width / 2,
                    1 => width,
                    _ => 0,
                }
            );
        page.DrawString(text, font, new XSolidBrush(Colour(Ink.Of(lettering))), left, y);
        if (lettering.Underline != Underline.None)
        {
            Path(
                [new PathPiece('M', [left, y + 3]), new PathPiece('L', [left + width, y + 3])],
                new Brush(1, lettering.Underline == Underline.Dashed ? "3 2" : "")
            );
        }
    }

    /// <summary>A colour as it is written in styles, <c>#rrggbb</c>.</summary>
    public static XColor Colour(string written) =>
        XColor.FromArgb(unchecked((int)(0xff000000 | Convert.ToUInt32(written[1..], 16))));

    private static XPen? PenOf(Brush brush)
    {
        if (brush.Width <= 0)
        {
            return null;
        }

        var pen = new XPen(Colour(IsCore(brush) ? Ink.Ground : Ink.Colour), brush.Width);
        if (brush.Dashes.Length > 0)
        {
            // The library counts dashes in widths of the pen.
            pen.DashPattern = [.. brush.Dashes.Split(' ').Select(dash => double.Parse(dash) / brush.Width)];
        }

        return pen;
    }

    private static XSolidBrush? FillOf(Brush brush) =>
        Ink.Of(brush) is { } fill && !IsCore(brush) ? new XSolidBrush(Colour(fill)) : null;

    // The core of a double line is a stroke in the colour of the ground.
    private static bool IsCore(Brush brush) => brush is { Fill: Fill.Ground, Width: 2 };
}
