using System.Collections.Frozen;

namespace BlueSlate.Core.Judging;

/// <summary>
/// One thing that a model answer says. Its id is made of its kind and the id of the element that says it, so that it
/// survives every change of the model answer that keeps the element.
/// </summary>
/// <param name="Id">Such as <c>min:r1/to</c>.</param>
/// <param name="Kind">What it is about.</param>
/// <param name="ConceptId">The concept of the model answer, or <c>drawing</c> for the drawing as a whole.</param>
/// <param name="Place">Facts of one place, such as the two values at one end, are right or wrong together.</param>
/// <param name="Title">A few words for people.</param>
/// <param name="Value">What the model answer says, as text.</param>
public sealed record Fact(string Id, FactKind Kind, string ConceptId, string Place, string Title, string Value)
{
    /// <summary>
    /// What sort of thing it names, in the words of the notation: <c>entity</c>, <c>class</c>; empty where it names none.
    /// </summary>
    public string Noun { get; init; } = "";

    /// <summary>The concept id of facts about the drawing as a whole.</summary>
    public const string WholeDrawing = "drawing";
}

/// <summary>What is accepted at a fact besides the model answer's own value.</summary>
/// <param name="FactId">The fact.</param>
/// <param name="Accepted">Further values: <c>0</c>, <c>1</c>, <c>*</c> or <c>?</c> (unsaid) at an end; other names at an entity
/// or attribute.</param>
/// <param name="Optional">It may be absent or present.</param>
/// <param name="NotAssessed">Nothing is said of it and nothing is marked.</param>
public sealed record Tolerance(
    string FactId,
    System.Collections.Immutable.ImmutableArray<string> Accepted,
    bool Optional,
    bool NotAssessed
);

/// <summary>What is accepted at single facts, by their ids.</summary>
public sealed class Tolerances(IEnumerable<Tolerance> tolerances)
{
    private readonly FrozenDictionary<string, Tolerance> byFact = tolerances.ToFrozenDictionary(
        tolerance => tolerance.FactId,
        StringComparer.Ordinal
    );

    /// <summary>Nothing besides the model answer.</summary>
    public static Tolerances None { get; } = new([]);

    /// <summary>What is accepted at a fact, or null.</summary>
    public Tolerance? At(string factId) => byFact.GetValueOrDefault(factId);
}
