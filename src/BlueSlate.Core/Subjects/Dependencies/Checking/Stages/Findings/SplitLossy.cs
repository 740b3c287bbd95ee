using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class SplitLossy : StageFindingKind
{
    private const int MostRows = 4;
    private const int MostColumns = 6;

    public override string Code => "split-lossy";

    public override string Title => "Split that cannot be joined again";

    public override string Help =>
        "Put together again, the tables of this stage give rows that were never there. Two tables can be joined without inventing rows "
        + "when what they have in common determines everything in one of them.";

    public override int Rank => 76;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage)
    {
        if (
            pair.Plan.Wanted is null
            || IsToldElsewhere(comparison, pair)
            || !stage.Dropped.IsEmpty
            || stage.IsLosslessByOwn
            || stage.Tables.Length < 2
        )
        {
            yield break;
        }

        yield return About(pair, "join", $"The tables of {stage.Stage.Title} cannot be joined again without inventing rows.") with
        {
            There = $"The tables {Listed(stage.Stage)}.",
            Wanted = "Tables of which each can be joined to the others over a key.",
            Why = "Which values stood together in a row cannot be found out any more.",
            Claims = [.. Whole(comparison, pair)],
            ModelElements = [.. pair.Plan.Stage.Tables.Select(table => table.Id)],
            AnswerElements = [.. stage.Tables.Select(table => table.Drawn.Id)],
        };
    }

    public override Example? Show(DependencyComparison comparison, Finding finding) => Rows(comparison, finding);

    /// <summary>
    /// The final tableau of the chase, which keeps every dependency, and the row that follows from its projections and is not in it.
    /// </summary>
    internal static Example? Rows(DependencyComparison comparison, Finding finding)
    {
        var stage = comparison
            .Drawn.Stages.Pairs.FirstOrDefault(pair =>
                finding.Id.StartsWith($"{finding.Code}:{pair.Plan.Stage.Id}/", StringComparison.Ordinal)
            )
            ?.Judged;
        if (stage is not { Chased: { Lossless: false, Tableau: var tableau } })
        {
            return null;
        }

        var rows = tableau.Distinct().ToList();
        var differing = comparison.Drawn.Model.Stored.All.Where(column => rows.Exists(row => row[column] != 0)).ToList();
        if (rows.Count > MostRows || differing.Count > MostColumns)
        {
            // As many as a person can take in: the rows of the tables that have most in common, and the columns that tell them apart.
            rows = [.. rows.Take(MostRows)];
            differing = [.. differing.Take(MostColumns)];
        }

        var same = comparison.Drawn.Model.Stored.All.Except(differing).Take(Math.Max(0, MostColumns - differing.Count));
        int[] shown = [.. differing.Concat(same).Order()];
        IEnumerable<IReadOnlyList<int>> cells = rows.Select(row => (IReadOnlyList<int>)[.. shown.Select(column => row[column])]);
        return MadeRows.Of(
            ExampleKind.FollowsAsDrawn,
            $"put into the tables of {stage.Stage.Title} and joined again, they give a row that was never there.",
            shown,
            cells.Append(new int[shown.Length]),
            comparison
        );
    }
}
