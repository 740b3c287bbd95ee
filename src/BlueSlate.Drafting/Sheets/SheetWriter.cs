using BlueSlate.Core.Drawings;
using BlueSlate.Drafting.Painting;
using PdfSharp;
using PdfSharp.UniversalAccessibility;

namespace BlueSlate.Drafting.Sheets;

/// <summary>
/// Writes feedback sheets as a PDF on A4: the total, then for each part the drawing with its numbered notes, the notes in words, the lines
/// of the scheme, and the model answer where it is shown, with the same numbers. Texts can be searched; the structure is tagged (ISO
/// 32000-1, 14.8), with the sentences of a drawing in place of its picture.
/// </summary>
public sealed class SheetWriter
{
    private const double Amounts = 64;
    private static readonly Lettering Plain = new(9.5);
    private static readonly Lettering Quiet = new(8.5);
    private static readonly Lettering Strong = Plain with { Bold = true };

    // The model answer is the same for a whole class, and laying out one without places takes its time.
    private readonly Dictionary<string, Drawing> models = new(StringComparer.Ordinal);

    /// <summary>
    /// One document of all sheets, each on pages of its own: null after each of them, so that it is seen how far it is, and at last
    /// the document.
    /// </summary>
    /// <param name="title">The document's title.</param>
    /// <param name="sheets">The sheets.</param>
    public IEnumerable<byte[]?> Write(string title, IReadOnlyList<FeedbackSheet> sheets)
    {
        using var pages = new SheetPages(title);
        foreach (var sheet in sheets)
        {
            WriteSheet(pages, sheet);
            yield return null;
        }

        yield return pages.Save();
    }

    private void WriteSheet(SheetPages pages, FeedbackSheet sheet)
    {
        List<Drawing> drawings = [.. sheet.Parts.Select(part => Read(part.Drawing) ?? Drawing.Empty)];
        pages.Begin(sheet.For, $"{sheet.Title} · {sheet.For}", SheetPicture.OrientationFor(drawings[0]));
        var top = pages.Y;
        pages.Text(sheet.Title, new Lettering(17, Reading: true), PdfBlockLevelElementTag.Heading1, keptFree: 130);
        pages.Text($"{sheet.For} · {sheet.Standing}", Quiet, keptFree: 130);
        pages.Tags.BeginElement(PdfBlockLevelElementTag.Paragraph);
        pages.At(
            SheetPages.Edge + pages.Width,
            top + 20,
            $"{sheet.Total} of {sheet.Maximum}",
            new Lettering(20, Bold: true, Anchor: 1)
        );
        pages.Tags.End();
        foreach (var (part, drawing) in sheet.Parts.Zip(drawings))
        {
            WritePart(pages, part, drawing);
        }
    }

    private void WritePart(SheetPages pages, SheetPart part, Drawing drawing)
    {
        var notes = SheetPicture.InReadingOrder(drawing, part.Notes);
        pages.Space(12);
        if (part.Title.Length > 0)
        {
            pages.Need(60);
            Head(pages, part.Title);
        }

        SheetPicture.Paint(pages, drawing, part.Says, [.. notes.Select((note, i) => (i + 1, note.Elements))]);
        WriteNotes(pages, notes);
        foreach (var said in part.Restated)
        {
            pages.Text(said, Plain);
        }

        WriteLines(pages, part);

        if (part.ModelDrawing is { } document)
        {
            var model = ModelOf(document);
            pages.Lie(SheetPicture.OrientationFor(model));
            pages.Space(10);
            pages.Need(200);
            var numbers = notes
                .Select((note, i) => (i + 1, note.ModelElements))
                .Where(one => one.ModelElements.Count > 0)
                .ToList();
            Head(pages, numbers.Count == 0 ? "The model answer" : "The model answer, with the numbers of what differs");
            SheetPicture.Paint(pages, model, part.ModelSays, numbers);
        }
    }

    private static void WriteLines(SheetPages pages, SheetPart part)
    {
        pages.Lie(PageOrientation.Portrait);
        pages.Space(6);
        pages.Need(70);
        Head(pages, "What earned marks");
        pages.Tags.BeginElement(PdfBlockLevelElementTag.Table);
        foreach (var line in part.Lines)
        {
            WriteAmount(pages, line.Title, $"{line.Earned} of {line.Marks}");
        }

        if (part.Rounding is { } rounding)
        {
            WriteAmount(pages, "The total is rounded", rounding);
        }

        pages.Tags.End();
    }

    private static void WriteAmount(SheetPages pages, string title, string amount) =>
        pages.Row(
            [(title, 0, pages.Width - Amounts - 8, false), (amount, pages.Width - Amounts, Amounts, true)],
            Plain,
            head: false
        );

    private static void WriteNotes(SheetPages pages, IReadOnlyList<SheetNote> notes)
    {
        pages.Lie(PageOrientation.Portrait);
        pages.Space(10);
        pages.Need(60);
        Head(pages, "What differs");
        if (notes.Count == 0)
        {
            pages.Text("Nothing differs from the model answer.", Plain);
        }

        for (var i = 0; i < notes.Count; i++)
        {
            WriteNote(pages, notes[i], i + 1);
        }
    }

    private static void WriteNote(SheetPages pages, SheetNote note, int number)
    {
        const double Indent = 22;
        pages.Need(pages.HeightOf(note.Headline, Strong, pages.Width - Indent - Amounts) + (Plain.Size * 3));
        pages.Tags.BeginElement(PdfBlockLevelElementTag.Paragraph);
        var baseline = pages.Y + (Strong.Size * 1.05);
        pages.At(SheetPages.Edge, baseline, $"{number}", Strong, SheetPicture.Ochre);
        if (note.Loss.Length > 0)
        {
            pages.At(SheetPages.Edge + pages.Width, baseline, note.Loss, Strong with { Anchor = 1 }, SheetPicture.Ochre);
        }

        pages.Tags.End();
        pages.Text(note.Headline, Strong, PdfBlockLevelElementTag.Heading3, Indent, Amounts);
        foreach (var text in note.Text)
        {
            pages.Text(text, Plain, indent: Indent, keptFree: Amounts);
        }

        if (note.Example is { } example)
        {
            WriteExample(pages, example, Indent);
        }

        if (note.Decision.Length > 0)
        {
            pages.Text(note.Decision, Plain with { Italic = true }, indent: Indent, keptFree: Amounts);
        }

        pages.Space(6);
    }

    private static void WriteExample(SheetPages pages, SheetTable table, double indent)
    {
        pages.Need(Quiet.Size * 2.1 * (table.Rows.Count + 2));
        pages.Text(table.Said, Quiet, indent: indent, keptFree: Amounts);
        if (table.Columns.Count == 0)
        {
            return;
        }

        var width = Math.Min(110, (pages.Width - indent - Amounts) / table.Columns.Count);
        IReadOnlyList<(string, double, double, bool)> Cells(IReadOnlyList<string> texts) =>
            [.. texts.Select((text, i) => (text, indent + (i * width), width - 6, false))];
        pages.Tags.BeginElement(PdfBlockLevelElementTag.Table);
        pages.Row(Cells(table.Columns), Quiet with { Bold = true }, head: true);
        foreach (var row in table.Rows)
        {
            pages.Row(Cells(row), Quiet, head: false);
        }

        pages.Tags.End();
        pages.Space(3);
    }

    private static void Head(SheetPages pages, string text)
    {
        pages.Text(text, new Lettering(12, Bold: true), PdfBlockLevelElementTag.Heading2);
        pages.Space(3);
    }

    private Drawing ModelOf(string document) =>
        models.TryGetValue(document, out var known) ? known : models[document] = Read(document) ?? Drawing.Empty;

    // What is no drawing has no picture; its marks and notes are told all the same.
    private static Drawing? Read(string document)
    {
        if (DrawingReader.Read(document).Drawing is not { } drawing)
        {
            return null;
        }

        try
        {
            return SlateGeometry.Settle(Placer.PlaceNew(drawing));
        }
        catch (Exception error) when (error is InvalidOperationException or Microsoft.ClearScript.ScriptEngineException)
        {
            return SlateGeometry.Settle(Placer.PlaceNew(drawing, simple: true));
        }
    }
}
