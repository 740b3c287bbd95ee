using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>When a restatement looks at what is left over.</summary>
internal enum Stage
{
    /// <summary>Once entities stand for each other: it may say that one entity stands for several.</summary>
    Entities,

    /// <summary>Once relationships do as well.</summary>
    Links,
}

/// <summary>
/// Another way to draw the same meaning. One class a restatement, found by its type: it looks at what a correspondence
/// has left over on both sides and says what of it means the same.
/// </summary>
internal abstract class Restatement
{
    /// <summary>All restatements, in the order of their codes.</summary>
    public static IReadOnlyList<Restatement> All { get; } =
    [
        .. typeof(Restatement)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(Restatement)))
            .Select(type => (Restatement)Activator.CreateInstance(type)!)
            .OrderBy(restatement => restatement.Code, StringComparer.Ordinal),
    ];

    /// <summary>Stable code, lower case with hyphens.</summary>
    public abstract string Code { get; }

    /// <summary>A few words for people: what stands for what.</summary>
    public abstract string Title { get; }

    /// <summary>What it is worth where an exercise says nothing of it.</summary>
    public virtual Standing Usual => Standing.Same;

    /// <summary>The only notation in which it is met, by its name in documents; null for all.</summary>
    public virtual string? OnlyIn => null;

    /// <summary>When it looks.</summary>
    public virtual Stage Stage => Stage.Links;

    /// <summary>What it recognises among the leftovers. It may not take up anything twice.</summary>
    public abstract IEnumerable<RestatedMatch> Recognise(Leftovers leftovers);
}

/// <summary>What a correspondence has left over, and who stands for whom so far.</summary>
internal sealed class Leftovers(Side model, Side answer, int[] map, HashSet<string> matchedModel, HashSet<string> matchedAnswer)
{
    public Side Model => model;

    public Side Answer => answer;

    /// <summary>What is known of the attributes so far.</summary>
    public required AttributePlacer Attributes { get; init; }

    /// <summary>Relationships that stand for each other so far.</summary>
    public IReadOnlyDictionary<string, RelationshipMatch> Relationships { get; init; } =
        ImmutableDictionary<string, RelationshipMatch>.Empty;

    /// <summary>The index of the answer's entity that stands for this one, or −1.</summary>
    public int AnswerOf(int modelIndex) => map[modelIndex];

    /// <summary>Entities of the model answer, each with the one that stands for it.</summary>
    public IEnumerable<(NamedEntity Model, NamedEntity Answer)> Pairs =>
        Enumerable.Range(0, model.Count).Where(i => map[i] >= 0).Select(i => (model.Entities[i], answer.Entities[map[i]]));

    public IEnumerable<Link> ModelLinks => model.Links.Where(link => !matchedModel.Contains(link.Relationship.Id));

    public IEnumerable<Link> AnswerLinks => answer.Links.Where(link => !matchedAnswer.Contains(link.Relationship.Id));

    public IEnumerable<int> ModelEntities => Enumerable.Range(0, model.Count).Where(i => map[i] < 0);

    /// <summary>Whether an entity of the answer stands for one of the model answer.</summary>
    public bool IsMatched(int answerIndex) => Array.IndexOf(map, answerIndex) >= 0;

    /// <summary>Whether a concept of the model answer is drawn another way.</summary>
    public bool IsRestated(string modelId) => matchedModel.Contains(modelId);

    /// <summary>Relationships of more than two that are left over.</summary>
    public IEnumerable<RelationshipType> ModelDiamonds =>
        model.Model.Relationships.Where(relationship => relationship.Roles.Length > 2 && !matchedModel.Contains(relationship.Id));

    public IEnumerable<RelationshipType> AnswerDiamonds =>
        answer.Model.Relationships.Where(relationship =>
            relationship.Roles.Length > 2 && !matchedAnswer.Contains(relationship.Id)
        );

    public IEnumerable<int> AnswerEntities => Enumerable.Range(0, answer.Count).Except(map);
}
