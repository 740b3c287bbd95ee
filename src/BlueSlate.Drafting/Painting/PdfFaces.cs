using System.Collections.Concurrent;
using PdfSharp.Drawing;
using PdfSharp.Fonts;
using PdfSharp.Pdf;

namespace BlueSlate.Drafting.Painting;

/// <summary>Gives the PDF library the shipped faces, and nothing of the machine's.</summary>
internal sealed class PdfFaces : IFontResolver
{
    private const string Working = "andika";
    private const string Reading = "literata";

    static PdfFaces() => GlobalFontSettings.FontResolver = new PdfFaces();

    private static readonly ConcurrentDictionary<Lettering, XFont> Made = new();

    /// <summary>The face for a lettering; how it is anchored and underlined says nothing here.</summary>
    public static XFont Of(Lettering lettering) => Made.GetOrAdd(lettering, Make);

    private static XFont Make(Lettering lettering) =>
        new(
            lettering.Reading ? Reading : Working,
            lettering.Size,
            (lettering.Bold, lettering.Italic) switch
            {
                (true, true) => XFontStyleEx.BoldItalic,
                (true, _) => XFontStyleEx.Bold,
                (_, true) => XFontStyleEx.Italic,
                _ => XFontStyleEx.Regular,
            },
            new XPdfFontOptions(PdfFontEncoding.Unicode)
        );

    /// <inheritdoc/>
    public FontResolverInfo? ResolveTypeface(string familyName, bool isBold, bool isItalic) =>
        new(Faces.NameFor(new Lettering(1, familyName == Reading, isBold, isItalic)));

    /// <inheritdoc/>
    public byte[] GetFont(string faceName) => Faces.Bytes(faceName);
}
