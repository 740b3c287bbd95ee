using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>Both sides of a comparison by id, and what stands for what: what the rules look at.</summary>
internal sealed class VerdictLookup
{
    private readonly Lazy<Dictionary<string, string>> modelNameOf;
    private readonly Lazy<DrawnTypes> types;

    public VerdictLookup(IndexedReading model, IndexedReading answer, Correspondence correspondence)
    {
        (Model, Answer, Correspondence) = (model, answer, correspondence);
        Restated = correspondence.Restated.SelectMany(match => match.Holding).ToHashSet(StringComparer.Ordinal);
        types = new(() =>
            new DrawnTypes(model.Model, answer.Model, correspondence.Entities.Select(pair => (pair.Key, pair.Value.AnswerId)))
        );
        modelNameOf = new(() =>
            correspondence
                .Attributes.Where(pair => model.AttributesOfEntities.ContainsKey(pair.Key))
                .ToDictionary(
                    pair => pair.Value.AnswerId,
                    pair => model.AttributesOfEntities[pair.Key].Attribute.Name,
                    StringComparer.Ordinal
                )
        );
    }

    /// <summary>What is drawn where a form is wanted that is not there.</summary>
    public const string NotShown = "not shown";

    public IndexedReading Model { get; }

    public IndexedReading Answer { get; }

    public Correspondence Correspondence { get; }

    public HashSet<string> Restated { get; }

    /// <summary>Which types written in the answer are those wanted.</summary>
    public DrawnTypes Types => types.Value;

    /// <summary>For an attribute of the answer the name of that for which it stands.</summary>
    public Dictionary<string, string> ModelNameOf => modelNameOf.Value;

    public Verdict RestatedOr(Fact fact, string conceptId, VerdictKind otherwise)
    {
        if (!Restated.Contains(conceptId))
        {
            return new Verdict(fact, otherwise, null, "");
        }

        var by = Correspondence.Restated.First(match => match.Holding.Contains(conceptId));
        return by.IsShort(conceptId)
            ? new Verdict(fact, VerdictKind.Wrong, by.Uses[0], "", PartlyRight: true) { Manner = new DrawnAnotherWay(by) }
            : new Verdict(fact, VerdictKind.HoldsByRestatement, by.Uses[0], "");
    }

    public EntityType? CounterpartOf(string modelEntityId) =>
        Correspondence.Entities.TryGetValue(modelEntityId, out var match) ? Answer.Entities[match.AnswerId] : null;

    public RelationshipType? AnswerRelationship(string modelId) =>
        Correspondence.Relationships.TryGetValue(modelId, out var match) ? Answer.Relationships[match.AnswerId]
        : Correspondence.Misdirected.TryGetValue(modelId, out var misdirected) ? Answer.Relationships[misdirected.AnswerId]
        : null;

    public RelationshipRole? AnswerRole(string modelRoleId)
    {
        var relationship = Model.Roles[modelRoleId].Relationship.Id;
        var roles = Correspondence.Relationships.GetValueOrDefault(relationship)?.Roles
            ?? Correspondence.Misdirected.GetValueOrDefault(relationship)?.Roles;
        return roles is not null && roles.TryGetValue(modelRoleId, out var id) ? Answer.Roles[id].Role : null;
    }

    public static bool Equal(string wanted, string drawn) => string.Equals(wanted, drawn, StringComparison.OrdinalIgnoreCase);

    public static Verdict Judge(Fact fact, string answerId, string drawn, Func<string, string, bool> same) =>
        new(
            fact,
            drawn.Length == 0 ? VerdictKind.Absent
                : same(fact.Value, drawn) ? VerdictKind.Holds
                : VerdictKind.Wrong,
            answerId,
            drawn
        );
}
