using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core;

/// <summary>
/// The whole way of an answer through the core: read, judged, explained, marked. It is prepared once for a model answer of any
/// subject and may then be used for any number of answers, from several threads at once.
/// </summary>
public sealed class Assessor
{
    /// <summary>Changes whenever the same answer could be read, matched, checked or marked differently.</summary>
    public const string CoreVersion = "14";

    private const double SameCost = 1e-9;

    private readonly ModelAnswer model;
    private readonly ImmutableArray<Assessor> variants;

    /// <summary>
    /// Prepares a part of an exercise for checking, with every other way of drawing the same worth what it usually is.
    /// </summary>
    public Assessor(IDocument modelAnswer, WorkOptions options, IEnumerable<Tolerance> tolerances, MarkingScheme scheme)
        : this(modelAnswer, options, tolerances, scheme, ExerciseTerms.Usual) { }

    /// <summary>Prepares a part of an exercise for checking.</summary>
    /// <param name="modelAnswer">The model answer's document.</param>
    /// <param name="options">What the class has learned; by it the subject is known.</param>
    /// <param name="tolerances">What is accepted at single facts.</param>
    /// <param name="scheme">The marking scheme.</param>
    /// <param name="terms">What the exercise says of its own words, and of other ways of drawing the same.</param>
    public Assessor(
        IDocument modelAnswer,
        WorkOptions options,
        IEnumerable<Tolerance> tolerances,
        MarkingScheme scheme,
        ExerciseTerms terms
    )
        : this(Subject.Of(options), modelAnswer, options, tolerances, scheme, terms) { }

    /// <summary>The same for a subject that is named.</summary>
    public Assessor(
        Subject subject,
        IDocument modelAnswer,
        WorkOptions options,
        IEnumerable<Tolerance> tolerances,
        MarkingScheme scheme,
        ExerciseTerms terms
    )
    {
        (Subject, Options, Scheme) = (subject, options, scheme);
        model = subject.Prepare(modelAnswer, options, terms, new Tolerances(tolerances));
        var used = scheme.Lines.SelectMany(line => line.FactIds).ToFrozenSet(StringComparer.Ordinal);
        Facts = [.. model.Facts.Where(fact => !fact.Kind.IsOnRequest || used.Contains(fact.Id)), .. model.Asked(used)];
        variants =
        [
            .. terms.Variants.Select(
                (variant, at) => Variant(subject.WithPrefix(variant, $"v{at + 1}-"), options, terms with { Variants = [] })
            ),
        ];
    }

    // Another model answer, with a scheme in which what both say is worth the same. What is accepted at single facts is the
    // model answer's alone.
    private Assessor Variant(IDocument document, WorkOptions options, ExerciseTerms terms)
    {
        var asAnswer = AssessAs(document, ImmutableDictionary<string, string>.Empty, [], Decisions.None).Comparison;
        var facts = Subject.Prepare(document, options, terms, Tolerances.None).Facts;
        var scheme = VariantScheme.Of(Scheme, Facts, asAnswer.InPlace, facts);
        return new Assessor(Subject, document, options, [], scheme, terms) { IsVariant = true };
    }

    private bool IsVariant { get; init; }

    /// <summary>The kind of work.</summary>
    public Subject Subject { get; }

    /// <summary>What the class has learned.</summary>
    public WorkOptions Options { get; }

    internal IDocument Model => model.Document;

    /// <summary>The facts of the model answer.</summary>
    public ImmutableArray<Fact> Facts { get; }

    /// <summary>The scheme by which it marks.</summary>
    public MarkingScheme Scheme { get; }

    /// <summary>Reads, judges, explains and marks one answer.</summary>
    public Assessment Assess(IDocument answer, ImmutableArray<Ruling> rulings) => Assess(answer, rulings, Subject.FindingKinds);

    /// <summary>The same with some kinds of findings only.</summary>
    public Assessment Assess(IDocument answer, ImmutableArray<Ruling> rulings, IReadOnlyList<FindingKind> kinds) =>
        Best(answer, ImmutableDictionary<string, string>.Empty, kinds, rulings);

    /// <summary>The same of one answer in which a person said of some things what they stand for.</summary>
    /// <param name="answer">The document.</param>
    /// <param name="stands">Element of the model answer → element of the answer that stands for it.</param>
    public Assessment AssessAs(IDocument answer, ImmutableDictionary<string, string> stands) =>
        Best(answer, stands, Subject.FindingKinds, Decisions.None);

    // Held against the model answer and each variant, an answer is taken by the one that gives it most; of equal marks, by the
    // first.
    private Assessment Best(
        IDocument answer,
        ImmutableDictionary<string, string> stands,
        IReadOnlyList<FindingKind> kinds,
        Decisions decisions
    )
    {
        var best = AssessAs(answer, stands, kinds, decisions);
        foreach (var variant in variants)
        {
            if (variant.AssessAs(answer, stands, kinds, decisions) is var other && other.Sheet.Exact > best.Sheet.Exact)
            {
                best = other;
            }
        }

        return best;
    }

    private Assessment AssessAs(
        IDocument answer,
        ImmutableDictionary<string, string> stands,
        IReadOnlyList<FindingKind> kinds,
        Decisions decisions
    )
    {
        var judgement = model.Judge(answer, Facts, stands);
        var best = judgement.Likely[0];
        var near = judgement.Likely.Skip(1).ToList();
        var cheapest = best.Cost + SameCost;

        // Of equal cost, the comparison with the higher mark is taken.
        foreach (var other in near.Where(other => other.Cost <= cheapest).ToList())
        {
            if (MarkOf(other) > MarkOf(best))
            {
                near[near.IndexOf(other)] = best;
                best = other;
            }
        }

        return new Assessment(Scheme, model, judgement, best, [.. near], FindingSelector.Select(best, kinds), decisions)
        {
            ByVariant = IsVariant,
        };
    }

    private Rational MarkOf(Comparison comparison) =>
        Marker.Mark(Scheme, comparison.Verdicts, comparison.Extras, Decisions.None).Exact;
}

/// <summary>Everything that was found out about one answer.</summary>
public sealed class Assessment
{
    private readonly MarkingScheme scheme;
    private readonly ModelAnswer model;
    private readonly ImmutableArray<Comparison> near;

    internal Assessment(
        MarkingScheme scheme,
        ModelAnswer model,
        Judgement judgement,
        Comparison comparison,
        ImmutableArray<Comparison> near,
        ImmutableArray<Finding> findings,
        Decisions decided,
        Inheritance? inherited = null
    )
    {
        (this.scheme, this.model, this.near, Judgement, Comparison, Findings, Inherited) = (
            scheme,
            model,
            near,
            judgement,
            comparison,
            findings,
            inherited ?? Inheritance.None
        );
        var decisions = Inherited.Under(decided);
        Sheet = Marker.Mark(scheme, comparison.Verdicts, comparison.Extras, decisions);
        Notes = NoteWriter.Write(Sheet, findings);
        Doubt = Doubt.Of(
            comparison,
            Sheet,
            [.. near.Select(other => Marker.Mark(scheme, other.Verdicts, other.Extras, decisions))]
        );
    }

    /// <summary>The model answer, or the accepted variant, against which the answer was held.</summary>
    public IDocument ModelAnswer => model.Document;

    /// <summary>True when that is a variant.</summary>
    public bool ByVariant { get; internal init; }

    /// <summary>The answer as it was judged.</summary>
    public Judgement Judgement { get; }

    /// <summary>The way to compare it that was taken: the verdicts on the facts of the model answer.</summary>
    public Comparison Comparison { get; }

    /// <summary>The differences that tell most.</summary>
    public ImmutableArray<Finding> Findings { get; }

    /// <summary>The marks, line by line.</summary>
    public MarkSheet Sheet { get; }

    /// <summary>The findings with what each costs.</summary>
    public ImmutableArray<Note> Notes { get; }

    /// <summary>What was there already in the drawing with which the part was begun.</summary>
    public Inheritance Inherited { get; }

    /// <summary>How sure the marks are.</summary>
    public Doubt Doubt { get; }

    /// <summary>What the answer says.</summary>
    public ImmutableArray<Sentence> Sentences => Judgement.Sentences;

    /// <summary>
    /// A handful of data that the answer and the model answer judge differently, for one of the findings; null where both allow
    /// the same data, or none was found.
    /// </summary>
    public Example? ExampleOf(Finding finding) => model.ExampleOf(Comparison, finding);

    /// <summary>The same answer under other decisions. Nothing is read, matched or checked again.</summary>
    public Assessment Under(Decisions decisions) =>
        new(scheme, model, Judgement, Comparison, near, Findings, decisions, Inherited) { ByVariant = ByVariant };

    internal Assessment With(Inheritance inherited) =>
        new(scheme, model, Judgement, Comparison, near, Findings, Decisions.None, inherited) { ByVariant = ByVariant };
}
