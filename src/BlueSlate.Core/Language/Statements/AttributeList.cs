using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Statements;

/// <summary>Attributes side by side: <c>item no (key), name (given, family), rate of type Money by default 0 (optional)</c>.</summary>
internal static partial class AttributeList
{
    private static readonly string[] Markers =
    [
        "key",
        "partial key",
        "several",
        "derived",
        "optional",
        "class scope",
        "public",
        "private",
        "protected",
        "package",
    ];

    /// <summary>The attributes of a part of a line that starts at a place in it; what is none is told to the line.</summary>
    public static ImmutableArray<AttributeText> Read(string text, int offset, StatementLine line)
    {
        var attributes = ImmutableArray.CreateBuilder<AttributeText>();
        foreach (var (start, piece) in Commas.Split(text))
        {
            var (rest, markers, parts) = (piece, ImmutableArray<string>.Empty, ImmutableArray<PartText>.Empty);
            while (PartText.OpenOfLast(rest) is var open and > 0)
            {
                var inside = Lists.Of(rest[(open + 1)..^1]);
                if (inside.Count > 0 && inside.All(IsMarker))
                {
                    markers = [.. inside];
                }
                else
                {
                    parts = PartText.Read(rest[(open + 1)..^1]);
                }

                rest = rest[..open].Trim();
            }

            var byDefault = Cut(ref rest, " by default ");
            var type = Cut(ref rest, " of type ");
            if (rest.Length == 0)
            {
                line.Add(offset + start, Math.Max(1, piece.Length), "An attribute has a name.");
                continue;
            }

            attributes.Add(new AttributeText(rest, parts, type, byDefault, markers));
        }

        return attributes.ToImmutable();
    }

    private static bool IsMarker(string word) =>
        Markers.Contains(word, StringComparer.OrdinalIgnoreCase)
        || NumberedPattern().IsMatch(word)
        || ValueCount.TryRead(word, out _);

    private static string Cut(ref string text, string at)
    {
        var found = text.IndexOf(at, StringComparison.OrdinalIgnoreCase);
        if (found < 0)
        {
            return "";
        }

        var after = text[(found + at.Length)..].Trim();
        text = text[..found].Trim();
        return after;
    }

    [GeneratedRegex(@"^(?:alternate|foreign) key(?: \d+)?$", RegexOptions.IgnoreCase)]
    private static partial Regex NumberedPattern();
}
