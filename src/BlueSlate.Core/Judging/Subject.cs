using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;

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

    /// <summary>
    /// The ways of writing or drawing its work, by name: the type of the options of each, which can be made of nothing.
    /// </summary>
    public abstract IReadOnlyDictionary<string, Type> OptionTypes { get; }

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

    /// <summary>
    /// A document under other options of the same subject: as it is where it is drawn or written in the same way, else drawn anew,
    /// without places. What the other way cannot say stands in notes.
    /// </summary>
    public abstract IDocument Into(IDocument document, WorkOptions from, WorkOptions to);

    /// <summary>What a document says, in sentences.</summary>
    public abstract ImmutableArray<Sentence> Sentences(IDocument document, WorkOptions options);

    /// <summary>What is to be said of a document's form, with no model answer.</summary>
    public abstract ImmutableArray<FormRemark> Form(IDocument document, WorkOptions options);

    /// <summary>
    /// A document after its sentences were edited, line by line in the order in which it says them; null where work of this subject
    /// cannot be typed.
    /// </summary>
    public virtual Retyped? Retype(IDocument document, IReadOnlyList<string> lines, WorkOptions options) => null;

    /// <summary>
    /// Does something to a document that wants to know what it says; null where it is no deed of this subject.
    /// </summary>
    /// <param name="document">The document.</param>
    /// <param name="deed">The stable name of what is to be done.</param>
    /// <param name="on">To which of its elements.</param>
    public virtual Done? Do(IDocument document, string deed, IReadOnlyList<string> on) => null;

    /// <summary>Those of its deeds that give an answer away, and so are only for whoever sets exercises.</summary>
    public virtual IReadOnlySet<string> DeedsOfAuthors => ImmutableHashSet<string>.Empty;

    /// <summary>Other ways of saying the same that are met under these options, with what each usually is worth.</summary>
    public abstract ImmutableArray<RestatementChoice> OtherWays(WorkOptions options);

    /// <summary>What a document states as a model answer, where an exercise says nothing of its own.</summary>
    public ImmutableArray<Fact> Facts(IDocument document, WorkOptions options) =>
        Prepare(document, options, ExerciseTerms.Usual, Tolerances.None).Facts;

    /// <summary>What may be amiss with an exercise about this subject before anybody sees it.</summary>
    public abstract IEnumerable<PreflightItem> Preflight(PreflightCase one);

    /// <summary>What of a document the rows of the scenario speak against. Rows refute; they never prove.</summary>
    public abstract IEnumerable<PreflightItem> AgainstRows(PreflightCase one);

    /// <summary>
    /// A model answer built up step by step: what depends on least first, in the order in which the scenario speaks of it.
    /// </summary>
    public abstract ImmutableArray<WorkedStep> Steps(PreflightCase one);

    /// <summary>How far a scenario and a model answer cover each other.</summary>
    public abstract ScenarioCover Cover(PreflightCase one);

    /// <summary>What a model answer has in it that exercises are looked for by, each in a few words.</summary>
    public abstract IEnumerable<string> Topics(IDocument document, WorkOptions options);

    /// <summary>Prepares a model answer, for any number of answers to be judged by it, from several threads at once.</summary>
    public abstract ModelAnswer Prepare(IDocument document, WorkOptions options, ExerciseTerms terms, Tolerances tolerances);
}
