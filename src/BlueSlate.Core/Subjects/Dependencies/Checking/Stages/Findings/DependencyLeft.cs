using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

/// <summary>Something stands in a table still that keeps it from the form of its stage.</summary>
internal abstract class DependencyLeft : StageFindingKind
{
    protected abstract bool IsKind(AgainstForm against, JudgedTable table, DependencyComparison comparison);

    /// <summary>What determines, and why it may not.</summary>
    protected abstract string Because(string from, AttributeSet set, JudgedTable table);

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from bad in BadSplits(comparison, pair, stage)
        where bad.Left is { IsAccountedFor: false }
        let found = Against(bad.Split, bad.Left, pair, comparison)
        where found is not null && IsKind(found, bad.Left, comparison)
        group bad by (bad.Left, found) into same
        let left = same.Key.Left
        let against = same.Key.found
        let to = comparison.Say(against.To)
        let determinant = comparison.Say(against.From)
        let verb = $"{(against.IsMultivalued ? "multidetermine" : "determine")}{(against.From.Count == 1 ? "s" : "")}"
        let own = against.To.Count == 1 ? "its" : "their"
        let key = against.IsMultivalued ? $"{determinant} and {to}" : determinant
        let beside = comparison.Say(Beside(left, against))
        select About(
            pair,
            same.First().Split.Table.Id,
            $"In {stage.Stage.Title}, {Because(determinant, against.From, left)} still {verb} {to}."
        ) with
        {
            There = $"{left.Drawn.Said} has {comparison.Say(against.From | against.To)} beside {beside}.",
            Wanted = $"{Phrasing.Capital(to)} in a table of {own} own, whose key is {key}.",
            Why = against.IsMultivalued
                ? $"Every {to} of one {determinant} is written again for each of the other values that stand with that {determinant}."
                : $"What one {determinant} has is written again in each of its rows: changed in one of them only, "
                    + "the rows contradict each other, "
                    + "and with the last of them it is gone.",
            Claims = [.. same.Select(one => one.Verdict.Fact.Id), .. Whole(comparison, pair)],
            AnswerElements = [.. left.ElementsOf(against.From | against.To)],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding)
    {
        foreach (var pair in comparison.Drawn.Stages.Pairs)
        {
            foreach (var bad in pair.Judged is { } stage ? BadSplits(comparison, pair, stage) : [])
            {
                if (
                    finding.Id == IdOf(pair, bad.Split.Table.Id)
                    && bad.Left is not null
                    && Against(bad.Split, bad.Left, pair, comparison) is { IsMultivalued: false } against
                )
                {
                    var agree = comparison.Drawn.Model.Stored.Implied.ClosureOf(against.From) & bad.Left.All;
                    return MadeRows.Agreeing(
                        ExampleKind.RepeatedAsDrawn,
                        agree,
                        against.From | against.To,
                        comparison,
                        $"two rows of {bad.Left.Drawn.Said} that both say what one {comparison.Say(against.From)} has.",
                        bad.Left.All
                    );
                }
            }
        }

        return null;
    }

    private static AttributeSet Beside(JudgedTable table, AgainstForm against) =>
        table.Key - against.From - against.To is { IsEmpty: false } key ? key : table.All - against.From - against.To;

    private static AgainstForm? Against(PlannedSplit split, JudgedTable table, StagePair pair, DependencyComparison comparison) =>
        StageForms
            .Against(table.All, pair.Plan.Wanted!.Value, comparison.Drawn.Model.Stored)
            .FirstOrDefault(against => against.To.Meets(split.To));
}
