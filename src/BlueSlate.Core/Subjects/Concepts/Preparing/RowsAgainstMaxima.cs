using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Rows show a thing with two others where the model answer allows one.</summary>
internal sealed class RowsAgainstMaxima : ConceptPreflightKind
{
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
        let pair = table.Disagreeing(table.Key, key).Take(1).ToList()
        where pair.Count > 0
        select Say(one, table, role, key, pair[0]);

    private PreflightItem Say(
        ConceptPreflight one,
        TableReading table,
        RelationshipRole role,
        System.Collections.Immutable.ImmutableArray<int> key,
        (int First, int Second) pair
    ) =>
        Item(
            role.Id,
            $"Rows {pair.First + 1} and {pair.Second + 1} show one {Phrasing.InText(table.Entity.Name)} with two "
                + $"{Phrasing.Several(one.Model.Entity(role.EntityId).Name)}; the model answer allows one."
        ) with
        {
            Places =
            [
                .. new[] { pair.First, pair.Second }.SelectMany(row =>
                    table.Key.Concat(key).Select(column => table.Rows[row][column].Place)
                ),
            ],
            Elements = [ConceptId.Of(role.Id).Element],
        };
}
