using System.Collections.Immutable;

namespace BlueSlate.Core.Concepts;

/// <summary>What a drawing says. Every concept has the id of the shape, line, end or line of text that says it.</summary>
public sealed record ConceptModel(ImmutableArray<EntityType> Entities, ImmutableArray<RelationshipType> Relationships)
{
    /// <summary>The entity type with this id; throws when there is none.</summary>
    public EntityType Entity(string id) => Entities.First(entity => entity.Id == id);

    /// <summary>The relationships in which this entity type takes part.</summary>
    public IEnumerable<RelationshipType> RelationshipsOf(string entityId) =>
        Relationships.Where(relationship => relationship.Roles.Any(role => role.EntityId == entityId));
}

/// <summary>How an entity type stands towards others.</summary>
public enum EntityKind { Strong, Weak, Associative }

/// <summary>An entity type with its attributes and identifiers.</summary>
public sealed record EntityType(
    string Id,
    string Name,
    EntityKind Kind,
    ImmutableArray<ConceptAttribute> Attributes,
    ImmutableArray<Identifier> Identifiers)
{
    /// <summary>The primary identifier, or null when none is said.</summary>
    public Identifier? Primary => Identifiers.FirstOrDefault(identifier => identifier.Kind == IdentifierKind.Primary);
}

/// <summary>An attribute of an entity type. <paramref name="ForeignKey"/> is null unless it is drawn as one.</summary>
public sealed record ConceptAttribute(
    string Id,
    string Name,
    bool Multivalued,
    bool Derived,
    bool Optional,
    ImmutableArray<string> Parts,
    ForeignKey? ForeignKey);

/// <summary>A column drawn as a foreign key, and the relationship that it stands for when one is found.</summary>
public sealed record ForeignKey(int Group, string? RelationshipId);

/// <summary>Which identifier of its entity type this is.</summary>
public enum IdentifierKind { Primary, Alternate }

/// <summary>
/// A set of attributes, and of identifying relationships to owners, that tells instances apart.
/// <paramref name="Partial"/> says that the attributes do so only within the owners.
/// </summary>
public sealed record Identifier(
    IdentifierKind Kind,
    int Number,
    bool Partial,
    ImmutableArray<string> AttributeIds,
    ImmutableArray<string> OwnerRelationshipIds);

/// <summary>
/// A relationship type of degree two or more. <paramref name="Identifying"/> is null when the drawing does not say;
/// <paramref name="DependentRoleId"/> is the role of the side that holds the other's key, when that is said.
/// </summary>
public sealed record RelationshipType(
    string Id,
    string Name,
    ImmutableArray<RelationshipRole> Roles,
    bool? Identifying,
    string? DependentRoleId)
{
    /// <summary>True when all roles are played by one entity type.</summary>
    public bool IsRecursive => Roles.Length > 1 && Roles.All(role => role.EntityId == Roles[0].EntityId);

    /// <summary>The other role of a binary relationship.</summary>
    public RelationshipRole Other(RelationshipRole role) => Roles[0].Id == role.Id ? Roles[1] : Roles[0];

    /// <summary>True when a name, in one direction or both, is said.</summary>
    public bool IsNamed => Name.Length > 0 || Roles.Any(role => role.Verb.Length > 0 || role.Role.Length > 0);

    /// <summary>True when both maxima are said and are many.</summary>
    public bool IsManyToMany => Roles.Length == 2 && Roles.All(role => role.CoOccurrence.Max == Count.Many);
}

/// <summary>
/// One end of a relationship. <paramref name="Verb"/> is read from this end; <paramref name="CoOccurrence"/> says how many
/// instances of this entity type go with one fixed instance of each other role; <paramref name="Participation"/> says how
/// often one instance of this entity type takes part. Only in a binary relationship does one give the other.
/// </summary>
public sealed record RelationshipRole(
    string Id,
    string EntityId,
    string Role,
    string Verb,
    Count CoOccurrence,
    Count Participation);
