using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Model;

/// <summary>What a drawing says. Every concept has the id of the shape, line, end or line of text that says it.</summary>
public sealed record ConceptModel(ImmutableArray<EntityType> Entities, ImmutableArray<RelationshipType> Relationships)
{
    /// <summary>The specialisations.</summary>
    public ImmutableArray<Specialisation> Specialisations { get; init; } = [];

    /// <summary>The categories, each a subset of the union of its supertypes.</summary>
    public ImmutableArray<UnionType> Unions { get; init; } = [];

    /// <summary>Relationships of which an instance takes part in only one.</summary>
    public ImmutableArray<ExclusiveConstraint> Exclusions { get; init; } = [];

    /// <summary>What its author noted besides, in words that nothing is read from.</summary>
    public ImmutableArray<NoteText> Notes { get; init; } = [];

    /// <summary>The attributes of entity types and of relationships.</summary>
    public IEnumerable<ConceptAttribute> AllAttributes =>
        Entities
            .SelectMany(entity => entity.Attributes)
            .Concat(Relationships.SelectMany(relationship => relationship.Attributes));

    /// <summary>The same with other names of entity types and of their attributes: id and name → name.</summary>
    public ConceptModel Renamed(Func<string, string, string> entityName, Func<string, string, string> attributeName)
    {
        return this with { Entities = [.. Entities.Select(Entity)] };

        EntityType Entity(EntityType entity) =>
            entity with
            {
                Name = entityName(entity.Id, entity.Name),
                Attributes = [.. entity.Attributes.Select(Attribute)],
            };

        ConceptAttribute Attribute(ConceptAttribute attribute) =>
            attribute with
            {
                Name = attributeName(attribute.Id, attribute.Name),
            };
    }

    /// <summary>The entity type with this id; throws when there is none.</summary>
    public EntityType Entity(string id) => Entities.First(entity => entity.Id == id);

    /// <summary>The relationships in which this entity type takes part.</summary>
    public IEnumerable<RelationshipType> RelationshipsOf(string entityId) =>
        Relationships.Where(relationship => relationship.Roles.Any(role => role.EntityId == entityId));
}

/// <summary>How an entity type stands towards others; interface and enumeration are kinds of class.</summary>
public enum EntityKind
{
    Strong,
    Weak,
    Associative,
    Interface,
    Enumeration,
}

/// <summary>An entity type with its attributes and identifiers.</summary>
public sealed record EntityType(
    string Id,
    string Name,
    EntityKind Kind,
    ImmutableArray<ConceptAttribute> Attributes,
    ImmutableArray<Identifier> Identifiers
)
{
    /// <summary>Whether it has no instances of its own.</summary>
    public bool Abstract { get; init; }

    /// <summary>The stereotype besides interface and enumeration; empty for none.</summary>
    public string Stereotype { get; init; } = "";

    /// <summary>The operations of a class.</summary>
    public ImmutableArray<Operation> Operations { get; init; } = [];

    /// <summary>The literals of an enumeration.</summary>
    public ImmutableArray<Literal> Literals { get; init; } = [];

    /// <summary>The ids of all that goes with it: its attributes with their parts, its operations and literals, and its own.</summary>
    public IEnumerable<string> OwnIds =>
        [
            .. Attributes.SelectMany(attribute => attribute.OwnIds),
            .. Operations.Select(operation => operation.Id),
            .. Literals.Select(literal => literal.Id),
            Id,
        ];

    /// <summary>The primary identifier, or null when none is said.</summary>
    public Identifier? Primary => Identifiers.FirstOrDefault(identifier => identifier.Kind == IdentifierKind.Primary);

    /// <summary>
    /// The alternate identifiers, each with the attribute by which it is known: the first of its own by which no other is known
    /// already. One that only repeats others has none, and is left out.
    /// </summary>
    public IEnumerable<(string AttributeId, Identifier Identifier)> Alternates
    {
        get
        {
            var known = new HashSet<string>(StringComparer.Ordinal);
            foreach (var identifier in Identifiers.Where(identifier => identifier.Kind == IdentifierKind.Alternate))
            {
                if (identifier.AttributeIds.FirstOrDefault(id => !known.Contains(id)) is { } first)
                {
                    known.Add(first);
                    yield return (first, identifier);
                }
            }
        }
    }

    /// <summary>The alternate identifier that is known by an attribute; throws when there is none.</summary>
    public Identifier AlternateBy(string attributeId) =>
        Alternates.First(alternate => alternate.AttributeId == attributeId).Identifier;
}

/// <summary>
/// An attribute of an entity type. <paramref name="ForeignKeys"/> has more than one where a column refers along several
/// relationships.
/// </summary>
public sealed record ConceptAttribute(
    string Id,
    string Name,
    bool Multivalued,
    bool Derived,
    bool Optional,
    ImmutableArray<AttributePart> Parts,
    ImmutableArray<ForeignKey> ForeignKeys
)
{
    /// <summary>An attribute of which nothing but its name is said.</summary>
    public static ConceptAttribute Plain(string id, string name) => new(id, name, false, false, false, [], []);

    /// <summary>The foreign key that it is, the first where it is several; null where it is drawn as none.</summary>
    public ForeignKey? ForeignKey => ForeignKeys.IsEmpty ? null : ForeignKeys[0];

    /// <summary>Whether it is drawn as a foreign key that refers along this relationship.</summary>
    public bool RefersAlong(string relationshipId) => ForeignKeys.Any(key => key.RelationshipId == relationshipId);

    /// <summary>Its type as written; empty when none is said.</summary>
    public string Type { get; init; } = "";

    /// <summary>One of <c>+ - # ~</c>, or empty when none is said.</summary>
    public string Visibility { get; init; } = "";

    /// <summary>Whether it belongs to the class rather than to each instance.</summary>
    public bool ClassScope { get; init; }

    /// <summary>Its default value as written; empty for none.</summary>
    public string Default { get; init; } = "";

    /// <summary>
    /// How many values it has where that is more than whether it is one or several, and whether it may be absent: two to five,
    /// say. Else unsaid.
    /// </summary>
    public Count Values { get; init; } = Count.Unsaid;

    /// <summary>Its own id and those of its parts.</summary>
    public IEnumerable<string> OwnIds => Leaves.Select(part => part.Id).Prepend(Id);

    /// <summary>Its innermost parts, however deep they lie: what is kept of it.</summary>
    public ImmutableArray<AttributePart> Leaves
    {
        get
        {
            if (Parts.All(part => part.Parts.IsEmpty))
            {
                return Parts;
            }

            var leaves = ImmutableArray.CreateBuilder<AttributePart>();
            var waiting = new Stack<AttributePart>(Parts.Reverse());
            while (waiting.TryPop(out var part))
            {
                if (part.Parts.IsEmpty)
                {
                    leaves.Add(part);
                }

                foreach (var inner in part.Parts.Reverse())
                {
                    waiting.Push(inner);
                }
            }

            return leaves.ToImmutable();
        }
    }
}

/// <summary>A part of a composite attribute, with parts of its own where it has any.</summary>
public sealed record AttributePart(string Id, string Name)
{
    /// <summary>Its own parts.</summary>
    public ImmutableArray<AttributePart> Parts { get; init; } = [];

    /// <summary>As it is written.</summary>
    internal PartText Text => new(Name, [.. Parts.Select(part => part.Text)]);

    /// <summary>The same with parts of its own, as deep as they are written, each under an id for its place: 1, 1-2.</summary>
    internal static AttributePart Of(PartText text, string place, Func<string, string> idOf) =>
        new(idOf(place), text.Name) { Parts = [.. text.Parts.Select((part, i) => Of(part, $"{place}-{i + 1}", idOf))] };

    /// <summary>The same under other ids.</summary>
    internal AttributePart Renewed(Func<string> newId) =>
        new(newId(), Name) { Parts = [.. Parts.Select(part => part.Renewed(newId))] };
}

/// <summary>An operation of a class. <paramref name="Returns"/> is empty when no return type is said.</summary>
public sealed record Operation(string Id, string Name, ImmutableArray<Parameter> Parameters, string Returns)
{
    /// <summary>One of <c>+ - # ~</c>, or empty when none is said.</summary>
    public string Visibility { get; init; } = "";

    /// <summary>Whether it belongs to the class rather than to each instance.</summary>
    public bool ClassScope { get; init; }

    /// <summary>Whether it has no body here.</summary>
    public bool Abstract { get; init; }
}

/// <summary>A parameter of an operation.</summary>
public sealed record Parameter(string Name, string Type);

/// <summary>A literal of an enumeration.</summary>
public sealed record Literal(string Id, string Name);

/// <summary>A column drawn as a foreign key, and the relationship that it stands for when one is found.</summary>
public sealed record ForeignKey(int Group, string? RelationshipId);

/// <summary>Which identifier of its entity type this is.</summary>
public enum IdentifierKind
{
    Primary,
    Alternate,
}

/// <summary>
/// A set of attributes, and of identifying relationships to owners, that tells instances apart.
/// <paramref name="Partial"/> says that the attributes do so only within the owners.
/// </summary>
public sealed record Identifier(
    IdentifierKind Kind,
    int Number,
    bool Partial,
    ImmutableArray<string> AttributeIds,
    ImmutableArray<string> OwnerRelationshipIds
);

/// <summary>What kind of link a relationship is; dependency and realization lead from the first role to the second.</summary>
public enum RelationshipKind
{
    Association,
    Aggregation,
    Composition,
    Dependency,
    Realization,
}

/// <summary>
/// A relationship type of degree two or more. <paramref name="Identifying"/> is null when the drawing does not say;
/// <paramref name="DependentRoleId"/> is the role of the side that holds the other's key, when that is said.
/// </summary>
public sealed record RelationshipType(
    string Id,
    string Name,
    ImmutableArray<RelationshipRole> Roles,
    bool? Identifying,
    string? DependentRoleId
)
{
    /// <summary>What kind of link it is.</summary>
    public RelationshipKind Kind { get; init; }

    /// <summary>The role of the whole in an aggregation or composition.</summary>
    public string? WholeRoleId { get; init; }

    /// <summary>Its own attributes, unless an entity type embodies it.</summary>
    public ImmutableArray<ConceptAttribute> Attributes { get; init; } = [];

    /// <summary>
    /// The entity type that embodies it (an association class, an associative entity drawn on the line), or null.
    /// </summary>
    public string? EntityId { get; init; }

    /// <summary>Whether it is marked as derived.</summary>
    public bool Derived { get; init; }

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
    Count Participation
)
{
    /// <summary>Whether it can be reached from the other end; null when not said.</summary>
    public bool? Navigable { get; init; }

    /// <summary>What selects instances of the other end from one instance here; empty for none.</summary>
    public string Qualifier { get; init; } = "";
}

/// <summary>
/// Subtypes of one supertype. <paramref name="Disjoint"/> and <paramref name="Total"/> are null when not said;
/// <paramref name="Name"/> names the set or its discriminator.
/// </summary>
public sealed record Specialisation(
    string Id,
    string SupertypeId,
    ImmutableArray<SubtypeLink> Subtypes,
    bool? Disjoint,
    bool? Total,
    string Name
);

/// <summary>One subtype of a specialisation, and what draws it.</summary>
public sealed record SubtypeLink(string Id, string EntityId);

/// <summary>A category and the supertypes of whose union it is a subset.</summary>
public sealed record UnionType(string Id, string CategoryId, ImmutableArray<SubtypeLink> Supertypes, bool? Total);

/// <summary>A note, and the elements to which it is tied.</summary>
public sealed record NoteText(string Id, string Text, ImmutableArray<string> AboutIds);

/// <summary>Relationships that exclude each other.</summary>
public sealed record ExclusiveConstraint(string Id, ImmutableArray<string> RelationshipIds);
