using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Checking;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Matching;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Populations;
using BlueSlate.Core.Restatements;

namespace BlueSlate.Core;

/// <summary>What an exercise says of its own words, and of other ways of drawing the same.</summary>
/// <param name="Standings">Code of a restatement → what it is worth here. Codes that there are not are passed over.</param>
/// <param name="Words">Which words mean the same in it, and which never do.</param>
public sealed record ExerciseTerms(IReadOnlyDictionary<string, Standing> Standings, ExerciseWords Words)
{
    /// <summary>Other model answers that are as right, for another structure.</summary>
    public ImmutableArray<Drawing> Variants { get; init; } = [];

    /// <summary>The kinds of facts that are looked at.</summary>
    public IReadOnlyList<FactKind> Kinds { get; init; } = FactKind.All;

    /// <summary>Nothing of its own.</summary>
    public static ExerciseTerms Usual { get; } = new(FrozenDictionary<string, Standing>.Empty, ExerciseWords.None);
}

/// <summary>
/// The whole way of an answer through the core: drawing, reading, correspondence, comparison, findings, mark sheet. It is
/// prepared once for a model answer and may then be used for any number of answers, from several threads at once.
/// </summary>
public sealed class Assessor
{
    /// <summary>Changes whenever the same answer could be read, matched, checked or marked differently.</summary>
    public const string CoreVersion = "9";

    private const double SameCost = 1e-9;

    private readonly NotationOptions options;
    private readonly IndexedReading model;
    private readonly MatchModel matchModel;
    private readonly FrozenDictionary<string, Tolerance> tolerances;
    private readonly MatchAllowance allowance;
    private readonly ExampleFinder examples;
    private readonly ImmutableArray<Assessor> variants;

    /// <summary>
    /// Prepares a part of an exercise for checking, with every other way of drawing the same worth what it usually is.
    /// </summary>
    public Assessor(Drawing modelAnswer, NotationOptions options, IEnumerable<Tolerance> tolerances, MarkingScheme scheme)
        : this(modelAnswer, options, tolerances, scheme, ExerciseTerms.Usual) { }

    /// <summary>Prepares a part of an exercise for checking.</summary>
    /// <param name="modelAnswer">The model answer's drawing.</param>
    /// <param name="options">What the class has learned about the notation.</param>
    /// <param name="tolerances">What is accepted at single facts.</param>
    /// <param name="scheme">The marking scheme.</param>
    /// <param name="terms">What the exercise says of its own words, and of other ways of drawing the same.</param>
    public Assessor(
        Drawing modelAnswer,
        NotationOptions options,
        IEnumerable<Tolerance> tolerances,
        MarkingScheme scheme,
        ExerciseTerms terms
    )
    {
        this.options = options;
        Scheme = scheme;
        model = new IndexedReading(ComparableForm.Of(Notation.Read(modelAnswer, options)));
        matchModel = new MatchModel(model.Model, terms.Words);
        var used = scheme.Lines.SelectMany(line => line.FactIds).ToFrozenSet(StringComparer.Ordinal);
        Facts =
        [
            .. FactList.Of(model.Reading, options, terms.Kinds).Where(fact => !fact.Kind.IsOnRequest || used.Contains(fact.Id)),
            .. FactList.Absences(model.Model, used),
        ];
        this.tolerances = tolerances.ToFrozenDictionary(tolerance => tolerance.FactId, StringComparer.Ordinal);
        examples = new ExampleFinder(model.Model, this.tolerances);
        var otherNames = Facts
            .Where(fact =>
                fact.Kind.NamesAThing && this.tolerances.TryGetValue(fact.Id, out var tolerance) && tolerance.Accepted.Length > 0
            )
            .Select(fact => (Id: fact.ConceptId, Names: this.tolerances[fact.Id].Accepted))
            .Concat(
                AcceptedNames
                    .CommonHeads(model.Model)
                    .Select(head => (Id: head.SupertypeId, Names: ImmutableArray.Create(head.Name)))
            )
            .GroupBy(other => other.Id, StringComparer.Ordinal)
            .ToFrozenDictionary(
                group => group.Key,
                group => group.SelectMany(other => other.Names).ToImmutableArray(),
                StringComparer.Ordinal
            );

        var worth = StandingsAt(options);
        foreach (var (code, standing) in terms.Standings)
        {
            worth[code] = standing;
        }

        allowance = new MatchAllowance(otherNames, worth);
        ModelDrawing = modelAnswer;
        variants =
        [
            .. terms.Variants.Select(
                (variant, at) => Variant(Renaming.WithPrefix(variant, $"v{at + 1}-"), terms with { Variants = [] })
            ),
        ];
    }

    /// <summary>The other ways of drawing that are met under these options, with what each usually is worth.</summary>
    public static ImmutableArray<RestatementChoice> Restatements(NotationOptions options)
    {
        var worth = StandingsAt(options);
        return
        [
            .. RestatementChoice
                .In(options.Notation)
                .Select(choice => choice with { Usual = worth.GetValueOrDefault(choice.Code, choice.Usual) }),
        ];
    }

    // What restatements are worth at a level and in a notation, where that is not the usual.
    private static Dictionary<string, Standing> StandingsAt(NotationOptions options)
    {
        var standings = new Dictionary<string, Standing>(StringComparer.Ordinal);

        // At logical level a many-to-many relationship is to be resolved, so it does not stand for a linking entity.
        if (options.Level == Level.Logical)
        {
            standings[LinkingEntityByManyToMany.StableCode] = Standing.Different;
        }

        // Where composites are shown as such, their parts alone say less.
        if (Notation.Of(options.Notation).ShowsComposites)
        {
            standings[CompositeByParts.StableCode] = Standing.InPart;
        }

        return standings;
    }

    // Another model answer, with a scheme in which what both say is worth the same. What is accepted at single facts is the
    // model answer's alone.
    private Assessor Variant(Drawing drawing, ExerciseTerms terms)
    {
        var asAnswer = AssessAs(drawing, ImmutableDictionary<string, string>.Empty, [], []).Comparison.Correspondence;
        var facts = FactList.Of(ComparableForm.Of(Notation.Read(drawing, options)), options, terms.Kinds);
        return new Assessor(drawing, options, [], VariantScheme.Of(Scheme, Facts, asAnswer.Counterparts(), facts), terms);
    }

    /// <summary>The model answer's drawing.</summary>
    public Drawing ModelDrawing { get; }

    /// <summary>The facts of the model answer.</summary>
    public ImmutableArray<Fact> Facts { get; }

    /// <summary>The scheme by which it marks.</summary>
    public MarkingScheme Scheme { get; }

    /// <summary>What the model answer says.</summary>
    public Reading Model => model.Reading;

    /// <summary>Reads, matches, checks and marks one answer.</summary>
    public Assessment Assess(Drawing answer, ImmutableArray<Ruling> rulings) => Assess(answer, rulings, FindingKind.All);

    /// <summary>The same with some kinds of findings only.</summary>
    public Assessment Assess(Drawing answer, ImmutableArray<Ruling> rulings, IReadOnlyList<FindingKind> kinds) =>
        Best(answer, ImmutableDictionary<string, string>.Empty, kinds, rulings);

    /// <summary>
    /// Reads, matches, checks and marks one answer in which a person said of some things what they stand for.
    /// </summary>
    /// <param name="answer">The drawing.</param>
    /// <param name="stands">Element of the model answer → element of the answer that stands for it.</param>
    public Assessment AssessAs(Drawing answer, ImmutableDictionary<string, string> stands) =>
        Best(answer, stands, FindingKind.All, []);

    // Held against the model answer and each variant, an answer is taken by the one that gives it most; of equal marks, by the
    // first.
    private Assessment Best(
        Drawing answer,
        ImmutableDictionary<string, string> stands,
        IReadOnlyList<FindingKind> kinds,
        ImmutableArray<Ruling> rulings
    )
    {
        var best = AssessAs(answer, stands, kinds, rulings);
        foreach (var variant in variants)
        {
            if (variant.AssessAs(answer, stands, kinds, rulings) is var other && other.Sheet.Exact > best.Sheet.Exact)
            {
                best = other;
            }
        }

        return best;
    }

    private Assessment AssessAs(
        Drawing answer,
        ImmutableDictionary<string, string> stands,
        IReadOnlyList<FindingKind> kinds,
        ImmutableArray<Ruling> rulings
    )
    {
        var drawn = Notation.Read(answer, options);
        var reading = new IndexedReading(ComparableForm.Of(drawn));
        var matched = Matcher.Match(matchModel, reading.Model, allowance with { Stands = stands });
        var best = Compare(reading, matched.Best);
        var near = matched.Near.Select(correspondence => Compare(reading, correspondence)).ToList();

        // Of equal cost, the correspondence with the higher mark is taken.
        foreach (var other in near.Where(other => other.Correspondence.Cost <= matched.Best.Cost + SameCost).ToList())
        {
            if (MarkOf(other) > MarkOf(best))
            {
                near[near.IndexOf(other)] = best;
                best = other;
            }
        }

        return new Assessment(
            Scheme,
            ModelDrawing,
            examples,
            drawn,
            best,
            [.. near],
            FindingSelector.Select(best, kinds),
            rulings
        );
    }

    private Comparison Compare(IndexedReading reading, Correspondence correspondence) =>
        Comparer.Compare(model, Facts, tolerances, reading, correspondence, options);

    private Rational MarkOf(Comparison comparison) => Marker.Mark(Scheme, comparison.Verdicts, comparison.Extras, []).Exact;

    /// <summary>The sentences of a reading.</summary>
    public static ImmutableArray<Sentence> Sentences(Reading reading) => SentenceWriter.Write(reading);
}

/// <summary>Everything that was found out about one answer.</summary>
public sealed class Assessment
{
    private readonly MarkingScheme scheme;
    private readonly ExampleFinder examples;
    private readonly ImmutableArray<Comparison> near;

    internal Assessment(
        MarkingScheme scheme,
        Drawing model,
        ExampleFinder examples,
        Reading reading,
        Comparison comparison,
        ImmutableArray<Comparison> near,
        ImmutableArray<Finding> findings,
        ImmutableArray<Ruling> rulings
    )
    {
        (this.scheme, ModelDrawing, this.examples, this.near, Reading, Comparison, Findings) = (
            scheme,
            model,
            examples,
            near,
            reading,
            comparison,
            findings
        );
        Sheet = Marker.Mark(scheme, comparison.Verdicts, comparison.Extras, rulings);
        Notes = NoteWriter.Write(Sheet, findings, scheme.ExtraCost);
        Doubt = Doubt.Of(
            comparison,
            Sheet,
            [.. near.Select(other => Marker.Mark(scheme, other.Verdicts, other.Extras, rulings))]
        );
    }

    /// <summary>The model answer, or the accepted variant, against which the answer was held.</summary>
    public Drawing ModelDrawing { get; }

    /// <summary>What the drawing says.</summary>
    public Reading Reading { get; }

    /// <summary>The verdicts on the facts of the model answer.</summary>
    public Comparison Comparison { get; }

    /// <summary>The differences that tell most.</summary>
    public ImmutableArray<Finding> Findings { get; }

    /// <summary>The marks, line by line.</summary>
    public MarkSheet Sheet { get; }

    /// <summary>The findings with what each costs.</summary>
    public ImmutableArray<Note> Notes { get; }

    /// <summary>How sure the marks are.</summary>
    public Doubt Doubt { get; }

    /// <summary>
    /// A handful of instances that the drawing and the model answer judge differently, for one of the findings; null where both
    /// allow the same data, or none was found.
    /// </summary>
    public ExamplePopulation? ExampleOf(Finding finding) => examples.For(Comparison, finding);

    /// <summary>The same answer under other rulings. Nothing is read, matched or checked again.</summary>
    public Assessment Under(ImmutableArray<Ruling> rulings) =>
        new(scheme, ModelDrawing, examples, Reading, Comparison, near, Findings, rulings);
}
