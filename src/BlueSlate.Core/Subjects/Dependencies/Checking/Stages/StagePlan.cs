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

/// <summary>What a stage of a model answer does to the one before.</summary>
/// <param name="Stage">The stage.</param>
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
    /// <summary>Whether its tables are others than those before; a stage that begins the way has the same.</summary>
    public bool Changes { get; } = !Stage.Parts.ToHashSet().SetEquals(Before);

    /// <summary>The tables that were not there before, by their attributes.</summary>
    public IEnumerable<StageTable> NewTables => Stage.Tables.Where(table => !Changes || !Before.Contains(table.All));

    /// <summary>Whether a stage is only the one before once more, though there is something to do.</summary>
    public bool IsCopiedBy(JudgedStage stage) => Changes && stage.Parts.ToHashSet().SetEquals(Before);

    /// <summary>The plans of a model answer, in the order of its stages.</summary>
    public static ImmutableArray<StagePlan> Of(DependencyReading model)
    {
        var plans = ImmutableArray.CreateBuilder<StagePlan>();
        ImmutableArray<AttributeSet> before = [model.Set.All];
        var groups = ImmutableArray<PlannedGroup>.Empty;
        foreach (var stage in model.Stages)
        {
            if (stage.IsUnnormalised)
            {
                plans.Add(new StagePlan(stage, null, before, [], [], 0));
                groups = [.. stage.Tables.SelectMany(GroupsOf)];
                continue;
            }

            var wanted = stage.Claimed ?? StageForms.Of(stage.Parts, model.Set) ?? NormalForm.First;
            plans.Add(
                new StagePlan(
                    stage,
                    wanted,
                    before,
                    SplitsOf(stage, wanted, before, model.Set),
                    groups,
                    StageForms.Spare(stage.Parts, model.Set).Length
                )
            );
            (before, groups) = (stage.Parts, []);
        }

        return plans.ToImmutable();
    }

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
