using System.Globalization;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Populations.Examples;

/// <summary>Names for things, and texts for values, that people can tell apart at a glance.</summary>
internal sealed class ThingNames
{
    private static readonly string[] People = ["Ada", "Bruno", "Chidi", "Dana", "Emre", "Farah", "Goran", "Hana"];
    private static readonly string[] Days = ["3 May", "4 May", "5 May", "6 May", "9 May", "10 May"];
    private readonly Dictionary<(string Kind, int Number), int> given = [];
    private readonly Dictionary<string, int> next = new(StringComparer.Ordinal);

    /// <summary>The thing by its kind and the order in which it is first named: <c>visit 2</c>.</summary>
    public string Of(string kind, int thing) => $"{Phrasing.InText(kind)} {Ordinal(kind, thing) + 1}";

    /// <summary>A value of an attribute, such as its name suggests.</summary>
    public string Value(string attribute, int value)
    {
        var name = Name.Of(attribute);
        var at = Ordinal($"value of {name.Key}", value);
        return name.Words.LastOrDefault() switch
        {
            "number" or "id" or "code" or "reference" or "ref" => (101 + at).ToString(CultureInfo.InvariantCulture),
            "name" => Of(People, at),
            "date" or "day" => Of(Days, at),
            "time" => $"{9 + (at % 12)}:00",
            "email" or "mail" => $"{Of(People, at).ToLowerInvariant()}@example.org",
            "year" => (2021 + at).ToString(CultureInfo.InvariantCulture),
            _ => $"{OneOf(Phrasing.InText(attribute))} {(char)('A' + (at % 26))}",
        };
    }

    private static string OneOf(string text)
    {
        var last = text.LastIndexOf(' ') + 1;
        return text[..last] + (Inflection.IsPlural(text[last..]) ? Inflection.Singular(text[last..]) : text[last..]);
    }

    private static string Of(string[] words, int at) =>
        at < words.Length ? words[at] : $"{words[at % words.Length]} {(at / words.Length) + 1}";

    private int Ordinal(string kind, int number)
    {
        if (!given.TryGetValue((kind, number), out var ordinal))
        {
            given.Add((kind, number), ordinal = next.GetValueOrDefault(kind));
            next[kind] = ordinal + 1;
        }

        return ordinal;
    }
}
