using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Model;
using Counts = BlueSlate.Core.Subjects.Concepts.Model.Multiplicity;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>
/// One line of a class by the standard's grammar: <c>[visibility] ['/'] name [':' type] ['[' multiplicity ']'] ['=' default]
/// ['{' modifiers '}']</c> for an attribute, <c>[visibility] name '(' [parameters] ')' [':' type] ['{' modifiers '}']</c> for
/// an operation, each parameter <c>[direction] name ':' type ['=' default]</c>.
/// </summary>
internal sealed record MemberText
{
    private static readonly string[] Collections = ["List", "Set", "Collection", "Bag", "Array"];
    private static readonly string[] Directions = ["in ", "out ", "inout "];

    public required string Name { get; init; }

    public bool IsOperation { get; init; }

    public string Visibility { get; init; } = "";

    public bool Derived { get; init; }

    public string Type { get; init; } = "";

    /// <summary>The multiplicity as written; null for none, and the count that it says.</summary>
    public string? Multiplicity { get; init; }

    public Count Count { get; init; } = new(1, 1);

    public string Default { get; init; } = "";

    public ImmutableArray<Parameter> Parameters { get; init; } = [];

    public ImmutableArray<string> Modifiers { get; init; } = [];

    /// <summary>What of the line could not be read; null when all could.</summary>
    public string? Unreadable { get; init; }

    public bool Says(string modifier) => Modifiers.Contains(modifier, StringComparer.OrdinalIgnoreCase);

    /// <summary>Reads a line; it never fails, but may leave something unreadable.</summary>
    public static MemberText Parse(string line)
    {
        var text = line.Trim();
        var (rest, modifiers) = TakeLast(text, '{', '}');
        var visibility = rest.Length > 0 && rest[0] is '+' or '-' or '#' or '~' or '−' ? rest[..1].Replace('−', '-') : "";
        rest = rest[visibility.Length..].Trim();
        var open = rest.IndexOf('(', StringComparison.Ordinal);
        var member = open > 0 && rest[..open].IndexOfAny([':', '=']) < 0 ? Operation(rest, open) : Attribute(rest);
        return member with
        {
            Visibility = visibility,
            Modifiers = [.. modifiers.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)],
        };
    }

    private static MemberText Attribute(string text)
    {
        var derived = text.StartsWith('/');
        var (rest, value) = Cut(derived ? text[1..] : text, '=');
        var (name, typed) = Cut(rest, ':');
        // The multiplicity may stand behind the type or behind the name.
        var (bareName, ofName) = TakeLast(name.Trim(), '[', ']');
        var (type, ofType) = TakeLast(typed.Trim(), '[', ']');
        var written =
            ofType.Length > 0 ? ofType
            : ofName.Length > 0 ? ofName
            : type.EndsWith("[]", StringComparison.Ordinal) ? "*"
            : null;
        var bareType = type.EndsWith("[]", StringComparison.Ordinal) ? type[..^2].Trim() : type;
        foreach (
            var collection in Collections.Where(collection =>
                bareType.StartsWith(collection + "<", StringComparison.OrdinalIgnoreCase) && bareType.EndsWith('>')
            )
        )
        {
            (bareType, written) = (bareType[(collection.Length + 1)..^1].Trim(), written ?? "*");
        }

        var readable = written is null || Counts.TryRead(written, out _);
        return new MemberText
        {
            Name = bareName.Trim(),
            Derived = derived,
            Type = bareType,
            Default = value.Trim(),
            Multiplicity = written,
            Count = written is not null && Counts.TryRead(written, out var count) ? count : new Count(1, 1),
            Unreadable = readable ? null : written,
        };
    }

    private static MemberText Operation(string text, int open)
    {
        var close = text.LastIndexOf(')');
        var inside = close > open ? text[(open + 1)..close] : text[(open + 1)..];
        var (_, after) = Cut(close > open ? text[(close + 1)..] : "", ':');
        return new MemberText
        {
            Name = text[..open].Trim(),
            IsOperation = true,
            Type = TakeLast(after.Trim(), '[', ']').Outside,
            Parameters = [.. SplitTop(inside).Select(Parameter)],
            Unreadable = close > open ? null : "a parenthesis without its other half",
        };
    }

    private static Parameter Parameter(string text)
    {
        var (front, _) = Cut(text, '=');
        var (name, type) = Cut(front, ':');
        var bare = name.Trim();
        foreach (var direction in Directions.Where(direction => bare.StartsWith(direction, StringComparison.OrdinalIgnoreCase)))
        {
            bare = bare[direction.Length..].Trim();
        }

        return new Parameter(bare, type.Trim());
    }

    // Commas inside brackets of any kind separate nothing.
    private static IEnumerable<string> SplitTop(string text)
    {
        var (depth, start) = (0, 0);
        for (var i = 0; i <= text.Length; i++)
        {
            if (i == text.Length || (text[i] == ',' && depth == 0))
            {
                if (text[start..i].Trim() is { Length: > 0 } piece)
                {
                    yield return piece;
                }

                start = i + 1;
            }
            else
            {
                depth +=
                    text[i] is '<' or '[' or '(' ? 1
                    : text[i] is '>' or ']' or ')' ? -1
                    : 0;
            }
        }
    }

    private static (string Before, string After) Cut(string text, char at)
    {
        var found = text.IndexOf(at, StringComparison.Ordinal);
        return found < 0 ? (text, "") : (text[..found], text[(found + 1)..]);
    }

    private static (string Outside, string Inside) TakeLast(string text, char open, char close)
    {
        var start = text.LastIndexOf(open);
        var end = text.LastIndexOf(close);
        return start >= 0 && end > start && text[(end + 1)..].Trim().Length == 0 && text[(start + 1)..end].Trim().Length > 0
            ? (text[..start].Trim(), text[(start + 1)..end].Trim())
            : (text, "");
    }
}
