using System.Collections.Immutable;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>The text of a class's name compartment: stereotypes in guillemets, the name, properties in braces.</summary>
internal sealed record ClassName(string Name, ImmutableArray<string> Stereotypes, ImmutableArray<string> Properties)
{
    /// <summary>Reads a text such as <c>«interface» Bookable</c> or <c>Room {abstract}</c>.</summary>
    public static ClassName Parse(string text)
    {
        var stereotypes = ImmutableArray.CreateBuilder<string>();
        var properties = ImmutableArray.CreateBuilder<string>();
        var rest = Take(Take(Take(text, "«", "»", stereotypes), "<<", ">>", stereotypes), "{", "}", properties);
        return new ClassName(
            string.Join(' ', rest.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)),
            stereotypes.ToImmutable(),
            properties.ToImmutable()
        );
    }

    /// <summary>Whether a property is said, in any case of letters.</summary>
    public bool Says(string property) => Properties.Contains(property, StringComparer.OrdinalIgnoreCase);

    private static string Take(string text, string open, string close, ImmutableArray<string>.Builder found)
    {
        while (true)
        {
            var start = text.IndexOf(open, StringComparison.Ordinal);
            var end = start < 0 ? -1 : text.IndexOf(close, start + open.Length, StringComparison.Ordinal);
            if (end < 0)
            {
                return text;
            }

            found.AddRange(
                text[(start + open.Length)..end]
                    .Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            );
            text = text[..start] + " " + text[(end + close.Length)..];
        }
    }
}
