using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Populations;

namespace BlueSlate.Core.Subjects.Concepts;

/// <summary>A drawn model answer: read, listed as facts and prepared for matching.</summary>
internal sealed class ConceptModelAnswer : ModelAnswer
{
    private readonly Drawing drawing;
    private readonly NotationOptions options;
    private readonly Tolerances tolerances;
    private readonly IndexedReading model;
    private readonly MatchModel matchModel;
    private readonly MatchAllowance allowance;
    private readonly ExampleFinder examples;
    private readonly ScenarioText scenario;

    public ConceptModelAnswer(
        Drawing drawing,
        NotationOptions options,
        ExerciseTerms terms,
        Tolerances tolerances,
        IReadOnlyDictionary<string, Standing> worth
    )
    {
        (this.drawing, this.options, this.tolerances, scenario) = (drawing, options, tolerances, terms.Scenario);
        model = new IndexedReading(ComparableForm.Of(Notation.Read(drawing, options)));
        matchModel = new MatchModel(model.Model, terms.Words, Weights.Shipped.With(terms.Weights), terms.Scenario);
        Facts = FactList.Of(model.Reading, options, terms.Kinds?.OfType<ConceptFactKind>().ToList() ?? ConceptFactKind.All);
        allowance = new MatchAllowance(OtherNames(), worth);
        examples = new ExampleFinder(model.Model, tolerances);
    }

    public override IDocument Document => drawing;

    public override ImmutableArray<Fact> Facts { get; }

    /// <summary>What it says.</summary>
    public Reading Reading => model.Reading;

    public override IEnumerable<Fact> Asked(IEnumerable<string> factIds) => FactList.Absences(model.Model, factIds);

    public override string SymbolOf(Fact fact) => ((ConceptFactKind)fact.Kind).SymbolOf(fact, Reading, options);

    public override Judgement Judge(IDocument answer, ImmutableArray<Fact> facts, ImmutableDictionary<string, string> stands)
    {
        var drawn = Notation.Read((Drawing)answer, options);
        var reading = new IndexedReading(ComparableForm.Of(drawn));
        var matched = Matcher.Match(matchModel, reading.Model, allowance with { Stands = stands });
        ConceptComparison By(Correspondence correspondence) =>
            Comparer.Compare(model, facts, tolerances, reading, correspondence, options, scenario);
        var best = By(matched.Best);
        return new ConceptJudgement(drawn, [best, .. InOtherWords(best).Select(By), .. matched.Near.Select(By)]);

        // Where hardly anything is known by its name, all of it may be said in other words: things left that share with one that is
        // missing what they have, or what they are tied to, as they would be asked about.
        IEnumerable<Correspondence> InOtherWords(ConceptComparison known)
        {
            if (!stands.IsEmpty || !known.ShowsLittle)
            {
                return [];
            }

            var meant = known
                .Guesses.Where(guess => guess is { Taken: false, Model.OwnerId: null, Answer.OwnerId: null })
                .DistinctBy(guess => guess.Model.Id)
                .DistinctBy(guess => guess.Answer.Id)
                .ToImmutableDictionary(guess => guess.Model.Id, guess => guess.Answer.Id, StringComparer.Ordinal);
            if (meant.Count * 2 < model.Model.Entities.Length)
            {
                return [];
            }

            // What is assumed costs nothing there: it is only what may be meant, never the better one.
            var assumed = Matcher.Match(matchModel, reading.Model, allowance with { Stands = meant }).Best;
            return [assumed with { Cost = Math.Max(assumed.Cost, matched.Best.Cost + 1) }];
        }
    }

    public override Example? ExampleOf(Comparison comparison, Finding finding) =>
        examples.For((ConceptComparison)comparison, finding);

    // The names under which things are known besides their own: accepted ones, and those that subtypes have in common.
    private FrozenDictionary<string, ImmutableArray<string>> OtherNames() =>
        Facts
            .Where(fact => ((ConceptFactKind)fact.Kind).NamesAThing)
            .Select(fact => (Id: fact.ConceptId, Names: tolerances.At(fact.Id)?.Accepted ?? []))
            .Where(other => other.Names.Length > 0)
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
}

/// <summary>A drawing of concepts as it was read, and by each likely correspondence.</summary>
internal sealed class ConceptJudgement(Reading drawn, ImmutableArray<Comparison> likely) : Judgement
{
    /// <summary>What is drawn.</summary>
    public Reading Drawn => drawn;

    public override ImmutableArray<Comparison> Likely => likely;

    public override ImmutableArray<Sentence> Sentences => SentenceWriter.Write(drawn);
}
