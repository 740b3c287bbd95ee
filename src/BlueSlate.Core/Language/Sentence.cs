using System.Collections.Immutable;

namespace BlueSlate.Core.Language;

/// <summary>One statement, as pieces of text; a piece that is said by one element of the drawing names it.</summary>
/// <param name="ConceptId">The concept that the statement is about.</param>
/// <param name="Pieces">The text in order.</param>
/// <param name="Elements">All elements of the drawing that the statement lights.</param>
/// <param name="StillOpen">The question that the drawing leaves open, or null.</param>
public sealed record Sentence(
    string ConceptId,
    ImmutableArray<SentencePiece> Pieces,
    ImmutableArray<string> Elements,
    string? StillOpen
)
{
    /// <summary>The whole statement as text.</summary>
    public string Text => string.Concat(Pieces.Select(piece => piece.Text));
}

/// <summary>A piece of a statement, and the element that says it, if one does.</summary>
public sealed record SentencePiece(string Text, string? ElementId = null);
