using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// A table with rows that stands in a scenario, read as rows of a thing of the model answer: of that whose key and attributes
/// its columns are.
/// </summary>
internal sealed class TableReading
{
    private static readonly string[] Between = [";", " / ", " and ", " & ", "\n"];

    private readonly RowTable table;

    private TableReading(
        RowTable table,
        EntityType entity,
        ImmutableDictionary<int, ConceptAttribute> columns,
        ImmutableArray<int> key
    )
    {
        this.table = table;
        (Entity, Columns, Key) = (entity, columns, key);
    }

    /// <summary>The thing of which it has rows.</summary>
    public EntityType Entity { get; }

    /// <summary>The attributes of that thing, its owners' keys among them, by their columns.</summary>
    public ImmutableDictionary<int, ConceptAttribute> Columns { get; }

    /// <summary>The columns that tell its rows apart.</summary>
    public ImmutableArray<int> Key { get; }

    /// <summary>The rows.</summary>
    public ImmutableArray<ImmutableArray<RowCell>> Rows => table.Rows;

    /// <summary>The tables of a scenario that can be read so.</summary>
    public static IEnumerable<TableReading> Of(ConceptPreflight one) =>
        one.Case.Prose.Tables.Select(table => Of(table, one.Model)).OfType<TableReading>();

    /// <summary>The columns in which the key of a thing stands; empty where one is missing.</summary>
    public ImmutableArray<int> KeyOf(EntityType entity, ConceptModel model) => KeyIn(table, entity, model);

    /// <summary>Pairs of rows that agree on some columns and not on others, of each first pair of values.</summary>
    public IEnumerable<(int First, int Second)> Disagreeing(ImmutableArray<int> on, ImmutableArray<int> but)
    {
        var first = new Dictionary<string, int>(StringComparer.Ordinal);
        for (var row = 0; row < Rows.Length; row++)
        {
            var value = string.Join('\u001f', on.Select(column => Rows[row][column].Text.Trim()));
            if (on.Any(column => Rows[row][column].Text.Trim().Length == 0))
            {
                continue;
            }

            if (!first.TryGetValue(value, out var before))
            {
                first[value] = row;
            }
            else if (but.IsEmpty || but.Any(column => Rows[before][column].Text.Trim() != Rows[row][column].Text.Trim()))
            {
                yield return (before, row);
            }
        }
    }

    /// <summary>Whether a cell looks as if several values stood in it.</summary>
    public static bool IsSeveral(RowCell cell) =>
        Array.Exists(Between, between =>
            cell.Text.Split(between, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Length > 1
        );

    private static TableReading? Of(RowTable table, ConceptModel model) =>
        model
            .Entities.Select(entity => (Entity: entity, Key: KeyIn(table, entity, model)))
            .Where(candidate => !candidate.Key.IsEmpty)
            .Select(candidate =>
                (candidate.Entity, candidate.Key, Columns: ColumnsOf(table, candidate.Entity, candidate.Key, model))
            )
            .Where(candidate => candidate.Columns.Count >= candidate.Key.Length)
            .OrderByDescending(candidate => candidate.Columns.Count)
            .ThenBy(candidate => candidate.Entity.Attributes.Length)
            .Select(candidate => new TableReading(table, candidate.Entity, candidate.Columns, candidate.Key))
            .FirstOrDefault();

    private static ImmutableDictionary<int, ConceptAttribute> ColumnsOf(
        RowTable table,
        EntityType entity,
        ImmutableArray<int> key,
        ConceptModel model
    )
    {
        var columns = ImmutableDictionary.CreateBuilder<int, ConceptAttribute>();
        foreach (var (owner, attribute) in KeyAttributes(entity, model, []))
        {
            if (ColumnOf(table, owner, attribute, model) is { } column && key.Contains(column))
            {
                columns[column] = attribute;
            }
        }

        foreach (var attribute in entity.Attributes)
        {
            if (ColumnOf(table, entity, attribute, model) is { } column && !columns.ContainsKey(column))
            {
                columns[column] = attribute;
            }
        }

        return columns.ToImmutable();
    }

    private static ImmutableArray<int> KeyIn(RowTable table, EntityType entity, ConceptModel model)
    {
        var columns = KeyAttributes(entity, model, [])
            .Select(part => ColumnOf(table, part.Owner, part.Attribute, model))
            .ToList();
        return columns.Count > 0 && columns.TrueForAll(column => column is not null)
            ? [.. columns.Select(column => column!.Value).Distinct()]
            : [];
    }

    // By its own attributes, and within its owners by theirs.
    private static IEnumerable<(EntityType Owner, ConceptAttribute Attribute)> KeyAttributes(
        EntityType entity,
        ConceptModel model,
        ImmutableArray<string> below
    )
    {
        if (entity.Primary is not { } key || below.Contains(entity.Id))
        {
            return [];
        }

        var owners = model
            .Relationships.Where(tie => key.OwnerRelationshipIds.Contains(tie.Id))
            .SelectMany(tie => tie.Roles)
            .Where(role => role.EntityId != entity.Id)
            .SelectMany(role => KeyAttributes(model.Entity(role.EntityId), model, below.Add(entity.Id)));
        return key
            .AttributeIds.Select(id => (entity, entity.Attributes.First(attribute => attribute.Id == id)))
            .Concat(owners)
            .DistinctBy(part => Name.Of(part.Item2.Name).Key);
    }

    private static int? ColumnOf(RowTable table, EntityType owner, ConceptAttribute attribute, ConceptModel model)
    {
        // What refers to another thing may stand under that thing's name.
        var name = Name.Of(attribute.Name);
        var things = (attribute.ForeignKey is null ? [owner] : model.Entities.Prepend(owner))
            .Select(thing => Name.Of(thing.Name))
            .ToList();
        var referred = ReferredTo(owner, attribute, model);
        var best = Enumerable
            .Range(0, table.Head.Length)
            .Select(column => (Column: column, Value: Likeness(Name.Of(table.Head[column].Text))))
            .DefaultIfEmpty((-1, 0))
            .MaxBy(found => found.Item2);
        return best.Item2 >= PrintedNames.Alike ? best.Item1 : null;

        double Likeness(Name head) =>
            referred?.Key == head.Key ? 1 : things.Max(thing => PrintedNames.Likeness(head, name, thing));
    }

    // Only where one column refers to it: of two, either might be meant.
    private static Name? ReferredTo(EntityType owner, ConceptAttribute attribute, ConceptModel model)
    {
        var tie = model.Relationships.FirstOrDefault(one => one.Id == attribute.ForeignKey?.RelationshipId);
        var isOnly = owner.Attributes.Count(other => other.ForeignKey == attribute.ForeignKey) == 1;
        var other = isOnly ? tie?.Roles.FirstOrDefault(role => role.EntityId != owner.Id) : null;
        return other is null ? null : Name.Of(model.Entity(other.EntityId).Name);
    }
}
