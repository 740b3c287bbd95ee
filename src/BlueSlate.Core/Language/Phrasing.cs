using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language;

/// <summary>Turns concepts into the small pieces of plain English of which sentences are made.</summary>
public static class Phrasing
{
    /// <summary>A name as it stands in running text: <c>VisitNo</c> becomes <c>visit no</c>.</summary>
    public static string InText(string name)
    {
        var words = WordSplitter.Split(name);
        return words.Count == 0 ? "thing without a name" : string.Join(' ', words);
    }

    /// <summary>The name with its indefinite article.</summary>
    public static string One(string name)
    {
        var text = InText(name);
        var last = text[(text.LastIndexOf(' ') + 1)..];
        return Inflection.IsPlural(last) ? text : (StartsWithVowelSound(text) ? "an " : "a ") + text;
    }

    /// <summary>The name in the plural.</summary>
    public static string Several(string name) => Inflection.Plural(InText(name));

    /// <summary>A count and a name: <c>1 or more items</c>.</summary>
    public static string Counted(Count count, string name) =>
        $"{Amount(count)} {(IsSingular(count) ? InText(name) : Several(name))}";

    /// <summary>A count in words: <c>exactly 1</c>, <c>0 or more</c>.</summary>
    public static string Amount(Count count) =>
        count switch
        {
            { Min: null, Max: null } => "an unsaid number of",
            { Min: null, Max: Count.Many } => "several",
            { Min: null, Max: 1 } => "one",
            _ => AmountText.Of(count),
        };

    /// <summary>The pieces joined by commas and a last "and".</summary>
    public static string List(IReadOnlyList<string> pieces) =>
        pieces.Count switch
        {
            0 => "",
            1 => pieces[0],
            _ => string.Join(", ", pieces.Take(pieces.Count - 1)) + " and " + pieces[^1],
        };

    /// <summary>The text with a capital first letter.</summary>
    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>The verb read from a role, or the relationship's name, or "goes with" when neither is said.</summary>
    public static string Verb(RelationshipType relationship, RelationshipRole role) =>
        role.Verb.Length > 0 ? role.Verb
        : relationship.Name.Length > 0 && relationship.Roles[0].Id == role.Id ? relationship.Name
        : "goes with";

    private static bool IsSingular(Count count) => count.Max == 1;

    private static bool StartsWithVowelSound(string text) =>
        "aeiou".Contains(text[0], StringComparison.Ordinal)
        && !text.StartsWith("uni", StringComparison.Ordinal)
        && !text.StartsWith("use", StringComparison.Ordinal)
        && !text.StartsWith("one", StringComparison.Ordinal)
        && !text.StartsWith("eu", StringComparison.Ordinal);
}
