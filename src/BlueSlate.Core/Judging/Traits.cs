using System.Collections.Immutable;

namespace BlueSlate.Core.Judging;

/// <summary>What of a document another could have in common with it, beyond what it says.</summary>
/// <param name="Texts">What is written in it, as it is written.</param>
/// <param name="Places">What stands where: a text with a place that its author chose, in units of the document.</param>
/// <param name="Things">How many things could stand somewhere.</param>
public sealed record Traits(ImmutableArray<string> Texts, ImmutableArray<(string Text, int X, int Y)> Places, int Things);
