using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// The names of a drawing, as they are found where somebody writes them: in any inflection, of several words, without marks that
/// would say where they end.
/// </summary>
internal sealed partial class KnownNames(IEnumerable<string> names)
{
    private const int MostWords = 8;

    private readonly string[] known = [.. names.Where(name => name.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase)];

    /// <summary>Whether a text is one of them.</summary>
    public bool Has(string text) => known.Any(name => Same(name, text));

    /// <summary>The words that begin a text and name something; the longest such, as written there. Null when there are none.</summary>
    public string? At(string text)
    {
        var words = WordPattern().Matches(text);
        return Enumerable
            .Range(1, Math.Min(words.Count, MostWords))
            .Reverse()
            .Select(count => text[..(words[count - 1].Index + words[count - 1].Length)])
            .FirstOrDefault(front => known.Any(name => IsNameOf(name, front)));
    }

    /// <summary>
    /// The name that a text begins with: a known one, or else its words with capitals, all before the first that can only be a
    /// verb, or the first word.
    /// </summary>
    public string FirstOf(string text) => At(text) ?? New(text);

    /// <summary>
    /// How many characters of an article or of <c>each</c> stand before the first name, which may begin with such a word itself.
    /// </summary>
    public int LeadOf(string text) => At(text) is null ? LeadPattern().Match(text).Length : 0;

    /// <summary>Whether two texts are one name, whatever their inflection and the signs between their words.</summary>
    public static bool Same(string a, string b) => Name.Of(a).Key == Name.Of(b).Key;

    private static bool IsNameOf(string name, string words) =>
        name.Equals(words, StringComparison.OrdinalIgnoreCase)
        || (Same(name, words) && WordSplitter.Split(name).Count == WordSplitter.Split(words).Count);

    private static string New(string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var capitals = words.TakeWhile(word => char.IsUpper(word[0])).Count();
        var verb = Array.FindIndex(words, 1, words.Length - 1, word => VerbWords.IsVerb(word) || word == "as");
        return string.Join(' ', words.Take(Math.Max(1, Math.Max(capitals, verb))));
    }

    [GeneratedRegex(@"^\s*(?:(?i:an?|each|every|any) (?=\s*\p{L})|[Tt]he (?=\p{Ll}))")]
    private static partial Regex LeadPattern();

    [GeneratedRegex(@"\S+?(?=[:;,]?(?:\s|$))")]
    private static partial Regex WordPattern();
}
