using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>A comparison with the look-ups that kinds of findings need to put a difference into words.</summary>
public sealed class Evidence
{
    private readonly IndexedReading model;
    private readonly IndexedReading answer;
    private readonly Dictionary<string, string> modelOf = new(StringComparer.Ordinal);

    /// <summary>Prepares a comparison.</summary>
    public Evidence(ConceptComparison comparison)
    {
        (Comparison, model, answer) = (comparison, comparison.IndexedModel, comparison.IndexedAnswer);
        foreach (var (id, match) in comparison.Correspondence.Entities)
        {
            modelOf.TryAdd(match.AnswerId, id);
        }
    }

    /// <summary>The comparison itself.</summary>
    public ConceptComparison Comparison { get; }

    /// <summary>An entity of the model answer.</summary>
    public EntityType ModelEntity(string id) => model.Entities[id];

    /// <summary>Whether a concept of the model answer is an entity.</summary>
    public bool IsModelEntity(string id) => model.Entities.ContainsKey(id);

    /// <summary>An entity of the answer.</summary>
    public EntityType AnswerEntity(string id) =>
        answer.Entities.TryGetValue(id, out var entity) ? entity : answer.AsOwner(AnswerRelationship(id));

    /// <summary>An attribute of the model answer with its owner.</summary>
    public (EntityType Owner, ConceptAttribute Attribute) ModelAttribute(string id) => model.Attribute(id);

    /// <summary>An attribute of the answer with its owner.</summary>
    public (EntityType Owner, ConceptAttribute Attribute) AnswerAttribute(string id) => answer.Attribute(id);

    /// <summary>A relationship of the model answer, by its own id or a role's.</summary>
    public RelationshipType ModelRelationship(string id) => Known(model.FindRelationship(id), id);

    /// <summary>A relationship of the answer, by its own id or a role's.</summary>
    public RelationshipType AnswerRelationship(string id) => Known(answer.FindRelationship(id), id);

    /// <summary>The entity of the answer that stands for one of the model answer, or null.</summary>
    public EntityType? CounterpartOf(string modelEntityId) =>
        Comparison.Correspondence.Entities.TryGetValue(modelEntityId, out var match) ? answer.Entities[match.AnswerId] : null;

    /// <summary>The entity of the model answer for which one of the answer stands, or null.</summary>
    public EntityType? ModelOf(string answerEntityId) =>
        modelOf.TryGetValue(answerEntityId, out var id) ? model.Entities[id] : null;

    /// <summary>The relationship of the model answer for which one of the answer stands, or null.</summary>
    public RelationshipType? ModelRelationshipOf(string answerRelationshipId) =>
        Comparison
            .Correspondence.Relationships.Where(pair => pair.Value.AnswerId == answerRelationshipId)
            .Select(pair => model.Relationships[pair.Key])
            .FirstOrDefault();

    /// <summary>Whether an attribute of the model answer belongs to an entity, and not to a relationship.</summary>
    public bool IsAttributeOfEntity(string attributeId) => model.AttributesOfEntities.ContainsKey(attributeId);

    /// <summary>The finding of which the absence of an entity is said, whatever follows from it.</summary>
    public string RootOfMissing(string modelEntityId) =>
        $"{(Comparison.Correspondence.Demoted.ContainsKey(modelEntityId) ? "entity-as-attribute" : "entity-missing")}:{modelEntityId}";

    /// <summary>The specialisation of the model answer that holds a link, or has the id itself.</summary>
    public Specialisation ModelSet(string id) =>
        Comparison.Model.Model.Specialisations.First(set => set.Id == id || set.Subtypes.Any(link => link.Id == id));

    /// <summary>The entity of the answer that a link of a subtype is about.</summary>
    public string AnswerSubtype(string linkId) =>
        Comparison.Answer.Model.Specialisations.SelectMany(set => set.Subtypes).First(link => link.Id == linkId).EntityId;

    /// <summary>Whether a link of a subtype of the answer stands for one of the model answer.</summary>
    public bool IsSubtypeWanted(string answerLinkId) =>
        Comparison.Correspondence.Subtypes.Values.Any(match => match.AnswerId == answerLinkId);

    /// <summary>An operation of the model answer with its class.</summary>
    public (EntityType Owner, Operation Operation) ModelOperation(string id) => model.Operations[id];

    /// <summary>The owner and the name of an attribute or operation of the model answer.</summary>
    public (EntityType Owner, string Name) ModelMember(string id)
    {
        if (model.FindAttribute(id) is var (entity, attribute))
        {
            return (entity, Phrasing.InText(attribute.Name));
        }

        var (owner, operation) = ModelOperation(id);
        return (owner, operation.Name);
    }

    /// <summary>A part of a composite attribute of the model answer with its whole and its owner.</summary>
    public (EntityType Owner, ConceptAttribute Whole, AttributePart Part) ModelPart(string id) => model.Part(id);

    /// <summary>Whether a verdict on the kind of a link says that it is of the right kind, but leads the wrong way.</summary>
    public bool IsReversed(Verdict verdict) =>
        verdict is { Kind: VerdictKind.Wrong, AnswerId: { } id }
        && AnswerRelationship(id).Kind == ModelRelationship(verdict.Fact.ConceptId).Kind;

    /// <summary>A relationship of the model answer in words.</summary>
    public string Named(RelationshipType relationship) => FactList.TitleOf(relationship, model.Names);

    /// <summary>A relationship of the answer in words.</summary>
    public string NamedAsDrawn(RelationshipType relationship) => FactList.TitleOf(relationship, answer.Names);

    /// <summary>What an entity, an attribute or a relationship of the answer is called; null for what has no name.</summary>
    internal string? NameOfAnswer(string id) =>
        answer.Names.TryGetValue(id, out var name) ? name
        : answer.FindAttribute(id) is var (_, attribute) ? attribute.Name
        : answer.Relationships.TryGetValue(id, out var relationship) ? NamedAsDrawn(relationship)
        : null;

    /// <summary>An entity as something wanted: with its attributes, if it has any.</summary>
    internal static string EntityInWords(EntityType entity) =>
        entity.Attributes.IsEmpty
            ? $"An entity {entity.Name}."
            : $"An entity {entity.Name} with {Phrasing.List([.. entity.Attributes.Select(attribute => Phrasing.InText(attribute.Name))])}.";

    /// <summary>The pieces of a sentence about one end of a relationship of the model answer.</summary>
    internal EndWording Wording(string modelRoleId)
    {
        var (relationship, role) = model.Roles[modelRoleId];
        var others = relationship.Roles.Where(candidate => candidate.Id != role.Id).ToList();
        var other = others[0];
        return new EndWording(
            relationship,
            role,
            model.Names[role.EntityId],
            model.Names[other.EntityId],
            relationship.IsRecursive && other.Role.Length > 0 ? other.Role : model.Names[other.EntityId],
            relationship.IsRecursive && role.Role.Length > 0 ? role.Role : model.Names[role.EntityId],
            Phrasing.Verb(relationship, other),
            [.. others.Select(candidate => candidate.Role.Length > 0 ? candidate.Role : model.Names[candidate.EntityId])]
        );
    }

    /// <summary>Ids of all bad facts about a concept of the model answer.</summary>
    public ImmutableArray<string> BadFactsOf(params IEnumerable<string> conceptIds)
    {
        var ids = conceptIds.ToHashSet(StringComparer.Ordinal);
        return [.. Comparison.AllBad.Where(verdict => ids.Contains(verdict.Fact.ConceptId)).Select(verdict => verdict.Fact.Id)];
    }

    /// <summary>
    /// The ids of all that goes with a relationship of the model answer: its ends and attributes, what embodies it, and what it excludes.
    /// </summary>
    public IEnumerable<string> OwnIdsOf(RelationshipType relationship) =>
        [
            relationship.Id,
            .. relationship.Roles.Select(role => role.Id),
            .. relationship.Attributes.SelectMany(attribute => attribute.OwnIds),
            .. relationship.EntityId is { } entity ? ModelEntity(entity).OwnIds : [],
            .. Comparison
                .Model.Model.Exclusions.Where(exclusion => exclusion.RelationshipIds.Contains(relationship.Id))
                .Select(exclusion => exclusion.Id),
        ];

    /// <summary>The same without those that are drawn, but wrong.</summary>
    public ImmutableArray<string> AbsentFactsOf(IEnumerable<string> conceptIds)
    {
        var ids = conceptIds.ToHashSet(StringComparer.Ordinal);
        return
        [
            .. Comparison
                .AllBad.Where(verdict => verdict.Kind != VerdictKind.Wrong && ids.Contains(verdict.Fact.ConceptId))
                .Select(verdict => verdict.Fact.Id),
        ];
    }

    private static RelationshipType Known(RelationshipType? relationship, string id) =>
        relationship ?? throw new KeyNotFoundException($"There is no relationship {id}.");
}

/// <summary>
/// What is needed to speak of one end: what stands there, what is at the other end, and the verb read from there.
/// </summary>
internal sealed record EndWording(
    RelationshipType Relationship,
    RelationshipRole Role,
    string Entity,
    string OtherEntity,
    string Other,
    string Here,
    string Verb,
    ImmutableArray<string> AllOthers
)
{
    /// <summary>Whether more than two take part, so that a count holds for one of each of the others together.</summary>
    public bool IsOfSeveral => AllOthers.Length > 1;

    /// <summary>One of each of the others: <c>one fixer and one tool</c>.</summary>
    public string OneOfEach => Phrasing.List([.. AllOthers.Select(name => $"one {Phrasing.InText(name)}")]);

    /// <summary>What the others are called: <c>fixer and tool</c>.</summary>
    public string Others => Phrasing.List([.. AllOthers.Select(Phrasing.InText)]);

    public string OneOther => Phrasing.One(Other);

    public string OneHere => Phrasing.One(Here);
}
