using System.Collections.Immutable;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Preparing;

/// <summary>How far a scenario and a model answer cover each other, and which words could be tied to what they tell of.</summary>
/// <param name="Facts">How many things the words are to decide: what is there, what is kept of it, how many go with how many.</param>
/// <param name="Undecided">The elements of the model answer of which no words decide one or more of these.</param>
/// <param name="Decided">How many are decided, by words or by a person.</param>
/// <param name="Phrases">How many phrases of the scenario tell something: names and numbers.</param>
/// <param name="Unused">Those that nothing in the model answer uses.</param>
/// <param name="Proposed">Words that name or count something to which nothing is tied yet.</param>
public sealed record ScenarioCover(
    int Facts,
    int Decided,
    ImmutableArray<string> Undecided,
    int Phrases,
    ImmutableArray<ScenarioPlace> Unused,
    ImmutableArray<ProposedTie> Proposed
)
{
    /// <summary>Of a subject whose words are not read.</summary>
    public static ScenarioCover None { get; } = new(0, 0, [], 0, [], []);
}

/// <summary>Words that tell of an element of a model answer.</summary>
/// <param name="Element">The element.</param>
/// <param name="Place">The words.</param>
public sealed record ProposedTie(string Element, ScenarioPlace Place);
