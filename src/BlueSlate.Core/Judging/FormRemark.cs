using System.Collections.Immutable;

namespace BlueSlate.Core.Judging;

/// <summary>
/// Something about the form of a document, whatever the scenario asks: what is wrong or unfinished in it, or what form follows from it.
/// </summary>
/// <param name="Code">The stable code of its rule.</param>
/// <param name="Text">One sentence, in the drawing's own names.</param>
/// <param name="Elements">The elements of the drawing that it is about.</param>
public sealed record FormRemark(string Code, string Text, ImmutableArray<string> Elements)
{
    /// <summary>Why it is so, in sentences one reads one after the other; none where it can be seen.</summary>
    public ImmutableArray<string> Because { get; init; } = [];
}
