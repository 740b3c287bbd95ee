using System.Text.Json;

namespace BlueSlate.Drafting;

/// <summary>
/// Widths of texts in the shipped font, from the same table of advance widths that the slate uses; no kerning.
/// </summary>
public static class TextWidths
{
    private const double Unknown = 600;

    private static readonly Dictionary<string, double> Regular = Load("400");
    private static readonly Dictionary<string, double> Bold = Load("700");

    /// <summary>The width of a text in pixels at zoom 1.</summary>
    public static double Of(string text, double size = 13, bool bold = false)
    {
        var table = bold ? Bold : Regular;
        return text.EnumerateRunes().Sum(rune => table.GetValueOrDefault(rune.ToString(), Unknown)) * size / 1000;
    }

    private static Dictionary<string, double> Load(string weight)
    {
        using var stream = typeof(TextWidths).Assembly.GetManifestResourceStream("advances.json")!;
        using var document = JsonDocument.Parse(stream);
        return document
            .RootElement.GetProperty("weights")
            .GetProperty(weight)
            .EnumerateObject()
            .ToDictionary(entry => entry.Name, entry => entry.Value.GetDouble(), StringComparer.Ordinal);
    }
}
