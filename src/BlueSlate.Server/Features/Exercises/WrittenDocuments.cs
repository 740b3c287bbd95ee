using BlueSlate.Data;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>The documents of an exercise or of a part, by their kind.</summary>
internal static class WrittenDocuments
{
    /// <summary>The text of one; throws when it is not among them.</summary>
    public static string TextOf(this IEnumerable<WrittenDocument> documents, DocumentKind kind) =>
        documents.First(document => document.Kind == kind).Text;
}
