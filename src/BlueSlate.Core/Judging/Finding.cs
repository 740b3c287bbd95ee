using System.Collections.Immutable;

namespace BlueSlate.Core.Judging;

/// <summary>The word that a difference carries where it is drawn.</summary>
public enum Tag
{
    Missing,
    Extra,
    Differs,
    Moved,
    Notation,
}

/// <summary>One difference between answer and model answer, or one fault of notation.</summary>
public sealed record Finding
{
    /// <summary>Unique within one answer: the code and the concept that it is about.</summary>
    public required string Id { get; init; }

    /// <summary>The stable code of its kind.</summary>
    public required string Code { get; init; }

    /// <summary>The word shown at the difference.</summary>
    public required Tag Tag { get; init; }

    /// <summary>The difference in one short sentence.</summary>
    public required string Headline { get; init; }

    /// <summary>What is there.</summary>
    public required string There { get; init; }

    /// <summary>What is wanted.</summary>
    public required string Wanted { get; init; }

    /// <summary>Why it matters, in the scenario's own things.</summary>
    public required string Why { get; init; }

    /// <summary>Ids of the facts whose bad verdicts it explains.</summary>
    public ImmutableArray<string> Claims { get; init; } = [];

    /// <summary>Ids of the answer's concepts that it explains as extras.</summary>
    public ImmutableArray<string> Extras { get; init; } = [];

    /// <summary>Elements of the model answer that it shows.</summary>
    public ImmutableArray<string> ModelElements { get; init; } = [];

    /// <summary>Elements of the answer that it shows.</summary>
    public ImmutableArray<string> AnswerElements { get; init; } = [];

    /// <summary>The finding from which this one only follows, or null for a root.</summary>
    public string? ConsequenceOf { get; init; }
}
