using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Crossing;

/// <summary>What of a document is meant.</summary>
/// <param name="Sheet">The sheet; empty for the one that has come farthest.</param>
/// <param name="Shapes">The shapes; all when empty.</param>
public sealed record Piece(string Sheet, ImmutableArray<string> Shapes)
{
    /// <summary>All of it.</summary>
    public static Piece All { get; } = new("", []);
}

/// <summary>Takes documents from one subject to another.</summary>
public static class Crossings
{
    /// <summary>Whether what is drawn under the one options can be gone on with under the other.</summary>
    public static bool Lead(WorkOptions from, WorkOptions to) =>
        from.SubjectName == to.SubjectName || Bridge.All.Any(bridge => bridge.Leads(from, to));

    /// <summary>
    /// A document as one begins with it under other options, without places; null where no way leads there, or there is nothing to take.
    /// </summary>
    /// <param name="document">The document.</param>
    /// <param name="from">Its options.</param>
    /// <param name="to">The options under which one goes on.</param>
    /// <param name="piece">What of it is meant, where that is another subject.</param>
    public static IDocument? Of(IDocument document, WorkOptions from, WorkOptions to, Piece piece) =>
        from.SubjectName == to.SubjectName
            ? Subject.Of(to).Into(document, from, to)
            : Bridge.All.FirstOrDefault(bridge => bridge.Leads(from, to))?.Cross(document, from, to, piece);
}
