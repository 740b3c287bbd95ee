using System.Collections.Immutable;

namespace BlueSlate.Core.Language;

/// <summary>A part of an attribute as written, with its own parts in brackets: <c>street (name, number)</c>.</summary>
public sealed record PartText(string Name, ImmutableArray<PartText> Parts)
{
    /// <summary>How deep parts are taken apart; what lies deeper stays in its name.</summary>
    public const int Deepest = 8;

    /// <summary>Parts side by side, as they stand between brackets.</summary>
    public static ImmutableArray<PartText> Read(string inside) => Read(inside, 1);

    /// <summary>Parts as they are written between brackets.</summary>
    public static string Write(IEnumerable<PartText> parts) => string.Join(", ", parts.Select(part => part.ToString()));

    /// <inheritdoc />
    public override string ToString() => Parts.IsEmpty ? Name : $"{Name} ({Write(Parts)})";

    /// <summary>
    /// The bracket that opens what the last one of a text closes, or a place before it that opens nothing else; −1 where the text
    /// ends in none.
    /// </summary>
    public static int OpenOfLast(string text)
    {
        var depth = 0;
        for (var i = text.Length - 1; i >= 0 && text[^1] == ')'; i--)
        {
            depth +=
                text[i] == ')' ? 1
                : text[i] == '(' ? -1
                : 0;
            if (depth == 0)
            {
                return i;
            }
        }

        return -1;
    }

    private static ImmutableArray<PartText> Read(string inside, int depth) =>
        [
            .. Commas
                .Split(inside)
                .Select(found => found.Text)
                .Select(piece =>
                    depth < Deepest && OpenOfLast(piece) is var open and > 0
                        ? new PartText(piece[..open].Trim(), Read(piece[(open + 1)..^1], depth + 1))
                        : new PartText(piece, [])
                ),
        ];
}
