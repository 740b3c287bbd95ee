using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Checking;

/// <summary>A comparison with the look-ups that kinds of findings need to put a difference into words.</summary>
public sealed class Evidence
{
    private readonly Dictionary<string, EntityType> modelEntities;
    private readonly Dictionary<string, EntityType> answerEntities;
    private readonly Dictionary<string, (EntityType Owner, ConceptAttribute Attribute)> modelAttributes;
    private readonly Dictionary<string, (EntityType Owner, ConceptAttribute Attribute)> answerAttributes;
    private readonly Dictionary<string, RelationshipType> modelRelationships;
    private readonly Dictionary<string, RelationshipType> answerRelationships;
    private readonly Dictionary<string, string> modelNames;
    private readonly Dictionary<string, string> answerNames;

    /// <summary>Prepares the look-ups of a comparison.</summary>
    public Evidence(Comparison comparison)
    {
        Comparison = comparison;
        modelEntities = comparison.Model.Model.Entities.ToDictionary(entity => entity.Id, StringComparer.Ordinal);
        answerEntities = comparison.Answer.Model.Entities.ToDictionary(entity => entity.Id, StringComparer.Ordinal);
        modelNames = modelEntities.ToDictionary(pair => pair.Key, pair => pair.Value.Name, StringComparer.Ordinal);
        answerNames = answerEntities.ToDictionary(pair => pair.Key, pair => pair.Value.Name, StringComparer.Ordinal);
        modelAttributes = Attributes(comparison.Model.Model);
        answerAttributes = Attributes(comparison.Answer.Model);
        modelRelationships = Relationships(comparison.Model.Model);
        answerRelationships = Relationships(comparison.Answer.Model);
    }

    /// <summary>The comparison itself.</summary>
    public Comparison Comparison { get; }

    /// <summary>An entity of the model answer.</summary>
    public EntityType ModelEntity(string id) => modelEntities[id];

    /// <summary>Whether a concept of the model answer is an entity.</summary>
    public bool IsModelEntity(string id) => modelEntities.ContainsKey(id);

    /// <summary>An entity of the answer.</summary>
    public EntityType AnswerEntity(string id) => answerEntities.TryGetValue(id, out var entity) ? entity : AsOwner(answerRelationships[id], Comparison.Answer.Model);

    /// <summary>An attribute of the model answer with its owner.</summary>
    public (EntityType Owner, ConceptAttribute Attribute) ModelAttribute(string id) => modelAttributes[id];

    /// <summary>An attribute of the answer with its owner.</summary>
    public (EntityType Owner, ConceptAttribute Attribute) AnswerAttribute(string id) => answerAttributes[id];

    /// <summary>A relationship of the model answer, by its own id or a role's.</summary>
    public RelationshipType ModelRelationship(string id) => modelRelationships[id];

    /// <summary>A relationship of the answer, by its own id or a role's.</summary>
    public RelationshipType AnswerRelationship(string id) => answerRelationships[id];

    /// <summary>The entity of the answer that stands for one of the model answer, or null.</summary>
    public EntityType? CounterpartOf(string modelEntityId) =>
        Comparison.Correspondence.Entities.TryGetValue(modelEntityId, out var match) ? answerEntities[match.AnswerId] : null;

    /// <summary>The entity of the model answer for which one of the answer stands, or null.</summary>
    public EntityType? ModelOf(string answerEntityId) =>
        Comparison.Correspondence.Entities.Where(pair => pair.Value.AnswerId == answerEntityId).Select(pair => modelEntities[pair.Key]).FirstOrDefault();

    /// <summary>The relationship of the model answer for which one of the answer stands, or null.</summary>
    public RelationshipType? ModelRelationshipOf(string answerRelationshipId) =>
        Comparison.Correspondence.Relationships.Where(pair => pair.Value.AnswerId == answerRelationshipId).Select(pair => modelRelationships[pair.Key]).FirstOrDefault();

    /// <summary>Whether an attribute of the model answer belongs to an entity, and not to a relationship.</summary>
    public bool IsAttributeOfEntity(string attributeId) => modelEntities.ContainsKey(modelAttributes[attributeId].Owner.Id);

    /// <summary>The finding of which the absence of an entity is said, whatever follows from it.</summary>
    public string RootOfMissing(string modelEntityId) =>
        $"{(Comparison.Correspondence.Demoted.ContainsKey(modelEntityId) ? "entity-as-attribute" : "entity-missing")}:{modelEntityId}";

    /// <summary>The specialisation of the model answer that holds a link, or has the id itself.</summary>
    public Specialisation ModelSet(string id) =>
        Comparison.Model.Model.Specialisations.First(set => set.Id == id || set.Subtypes.Any(link => link.Id == id));

    /// <summary>The entity of the answer that a link of a subtype is about.</summary>
    public string AnswerSubtype(string linkId) => Comparison.Answer.Model.Specialisations.SelectMany(set => set.Subtypes).First(link => link.Id == linkId).EntityId;

    /// <summary>Whether a link of a subtype of the answer stands for one of the model answer.</summary>
    public bool IsSubtypeWanted(string answerLinkId) => Comparison.Correspondence.Subtypes.Values.Any(match => match.AnswerId == answerLinkId);

    /// <summary>An operation of the model answer with its class.</summary>
    public (EntityType Owner, Operation Operation) ModelOperation(string id) =>
        modelEntities.Values.SelectMany(entity => entity.Operations.Select(operation => (entity, operation))).First(pair => pair.operation.Id == id);

    /// <summary>The owner and the name of an attribute or operation of the model answer.</summary>
    public (EntityType Owner, string Name) ModelMember(string id)
    {
        if (modelAttributes.TryGetValue(id, out var pair))
        {
            return (pair.Owner, Phrasing.InText(pair.Attribute.Name));
        }

        var (owner, operation) = ModelOperation(id);
        return (owner, operation.Name);
    }

    /// <summary>A part of a composite attribute of the model answer with its whole and its owner.</summary>
    public (EntityType Owner, ConceptAttribute Whole, string Part) ModelPart(string id) =>
        modelAttributes.Values.SelectMany(pair => pair.Attribute.Parts.Select(part => (pair.Owner, pair.Attribute, part))).Where(found => found.part.Id == id)
            .Select(found => (found.Owner, found.Attribute, found.part.Name)).First();

    /// <summary>Whether a verdict on the kind of a link says that it is of the right kind, but leads the wrong way.</summary>
    public bool IsReversed(Verdict verdict) =>
        verdict is { Kind: VerdictKind.Wrong, AnswerId: { } id } && answerRelationships[id].Kind == modelRelationships[verdict.Fact.ConceptId].Kind;

    /// <summary>A relationship of the model answer in words.</summary>
    public string Named(RelationshipType relationship) =>
        FactList.TitleOf(relationship, modelNames);

    /// <summary>A relationship of the answer in words.</summary>
    public string NamedAsDrawn(RelationshipType relationship) =>
        FactList.TitleOf(relationship, answerNames);

    /// <summary>What an entity, an attribute or a relationship of the answer is called; null for what has no name.</summary>
    internal string? NameOfAnswer(string id) =>
        answerEntities.TryGetValue(id, out var entity) ? entity.Name
        : answerAttributes.TryGetValue(id, out var pair) ? pair.Attribute.Name
        : answerRelationships.TryGetValue(id, out var relationship) && relationship.Id == id ? NamedAsDrawn(relationship) : null;

    /// <summary>An entity as something wanted: with its attributes, if it has any.</summary>
    internal static string EntityInWords(EntityType entity) => entity.Attributes.IsEmpty
        ? $"An entity {entity.Name}."
        : $"An entity {entity.Name} with {Phrasing.List([.. entity.Attributes.Select(attribute => Phrasing.InText(attribute.Name))])}.";

    /// <summary>The pieces of a sentence about one end of a relationship of the model answer.</summary>
    internal EndWording Wording(string modelRoleId)
    {
        var relationship = modelRelationships[modelRoleId];
        var role = relationship.Roles.First(candidate => candidate.Id == modelRoleId);
        var other = relationship.Other(role);
        return new EndWording(
            relationship,
            role,
            modelEntities[role.EntityId].Name,
            modelEntities[other.EntityId].Name,
            relationship.IsRecursive && other.Role.Length > 0 ? other.Role : modelEntities[other.EntityId].Name,
            relationship.IsRecursive && role.Role.Length > 0 ? role.Role : modelEntities[role.EntityId].Name,
            Phrasing.Verb(relationship, other));
    }

    /// <summary>Ids of all bad facts about a concept of the model answer.</summary>
    public ImmutableArray<string> BadFactsOf(params IEnumerable<string> conceptIds)
    {
        var ids = conceptIds.ToHashSet(StringComparer.Ordinal);
        return [.. Comparison.Verdicts.Where(verdict => verdict.IsBad && ids.Contains(verdict.Fact.ConceptId)).Select(verdict => verdict.Fact.Id)];
    }

    /// <summary>The same without those that are drawn, but wrong.</summary>
    public ImmutableArray<string> AbsentFactsOf(IEnumerable<string> conceptIds)
    {
        var ids = conceptIds.ToHashSet(StringComparer.Ordinal);
        return [.. Comparison.Verdicts.Where(verdict => verdict is { IsBad: true, Kind: not VerdictKind.Wrong } && ids.Contains(verdict.Fact.ConceptId)).Select(verdict => verdict.Fact.Id)];
    }

    private static Dictionary<string, (EntityType Owner, ConceptAttribute Attribute)> Attributes(ConceptModel model) =>
        model.Entities.Concat(model.Relationships.Select(relationship => AsOwner(relationship, model))).SelectMany(entity => entity.Attributes.Select(attribute => (Owner: entity, Attribute: attribute)))
            .ToDictionary(pair => pair.Attribute.Id, StringComparer.Ordinal);

    // A relationship with attributes speaks as their owner.
    private static EntityType AsOwner(RelationshipType relationship, ConceptModel model) =>
        new(relationship.Id, relationship.Name.Length > 0 ? relationship.Name : FactList.TitleOf(relationship, model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal)), EntityKind.Associative, relationship.Attributes, []);

    private static Dictionary<string, RelationshipType> Relationships(ConceptModel model)
    {
        var byId = model.Relationships.ToDictionary(relationship => relationship.Id, StringComparer.Ordinal);
        foreach (var relationship in model.Relationships)
        {
            foreach (var role in relationship.Roles)
            {
                byId.Add(role.Id, relationship);
            }
        }

        return byId;
    }
}

/// <summary>What is needed to speak of one end: what stands there, what is at the other end, and the verb read from there.</summary>
internal sealed record EndWording(RelationshipType Relationship, RelationshipRole Role, string Entity, string OtherEntity, string Other, string Here, string Verb)
{
    public string OneOther => Phrasing.One(Other);

    public string OneHere => Phrasing.One(Here);
}
