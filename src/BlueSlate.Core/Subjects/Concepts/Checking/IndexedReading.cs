using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>A reading with its concepts by id, made once for everything that looks them up.</summary>
public sealed class IndexedReading
{
    private readonly Dictionary<string, EntityType> entities = new(StringComparer.Ordinal);
    private readonly Dictionary<string, string> names = new(StringComparer.Ordinal);
    private readonly Dictionary<string, (EntityType Owner, ConceptAttribute Attribute)> attributes = new(StringComparer.Ordinal);
    private readonly Dictionary<string, (EntityType Owner, ConceptAttribute Attribute)> ofRelationships = new(
        StringComparer.Ordinal
    );
    private readonly Dictionary<string, (EntityType Owner, ConceptAttribute Whole, AttributePart Part)> parts = new(
        StringComparer.Ordinal
    );
    private readonly Dictionary<string, (EntityType Owner, Operation Operation)> operations = new(StringComparer.Ordinal);
    private readonly Dictionary<string, RelationshipType> relationships = new(StringComparer.Ordinal);
    private readonly Dictionary<string, (RelationshipType Relationship, RelationshipRole Role)> roles = new(
        StringComparer.Ordinal
    );

    /// <summary>Prepares the look-ups of a reading.</summary>
    public IndexedReading(Reading reading)
    {
        Reading = reading;
        foreach (var entity in Model.Entities)
        {
            entities.Add(entity.Id, entity);
            names.Add(entity.Id, entity.Name);
            Add(attributes, entity);

            foreach (var operation in entity.Operations)
            {
                operations.Add(operation.Id, (entity, operation));
            }
        }

        foreach (var relationship in Model.Relationships)
        {
            relationships.Add(relationship.Id, relationship);
            foreach (var role in relationship.Roles)
            {
                roles.Add(role.Id, (relationship, role));
            }

            if (!relationship.Attributes.IsEmpty)
            {
                Add(ofRelationships, AsOwner(relationship));
            }
        }
    }

    /// <summary>The reading itself.</summary>
    public Reading Reading { get; }

    /// <summary>What it says.</summary>
    public ConceptModel Model => Reading.Model;

    /// <summary>The entities by id.</summary>
    public IReadOnlyDictionary<string, EntityType> Entities => entities;

    /// <summary>The names of the entities.</summary>
    public IReadOnlyDictionary<string, string> Names => names;

    /// <summary>The attributes of entities, with their owners.</summary>
    public IReadOnlyDictionary<string, (EntityType Owner, ConceptAttribute Attribute)> AttributesOfEntities => attributes;

    /// <summary>The operations, with their classes.</summary>
    public IReadOnlyDictionary<string, (EntityType Owner, Operation Operation)> Operations => operations;

    /// <summary>The relationships by their own ids.</summary>
    public IReadOnlyDictionary<string, RelationshipType> Relationships => relationships;

    /// <summary>The roles, with their relationships.</summary>
    public IReadOnlyDictionary<string, (RelationshipType Relationship, RelationshipRole Role)> Roles => roles;

    /// <summary>An attribute of an entity or a relationship with its owner; throws when there is none.</summary>
    public (EntityType Owner, ConceptAttribute Attribute) Attribute(string id) =>
        FindAttribute(id) ?? throw new KeyNotFoundException($"There is no attribute {id}.");

    /// <summary>The same, or null when there is none.</summary>
    public (EntityType Owner, ConceptAttribute Attribute)? FindAttribute(string id) =>
        attributes.TryGetValue(id, out var found) || ofRelationships.TryGetValue(id, out found) ? found : null;

    /// <summary>A part of a composite attribute with its whole and its owner; throws when there is none.</summary>
    public (EntityType Owner, ConceptAttribute Whole, AttributePart Part) Part(string id) => parts[id];

    /// <summary>A relationship by its own id or a role's, or null when there is none.</summary>
    public RelationshipType? FindRelationship(string id) =>
        relationships.TryGetValue(id, out var relationship) ? relationship
        : roles.TryGetValue(id, out var role) ? role.Relationship
        : null;

    /// <summary>A relationship speaking as the owner of its attributes.</summary>
    public EntityType AsOwner(RelationshipType relationship) =>
        new(
            relationship.Id,
            relationship.Name.Length > 0 ? relationship.Name : FactList.TitleOf(relationship, names),
            EntityKind.Associative,
            relationship.Attributes,
            []
        );

    private void Add(Dictionary<string, (EntityType Owner, ConceptAttribute Attribute)> known, EntityType owner)
    {
        foreach (var attribute in owner.Attributes)
        {
            known.Add(attribute.Id, (owner, attribute));
            foreach (var part in attribute.Leaves)
            {
                parts.Add(part.Id, (owner, attribute, part));
            }
        }
    }
}
