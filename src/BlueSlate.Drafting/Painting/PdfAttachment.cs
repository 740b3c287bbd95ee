using System.Text;
using PdfSharp.Pdf;
using PdfSharp.Pdf.IO;

namespace BlueSlate.Drafting.Painting;

/// <summary>The drawing as an embedded file of a PDF.</summary>
internal static class PdfAttachment
{
    private const string FileName = "drawing.json";

    /// <summary>The PDF with the drawing attached.</summary>
    public static byte[] Add(byte[] pdf, string text)
    {
        using var document = PdfReader.Open(new MemoryStream(pdf), PdfDocumentOpenMode.Modify);
        document.AddEmbeddedFile(FileName, new MemoryStream(Encoding.UTF8.GetBytes(text)));
        using var stream = new MemoryStream();
        document.Save(stream);
        return stream.ToArray();
    }

    /// <summary>The drawing that a PDF carries, or null.</summary>
    public static string? Find(byte[] pdf)
    {
        try
        {
            using var document = PdfReader.Open(new MemoryStream(pdf), PdfDocumentOpenMode.Import);
            return document
                .Internals.GetAllObjects()
                .OfType<PdfDictionary>()
                .Where(dictionary => dictionary.Elements.GetName("/Type") == "/EmbeddedFile" && dictionary.Stream is not null)
                .Select(dictionary => Encoding.UTF8.GetString(dictionary.Stream.UnfilteredValue))
                .FirstOrDefault(text => text.StartsWith('{'));
        }
        catch (Exception error)
            when (error
                    is PdfReaderException
                        or InvalidOperationException
                        or NotImplementedException
                        or FormatException
                        or ArgumentException
            )
        {
            // A PDF that cannot be read carries nothing of ours.
            return null;
        }
    }
}
