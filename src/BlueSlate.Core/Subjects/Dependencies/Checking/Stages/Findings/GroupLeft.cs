using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class GroupLeft : StageFindingKind
{
    public override string Code => "group-left";

    public override string Title => "Repeating group left";

    public override string Help =>
        "A column holds several values, or a whole group of columns repeats within one row. In first normal form every cell has one "
        + "value: either the group gets a row for each of its values, or a table of its own with the key of the row it came from.";

    public override int Rank => 72;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from bad in BadGroups(comparison, pair)
        let repeated = bad.Group
        let table = stage.Tables.FirstOrDefault(table => table.Repeating.Meets(repeated.Inner))
        where table is not null
        let inner = comparison.Say(table.Repeating & repeated.Inner)
        select About(
            pair,
            repeated.Element,
            $"In {table.Drawn.Said}, {inner} still {((table.Repeating & repeated.Inner).Count == 1 ? "repeats" : "repeat")} within a row."
        ) with
        {
            There = $"{Phrasing.Capital(inner)} in braces.",
            Wanted =
                $"A row for each {comparison.Say(AttributeSet.Of(repeated.Inner.First()))}, "
                + $"or a table of its own with {comparison.Say(repeated.Outer)}.",
            Why =
                $"In {pair.Plan.Stage.Title} a cell has one value; "
                + "several in one cell can be neither found nor counted nor changed one by one.",
            Claims = [bad.Verdict.Fact.Id, .. Whole(comparison, pair)],
            ModelElements = [repeated.Element],
            AnswerElements = [.. table.ElementsOf(repeated.Inner)],
        };
}
