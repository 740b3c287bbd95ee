using System.Collections.Frozen;

namespace BlueSlate.Core.Drawings;

/// <summary>How a shape's edge is drawn.</summary>
public enum Outline
{
    Single,
    Double,
    Dashed,
}

/// <summary>How a line is drawn.</summary>
public enum Stroke
{
    Solid,
    Dashed,
    Double,
    Thin,
}

/// <summary>What stands beneath a line of text.</summary>
public enum Underline
{
    None,
    Solid,
    Dashed,
}

/// <summary>What a line's end is attached to.</summary>
public enum AttachmentKind
{
    Nothing,
    Shape,
    Row,
    Line,
    End,
}

/// <summary>What a text of a line is: an end's label, role or count, or the line's own text.</summary>
public enum LabelKind
{
    Label,
    Role,
    Count,
    Text,
}

/// <summary>One of the two ends of a line, or neither.</summary>
public enum EndSide
{
    Neither,
    From,
    To,
}

/// <summary>An edge of a box at which a line ends, or whichever is best.</summary>
public enum BoxEdge
{
    Any,
    Left,
    Right,
    Top,
    Bottom,
}

/// <summary>The words that stand for these values in the document format.</summary>
public static class Vocabulary
{
    /// <summary>Words for <see cref="Drawings.Outline"/>.</summary>
    public static Words<Outline> Outlines { get; } = new();

    /// <summary>Words for <see cref="Drawings.Stroke"/>.</summary>
    public static Words<Stroke> Strokes { get; } = new();

    /// <summary>Words for <see cref="Drawings.Underline"/>.</summary>
    public static Words<Underline> Underlines { get; } = new();

    /// <summary>Words for <see cref="LabelKind"/>.</summary>
    public static Words<LabelKind> Labels { get; } = new();

    /// <summary>Words for <see cref="Drawings.EndSide"/>.</summary>
    public static Words<EndSide> Sides { get; } = new();

    /// <summary>Words for <see cref="BoxEdge"/>.</summary>
    public static Words<BoxEdge> Edges { get; } = new();
}

/// <summary>The words of one kind of value: the member's name in lower case, its parts joined by hyphens.</summary>
public sealed class Words<T>
    where T : struct, Enum
{
    private readonly FrozenDictionary<string, T> values;
    private readonly FrozenDictionary<T, string> words;

    internal Words()
    {
        All = [.. Enum.GetNames<T>().Select(Hyphenate)];
        values = Enum.GetValues<T>().ToFrozenDictionary(value => Hyphenate(value.ToString()), StringComparer.Ordinal);
        words = Enum.GetValues<T>().ToFrozenDictionary(value => value, value => Hyphenate(value.ToString()));
    }

    /// <summary>Every word, in the order of the members.</summary>
    public IReadOnlyList<string> All { get; }

    /// <summary>The word for a value.</summary>
    public string Of(T value) => words[value];

    /// <summary>The value that a word stands for; false when there is none.</summary>
    public bool TryRead(string word, out T value) => values.TryGetValue(word, out value);

    internal static string Hyphenate(string name) =>
        string.Concat(name.Select((c, i) => char.IsUpper(c) ? (i > 0 ? "-" : "") + char.ToLowerInvariant(c) : c.ToString()));
}
