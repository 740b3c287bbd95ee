using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Matching;

namespace BlueSlate.Core.Checking;

/// <summary>Both sides of a comparison by id, and what stands for what: what the rules look at.</summary>
internal sealed class VerdictLookup
{
    public VerdictLookup(Reading model, Reading answer, Correspondence correspondence)
    {
        (Model, Answer, Correspondence) = (model, answer, correspondence);
        ModelEntities = model.Model.Entities.ToDictionary(entity => entity.Id, StringComparer.Ordinal);
        ModelAttributes = model.Model.Entities.SelectMany(entity => entity.Attributes.Select(attribute => (Owner: entity, Attribute: attribute)))
            .ToDictionary(pair => pair.Attribute.Id, StringComparer.Ordinal);
        ModelRelationships = model.Model.Relationships.ToDictionary(relationship => relationship.Id, StringComparer.Ordinal);
        ModelRoles = model.Model.Relationships.SelectMany(relationship => relationship.Roles.Select(role => (role.Id, relationship)))
            .ToDictionary(pair => pair.Id, pair => pair.relationship, StringComparer.Ordinal);
        AnswerEntities = answer.Model.Entities.ToDictionary(entity => entity.Id, StringComparer.Ordinal);
        AnswerAttributes = answer.Model.Entities.SelectMany(entity => entity.Attributes).Concat(answer.Model.Relationships.SelectMany(relationship => relationship.Attributes)).ToDictionary(attribute => attribute.Id, StringComparer.Ordinal);
        AnswerRelationships = answer.Model.Relationships.ToDictionary(relationship => relationship.Id, StringComparer.Ordinal);
        AnswerRoles = answer.Model.Relationships.SelectMany(relationship => relationship.Roles).ToDictionary(role => role.Id, StringComparer.Ordinal);
        AnswerOperations = answer.Model.Entities.SelectMany(entity => entity.Operations).ToDictionary(operation => operation.Id, StringComparer.Ordinal);
        AnswerNames = answer.Model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal);
        ModelNameOf = correspondence.Attributes.Where(pair => ModelAttributes.ContainsKey(pair.Key)).ToDictionary(pair => pair.Value.AnswerId, pair => ModelAttributes[pair.Key].Attribute.Name, StringComparer.Ordinal);
        ModelSets = model.Model.Specialisations;
        ModelUnions = model.Model.Unions;
        ModelExclusions = model.Model.Exclusions;
        Restated = correspondence.Restated.SelectMany(match => match.Holding).ToHashSet(StringComparer.Ordinal);
    }

    /// <summary>What is drawn where a form is wanted that is not there.</summary>
    public const string NotShown = "not shown";

    public Reading Model { get; }

    public Reading Answer { get; }

    public Correspondence Correspondence { get; }

    public Dictionary<string, EntityType> ModelEntities { get; }

    public Dictionary<string, (EntityType Owner, ConceptAttribute Attribute)> ModelAttributes { get; }

    public Dictionary<string, RelationshipType> ModelRelationships { get; }

    public Dictionary<string, RelationshipType> ModelRoles { get; }

    public Dictionary<string, EntityType> AnswerEntities { get; }

    public Dictionary<string, ConceptAttribute> AnswerAttributes { get; }

    public Dictionary<string, RelationshipType> AnswerRelationships { get; }

    public Dictionary<string, RelationshipRole> AnswerRoles { get; }

    public HashSet<string> Restated { get; }

    public Dictionary<string, Operation> AnswerOperations { get; }

    public Dictionary<string, string> AnswerNames { get; }

    public Dictionary<string, string> ModelNameOf { get; }

    public ImmutableArray<Specialisation> ModelSets { get; }

    public ImmutableArray<UnionType> ModelUnions { get; }

    public ImmutableArray<ExclusiveConstraint> ModelExclusions { get; }

    public Verdict RestatedOr(Fact fact, string conceptId, VerdictKind otherwise)
    {
        if (!Restated.Contains(conceptId))
        {
            return new Verdict(fact, otherwise, null, "");
        }

        var by = Correspondence.Restated.First(match => match.Holding.Contains(conceptId));
        return by.IsShort(conceptId)
            ? new Verdict(fact, VerdictKind.Wrong, by.Uses[0], "", PartlyRight: true) { RestatedBy = by }
            : new Verdict(fact, VerdictKind.HoldsByRestatement, by.Uses[0], "");
    }

    public EntityType? CounterpartOf(string modelEntityId) =>
        Correspondence.Entities.TryGetValue(modelEntityId, out var match) ? AnswerEntities[match.AnswerId] : null;

    public RelationshipType? AnswerRelationship(string modelId) =>
        Correspondence.Relationships.TryGetValue(modelId, out var match) ? AnswerRelationships[match.AnswerId]
        : Correspondence.Misdirected.TryGetValue(modelId, out var misdirected) ? AnswerRelationships[misdirected.AnswerId]
        : null;

    public RelationshipRole? AnswerRole(string modelRoleId)
    {
        var relationship = ModelRoles[modelRoleId].Id;
        var roles = Correspondence.Relationships.GetValueOrDefault(relationship)?.Roles ?? Correspondence.Misdirected.GetValueOrDefault(relationship)?.Roles;
        return roles is not null && roles.TryGetValue(modelRoleId, out var id) ? AnswerRoles[id] : null;
    }

    public static bool Equal(string wanted, string drawn) => string.Equals(wanted, drawn, StringComparison.OrdinalIgnoreCase);

    public static Verdict Judge(Fact fact, string answerId, string drawn, Func<string, string, bool> same) =>
        new(fact, drawn.Length == 0 ? VerdictKind.Absent : same(fact.Value, drawn) ? VerdictKind.Holds : VerdictKind.Wrong, answerId, drawn);
}
