using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;

namespace BlueSlate.Guide;

/// <summary>An example of a kind of finding.</summary>
/// <param name="Model">The model answer.</param>
/// <param name="Answer">The answer in which it is found.</param>
/// <param name="Logical">Whether the part is at logical level.</param>
public sealed record FindingExample(Drawing Model, Drawing Answer, bool Logical = false)
{
    /// <summary>Facts that the scheme asks for besides those of the model answer.</summary>
    public ImmutableArray<string> Asked { get; init; } = [];

    /// <summary>What the class has learned; crow's foot when nothing else is said.</summary>
    public WorkOptions Options { get; init; } = new CrowsFootOptions { Level = Logical ? Level.Logical : Level.Conceptual };
}
