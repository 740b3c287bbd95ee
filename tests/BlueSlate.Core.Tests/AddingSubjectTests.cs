using System.Collections.Immutable;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Preparing;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>
/// A subject is added by its own classes alone: here lists of words, from outside the core. Schemes, marks, notes, rulings,
/// doubt, variants and results are what they are for every subject.
/// </summary>
public sealed class AddingSubjectTests
{
    private static readonly WordList Model = new(["mast", "hull", "sail", "rudder"]);
    private static readonly ListOptions Options = new();
    private static readonly ListSubject Lists = new();

    [Fact]
    public void A_subject_is_judged_explained_and_marked_like_every_other()
    {
        var assessor = Of(ExerciseTerms.Usual);
        assessor.Assess(Model, []).Sheet.Total.ShouldBe(8);
        assessor.Assess(Model, []).Notes.ShouldBeEmpty();

        var assessment = assessor.Assess(new WordList(["mast", "hull", "wheel"]), []);
        assessment.Sheet.Exact.ShouldBe(4);
        assessment.Notes.Select(note => note.Finding.Headline).ShouldBe(["sail is missing.", "rudder is missing."]);
        assessment.Notes.Aggregate(Rational.Zero, (sum, note) => sum + note.Loss).ShouldBe(4);
        assessment.Comparison.Extras.Select(extra => extra.Name).ShouldBe(["wheel"]);
        assessment.Doubt.IsOpen.ShouldBeFalse();
        assessment.Under(new Decisions([assessment.Notes[0].Ruled(Decision.Allow, "")], [])).Sheet.Exact.ShouldBe(6);

        var result = ResultDocument.Of(assessment, "hash");
        result.Verdicts.Select(verdict => verdict.Verdict).Count(kind => kind == VerdictKind.Absent).ShouldBe(2);
        result.Counterparts.Keys.ShouldBe(["hull", "mast"]);
        result.Sentences.Select(sentence => sentence.Concept).ShouldBe(["mast", "hull", "wheel"]);
        var alike = assessor.Assess(new WordList(["hull", "mast"]), []);
        AlikeKey.Of(alike.Notes[0], alike.Comparison).ShouldBe(AlikeKey.Of(assessment.Notes[0], assessment.Comparison));
    }

    [Fact]
    public void Tolerances_and_further_model_answers_are_those_of_every_subject()
    {
        var scheme = Scheme();
        var lenient = new Assessor(
            Lists,
            Model,
            Options,
            [new Tolerance("word:sail", [], true, false)],
            scheme,
            ExerciseTerms.Usual
        );
        lenient.Assess(new WordList(["mast", "hull", "rudder"]), []).Sheet.Total.ShouldBe(8);

        var raft = new WordList(["logs", "rope"]);
        Of(ExerciseTerms.Usual).Assess(raft, []).Sheet.Total.ShouldBe(0);
        var assessment = Of(ExerciseTerms.Usual with { Variants = [raft] }).Assess(raft, []);
        assessment.Sheet.Total.ShouldBe(8);
        assessment.Findings.ShouldBeEmpty();
    }

    [Fact]
    public void Every_subject_is_found_by_its_type_alone()
    {
        var types = typeof(Subject).Assembly.GetTypes().Where(type => type.IsSubclassOf(typeof(Subject)) && !type.IsAbstract);
        Subject.All.Select(subject => subject.GetType()).ShouldBe(types, ignoreOrder: true);
        Subject.All.Select(subject => subject.Name).ShouldBeUnique();
        Subject.All.SelectMany(subject => subject.FactKinds).Select(kind => kind.Name).ShouldBeUnique();
        FindingKind.All.ShouldBe(Subject.All.SelectMany(subject => subject.FindingKinds), ignoreOrder: true);
        Should.Throw<ArgumentException>(() => Subject.Of(Options)).Message.ShouldContain("lists");
    }

    private static MarkingScheme Scheme() => SchemeDeriver.Derive(Lists.Facts(Model, Options), 8);

    private static Assessor Of(ExerciseTerms terms) => new(Lists, Model, Options, [], Scheme(), terms);

    private sealed record WordList(ImmutableArray<string> Words) : IDocument
    {
        public bool IsBlank => Words.IsEmpty;

        public bool Has(string element) => Words.Contains(element);

        public Traits Traits => new(Words, [], Words.Length);
    }

    private sealed record ListOptions : WorkOptions
    {
        public override string SubjectName => "lists";

        public override string Notation => "one word a line";
    }

    private sealed class ListSubject : Subject
    {
        public override string Name => "lists";

        public override string Title => "lists of words";

        public override IReadOnlyDictionary<string, Type> OptionTypes { get; } =
            new Dictionary<string, Type> { [Options.Notation] = typeof(ListOptions) };

        public override IReadOnlyList<FactKind> FactKinds => [new WordFact()];

        public override IReadOnlyList<FindingKind> FindingKinds => [new WordMissing()];

        public override IDocument? Parse(string text) => new WordList([.. text.Split('\n')]);

        public override string Write(IDocument document) => string.Join('\n', ((WordList)document).Words);

        public override IDocument WithPrefix(IDocument document, string prefix) => document;

        public override IEnumerable<PreflightItem> AgainstRows(PreflightCase one) => [];

        public override IDocument Into(IDocument document, WorkOptions from, WorkOptions to) => document;

        public override ImmutableArray<Sentence> Sentences(IDocument document, WorkOptions options) => Say((WordList)document);

        public override ImmutableArray<FormRemark> Form(IDocument document, WorkOptions options) => [];

        public override ImmutableArray<RestatementChoice> OtherWays(WorkOptions options) => [];

        public override IEnumerable<PreflightItem> Preflight(PreflightCase one) => [];

        public override ImmutableArray<WorkedStep> Steps(PreflightCase one) => [];

        public override ScenarioCover Cover(PreflightCase one) => ScenarioCover.None;

        public override IEnumerable<string> Topics(IDocument document, WorkOptions options) => [];

        public override ModelAnswer Prepare(
            IDocument document,
            WorkOptions options,
            ExerciseTerms terms,
            Tolerances tolerances
        ) => new ListModel((WordList)document, tolerances);
    }

    private static ImmutableArray<Sentence> Say(WordList list) =>
        [.. list.Words.Select(word => new Sentence(word, [new SentencePiece(word, word)], [word], null))];

    private sealed record WordFact() : FactKind("word", 0)
    {
        public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line(fact.Title, 1);

        public Fact Of(string word) => New(word, word, word, word);
    }

    private sealed class WordMissing : FindingKind
    {
        public override string Code => "word-missing";

        public override string Title => "A word is missing";

        public override string Help => "The scenario names it.";

        public IEnumerable<Finding> Find(Comparison comparison) =>
            comparison.AllBad.Select(verdict => new Finding
            {
                Id = IdFor(verdict.Fact.ConceptId),
                Code = Code,
                Tag = Tag.Missing,
                Headline = $"{verdict.Fact.Value} is missing.",
                There = "It is not in the list.",
                Wanted = verdict.Fact.Value,
                Why = "Without it the boat does not sail.",
                Claims = [verdict.Fact.Id],
                ModelElements = [verdict.Fact.ConceptId],
            });
    }

    private sealed class ListModel(WordList list, Tolerances tolerances) : ModelAnswer
    {
        public override IDocument Document => list;

        public override ImmutableArray<Fact> Facts { get; } = [.. list.Words.Select(new WordFact().Of)];

        public override IEnumerable<Fact> Asked(IEnumerable<string> factIds) => [];

        public override string SymbolOf(Fact fact) => fact.ConceptId;

        public override Example? ExampleOf(Comparison comparison, Finding finding) => null;

        public override Judgement Judge(
            IDocument answer,
            ImmutableArray<Fact> facts,
            ImmutableDictionary<string, string> stands
        ) => new ListJudgement((WordList)answer, [new ListComparison(list, (WordList)answer, facts, tolerances)]);
    }

    private sealed class ListJudgement(WordList answer, ImmutableArray<Comparison> likely) : Judgement
    {
        public override ImmutableArray<Comparison> Likely => likely;

        public override ImmutableArray<Sentence> Sentences => Say(answer);
    }

    private sealed class ListComparison(WordList model, WordList answer, ImmutableArray<Fact> facts, Tolerances tolerances)
        : Comparison(
            [
                .. facts.Select(fact =>
                    answer.Words.Contains(fact.Value)
                        ? new Verdict(fact, VerdictKind.Holds, fact.Value, fact.Value)
                        : new Verdict(
                            fact,
                            tolerances.At(fact.Id)?.Optional == true ? VerdictKind.Tolerated : VerdictKind.Absent,
                            null,
                            ""
                        )
                ),
            ],
            [.. answer.Words.Except(model.Words).Select(word => new Extra(new ExtraKind("Word"), word, null, word))]
        )
    {
        public override double Cost => AllBad.Length;

        public override ImmutableArray<string> Unsure => [];

        public override IEnumerable<NamedThing> ModelThings => model.Words.Select(word => new NamedThing(word, word, null));

        public override IEnumerable<NamedThing> AnswerThings => answer.Words.Select(word => new NamedThing(word, word, null));

        public override IEnumerable<StandIn> StandIns => InPlace.Keys.Select(word => new StandIn(word, word, ""));

        public override ImmutableSortedDictionary<string, string> Counterparts =>
            InPlace.ToImmutableSortedDictionary(StringComparer.Ordinal);

        public override IReadOnlyDictionary<string, string> InPlace =>
            model.Words.Intersect(answer.Words).ToDictionary(word => word, word => word);

        public override ImmutableArray<string> SaidAnotherWay => [];

        public override string KeyOf(Extra extra) => extra.Name;

        public override IEnumerable<string> NearTo(Extra extra) => [];

        public override IEnumerable<(FindingKind Kind, Finding Finding)> Propose(IReadOnlyList<FindingKind> kinds) =>
            kinds.OfType<WordMissing>().SelectMany(kind => kind.Find(this).Select(finding => ((FindingKind)kind, finding)));
    }
}
