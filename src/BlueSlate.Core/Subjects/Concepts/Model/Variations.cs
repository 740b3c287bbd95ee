using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Model;

/// <summary>Models in which one thing is said otherwise.</summary>
internal static class Variations
{
    /// <summary>The model with another primary identifier, or none, at an entity.</summary>
    public static ConceptModel WithPrimary(
        ConceptModel model,
        string entityId,
        Identifier? key,
        ImmutableArray<ConceptAttribute> added
    ) =>
        WithEntity(model, entityId, entity =>
            entity with
            {
                Attributes = entity.Attributes.AddRange(added),
                Identifiers =
                [
                    .. entity
                        .Identifiers.Where(identifier => identifier.Kind != IdentifierKind.Primary)
                        .Concat(key is null ? [] : [key]),
                ],
            }
        );

    /// <summary>The model without one alternate key, known by an attribute.</summary>
    public static ConceptModel WithoutAlternate(ConceptModel model, string entityId, string attributeId) =>
        WithEntity(model, entityId, entity =>
            entity with
            {
                Identifiers = entity.Identifiers.Remove(entity.AlternateBy(attributeId)),
            }
        );

    /// <summary>
    /// The key whose attributes have these names, joined by plus signs; null when one of them is no attribute.
    /// </summary>
    public static Identifier? KeyNamed(EntityType entity, string names)
    {
        var keys = names.Split('+').Select(name => Name.Of(name).Key).ToList();
        var ids = keys.Select(key => entity.Attributes.FirstOrDefault(attribute => Name.Of(attribute.Name).Key == key)?.Id)
            .ToList();
        return ids.Contains(null) ? null : new Identifier(IdentifierKind.Primary, 0, false, [.. ids.OfType<string>()], []);
    }

    /// <summary>
    /// The model with another count at a role. In a relationship of two, what one role says of its entity is how often the
    /// other takes part.
    /// </summary>
    public static ConceptModel WithCount(ConceptModel model, string roleId, Func<Count, Count> change)
    {
        return model with { Relationships = [.. model.Relationships.Select(Changed)] };

        RelationshipType Changed(RelationshipType relationship) =>
            relationship.Roles.All(role => role.Id != roleId)
                ? relationship
                : relationship with
                {
                    Roles = [.. relationship.Roles.Select(role => ChangedEnd(role, relationship.Roles.Length == 2))],
                };

        RelationshipRole ChangedEnd(RelationshipRole role, bool binary) =>
            role.Id == roleId ? role with { CoOccurrence = change(role.CoOccurrence) }
            : binary ? role with { Participation = change(role.Participation) }
            : role;
    }

    /// <summary>The model with a specialisation changed.</summary>
    public static ConceptModel WithSet(ConceptModel model, string setId, Func<Specialisation, Specialisation> change) =>
        model with
        {
            Specialisations = [.. model.Specialisations.Select(set => set.Id == setId ? change(set) : set)],
        };

    /// <summary>The model with an attribute of an entity changed.</summary>
    public static ConceptModel WithAttribute(
        ConceptModel model,
        string attributeId,
        Func<ConceptAttribute, ConceptAttribute> change
    ) =>
        model with
        {
            Entities =
            [
                .. model.Entities.Select(entity =>
                    entity with
                    {
                        Attributes =
                        [
                            .. entity.Attributes.Select(attribute => attribute.Id == attributeId ? change(attribute) : attribute),
                        ],
                    }
                ),
            ],
        };

    /// <summary>The model with an entity changed.</summary>
    public static ConceptModel WithEntity(ConceptModel model, string entityId, Func<EntityType, EntityType> change) =>
        model with
        {
            Entities = [.. model.Entities.Select(entity => entity.Id == entityId ? change(entity) : entity)],
        };
}
