using BlueSlate.Drafting.Painting;
using PdfSharp;
using PdfSharp.Drawing;
using PdfSharp.Pdf;
using PdfSharp.UniversalAccessibility;

namespace BlueSlate.Drafting.Sheets;

/// <summary>
/// Pages of a tagged PDF that are filled from top to bottom: text that breaks into lines and pages, rows of tables, figures. All
/// lengths are points.
/// </summary>
internal sealed class SheetPages : IDisposable
{
    /// <summary>The free edge of a page.</summary>
    public const double Edge = 52;

    private const double Foot = 24;
    private const double Leading = 1.4;
    private static readonly XColor TextColour = PdfCanvas.Colour(Ink.Colour);

    private readonly PdfDocument document = new();
    private readonly UAManager structure;
    private PdfPage? page;
    private XGraphics? graphics;
    private string running = "";
    private int number;

    public SheetPages(string title)
    {
        document.Info.Title = title;
        structure = UAManager.ForDocument(document);
        structure.SetDocumentLanguage("en");
    }

    /// <summary>What is painted on now.</summary>
    public XGraphics Graphics => graphics!;

    /// <summary>The tags.</summary>
    public StructureBuilder Tags => structure.StructureBuilder;

    /// <summary>Where the next thing begins.</summary>
    public double Y { get; private set; }

    /// <summary>How wide a line may be.</summary>
    public double Width => page!.Width.Point - (2 * Edge);

    /// <summary>How much is left of the page.</summary>
    public double Left => page!.Height.Point - Edge - Foot - Y;

    /// <summary>How high and wide the free room of a page is that lies one way or the other.</summary>
    public static XSize RoomOf(PageOrientation orientation) =>
        orientation == PageOrientation.Portrait
            ? new XSize(595 - (2 * Edge), 842 - (2 * Edge) - Foot)
            : new XSize(842 - (2 * Edge), 595 - (2 * Edge) - Foot);

    /// <summary>Begins a sheet: a page of its own, found by its name in the contents, with a line at the foot of each page.</summary>
    public void Begin(string name, string atFoot, PageOrientation orientation)
    {
        running = atFoot;
        number = 0;
        Turn(orientation);
        document.Outlines.Add(name, page!);
    }

    /// <summary>Begins the next page.</summary>
    public void Turn(PageOrientation orientation = PageOrientation.Portrait)
    {
        graphics?.Dispose();
        page = document.AddPage();
        page.Size = PageSize.A4;
        page.Orientation = orientation;
        graphics = XGraphics.FromPdfPage(page);
        Y = Edge;
        number++;
        var font = PdfFaces.Of(new Lettering(8));
        var foot = page.Height.Point - Edge + 6;
        Tags.BeginArtifact();
        graphics.DrawString(running, font, new XSolidBrush(TextColour), Edge, foot);
        graphics.DrawString($"page {number}", font, new XSolidBrush(TextColour), page.Width.Point - Edge, foot, Right);
        Tags.End();
    }

    /// <summary>How the page lies.</summary>
    public PageOrientation Orientation => page!.Orientation;

    /// <summary>Goes to the next page where this one lies otherwise.</summary>
    public void Lie(PageOrientation orientation)
    {
        if (page!.Orientation != orientation)
        {
            Turn(orientation);
        }
    }

    /// <summary>Goes to the next page when less is left than what follows needs.</summary>
    public void Need(double height)
    {
        if (height > Left)
        {
            Turn(page!.Orientation);
        }
    }

    /// <summary>Leaves some room free.</summary>
    public void Space(double height) => Y += height;

    /// <summary>
    /// A text as one element of the structure, in lines as wide as there is room; on the next page goes on what this one has no room
    /// for.
    /// </summary>
    /// <param name="text">The text.</param>
    /// <param name="lettering">How it is set; the anchor says nothing here.</param>
    /// <param name="tag">What it is in the structure.</param>
    /// <param name="indent">How far in from the left edge.</param>
    /// <param name="keptFree">What is left free at the right.</param>
    public void Text(
        string text,
        Lettering lettering,
        PdfBlockLevelElementTag tag = PdfBlockLevelElementTag.Paragraph,
        double indent = 0,
        double keptFree = 0
    )
    {
        var font = PdfFaces.Of(lettering);
        var height = lettering.Size * Leading;
        var lines = Lines(text, font, Width - indent - keptFree);
        for (var at = 0; at < lines.Count; )
        {
            Need(height);
            Tags.BeginElement(tag);
            for (; at < lines.Count && Left >= height; at++)
            {
                graphics!.DrawString(lines[at], font, new XSolidBrush(TextColour), Edge + indent, Y + (lettering.Size * 1.05));
                Y += height;
            }

            Tags.End();
        }
    }

    /// <summary>A short text on one line at a place of its own; nothing moves down.</summary>
    public void At(double x, double baseline, string text, Lettering lettering, XColor? colour = null) =>
        graphics!.DrawString(
            text,
            PdfFaces.Of(lettering),
            new XSolidBrush(colour ?? TextColour),
            x,
            baseline,
            lettering.Anchor switch
            {
                0 => Middle,
                1 => Right,
                _ => XStringFormats.Default,
            }
        );

    /// <summary>How high a text is in lines of a width.</summary>
    public double HeightOf(string text, Lettering lettering, double width) =>
        Lines(text, PdfFaces.Of(lettering), width).Count * lettering.Size * Leading;

    /// <summary>A row of a table: a cell in each column, the row as high as its highest cell.</summary>
    public void Row(IReadOnlyList<(string Text, double From, double Width, bool Right)> cells, Lettering lettering, bool head)
    {
        var font = PdfFaces.Of(lettering);
        var line = lettering.Size * Leading;
        List<List<string>> wrapped = [.. cells.Select(cell => Lines(cell.Text, font, cell.Width))];
        var height = Math.Max(1, wrapped.Max(lines => lines.Count)) * line;
        Need(height + 4);
        Tags.BeginElement(PdfBlockLevelElementTag.TableRow);
        foreach (var (cell, lines) in cells.Zip(wrapped))
        {
            Tags.BeginElement(head ? PdfBlockLevelElementTag.TableHeaderCell : PdfBlockLevelElementTag.TableDataCell);
            for (var i = 0; i < lines.Count; i++)
            {
                var x = Edge + cell.From + (cell.Right ? cell.Width : 0);
                At(x, Y + (i * line) + (lettering.Size * 1.05), lines[i], lettering with { Anchor = cell.Right ? 1 : -1 });
            }

            Tags.End();
        }

        Tags.End();
        Y += height + 2;
        Tags.BeginArtifact();
        graphics!.DrawLine(
            new XPen(XColor.FromArgb(0xcf, 0xc4, 0xaa), head ? 0.9 : 0.5),
            Edge + cells[0].From,
            Y,
            Edge + cells[^1].From + cells[^1].Width,
            Y
        );
        Tags.End();
        Y += 2;
    }

    /// <summary>The bytes of all pages.</summary>
    public byte[] Save()
    {
        graphics?.Dispose();
        graphics = null;
        using var stream = new MemoryStream();
        document.Save(stream);
        return stream.ToArray();
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        graphics?.Dispose();
        document.Dispose();
    }

    private static XStringFormat Right { get; } =
        new() { Alignment = XStringAlignment.Far, LineAlignment = XLineAlignment.BaseLine };

    private static XStringFormat Middle { get; } =
        new() { Alignment = XStringAlignment.Center, LineAlignment = XLineAlignment.BaseLine };

    private List<string> Lines(string text, XFont font, double width)
    {
        double Of(string some) => graphics!.MeasureString(some, font).Width;
        var lines = new List<string>();
        foreach (var paragraph in text.Split('\n'))
        {
            var line = "";
            foreach (var word in paragraph.Split(' ', StringSplitOptions.RemoveEmptyEntries))
            {
                var longer = line.Length == 0 ? word : $"{line} {word}";
                if (Of(longer) <= width)
                {
                    line = longer;
                    continue;
                }

                if (line.Length > 0)
                {
                    lines.Add(line);
                }

                // A word that is longer than a line is broken where the line ends.
                line = word;
                while (line.Length > 1 && Of(line) > width)
                {
                    var fits = Enumerable.Range(1, line.Length - 1).Last(length => length == 1 || Of(line[..length]) <= width);
                    lines.Add(line[..fits]);
                    line = line[fits..];
                }
            }

            lines.Add(line);
        }

        return lines;
    }
}
