using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>Makes an entity type of a box once its relationships are known: identifiers, kind, foreign keys.</summary>
internal static class IdentifierReader
{
    public static EntityType ToEntity(
        Box box,
        ImmutableArray<RelationshipType> relationships,
        IReadOnlyDictionary<(string RowId, int Group), string> relationshipOfRow,
        CrowsFootOptions options
    )
    {
        var owners = relationships
            .Where(relationship => IsOwner(relationship, box.Id))
            .Select(relationship => relationship.Id)
            .ToImmutableArray();
        var identifiers = ReadIdentifiers(box, owners, options);
        var attributes = box
            .Rows.Select(row => new ConceptAttribute(
                row.Id,
                row.Name,
                row.Multivalued,
                row.Derived,
                row.Optional,
                row.Parts,
                [.. row.ForeignGroups.Select(group => Referring(row, group))]
            ))
            .ToImmutableArray();

        // Several columns along one line refer to one parent: what is numbered within a numbered thing links nothing.
        var parentsInKey = box
            .Rows.Where(row => row.Primary)
            .SelectMany(row => row.ForeignGroups.Select(group => relationshipOfRow.GetValueOrDefault((row.Id, group), row.Id)))
            .Distinct(StringComparer.Ordinal)
            .Count();
        return new EntityType(box.Id, box.Name, KindOf(box, owners, parentsInKey, options), attributes, identifiers);

        ForeignKey Referring(Row row, int group) => new(group, relationshipOfRow.GetValueOrDefault((row.Id, group)));
    }

    // The dependent side of an identifying line, whose other end is exactly one.
    private static bool IsOwner(RelationshipType relationship, string boxId) =>
        relationship is { Identifying: true, Roles.Length: 2, IsRecursive: false, DependentRoleId: { } dependent }
        && relationship.Roles.Any(role => role.Id == dependent && role.EntityId == boxId);

    private static ImmutableArray<Identifier> ReadIdentifiers(Box box, ImmutableArray<string> owners, CrowsFootOptions options)
    {
        var identifiers = ImmutableArray.CreateBuilder<Identifier>();
        var partial = box.Rows.Where(row => row.Partial).Select(row => row.Id).ToImmutableArray();
        var primary = box.Rows.Where(row => row.Primary).Select(row => row.Id).ToImmutableArray();
        if (partial.Length > 0)
        {
            identifiers.Add(new Identifier(IdentifierKind.Primary, 0, true, partial.AddRange(primary), owners));
        }
        else if (primary.Length > 0)
        {
            identifiers.Add(
                new Identifier(IdentifierKind.Primary, 0, false, primary, options.Level == Level.Logical ? [] : owners)
            );
        }
        else if (owners.Length > 0 && options.Level == Level.Conceptual)
        {
            identifiers.Add(new Identifier(IdentifierKind.Primary, 0, true, [], owners));
        }

        foreach (var number in box.Rows.SelectMany(row => row.Alternates).Distinct().Order())
        {
            identifiers.Add(
                new Identifier(
                    IdentifierKind.Alternate,
                    number,
                    false,
                    [.. box.Rows.Where(row => row.Alternates.Contains(number)).Select(row => row.Id)],
                    []
                )
            );
        }

        return identifiers.ToImmutable();
    }

    private static EntityKind KindOf(Box box, ImmutableArray<string> owners, int parentsInKey, CrowsFootOptions options)
    {
        if (!box.Rounded && box.Rows.Any(row => row.Partial))
        {
            return EntityKind.Weak;
        }

        if (box.Rounded || owners.Length > 1 || (options.Level == Level.Logical && parentsInKey > 1))
        {
            return EntityKind.Associative;
        }

        return
            box.DoubleOutline
            || (options.Level == Level.Logical && parentsInKey == 1)
            || (owners.Length == 1 && !box.Rows.Any(row => row.Primary))
            ? EntityKind.Weak
            : EntityKind.Strong;
    }
}
