using BlueSlate.Core.Drawings;

namespace BlueSlate.Server.Features.Answers;

/// <summary>Drawings as the database keeps them.</summary>
internal static class StoredDrawings
{
    /// <summary>The hash of one; throws when it cannot be read, which none is that was stored.</summary>
    public static string HashOf(string text) =>
        DrawingWriter.Hash(
            DrawingReader.Read(text).Drawing ?? throw new InvalidOperationException("A stored drawing cannot be read.")
        );
}
