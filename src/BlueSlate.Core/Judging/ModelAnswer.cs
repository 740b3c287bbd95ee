using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Judging;

/// <summary>A model answer, prepared.</summary>
public abstract class ModelAnswer
{
    /// <summary>Its document.</summary>
    public abstract IDocument Document { get; }

    /// <summary>What it states, those facts among it that count only where a scheme names them.</summary>
    public abstract ImmutableArray<Fact> Facts { get; }

    /// <summary>Facts that ids name though it is silent about them: what must not be there. Other ids give none.</summary>
    public abstract IEnumerable<Fact> Asked(IEnumerable<string> factIds);

    /// <summary>Where in the document a fact is stated, so that it can be edited there.</summary>
    public abstract string SymbolOf(Fact fact);

    /// <summary>Judges an answer on some facts.</summary>
    /// <param name="answer">The answer's document.</param>
    /// <param name="facts">The facts that count.</param>
    /// <param name="stands">What a person said of what stands for what: id of the model answer → id of the answer.</param>
    public abstract Judgement Judge(IDocument answer, ImmutableArray<Fact> facts, ImmutableDictionary<string, string> stands);

    /// <summary>Data that tell the two apart at a finding; null where both allow the same, or none was found.</summary>
    public abstract Example? ExampleOf(Comparison comparison, Finding finding);
}

/// <summary>An answer as it was judged: the likely ways to compare it with the model answer, the likeliest first.</summary>
public abstract class Judgement
{
    /// <summary>At least one.</summary>
    public abstract ImmutableArray<Comparison> Likely { get; }

    /// <summary>What the answer says.</summary>
    public abstract ImmutableArray<Sentence> Sentences { get; }
}
