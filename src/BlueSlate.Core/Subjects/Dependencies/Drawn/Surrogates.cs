using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>A number of its own that a table was given for its key, in place of what identified its rows before.</summary>
/// <param name="Column">Its column in that table.</param>
/// <param name="Table">The table, as drawn.</param>
/// <param name="Natural">What identifies the rows otherwise.</param>
internal sealed record Surrogate(StageColumn Column, StageTable Table, AttributeSet Natural)
{
    /// <summary>Whether what identified the rows before is marked as an alternate key, and so stays unique.</summary>
    public bool HasAlternate => Natural.IsSubsetOf(Table.Alternate);
}

/// <summary>
/// Tables that were given a number of their own. What they say is judged as if the natural key stood everywhere in its place: in the table
/// itself as the key, in every other table that refers to it as the foreign key.
/// </summary>
internal static class Surrogates
{
    /// <summary>A stage with its surrogates taken back, and which they are.</summary>
    /// <param name="stage">The stage.</param>
    /// <param name="isGiven">Whether an attribute is one of those that were to be split.</param>
    /// <param name="keyOf">The natural key of a table; empty where it has none.</param>
    public static (Stage Stage, ImmutableArray<Surrogate> Found) TakenBack(
        Stage stage,
        Func<int, bool> isGiven,
        Func<StageTable, AttributeSet> keyOf
    )
    {
        ImmutableArray<Surrogate> found = [.. stage.Tables.Select(table => In(table, isGiven, keyOf)).OfType<Surrogate>()];
        // Two tables whose numbers are called alike cannot be told apart where another refers to one.
        var owners = found
            .GroupBy(one => one.Column.Attribute)
            .Where(same => same.Count() == 1)
            .ToDictionary(same => same.Key, same => same.First());
        return found.IsEmpty
            ? (stage, found)
            : (new Stage(stage.Id, stage.Title, [.. stage.Tables.Select(table => Natural(table, found, owners))]), found);
    }

    /// <summary>
    /// The natural key of a table: a smallest set of these attributes that determines all of them, alternate keys kept the longest.
    /// </summary>
    public static AttributeSet KeyAmong(AttributeSet all, AttributeSet alternate, Implication implied) =>
        (all - alternate)
            .Reverse()
            .Concat((all & alternate).Reverse())
            .Aggregate(all, (key, i) =>
                all.IsSubsetOf(implied.ClosureOf(key - AttributeSet.Of(i))) ? key - AttributeSet.Of(i) : key
            );

    private static Surrogate? In(StageTable table, Func<int, bool> isGiven, Func<StageTable, AttributeSet> keyOf)
    {
        if (table.Key.Count != 1 || isGiven(table.Key.First()))
        {
            return null;
        }

        var natural = keyOf(table);
        // A value that stands alone beside a number is no key that the number replaces.
        var others = table.Columns.Count(column => isGiven(column.Attribute));
        return natural.IsEmpty || others < 2
            ? null
            : new Surrogate(table.Columns.First(column => column.IsInKey), table, natural);
    }

    private static StageTable Natural(StageTable table, ImmutableArray<Surrogate> found, Dictionary<int, Surrogate> owners)
    {
        var own = found.FirstOrDefault(one => one.Table == table);
        return new StageTable(
            table.Id,
            table.Name,
            [.. table.Columns.SelectMany(column => Natural(column, own, owners)).DistinctBy(column => column.Attribute)]
        );
    }

    private static IEnumerable<StageColumn> Natural(StageColumn column, Surrogate? own, Dictionary<int, Surrogate> owners)
    {
        if (own is not null)
        {
            if (column == own.Column)
            {
                return [];
            }

            column = own.Natural.Contains(column.Attribute) ? column with { IsInKey = true } : column;
        }

        return owners.TryGetValue(column.Attribute, out var owner)
            ? owner
                .Table.Columns.Where(natural => owner.Natural.Contains(natural.Attribute))
                .Select(natural => column with { Attribute = natural.Attribute, Name = natural.Name })
            : [column];
    }
}
