using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Judging;

/// <summary>
/// A kind of work: what its documents say, what a model answer states, how an answer is judged by it and how the differences
/// are explained. One class a subject, found by its type; checking, marking, rulings, doubt, notes and the server know subjects
/// only by this.
/// </summary>
public abstract class Subject
{
    /// <summary>All subjects, in the order of their names.</summary>
    public static IReadOnlyList<Subject> All { get; } =
    [
        .. typeof(Subject)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(Subject)) && !type.IsAbstract)
            .Select(type => (Subject)Activator.CreateInstance(type, nonPublic: true)!)
            .OrderBy(subject => subject.Name, StringComparer.Ordinal),
    ];

    /// <summary>The subject whose work is done under these options; throws when there is none.</summary>
    public static Subject Of(WorkOptions options) =>
        All.FirstOrDefault(subject => subject.Name == options.SubjectName)
        ?? throw new ArgumentException($"There is no subject “{options.SubjectName}”.", nameof(options));

    /// <summary>Its stable name.</summary>
    public abstract string Name { get; }

    /// <summary>Its name for people.</summary>
    public abstract string Title { get; }

    /// <summary>The kinds of facts that its model answers state.</summary>
    public abstract IReadOnlyList<FactKind> FactKinds { get; }

    /// <summary>The kinds of findings that explain its differences.</summary>
    public abstract IReadOnlyList<FindingKind> FindingKinds { get; }

    /// <summary>A stored document; null when it cannot be read.</summary>
    public abstract IDocument? Parse(string text);

    /// <summary>A document as it is stored, canonical.</summary>
    public abstract string Write(IDocument document);

    /// <summary>The same document under ids that those of no other have.</summary>
    public abstract IDocument WithPrefix(IDocument document, string prefix);

    /// <summary>What a document says, in sentences.</summary>
    public abstract ImmutableArray<Sentence> Sentences(IDocument document, WorkOptions options);

    /// <summary>Other ways of saying the same that are met under these options, with what each usually is worth.</summary>
    public abstract ImmutableArray<RestatementChoice> OtherWays(WorkOptions options);

    /// <summary>Prepares a model answer, for any number of answers to be judged by it, from several threads at once.</summary>
    public abstract ModelAnswer Prepare(IDocument document, WorkOptions options, ExerciseTerms terms, Tolerances tolerances);
}

/// <summary>What is accepted at single facts, by their ids.</summary>
public sealed class Tolerances(IEnumerable<Tolerance> tolerances)
{
    private readonly FrozenDictionary<string, Tolerance> byFact = tolerances.ToFrozenDictionary(
        tolerance => tolerance.FactId,
        StringComparer.Ordinal
    );

    /// <summary>Nothing besides the model answer.</summary>
    public static Tolerances None { get; } = new([]);

    /// <summary>What is accepted at a fact, or null.</summary>
    public Tolerance? At(string factId) => byFact.GetValueOrDefault(factId);
}

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
