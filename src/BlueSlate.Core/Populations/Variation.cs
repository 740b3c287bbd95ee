using System.Collections.Immutable;
using BlueSlate.Core.Checking;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Populations;

/// <summary>A model in which one fact says something else.</summary>
internal static class Variation
{
    /// <summary>The model with another value at a fact, in the fact's own words; null where the words say nothing of data.</summary>
    public static ConceptModel? Of(ConceptModel model, Fact fact, string value) => fact.Aspect switch
    {
        Aspect.Min when Bound(value) is { } bound => WithCount(model, fact.ConceptId, count => count with { Min = bound }),
        Aspect.Max when Bound(value) is { } bound => WithCount(model, fact.ConceptId, count => count with { Max = bound }),
        Aspect.Disjoint => WithSet(model, fact.ConceptId, set => set with { Disjoint = Said(value, "disjoint", "overlapping") }),
        Aspect.Total => WithSet(model, fact.ConceptId, set => set with { Total = Said(value, "total", "partial") }),
        Aspect.Multivalued => WithAttribute(model, fact.ConceptId, attribute => attribute with { Multivalued = value == fact.Value }),
        Aspect.Optional => WithAttribute(model, fact.ConceptId, attribute => attribute with { Optional = value == fact.Value }),
        Aspect.Exclusion => model with { Exclusions = model.Exclusions.RemoveAll(exclusion => exclusion.Id == fact.ConceptId) },
        Aspect.Key => KeyNamed(model.Entity(fact.ConceptId), value) is { } key ? WithPrimary(model, fact.ConceptId, key, []) : null,
        _ => null,
    };

    /// <summary>The model with another primary identifier, or none, at an entity.</summary>
    public static ConceptModel WithPrimary(ConceptModel model, string entityId, Identifier? key, ImmutableArray<ConceptAttribute> added) => WithEntity(model, entityId, entity => entity with
    {
        Attributes = entity.Attributes.AddRange(added),
        Identifiers = [.. entity.Identifiers.Where(identifier => identifier.Kind != IdentifierKind.Primary).Concat(key is null ? [] : [key])],
    });

    /// <summary>The model without one alternate key, known by an attribute.</summary>
    public static ConceptModel WithoutAlternate(ConceptModel model, string entityId, string attributeId) => WithEntity(model, entityId, entity => entity with
    {
        Identifiers = entity.Identifiers.Remove(entity.AlternateBy(attributeId)),
    });

    private static int? Bound(string value) => value == "*" ? Count.Many : int.TryParse(value, out var number) ? number : null;

    private static bool? Said(string value, string yes, string no) => value == yes ? true : value == no ? false : null;

    /// <summary>The key whose attributes have these names, joined by plus signs; null when one of them is no attribute.</summary>
    public static Identifier? KeyNamed(EntityType entity, string names)
    {
        var keys = names.Split('+').Select(name => Name.Of(name).Key).ToList();
        var ids = keys.Select(key => entity.Attributes.FirstOrDefault(attribute => Name.Of(attribute.Name).Key == key)?.Id).ToList();
        return ids.Contains(null) ? null : new Identifier(IdentifierKind.Primary, 0, false, [.. ids.OfType<string>()], []);
    }

    // In a relationship of two, what one role says of its entity is how often the other takes part.
    private static ConceptModel WithCount(ConceptModel model, string roleId, Func<Count, Count> change) => model with
    {
        Relationships = [.. model.Relationships.Select(relationship => relationship.Roles.All(role => role.Id != roleId) ? relationship : relationship with
        {
            Roles = [.. relationship.Roles.Select(role => role.Id == roleId ? role with { CoOccurrence = change(role.CoOccurrence) }
                : relationship.Roles.Length == 2 ? role with { Participation = change(role.Participation) } : role)],
        })],
    };

    private static ConceptModel WithSet(ConceptModel model, string setId, Func<Specialisation, Specialisation> change) =>
        model with { Specialisations = [.. model.Specialisations.Select(set => set.Id == setId ? change(set) : set)] };

    private static ConceptModel WithAttribute(ConceptModel model, string attributeId, Func<ConceptAttribute, ConceptAttribute> change) => model with
    {
        Entities = [.. model.Entities.Select(entity => entity with { Attributes = [.. entity.Attributes.Select(attribute => attribute.Id == attributeId ? change(attribute) : attribute)] })],
    };

    private static ConceptModel WithEntity(ConceptModel model, string entityId, Func<EntityType, EntityType> change) =>
        model with { Entities = [.. model.Entities.Select(entity => entity.Id == entityId ? change(entity) : entity)] };
}
