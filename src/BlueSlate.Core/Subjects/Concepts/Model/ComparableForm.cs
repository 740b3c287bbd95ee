using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Concepts.Model;

/// <summary>
/// Concepts in the form in which they are compared: a relationship that an entity type embodies (an association class, a
/// diamond in a box) is that relationship with the entity type's attributes. Where the entity type has more than attributes,
/// relationships of its own for instance, it stays one, with a relationship to each of those that it links: what a role said of
/// its entity type is then said at the embodying one's end of the other relationship.
/// </summary>
public static class ComparableForm
{
    /// <summary>The facet of a role that has become the end that is exactly one.</summary>
    public const string One = "one";

    /// <summary>The reading with its concepts in this form; the same reading when they are already.</summary>
    public static Reading Of(Reading reading)
    {
        var model = reading.Model;
        var embodied = model.Relationships.Where(relationship => relationship.EntityId is not null).ToList();
        if (embodied.Count == 0)
        {
            return reading;
        }

        var plain = embodied
            .Where(relationship => HasOnlyAttributes(model.Entity(relationship.EntityId!), model))
            .ToDictionary(relationship => relationship.Id, StringComparer.Ordinal);
        var gone = plain.Values.Select(relationship => relationship.EntityId).ToHashSet(StringComparer.Ordinal);
        return reading with
        {
            Model = model with
            {
                Entities = [.. model.Entities.Where(entity => !gone.Contains(entity.Id))],
                Relationships =
                [
                    .. model.Relationships.SelectMany(relationship =>
                        plain.ContainsKey(relationship.Id)
                            ? [Absorb(relationship, model.Entity(relationship.EntityId!))]
                            : Resolve(relationship)
                    ),
                ],
            },
            AlsoDrawnBy = reading.AlsoDrawnBy.AddRange(
                plain
                    .Values.Where(relationship => !reading.AlsoDrawnBy.ContainsKey(relationship.Id))
                    .Select(relationship => KeyValuePair.Create(relationship.Id, ImmutableArray.Create(relationship.EntityId!)))
            ),
        };
    }

    private static bool HasOnlyAttributes(EntityType entity, ConceptModel model) =>
        entity
            is {
                Operations.IsEmpty: true,
                Literals.IsEmpty: true,
                Identifiers.IsEmpty: true,
                Abstract: false,
                Kind: EntityKind.Strong or EntityKind.Associative
            }
        && !model.RelationshipsOf(entity.Id).Any()
        && !model.Specialisations.Any(set => set.SupertypeId == entity.Id || set.Subtypes.Any(link => link.EntityId == entity.Id))
        && !model.Unions.Any(union => union.CategoryId == entity.Id || union.Supertypes.Any(super => super.EntityId == entity.Id))
        && model.Relationships.Count(relationship => relationship.EntityId == entity.Id) == 1;

    private static RelationshipType Absorb(RelationshipType relationship, EntityType entity) =>
        relationship with
        {
            EntityId = null,
            Name = relationship.Name.Length > 0 ? relationship.Name : entity.Name,
            Attributes = [.. relationship.Attributes, .. entity.Attributes],
        };

    private static IEnumerable<RelationshipType> Resolve(RelationshipType relationship)
    {
        if (relationship.EntityId is not { } between)
        {
            return [relationship];
        }

        return relationship.Roles.Select(
            (role, i) =>
            {
                // Of more than two, what is fixed are all others: the box's end leaves the count unsaid.
                var far = relationship.Roles.Length == 2 ? relationship.Roles[1 - i] : null;
                var count = far?.CoOccurrence ?? Count.Unsaid;
                return new RelationshipType(
                    new ConceptId(relationship.Id, $"{i + 1}").ToString(),
                    relationship.Name,
                    [
                        new RelationshipRole(
                            new ConceptId(role.Id, One).ToString(),
                            role.EntityId,
                            role.Role,
                            "",
                            new Count(1, 1),
                            count
                        ),
                        new RelationshipRole(
                            far?.Id ?? new ConceptId(role.Id, "box").ToString(),
                            between,
                            "",
                            "",
                            count,
                            new Count(1, 1)
                        ),
                    ],
                    null,
                    null
                );
            }
        );
    }
}
