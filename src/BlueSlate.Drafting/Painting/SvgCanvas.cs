using System.Globalization;
using System.Security;
using System.Text;
using System.Xml;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting.Painting;

/// <summary>Writes SVG, remembering which faces were used.</summary>
internal sealed class SvgCanvas : ICanvas
{
    private readonly StringBuilder body = new();

    /// <summary>What was painted.</summary>
    public string Body => body.ToString();

    /// <summary>The faces that its texts use.</summary>
    public SortedSet<string> Used { get; } = new(StringComparer.Ordinal);

    public void Path(IReadOnlyList<PathPiece> pieces, Brush brush) =>
        body.Append("<path d=\"")
            .AppendJoin("", pieces.Select(piece => piece.Command + string.Join(' ', piece.Numbers.Select(Number))))
            .Append('"')
            .Append(Attributes(brush))
            .Append("/>\n");

    public void Circle(double x, double y, double radius, Brush brush) =>
        body.Append(
            CultureInfo.InvariantCulture,
            $"<circle cx=\"{Number(x)}\" cy=\"{Number(y)}\" r=\"{Number(radius)}\"{Attributes(brush)}/>\n"
        );

    public void Text(string text, double x, double y, Lettering lettering)
    {
        if (text.Length == 0)
        {
            return;
        }

        var face = Faces.NameFor(lettering);
        Used.Add(face);
        var anchor = lettering.Anchor switch
        {
            0 => " text-anchor=\"middle\"",
            1 => " text-anchor=\"end\"",
            _ => "",
        };
        var decoration = lettering.Underline switch
        {
            Underline.Solid => " text-decoration=\"underline\"",
            Underline.Dashed => " style=\"text-decoration:underline dashed\"",
            _ => "",
        };
        body.Append(
            CultureInfo.InvariantCulture,
            $"<text x=\"{Number(x)}\" y=\"{Number(y)}\" font-family=\"{face}\" font-size=\"{Number(lettering.Size)}\" "
                + $"fill=\"{Ink.Of(lettering)}\"{anchor}{decoration}>{SecurityElement.Escape(Allowed(text))}</text>\n"
        );
    }

    // XML has no room for most control characters, nor for halves of pairs.
    private static string Allowed(string text)
    {
        if (text.All(c => XmlConvert.IsXmlChar(c) && !char.IsSurrogate(c)))
        {
            return text;
        }

        var allowed = new StringBuilder(text.Length);
        foreach (var rune in text.EnumerateRunes())
        {
            allowed.Append(rune.Value > char.MaxValue || XmlConvert.IsXmlChar((char)rune.Value) ? rune.ToString() : "\uFFFD");
        }

        return allowed.ToString();
    }

    private static string Attributes(Brush brush)
    {
        var isCore = brush is { Fill: Fill.Ground, Width: 2 };
        var fill = isCore ? "none" : Ink.Of(brush) ?? "none";
        var stroke =
            brush.Width > 0 ? $" stroke=\"{(isCore ? Ink.Ground : Ink.Colour)}\" stroke-width=\"{Number(brush.Width)}\"" : "";
        return $" fill=\"{fill}\"{stroke}{(brush.Dashes.Length > 0 ? $" stroke-dasharray=\"{brush.Dashes}\"" : "")}";
    }

    private static string Number(double number) => Math.Round(number, 2).ToString(CultureInfo.InvariantCulture);
}
