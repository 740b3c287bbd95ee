using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages;

/// <summary>What a stage of a model answer gives a table of its own.</summary>
/// <param name="Table">The table that holds it.</param>
/// <param name="From">What determines and was no key where it stood before.</param>
/// <param name="To">What it determines.</param>
/// <param name="IsMultivalued">Whether it determines a set of values.</param>
internal sealed record PlannedSplit(StageTable Table, AttributeSet From, AttributeSet To, bool IsMultivalued);

/// <summary>A group that repeats in an unnormalised table of a model answer.</summary>
/// <param name="Element">The line that holds it.</param>
/// <param name="Outer">What identifies the rows in which it repeats.</param>
/// <param name="Inner">Its attributes.</param>
internal sealed record PlannedGroup(string Element, AttributeSet Outer, AttributeSet Inner);

/// <summary>A cell of an unnormalised table of a model answer that holds several attributes.</summary>
/// <param name="Element">The line that holds it.</param>
/// <param name="Whole">What it is called.</param>
/// <param name="Parts">Its attributes.</param>
internal sealed record PlannedCell(string Element, string Whole, AttributeSet Parts);

/// <summary>What a stage of a model answer does to the one before.</summary>
/// <param name="Stage">The stage, without what is calculated.</param>
/// <param name="Wanted">The form that it is to reach; null for one that is not normalised.</param>
/// <param name="Before">The tables before it.</param>
/// <param name="Splits">What it gives tables of their own.</param>
/// <param name="Groups">The groups that repeat no longer.</param>
/// <param name="Spare">How many of its own tables it could do without.</param>
internal sealed record StagePlan(
    Stage Stage,
    NormalForm? Wanted,
    ImmutableArray<AttributeSet> Before,
    ImmutableArray<PlannedSplit> Splits,
    ImmutableArray<PlannedGroup> Groups,
    int Spare
)
{
    /// <summary>The cells whose parts it takes apart.</summary>
    public ImmutableArray<PlannedCell> Cells { get; init; } = [];

    /// <summary>What is calculated and was kept before, and is kept no longer.</summary>
    public AttributeSet Freed { get; init; }

    /// <summary>What is calculated and stands in none of its tables.</summary>
    public AttributeSet Absent { get; init; }

    /// <summary>Whether it is the first whose rows have one value in each cell.</summary>
    public bool IsFirst { get; init; }

    /// <summary>Whether its tables are others than those before; a stage that begins the way has the same.</summary>
    public bool Changes { get; } = !Stage.Parts.ToHashSet().SetEquals(Before);

    /// <summary>The tables of it that hold together on purpose what could be apart.</summary>
    public IEnumerable<StageTable> Denormalised => Stage.Tables.Where(table => table.Denormalised is not null);

    /// <summary>The tables that were not there before, by their attributes.</summary>
    public IEnumerable<StageTable> NewTables => Stage.Tables.Where(table => !Changes || !Before.Contains(table.All));

    /// <summary>Whether a stage is only the one before once more, though there is something to do.</summary>
    public bool IsCopiedBy(JudgedStage stage) => Changes && stage.Parts.ToHashSet().SetEquals(Before);

    /// <summary>The plans of a model answer, in the order of its stages.</summary>
    public static ImmutableArray<StagePlan> Of(DependencyReading model)
    {
        var plans = ImmutableArray.CreateBuilder<StagePlan>();
        var given = model.Stored;
        ImmutableArray<AttributeSet> before = [given.All];
        var kept = model.Calculated;
        var groups = ImmutableArray<PlannedGroup>.Empty;
        var cells = ImmutableArray<PlannedCell>.Empty;
        foreach (var drawn in model.Stages)
        {
            var stage = drawn.Without(model.Calculated);
            if (stage.IsUnnormalised)
            {
                plans.Add(new StagePlan(stage, null, before, [], [], 0));
                groups = [.. stage.Tables.SelectMany(GroupsOf)];
                cells = [.. stage.Tables.SelectMany(CellsOf)];
                continue;
            }

            var wanted = stage.Claimed ?? StageForms.Of(stage.Parts, given) ?? NormalForm.First;
            plans.Add(
                new StagePlan(
                    stage,
                    wanted,
                    before,
                    SplitsOf(stage, wanted, before, given),
                    groups,
                    StageForms.Spare(stage.Parts, given).Length
                )
                {
                    Cells = cells.RemoveAll(cell => stage.Tables.SelectMany(CellsOf).Any(same => same.Parts.Meets(cell.Parts))),
                    Freed = kept - drawn.All,
                    Absent = model.Calculated - drawn.All,
                    IsFirst = plans.All(plan => plan.Wanted is null),
                }
            );
            (before, groups, cells, kept) = (stage.Parts, [], [], kept & drawn.All);
        }

        return plans.ToImmutable();
    }

    private static IEnumerable<PlannedCell> CellsOf(StageTable table) =>
        table
            .Columns.Where(column => column.Whole.Length > 0)
            .GroupBy(column => (column.Id, column.Whole))
            .Select(cell => new PlannedCell(
                cell.Key.Id,
                cell.Key.Whole,
                AttributeSet.Of(cell.Select(column => column.Attribute))
            ));

    private static IEnumerable<PlannedGroup> GroupsOf(StageTable table) =>
        table
            .Columns.Where(column => column.IsRepeating)
            .GroupBy(column => column.Id, StringComparer.Ordinal)
            .Select(group => new PlannedGroup(
                group.Key,
                table.Key - table.Repeating,
                AttributeSet.Of(group.Select(column => column.Attribute))
            ));

    private static ImmutableArray<PlannedSplit> SplitsOf(
        Stage stage,
        NormalForm wanted,
        ImmutableArray<AttributeSet> before,
        DependencySet given
    )
    {
        var splits = new List<PlannedSplit>();
        foreach (var against in before.SelectMany(part => StageForms.Against(part, wanted, given)))
        {
            var table = stage.Tables.FirstOrDefault(table =>
                against.From.IsSubsetOf(table.All)
                && table.All.Meets(against.To)
                && StageForms.Determines(against.From, table.All, given, against.IsMultivalued)
            );
            if (table is not null && splits.TrueForAll(split => split.Table.Id != table.Id))
            {
                splits.Add(new PlannedSplit(table, against.From, against.To & table.All, against.IsMultivalued));
            }
        }

        return [.. splits];
    }
}
