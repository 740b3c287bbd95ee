using System.Collections.Immutable;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Preparing;

/// <summary>One step of a model answer that is built up before a class.</summary>
/// <param name="Said">What is drawn in it, in a sentence.</param>
/// <param name="Why">Why it is drawn, and so.</param>
/// <param name="Elements">What is drawn: shapes, lines and rows of the model answer, each in one step only.</param>
/// <param name="Places">The words of the scenario that it follows from.</param>
public sealed record WorkedStep(string Said, string Why, ImmutableArray<string> Elements, ImmutableArray<ScenarioPlace> Places);
