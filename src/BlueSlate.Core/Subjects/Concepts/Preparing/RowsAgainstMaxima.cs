using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Rows show a thing with two others where the model answer allows one.</summary>
internal sealed class RowsAgainstMaxima : ConceptPreflightKind
{
    public override bool IsOfRows => true;

    public override string Name => "rows-maximum";

    public override int Order => 4;

    public override string Title => "Rows against the model answer";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        from table in TableReading.Of(one)
        from relationship in one.Model.Relationships
        where relationship is { Roles.Length: 2, IsRecursive: false }
        from role in relationship.Roles
        where relationship.Other(role).EntityId == table.Entity.Id && role.CoOccurrence.Max == 1
        let key = table.KeyOf(one.Model.Entity(role.EntityId), one.Model).RemoveAll(table.Key.Contains)
        where !key.IsEmpty && relationship.Identifying != true
        let rows = Rows(table, key)
        where rows.Length > 0
        select Say(one, table, role, key, rows);

    // Two that agree on the thing and not on the other, or one with several of the other in its cell.
    private static ImmutableArray<int> Rows(TableReading table, ImmutableArray<int> key)
    {
        foreach (var (first, second) in table.Disagreeing(table.Key, key))
        {
            return [first, second];
        }

        var several = table.Rows.ToList().FindIndex(cells => key.Any(column => TableReading.IsSeveral(cells[column])));
        return several >= 0 ? [several] : [];
    }

    private static string Shown(ImmutableArray<int> rows) =>
        rows is [var first, var second] ? $"Rows {first + 1} and {second + 1} show" : $"Row {rows[0] + 1} shows";

    private PreflightItem Say(
        ConceptPreflight one,
        TableReading table,
        RelationshipRole role,
        ImmutableArray<int> key,
        ImmutableArray<int> rows
    ) =>
        Item(
            role.Id,
            $"{Shown(rows)} one {Phrasing.InText(table.Entity.Name)} with two "
                + $"{Phrasing.Several(one.Model.Entity(role.EntityId).Name)}; {one.Case.Drawn} allows one."
        ) with
        {
            Places = [.. rows.SelectMany(row => table.Key.Concat(key).Select(column => table.Rows[row][column].Place))],
            Elements = [ConceptId.Of(role.Id).Element],
        };
}
