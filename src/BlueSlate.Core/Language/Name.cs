using System.Collections.Immutable;

namespace BlueSlate.Core.Language;

/// <summary>
/// A name as its words in their basic forms: <c>VisitNo</c>, <c>visit_no</c>, <c>Visit numbers</c> and <c>visit nr</c> are one name.
/// </summary>
public sealed class Name
{
    private Name(string text, ImmutableArray<string> words)
    {
        Text = text;
        Words = words;
        Key = string.Join(' ', words);
        Compact = string.Concat(words);
        Letters = [.. words.Select(LettersOf)];
    }

    /// <summary>The name as written.</summary>
    public string Text { get; }

    /// <summary>Its words, lower case, in their basic forms, abbreviations spelled out.</summary>
    public ImmutableArray<string> Words { get; }

    /// <summary>The words joined by blanks; equal for names that are the same.</summary>
    public string Key { get; }

    /// <summary>The words written together.</summary>
    internal string Compact { get; }

    /// <summary>For each word, which letters and digits occur in it, a bit for each.</summary>
    internal ImmutableArray<uint> Letters { get; }

    /// <summary>The words of a text.</summary>
    public static Name Of(string text) => new(text, [.. WordSplitter.Split(text).SelectMany(Abbreviations.SpellOut).Select(Inflection.BasicForm)]);

    /// <summary>This name without the words of the owner's name at its start, if anything is left; otherwise itself.</summary>
    public Name Without(Name owner)
    {
        if (owner.Words.IsEmpty || Words.Length <= owner.Words.Length || !Words.AsSpan().StartsWith(owner.Words.AsSpan()))
        {
            return this;
        }

        return new Name(Text, Words[owner.Words.Length..]);
    }

    private static uint LettersOf(string word)
    {
        var letters = 0u;
        foreach (var c in word)
        {
            letters |= 1u << (c & 31);
        }

        return letters;
    }
}
