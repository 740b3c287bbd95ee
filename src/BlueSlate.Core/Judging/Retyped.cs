using System.Collections.Immutable;
using BlueSlate.Core.Language.Statements;

namespace BlueSlate.Core.Judging;

/// <summary>A document after its sentences were edited.</summary>
/// <param name="Document">The document, as far as they could be taken.</param>
/// <param name="Problems">What of them could not be taken, by line.</param>
/// <param name="Unsaid">What its notation cannot say, in sentences.</param>
public sealed record Retyped(IDocument Document, ImmutableArray<LineProblem> Problems, ImmutableArray<string> Unsaid);
