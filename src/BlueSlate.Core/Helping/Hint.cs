using System.Collections.Immutable;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Helping;

/// <summary>How far help goes: each step says more, and none says what the model answer has instead.</summary>
public enum HelpStep
{
    /// <summary>How many differences there are, and of which sort.</summary>
    HowMany,

    /// <summary>Where one of them is: on the slate, or in the scenario.</summary>
    Where,

    /// <summary>What kind of difference it is.</summary>
    What,

    /// <summary>Why that matters, and how it is avoided.</summary>
    Why,
}

/// <summary>One step of help.</summary>
/// <param name="Step">How far it goes.</param>
/// <param name="Finding">The difference that it is about, for the server alone; null when it is about none.</param>
/// <param name="Said">What the student reads.</param>
/// <param name="Elements">What it is about on the slate.</param>
/// <param name="Places">Where it is about something in the scenario, the words.</param>
public sealed record Hint(
    HelpStep Step,
    string? Finding,
    string Said,
    ImmutableArray<string> Elements,
    ImmutableArray<ScenarioPlace> Places
);
