using System.Globalization;
using System.Text;
using BlueSlate.Core.Drawings;
using SkiaSharp;

namespace BlueSlate.Drafting.Painting;

/// <summary>A file format of pictures.</summary>
public enum PictureFormat
{
    Svg,
    Png,
    Pdf,
}

/// <summary>
/// Pictures of a drawing, ink on white, with the drawing itself inside: as metadata of an SVG, a text chunk of a PNG, an
/// attachment of a PDF, so that the file opens for change.
/// </summary>
public static class Picture
{
    /// <summary>How many pixels a PNG may have.</summary>
    public const double MostPixels = 40_000_000;

    /// <summary>
    /// The picture's bytes. SVG and PNG show the first sheet, or that which holds a chosen shape; PDF shows all, a page each.
    /// </summary>
    /// <param name="drawing">A drawing with places.</param>
    /// <param name="format">The format.</param>
    /// <param name="only">Shapes to show; all when empty.</param>
    /// <param name="scale">Pixels of a PNG for one of the slate.</param>
    public static byte[] Paint(Drawing drawing, PictureFormat format, IReadOnlyCollection<string> only, double scale)
    {
        var chosen = only.Count == 0 ? null : only.ToHashSet(StringComparer.Ordinal);
        var sheets = chosen is null
            ? drawing.Sheets
            : [.. drawing.Sheets.Where(sheet => sheet.Shapes.Any(shape => chosen.Contains(shape.Id)))];
        var first = sheets.Length > 0 ? sheets[0] : drawing.Sheets[0];
        var text = DrawingWriter.WriteText(drawing);
        return format switch
        {
            PictureFormat.Svg => Svg(first, chosen, text),
            PictureFormat.Png => PngText.Add(Png(first, chosen, scale), PictureInside.Keyword, text),
            _ => PdfAttachment.Add(Pdf(chosen is null ? drawing.Sheets : [first], chosen), text),
        };
    }

    private static byte[] Svg(Sheet sheet, HashSet<string>? only, string text)
    {
        var canvas = new SvgCanvas();
        ScenePainter.Paint(sheet, only, canvas);
        var frame = ScenePainter.Extent(sheet, only);
        var fonts = string.Concat(
            canvas.Used.Select(face =>
                $"@font-face{{font-family:'{face}';src:url(data:font/ttf;base64,{Convert.ToBase64String(Faces.Bytes(face))})}}"
            )
        );
        string N(double number) => Math.Round(number, 2).ToString(CultureInfo.InvariantCulture);
        return Encoding.UTF8.GetBytes(
            $"""
            <svg xmlns="http://www.w3.org/2000/svg" width="{N(frame.Width)}" height="{N(frame.Height)}" viewBox="{N(frame.X)} {N(
                frame.Y
            )} {N(frame.Width)} {N(frame.Height)}">
            <metadata id="{PictureInside.Keyword}">{Convert.ToBase64String(Encoding.UTF8.GetBytes(text))}</metadata>
            <style>{fonts}</style>
            <rect x="{N(frame.X)}" y="{N(frame.Y)}" width="{N(frame.Width)}" height="{N(frame.Height)}" fill="{Ink.Ground}"/>
            {canvas.Body}</svg>

            """
        );
    }

    private static byte[] Png(Sheet sheet, HashSet<string>? only, double scale)
    {
        var frame = ScenePainter.Extent(sheet, only);
        // A picture too large for memory is made at the largest scale that fits.
        var fitting = Math.Min(scale, Math.Sqrt(MostPixels / (frame.Width * frame.Height)));
        var info = new SKImageInfo(
            Math.Max(1, (int)Math.Ceiling(frame.Width * fitting)),
            Math.Max(1, (int)Math.Ceiling(frame.Height * fitting))
        );
        using var surface = SKSurface.Create(info);
        Draw(surface.Canvas, sheet, only, frame, fitting);
        using var image = surface.Snapshot();
        using var data = image.Encode(SKEncodedImageFormat.Png, 100);
        return data.ToArray();
    }

    private static byte[] Pdf(IEnumerable<Sheet> sheets, HashSet<string>? only)
    {
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream))
        {
            foreach (var sheet in sheets)
            {
                var frame = ScenePainter.Extent(sheet, only);
                Draw(
                    document.BeginPage((float)(frame.Width * PointsInPixel), (float)(frame.Height * PointsInPixel)),
                    sheet,
                    only,
                    frame,
                    PointsInPixel
                );
                document.EndPage();
            }

            document.Close();
        }

        return stream.ToArray();
    }

    private const double PointsInPixel = 0.75;

    private static void Draw(SKCanvas canvas, Sheet sheet, HashSet<string>? only, Frame frame, double scale)
    {
        canvas.Clear(SKColors.White);
        canvas.Scale((float)scale);
        canvas.Translate((float)-frame.X, (float)-frame.Y);
        ScenePainter.Paint(sheet, only, new SkiaCanvas(canvas));
    }
}
