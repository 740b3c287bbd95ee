using System.Collections.Immutable;

namespace BlueSlate.Core.Language.Scenarios;

/// <summary>The prose that an exercise is about, as sentences of words. A value: the same text reads the same.</summary>
public sealed class ScenarioText
{
    /// <summary>Reads plain text.</summary>
    public ScenarioText(string plain) => Sentences = [.. ScenarioSentence.Split(plain)];

    /// <summary>No prose at all.</summary>
    public static ScenarioText None { get; } = new("");

    internal ImmutableArray<ScenarioSentence> Sentences { get; }

    /// <summary>Whether the words of a name stand in it one after the other, in whatever form.</summary>
    public bool Mentions(string name)
    {
        var words = Name.Of(name).Words;
        return !words.IsEmpty && Sentences.Any(sentence => sentence.Find(words).Any());
    }
}
