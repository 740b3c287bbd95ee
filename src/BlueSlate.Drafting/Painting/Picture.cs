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
    /// The picture's bytes. SVG and PNG show one sheet: that which is named, or holds a chosen shape, or else the first; PDF shows all, a
    /// page each.
    /// </summary>
    /// <param name="drawing">A drawing with places.</param>
    /// <param name="format">The format.</param>
    /// <param name="only">Shapes to show; all when empty.</param>
    /// <param name="scale">Pixels of a PNG for one of the slate.</param>
    /// <param name="sheet">The sheet that is meant where no shapes are named; empty for the first.</param>
    public static byte[] Paint(
        Drawing drawing,
        PictureFormat format,
        IReadOnlyCollection<string> only,
        double scale,
        string sheet = ""
    )
    {
        var chosen = only.Count == 0 ? null : only.ToHashSet(StringComparer.Ordinal);
        var sheets = chosen is null
            ? drawing.Sheets
            : [.. drawing.Sheets.Where(one => one.Shapes.Any(shape => chosen.Contains(shape.Id)))];
        var named = chosen is null ? drawing.Sheets.FirstOrDefault(one => one.Id == sheet) : null;
        var first = named ?? (sheets.Length > 0 ? sheets[0] : drawing.Sheets[0]);
        var text = DrawingWriter.WriteText(drawing);
        return format switch
        {
            PictureFormat.Svg => Svg(first, new Shown(chosen), text),
            PictureFormat.Png => PngText.Add(Png(first, new Shown(chosen), scale), PictureInside.Keyword, text),
            _ => PdfAttachment.Add(Pdf(chosen is null ? drawing.Sheets : [first], new Shown(chosen)), text),
        };
    }

    /// <summary>The same of a whole drawing with numbers at its parts: to be shown, and not opened for change.</summary>
    public static byte[] Paint(Drawing drawing, PictureFormat format, Counts counts, double scale) =>
        format switch
        {
            PictureFormat.Svg => Svg(drawing.Sheets[0], new Shown(null, counts), null),
            PictureFormat.Png => Png(drawing.Sheets[0], new Shown(null, counts), scale),
            _ => Pdf(drawing.Sheets, new Shown(null, counts)),
        };

    // What of a sheet is shown, and with which numbers.
    private sealed record Shown(HashSet<string>? Only, Counts? Counts = null)
    {
        public Frame FrameOf(Sheet sheet)
        {
            var frame = ScenePainter.Extent(sheet, Only);
            return Counts is null ? frame : Counts.Widened(frame);
        }

        public void Paint(Sheet sheet, Frame frame, ICanvas canvas)
        {
            Counts?.PaintBehind(sheet, frame, canvas);
            ScenePainter.Paint(sheet, Only, canvas);
            Counts?.PaintOver(sheet, canvas);
        }
    }

    private static byte[] Svg(Sheet sheet, Shown shown, string? text)
    {
        var canvas = new SvgCanvas();
        var frame = shown.FrameOf(sheet);
        shown.Paint(sheet, frame, canvas);
        var inside = text is null
            ? ""
            : $"<metadata id=\"{PictureInside.Keyword}\">{Convert.ToBase64String(Encoding.UTF8.GetBytes(text))}</metadata>";
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
            {inside}
            <style>{fonts}</style>
            <rect x="{N(frame.X)}" y="{N(frame.Y)}" width="{N(frame.Width)}" height="{N(frame.Height)}" fill="{Ink.Ground}"/>
            {canvas.Body}</svg>

            """
        );
    }

    private static byte[] Png(Sheet sheet, Shown shown, double scale)
    {
        var frame = shown.FrameOf(sheet);
        // A picture too large for memory is made at the largest scale that fits.
        var fitting = Math.Min(scale, Math.Sqrt(MostPixels / (frame.Width * frame.Height)));
        var info = new SKImageInfo(
            Math.Max(1, (int)Math.Ceiling(frame.Width * fitting)),
            Math.Max(1, (int)Math.Ceiling(frame.Height * fitting))
        );
        using var surface = SKSurface.Create(info);
        Draw(surface.Canvas, sheet, shown, frame, fitting);
        using var image = surface.Snapshot();
        using var data = image.Encode(SKEncodedImageFormat.Png, 100);
        return data.ToArray();
    }

    private static byte[] Pdf(IEnumerable<Sheet> sheets, Shown shown)
    {
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream))
        {
            foreach (var sheet in sheets)
            {
                var frame = shown.FrameOf(sheet);
                Draw(
                    document.BeginPage((float)(frame.Width * PointsInPixel), (float)(frame.Height * PointsInPixel)),
                    sheet,
                    shown,
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

    private static void Draw(SKCanvas canvas, Sheet sheet, Shown shown, Frame frame, double scale)
    {
        canvas.Clear(SKColors.White);
        canvas.Scale((float)scale);
        canvas.Translate((float)-frame.X, (float)-frame.Y);
        shown.Paint(sheet, frame, new SkiaCanvas(canvas));
    }
}
