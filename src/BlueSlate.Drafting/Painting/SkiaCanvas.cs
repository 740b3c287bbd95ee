using BlueSlate.Core.Drawings;
using SkiaSharp;

namespace BlueSlate.Drafting.Painting;

/// <summary>Paints onto a bitmap or a page of a PDF.</summary>
internal sealed class SkiaCanvas(SKCanvas canvas) : ICanvas
{
    public void Path(IReadOnlyList<PathPiece> pieces, Brush brush)
    {
        using var builder = new SKPathBuilder();
        foreach (var (command, numbers) in pieces)
        {
            var n = Array.ConvertAll(numbers, number => (float)number);
            switch (command)
            {
                case 'M':
                    builder.MoveTo(n[0], n[1]);
                    break;
                case 'L':
                    builder.LineTo(n[0], n[1]);
                    break;
                case 'C':
                    for (var i = 0; i + 5 < n.Length; i += 6)
                    {
                        builder.CubicTo(n[i], n[i + 1], n[i + 2], n[i + 3], n[i + 4], n[i + 5]);
                    }

                    break;
                default:
                    builder.Close();
                    break;
            }
        }

        using var path = builder.Detach();
        Paint(brush, paint => canvas.DrawPath(path, paint));
    }

    public void Circle(double x, double y, double radius, Brush brush) =>
        Paint(brush, paint => canvas.DrawCircle((float)x, (float)y, (float)radius, paint));

    public void Text(string text, double x, double y, Lettering lettering)
    {
        if (text.Length == 0)
        {
            return;
        }

        using var font = new SKFont(Faces.Of(Faces.NameFor(lettering)), (float)lettering.Size) { Subpixel = true };
        using var paint = new SKPaint { Color = SKColor.Parse(Ink.Of(lettering)), IsAntialias = true };
        var width = font.MeasureText(text);
        var left =
            (float)x
            - (
                lettering.Anchor switch
                {
                    0 => width / 2,
                    1 => width,
                    _ => 0,
                }
            );
        canvas.DrawText(text, left, (float)y, SKTextAlign.Left, font, paint);
        if (lettering.Underline != Underline.None)
        {
            var beneath = (float)(y + 3);
            Path(
                [new PathPiece('M', [left, beneath]), new PathPiece('L', [left + width, beneath])],
                new Brush(1, lettering.Underline == Underline.Dashed ? "3 2" : "")
            );
        }
    }

    private static void Paint(Brush brush, Action<SKPaint> paint)
    {
        if (Ink.Of(brush) is { } fill && brush.Fill != Fill.None && !(brush is { Fill: Fill.Ground, Width: 2 }))
        {
            using var filling = new SKPaint
            {
                Style = SKPaintStyle.Fill,
                Color = SKColor.Parse(fill),
                IsAntialias = true,
            };
            paint(filling);
        }

        if (brush.Width > 0)
        {
            // The core of a double line is a stroke in the colour of the ground.
            var colour = brush is { Fill: Fill.Ground, Width: 2 } ? Ink.Ground : Ink.Colour;
            using var stroke = new SKPaint
            {
                Style = SKPaintStyle.Stroke,
                StrokeWidth = (float)brush.Width,
                Color = SKColor.Parse(colour),
                IsAntialias = true,
                StrokeJoin = SKStrokeJoin.Miter,
            };
            if (brush.Dashes.Length > 0)
            {
                stroke.PathEffect = SKPathEffect.CreateDash([.. brush.Dashes.Split(' ').Select(float.Parse)], 0);
            }

            paint(stroke);
        }
    }
}
