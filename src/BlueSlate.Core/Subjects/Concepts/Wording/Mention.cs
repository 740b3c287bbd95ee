using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>
/// A thing of the model answer where a sentence names it, or words that stand for one: <c>several</c>, <c>none</c>, <c>it</c>.
/// </summary>
/// <param name="Start">Its first word, with how many of it there are.</param>
/// <param name="End">The place behind its last word.</param>
/// <param name="Thing">The entity type; null where the words leave it to what was said before.</param>
/// <param name="Says">How many there are.</param>
internal sealed record Mention(int Start, int End, string? Thing, Quantity Says)
{
    /// <summary>The role of a relationship that it is named by: the mentor.</summary>
    public string? Role { get; init; }

    /// <summary>Words in front tell which of them are meant: new members, a junior borrower.</summary>
    public bool IsRestricted { get; init; }

    /// <summary>Another one of what was named: <c>another</c>, <c>one other</c>, <c>each other</c>.</summary>
    public bool IsAnother { get; init; }

    /// <summary>The noun stands in the plural.</summary>
    public bool IsPlural { get; init; }
}

/// <summary>What a part of a sentence says of some things: who does or is something, and of how many of what.</summary>
/// <param name="Place">Where it stands.</param>
/// <param name="Subjects">Of what it says something.</param>
/// <param name="Others">What else it names, in order.</param>
internal sealed record Clause(ScenarioPlace Place, IReadOnlyList<Mention> Subjects, IReadOnlyList<Mention> Others)
{
    /// <summary>Its words in their basic forms, as verbs.</summary>
    public required IReadOnlySet<string> Verbs { get; init; }

    /// <summary>It only adds how many there are of what was said last: <c>: any number</c>.</summary>
    public bool Adds { get; init; }

    /// <summary>It says what may be, not what is.</summary>
    public bool May { get; init; }

    /// <summary>It says what is not.</summary>
    public bool Not { get; init; }

    /// <summary>It says what may be instead: one of the booths, <c>or outside of them</c>.</summary>
    public bool OrNot { get; init; }

    /// <summary>It says what is so as a rule, with exceptions that it does not name.</summary>
    public bool IsHabit { get; init; }

    /// <summary>It is said of what is done to its subjects: <c>is trained by</c>.</summary>
    public bool IsPassive { get; init; }
}
