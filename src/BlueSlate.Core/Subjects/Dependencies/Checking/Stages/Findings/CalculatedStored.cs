using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class CalculatedStored : StageFindingKind
{
    public override string Code => "calculated-stored";

    public override string Title => "Kept, though it is calculated";

    public override string Help =>
        "A table keeps what can be worked out from other columns whenever it is wanted. Kept as well, it is wrong as soon as one of those "
        + "changes and it does not.";

    public override int Rank => 89;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        base.Find(comparison)
            .Concat(
                comparison.Drawn.Stages.BroughtBack.Select(one =>
                    About(one.Pair, one.Column, comparison) with
                    {
                        Extras = [one.Column.Column.Id],
                    }
                )
            );

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from verdict in Bad<StageCalculatedFact>(comparison, pair)
        where verdict.Kind == VerdictKind.Wrong && !IsToldElsewhere(comparison, pair)
        let attribute = StageCalculatedFact.AttributeOf(verdict.Fact, pair, comparison.Drawn)
        let kept = stage.Calculated.First(one => comparison.Drawn.ModelOf(one.Column.Attribute) == attribute)
        select About(pair, kept, comparison) with
        {
            Claims = [verdict.Fact.Id],
        };

    /// <summary>Rows that say two things of what is worked out from the same.</summary>
    public override Example? Show(DependencyComparison comparison, Finding finding)
    {
        var kept = comparison
            .Drawn.Stages.Stages.SelectMany(stage => stage.Calculated)
            .First(one => finding.AnswerElements.Contains(one.Column.Id));
        var attribute = comparison.Drawn.ModelOf(kept.Column.Attribute)!.Value;
        var sources = SourcesOf(attribute, comparison);
        return sources.IsEmpty
            ? null
            : MadeRows.Agreeing(
                ExampleKind.AllowedAsDrawn,
                sources,
                sources | AttributeSet.Of(attribute),
                comparison,
                $"two rows with the same {comparison.Say(sources)} that differ in {comparison.Say(attribute)}.",
                sources | AttributeSet.Of(attribute)
            );
    }

    private Finding About(StagePair pair, StoredColumn kept, DependencyComparison comparison)
    {
        var sources = SourcesOf(comparison.Drawn.ModelOf(kept.Column.Attribute)!.Value, comparison);
        var (source, name) = (sources.IsEmpty ? "the others" : comparison.Say(sources), kept.Column.Text);
        return About(
            pair,
            $"calculated-{kept.Column.Id}",
            $"{kept.Table.Said} of {pair.Judged!.Stage.Title} keeps {name}, which is calculated from {source}."
        ) with
        {
            Tag = Tag.Extra,
            There = $"A column {name}.",
            Wanted = $"{Phrasing.Capital(source)} alone; {name} is worked out when it is wanted.",
            Why = $"When {source} {(sources.Count == 1 ? "changes" : "change")} and {name} does not, the row contradicts itself.",
            AnswerElements = [kept.Column.Id],
        };
    }

    private static AttributeSet SourcesOf(int attribute, DependencyComparison comparison) =>
        comparison
            .Drawn.Model.Dependencies.Where(arrow => arrow.To == attribute && !arrow.IsMultivalued)
            .Select(arrow => arrow.From)
            .FirstOrDefault();
}
