using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Checking.Stages;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>A dependency diagram as a model answer.</summary>
internal sealed class DependencyModelAnswer : ModelAnswer
{
    private readonly Drawing drawing;
    private readonly DependencyReading model;
    private readonly ExerciseTerms terms;
    private readonly Tolerances tolerances;
    private readonly ImmutableArray<StagePlan> plans;
    private readonly ColumnRows? rows;

    public DependencyModelAnswer(Drawing drawing, ExerciseTerms terms, Tolerances tolerances)
    {
        (this.drawing, this.terms, this.tolerances) = (drawing, terms, tolerances);
        model = DependencyReader.Read(drawing);
        plans = StagePlan.Of(model);
        rows = ColumnRows.Best(terms.Tables, model);
        var kinds = terms.Kinds?.OfType<DependencyFactKind>().ToList() ?? DependencyFactKind.All;
        Facts = [.. kinds.SelectMany(kind => kind.Of(model))];
    }

    public override IDocument Document => drawing;

    public override ImmutableArray<Fact> Facts { get; }

    public override IEnumerable<Fact> Asked(IEnumerable<string> factIds) => [];

    public override string SymbolOf(Fact fact) => ConceptId.Of(fact.ConceptId).Element;

    public override Judgement Judge(IDocument answer, ImmutableArray<Fact> facts, ImmutableDictionary<string, string> stands)
    {
        var reading = DependencyReader.Read((Drawing)answer);
        var pairs = AttributePairs.Of(model, reading, terms.Words, AlsoCalled, stands);
        var asDrawn = Compared(false);
        var isToldWhy = reading.Stages.Any(stage => stage.Tables.Any(table => table.Denormalised is { IsAccountedFor: true }));
        return new DependencyJudgement(reading, isToldWhy ? [asDrawn, Compared(true)] : [asDrawn]);

        DependencyComparison Compared(bool takesReasons)
        {
            var drawn = new DrawnAgainst(model, reading, pairs, plans, takesReasons) { Rows = rows };
            return new DependencyComparison(drawn, [.. facts.Select(fact => On(fact, drawn))]);
        }
    }

    public override Example? ExampleOf(Comparison comparison, Finding finding) =>
        DependencyFindingKind
            .OfDependencies.FirstOrDefault(kind => kind.Code == finding.Code)
            ?.Show((DependencyComparison)comparison, finding);

    private Verdict On(Fact fact, DrawnAgainst drawn)
    {
        var verdict = ((DependencyFactKind)fact.Kind).Judge(fact, drawn);
        return tolerances.At(fact.Id) switch
        {
            { NotAssessed: true } => verdict with { Kind = VerdictKind.NotAssessed, PartlyRight = false },
            { } allowed when verdict.IsBad && (allowed.Optional || fact.Kind.Accepts(allowed, verdict)) => verdict with
            {
                Kind = VerdictKind.Tolerated,
                PartlyRight = false,
            },
            _ => verdict,
        };
    }

    private ImmutableArray<string> AlsoCalled(int attribute) =>
        tolerances.At(new DependencyAttributeFact().IdOf(model.Attributes[attribute].Id))?.Accepted ?? [];
}

/// <summary>A dependency diagram as it was read and judged.</summary>
internal sealed class DependencyJudgement(DependencyReading reading, ImmutableArray<Comparison> likely) : Judgement
{
    public override ImmutableArray<Comparison> Likely => likely;

    public override ImmutableArray<Sentence> Sentences => DependencySentences.Write(reading);
}
