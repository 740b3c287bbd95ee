using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class CellNotAtomic : StageFindingKind
{
    public override string Code => "cell-not-atomic";

    public override string Title => "Several values in one cell";

    public override string Help =>
        "One cell holds several values of different kinds, which cannot be looked up, compared or determined one by one. In first normal "
        + "form every value that is asked for has a column of its own. What counts as one value is said by whoever sets the exercise.";

    public override int Rank => 72;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage)
    {
        if (!pair.Plan.IsFirst || IsToldElsewhere(comparison, pair))
        {
            yield break;
        }

        foreach (var table in stage.Tables)
        {
            foreach (var cell in table.Cells)
            {
                var parts = AttributeSet.Of(cell.Select(column => column.Model).OfType<int>());
                var said = parts.IsEmpty
                    ? Language.Phrasing.List([.. cell.Select(column => column.Drawn.Text)])
                    : comparison.Say(parts);
                yield return About(
                    pair,
                    $"{table.Drawn.Id}/{cell.Key.Whole}",
                    $"In {stage.Stage.Title}, {table.Drawn.Said} has {said} in one cell, {cell.Key.Whole}."
                ) with
                {
                    There = $"One column {cell.Key.Whole}.",
                    Wanted = $"A column each for {said}.",
                    Why =
                        $"As one value, {cell.Key.Whole} cannot be searched or sorted by {Language.Phrasing.InText(Last(cell))}.",
                    Claims =
                    [
                        .. Bad<StageCellFact>(comparison, pair)
                            .Where(verdict => StageCellFact.CellOf(verdict.Fact, pair).Parts.Meets(parts))
                            .Select(verdict => verdict.Fact.Id),
                        .. Whole(comparison, pair),
                    ],
                    ModelElements = [.. pair.Plan.Cells.Where(one => one.Parts.Meets(parts)).Select(one => one.Element)],
                    AnswerElements = [cell.Key.Id],
                };
            }
        }

        string Last(IEnumerable<JudgedColumn> cell) =>
            cell.Last() is { Model: { } model } ? comparison.Say(model) : cell.Last().Drawn.Text;
    }
}
