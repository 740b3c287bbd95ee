using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

/// <summary>An anomaly that is not named as it is wanted.</summary>
/// <param name="Fact">The fact that it is.</param>
/// <param name="Wanted">What the model answer names.</param>
/// <param name="Named">What the answer names for the same rows; null where nothing.</param>
internal sealed record AnomalyJudged(Fact Fact, ListedAnomaly Wanted, ListedAnomaly? Named)
{
    public string Rows => AnomalyText.SayRows(Wanted.Rows);
}

/// <summary>A kind of finding about anomalies.</summary>
internal abstract class AnomalyFindingKind : DependencyFindingKind
{
    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict.Fact.Kind is AnomalyFact
        let wanted = AnomalyFact.WantedBy(verdict.Fact, comparison.Drawn.Model)
        let judged = new AnomalyJudged(verdict.Fact, wanted, AnomalyFact.NamedFor(verdict.Fact, comparison.Drawn))
        where IsKind(judged, comparison)
        select Say(
            judged,
            new Finding
            {
                Id = IdFor(verdict.Fact.ConceptId),
                Code = Code,
                Tag = Tag.Differs,
                Headline = "",
                There = "",
                Wanted = $"{Article(wanted.Kind)} anomaly: {CoverFact.Said(wanted.Cause, comparison.Drawn.Model)}.",
                Why = Trouble(wanted.Kind, comparison.Say(wanted.Cause.From.Attributes)),
                Claims = [verdict.Fact.Id],
                ModelElements = [wanted.Note],
                AnswerElements = judged.Named is { } named
                    ? [named.Note]
                    : [.. ElementsOf(comparison, wanted.Cause.From.Attributes | wanted.Cause.To.Attributes)],
            },
            comparison
        );

    protected abstract bool IsKind(AnomalyJudged judged, DependencyComparison comparison);

    /// <summary>The finding with what is said of it.</summary>
    protected abstract Finding Say(AnomalyJudged judged, Finding finding, DependencyComparison comparison);

    /// <summary>The trade's word with its article: An update.</summary>
    protected static string Article(AnomalyKind kind) =>
        $"{(kind == AnomalyKind.Deletion ? "A" : "An")} {AnomalyText.Word(kind)}";

    // What goes wrong, of what one of something has.
    private static string Trouble(AnomalyKind kind, string from) =>
        kind switch
        {
            AnomalyKind.Insertion =>
                $"What one {from} has cannot be put in as long as there is nothing else to stand in its row.",
            AnomalyKind.Update =>
                $"What one {from} has stands in each of its rows: changed in one of them only, they contradict each other.",
            _ => $"With the last of its rows goes what one {from} has, though only the rest was to be taken out.",
        };
}
