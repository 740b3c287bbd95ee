using System.Collections.Immutable;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Preparing;

/// <summary>Something about an exercise that its author may want to mend before anybody sees it.</summary>
/// <param name="Kind">The stable name of its kind.</param>
/// <param name="Key">
/// What it is about, the same in every run: by it an author's <c>meant so</c> is kept. It names the kind and the element or the
/// words.
/// </param>
/// <param name="Said">What it is, in sentences.</param>
public sealed record PreflightItem(string Kind, string Key, string Said)
{
    /// <summary>A sentence that would decide it, for the scenario; empty where none is proposed.</summary>
    public string Better { get; init; } = "";

    /// <summary>The words of the scenario that it is about.</summary>
    public ImmutableArray<ScenarioPlace> Places { get; init; } = [];

    /// <summary>The elements of the model answer that it is about.</summary>
    public ImmutableArray<string> Elements { get; init; } = [];

    /// <summary>What may be accepted besides, so that both readings are right; null where nothing would do.</summary>
    public AcceptedBesides? Accept { get; init; }
}

/// <summary>A value that may be accepted at a fact besides the model answer's.</summary>
public sealed record AcceptedBesides(string Fact, string Value);
