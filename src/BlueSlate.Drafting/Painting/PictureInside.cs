using System.Text;

namespace BlueSlate.Drafting.Painting;

/// <summary>
/// Finds the drawing that a picture carries, by the picture's content, never by its name. No markup is interpreted.
/// </summary>
public static class PictureInside
{
    /// <summary>What the drawing is filed under in every format.</summary>
    public const string Keyword = "blue-slate-drawing";

    /// <summary>The largest file that is looked into.</summary>
    public const int MostBytes = 8 * 1024 * 1024;

    private const int MostText = 1024 * 1024;

    /// <summary>The document's text, or null when the file is no picture of ours.</summary>
    public static string? Find(byte[] file) =>
        file.Length > MostBytes ? null
        : file.AsSpan().StartsWith(PngText.Signature) ? PngText.Find(file, Keyword)
        : file.AsSpan().StartsWith("%PDF-"u8) ? PdfAttachment.Find(file)
        : file.AsSpan().StartsWith("{"u8) || file.AsSpan().StartsWith("\uFEFF{"u8) ? Encoding.UTF8.GetString(file)
        : InSvg(file);

    private static string? InSvg(byte[] file)
    {
        var start = file.AsSpan().IndexOf(Opening);
        var length = start < 0 ? -1 : file.AsSpan(start + Opening.Length).IndexOf("</metadata>"u8);
        if (length is < 0 or > MostText)
        {
            return null;
        }

        var written = Encoding.ASCII.GetString(file, start + Opening.Length, length);
        var bytes = new byte[written.Length];
        return Convert.TryFromBase64String(written, bytes, out var count) ? Encoding.UTF8.GetString(bytes, 0, count) : null;
    }

    private static ReadOnlySpan<byte> Opening => "<metadata id=\"blue-slate-drawing\">"u8;
}
