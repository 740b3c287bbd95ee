namespace BlueSlate.Core.Drawings;

/// <summary>Why a document cannot be read as a drawing: a stable key, where it stands, and a sentence for people.</summary>
/// <param name="Key">Stable key such as <c>unknown-word</c>; the list is in docs/formats/drawing.md.</param>
/// <param name="Path">JSON path of the value, such as <c>$.sheets[0].shapes[2].form</c>.</param>
/// <param name="Line">Line in the text, from 1.</param>
/// <param name="Message">One sentence that says what is wrong and what is wanted.</param>
public sealed record DrawingProblem(string Key, string Path, int Line, string Message);

/// <summary>The outcome of reading a document: a drawing, or what is wrong with it.</summary>
public sealed record DrawingOutcome(Drawing? Drawing, IReadOnlyList<DrawingProblem> Problems);
