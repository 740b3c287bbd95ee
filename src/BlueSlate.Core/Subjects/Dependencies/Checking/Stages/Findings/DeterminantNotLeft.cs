using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class DeterminantNotLeft : StageFindingKind
{
    public override string Code => "determinant-not-left-behind";

    public override string Title => "Determinant not left behind";

    public override string Help =>
        "What determines went into the new table and left nothing behind: no column leads from the old table to the new one any more. "
        + "The determinant stays where it was, as a foreign key, and is the key of the new table.";

    public override int Rank => 75;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage)
    {
        if (stage.IsLosslessByOwn || IsToldElsewhere(comparison, pair))
        {
            yield break;
        }

        foreach (var split in pair.Plan.Splits)
        {
            if (
                stage.TableOf(split) is { } table
                && stage.Tables.Length > 1
                && !stage.Tables.Any(other => other != table && split.From.Meets(other.All))
            )
            {
                var (from, to) = (comparison.Say(split.From), comparison.Say(split.To));
                yield return About(pair, split.Table.Id, $"Nothing leads to {table.Drawn.Said}: {from} was not left behind.") with
                {
                    There =
                        $"{Phrasing.Capital(from)} {(split.From.Count == 1 ? "stands" : "stand")} in {table.Drawn.Said} only.",
                    Wanted = $"{Phrasing.Capital(from)} in the table that it came from as well, as a foreign key.",
                    Why =
                        $"Nobody can tell any more which {to} {Verb(split.To, "belongs", "belong")} to which of the other rows.",
                    Claims =
                    [
                        .. Whole(comparison, pair),
                        // That it is determined itself is seen nowhere any more, for the same reason.
                        .. BadSplits(comparison, pair, stage)
                            .Where(bad => bad.Left is null && (bad.Split.To - stage.Kept(bad.Split)).IsSubsetOf(split.From))
                            .Select(bad => bad.Verdict.Fact.Id),
                    ],
                    AnswerElements = [.. table.ElementsOf(split.From)],
                };
            }
        }
    }

    public override Example? Show(DependencyComparison comparison, Finding finding) => SplitLossy.Rows(comparison, finding);
}
