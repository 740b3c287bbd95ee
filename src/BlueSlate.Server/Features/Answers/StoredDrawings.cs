using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;

namespace BlueSlate.Server.Features.Answers;

/// <summary>Drawings as the database keeps them.</summary>
internal static class StoredDrawings
{
    /// <summary>What was drawn or written about a subject; throws when it cannot be read, which none is that was stored.</summary>
    public static IDocument Read(Subject subject, string text) =>
        subject.Parse(text) ?? throw new InvalidOperationException("A stored document cannot be read.");

    /// <summary>The same for a part.</summary>
    public static IDocument Read(PartDocument part, string text) => Read(Subject.Of(part.Learned), text);

    /// <summary>The hash of one; throws when it cannot be read, which none is that was stored.</summary>
    public static string HashOf(string text) =>
        DrawingWriter.Hash(
            DrawingReader.Read(text).Drawing ?? throw new InvalidOperationException("A stored drawing cannot be read.")
        );
}
