namespace BlueSlate.Core.Judging;

/// <summary>What came of something that was to be done to a document.</summary>
/// <param name="Document">The document after it; null where it could not be done.</param>
/// <param name="Problem">Why it could not, in a sentence; empty where it was done.</param>
public sealed record Done(IDocument? Document, string Problem = "");
