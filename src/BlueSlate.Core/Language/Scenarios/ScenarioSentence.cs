using System.Collections.Immutable;

namespace BlueSlate.Core.Language.Scenarios;

/// <summary>What stands between a word of a sentence and the next.</summary>
internal enum Pause
{
    None,
    Comma,

    /// <summary>A semicolon, a colon or a dash.</summary>
    Break,
    Opening,
    Closing,
}

/// <summary>A sentence as its words: as written in small letters, in their basic forms, and with what follows each.</summary>
internal sealed class ScenarioSentence
{
    private ScenarioSentence(ImmutableArray<string> written, ImmutableArray<Pause> after, ImmutableArray<int> starts)
    {
        (Written, After, Starts) = (written, after, starts);
        Forms = [.. written.Select(word => Name.Of(word).Words is [var form] ? form : word)];
    }

    public ImmutableArray<string> Written { get; }

    public ImmutableArray<string> Forms { get; }

    public ImmutableArray<Pause> After { get; }

    /// <summary>Where in the text each word starts.</summary>
    public ImmutableArray<int> Starts { get; }

    /// <summary>
    /// The places after which words in their basic forms have stood one after the other, without a pause; no words stand nowhere.
    /// </summary>
    public IEnumerable<int> Find(ImmutableArray<string> words)
    {
        for (var end = words.IsEmpty ? Forms.Length + 1 : words.Length; end <= Forms.Length; end++)
        {
            var start = end - words.Length;
            if (
                Forms.AsSpan()[start..end].SequenceEqual(words.AsSpan())
                && After.AsSpan()[start..(end - 1)].IndexOfAnyExcept(Pause.None) < 0
            )
            {
                yield return end;
            }
        }
    }

    /// <summary>Takes a text apart. A line of a list that does not end in a full stop pauses like a comma.</summary>
    public static IEnumerable<ScenarioSentence> Split(string text)
    {
        var (words, after) = (ImmutableArray.CreateBuilder<string>(), ImmutableArray.CreateBuilder<Pause>());
        var starts = ImmutableArray.CreateBuilder<int>();
        for (var i = 0; i <= text.Length; i++)
        {
            if (i == text.Length || Ends(text, i))
            {
                if (words.Count > 0)
                {
                    yield return new ScenarioSentence(words.ToImmutable(), after.ToImmutable(), starts.ToImmutable());
                }

                words.Clear();
                after.Clear();
                starts.Clear();
            }
            else if (IsInWord(text, i))
            {
                var start = i;
                while (i + 1 < text.Length && IsInWord(text, i + 1))
                {
                    i++;
                }

                words.Add(text[start..(i + 1)].ToLowerInvariant());
                starts.Add(start);
                after.Add(Pause.None);
            }
            else if (after.Count > 0 && PauseOf(text[i]) > after[^1])
            {
                after[^1] = PauseOf(text[i]);
            }
        }
    }

    private static bool IsInWord(string text, int i) =>
        char.IsLetterOrDigit(text[i])
        || (
            text[i] is '-' or '\'' or '’'
            && i > 0
            && i + 1 < text.Length
            && char.IsLetter(text[i - 1])
            && char.IsLetter(text[i + 1])
        );

    // A full stop within a number or after a single letter ends nothing; an empty line does.
    private static bool Ends(string text, int i) =>
        text[i] switch
        {
            '!' or '?' => true,
            '.' => (i + 1 == text.Length || char.IsWhiteSpace(text[i + 1]) || text[i + 1] is ')' or '”' or '"')
                && !(i >= 2 && char.IsLetter(text[i - 1]) && !char.IsLetter(text[i - 2]))
                && !(i == 1 && char.IsLetter(text[0])),
            '\n' => i + 1 < text.Length && text[i + 1] == '\n',
            _ => false,
        };

    private static Pause PauseOf(char character) =>
        character switch
        {
            '(' or '[' => Pause.Opening,
            ')' or ']' => Pause.Closing,
            ';' or ':' or '–' or '—' => Pause.Break,
            ',' or '\n' or '/' => Pause.Comma,
            _ => Pause.None,
        };
}
