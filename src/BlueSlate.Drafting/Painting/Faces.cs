using SkiaSharp;

namespace BlueSlate.Drafting.Painting;

/// <summary>The shipped faces, as bytes and as typefaces.</summary>
internal static class Faces
{
    private static readonly Dictionary<string, Lazy<SKTypeface>> Typefaces = Names()
        .ToDictionary(
            name => name,
            name => new Lazy<SKTypeface>(() => SKTypeface.FromData(SKData.CreateCopy(Bytes(name)))),
            StringComparer.Ordinal
        );

    /// <summary>The file name of the face for a lettering.</summary>
    public static string NameFor(Lettering lettering) =>
        lettering.Reading
            ? lettering.Italic
                ? "literata-latin-wght-italic"
                : "literata-latin-wght-normal"
            : $"andika-latin-{(lettering.Bold ? 700 : 400)}-{(lettering.Italic ? "italic" : "normal")}";

    /// <summary>The typeface of a file.</summary>
    public static SKTypeface Of(string name) => Typefaces[name].Value;

    /// <summary>The bytes of a file.</summary>
    public static byte[] Bytes(string name)
    {
        using var stream = typeof(Faces).Assembly.GetManifestResourceStream($"fonts/{name}.ttf")!;
        using var copy = new MemoryStream();
        stream.CopyTo(copy);
        return copy.ToArray();
    }

    private static IEnumerable<string> Names() =>
        typeof(Faces)
            .Assembly.GetManifestResourceNames()
            .Where(name => name.StartsWith("fonts/", StringComparison.Ordinal))
            .Select(Path.GetFileNameWithoutExtension)!;
}

/// <summary>The colours of pictures: ink on white, and pale tints for regions.</summary>
internal static class Ink
{
    /// <summary>Strokes and texts.</summary>
    public const string Colour = "#22303c";

    /// <summary>What is said about a drawing.</summary>
    public const string Ochre = "#85500a";

    /// <summary>The ground.</summary>
    public const string Ground = "#ffffff";

    private static readonly string[] Tints = ["#eef3f7", "#f6f1e4", "#eef5ec", "#f7eeee", "#f1eef7", "#eef6f6"];

    /// <summary>The tint of a region; hues count from 1.</summary>
    public static string Tint(int hue) => Tints[Math.Clamp(hue, 1, Tints.Length) - 1];

    /// <summary>The colour of a text.</summary>
    public static string Of(Lettering lettering) => lettering.Ochre ? Ochre : Colour;

    /// <summary>The colour of a filling, or null for none.</summary>
    public static string? Of(Brush brush) =>
        brush.Fill switch
        {
            Fill.Ground => Ground,
            Fill.Ink => Colour,
            Fill.Tint => Tint(brush.Hue),
            _ => null,
        };
}
