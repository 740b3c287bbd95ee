using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class DenormalisedKnowingly : StageFindingKind
{
    public override string Code => "denormalised-knowingly";

    public override string Title => "Denormalised with a reason";

    public override string Help =>
        "A note says that a table holds together on purpose what the form of its stage would have apart, and why. That can be a good "
        + "decision, where reading is worth more than writing; whether it is here is for a person to say. Half is given until then.";

    public override int Rank => 70;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from bad in BadSplits(comparison, pair, stage)
        where bad.Left is { IsAccountedFor: true }
        group bad by bad.Left into same
        let left = same.Key!
        let to = same.Aggregate(AttributeSet.Empty, (all, one) => all | one.Split.To) & left.All
        let keys = same.Aggregate(AttributeSet.Empty, (all, one) => all | one.Split.From)
        let said = comparison.Say(to)
        select About(
            pair,
            same.First().Split.Table.Id,
            $"In {stage.Stage.Title}, {left.Drawn.Said} keeps {said} beside {comparison.Say(keys)} on purpose."
        ) with
        {
            There = $"The note says: since {left.Drawn.Denormalised!.Reason}.",
            Wanted = $"{Phrasing.Capital(said)} in a table of {(to.Count == 1 ? "its" : "their")} own.",
            Why =
                $"What one {comparison.Say(same.First().Split.From)} has is written again in each of its rows. Whether the reason is worth "
                + "that is for a person to say.",
            Claims = [.. same.Select(one => one.Verdict.Fact.Id), .. Whole(comparison, pair)],
            AnswerElements = [left.Drawn.Denormalised!.Note, .. left.ElementsOf(keys | to)],
        };
}
