namespace BlueSlate.Core.Language.Statements;

/// <summary>Words in lists.</summary>
internal static class Lists
{
    /// <summary>The pieces between commas.</summary>
    public static List<string> Of(string text) => [.. text.Split(',', Trimmed)];

    /// <summary>The pieces of a list whose last two are joined by a word.</summary>
    public static string[] Joined(string text, string word) => text.Split([$" {word} ", ","], Trimmed);

    private const StringSplitOptions Trimmed = StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries;
}
