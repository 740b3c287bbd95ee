using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class SurrogateWithoutAlternate : StageFindingKind
{
    public override string Code => "surrogate-without-alternate";

    public override string Title => "A number of its own, and nothing that keeps the old key unique";

    public override string Help =>
        "A table was given a number for its key. That may be; but what identified its rows before must stay unique, and is marked as an "
        + "alternate key. Otherwise the same fact can be put in twice under two numbers.";

    public override int Rank => 88;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from number in pair.IsSkipped ? [] : stage.Numbers
        where !number.HasAlternate
        let natural = comparison.Drawn.Answer.Say(number.Natural)
        select About(
            pair,
            number.Column.Id,
            $"{number.Table.Said} of {stage.Stage.Title} has {number.Column.Text} for its key, and nothing keeps {natural} unique."
        ) with
        {
            There = $"{Language.Phrasing.Capital(number.Column.Text)} alone is underlined.",
            Wanted = $"{Language.Phrasing.Capital(natural)} as an alternate key (AK1) beside it, or as the key.",
            Why = $"Two rows with different {number.Column.Text} could have the same {natural}.",
            Extras = [number.Column.Id],
            ModelElements = [],
            AnswerElements = [number.Column.Id],
        };
}
