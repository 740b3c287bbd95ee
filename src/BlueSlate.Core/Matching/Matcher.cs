using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;
using BlueSlate.Core.Restatements;

namespace BlueSlate.Core.Matching;

/// <summary>What matching accepts besides equal names and equal structure.</summary>
/// <param name="OtherNames">Further accepted names: concept id of the model answer → names.</param>
/// <param name="RestatementsOff">Codes of restatements that are not accepted here.</param>
public sealed record MatchAllowance(IReadOnlyDictionary<string, ImmutableArray<string>> OtherNames, IReadOnlySet<string> RestatementsOff)
{
    /// <summary>No other names; all restatements.</summary>
    public static MatchAllowance Plain { get; } = new(ImmutableDictionary<string, ImmutableArray<string>>.Empty, ImmutableHashSet<string>.Empty);
}

/// <summary>A model answer prepared for matching once, for any number of answers.</summary>
public sealed class MatchModel(ConceptModel model)
{
    /// <summary>What the model answer says.</summary>
    public ConceptModel Model { get; } = model;

    internal Side Side { get; } = new(model);
}

/// <summary>
/// Finds which element of an answer stands for which of the model answer. Entities come first, by least cost over names,
/// attributes and structure together; then relationships between matched entities, restatements among what is left,
/// relationships tied to the wrong entity, and attributes that stand elsewhere. Ties break by content, never by id.
/// </summary>
public static class Matcher
{
    private const double MovedSureness = 0.9;
    private const double VerbSureness = 0.55;

    /// <summary>The correspondence between a model answer and an answer.</summary>
    /// <param name="model">What the model answer says.</param>
    /// <param name="answer">What the answer says.</param>
    /// <param name="allowance">What else is accepted.</param>
    public static Correspondence Match(MatchModel model, ConceptModel answer, MatchAllowance allowance)
    {
        var renamed = AcceptedNames.Adopt(model.Model, answer, allowance.OtherNames);
        var modelSide = ReferenceEquals(renamed, model.Model) ? model.Side : new Side(renamed);
        var answerSide = new Side(answer);
        var attributeMatcher = new AttributeMatcher(modelSide, answerSide);
        var entityMatcher = new EntityMatcher(modelSide, answerSide, attributeMatcher);
        var (map, cost) = entityMatcher.Solve();

        var entities = ImmutableDictionary.CreateBuilder<string, EntityMatch>(StringComparer.Ordinal);
        var attributes = ImmutableDictionary.CreateBuilder<string, AttributeMatch>(StringComparer.Ordinal);
        for (var i = 0; i < map.Length; i++)
        {
            if (map[i] >= 0)
            {
                MatchEntity(modelSide.Entities[i], answerSide.Entities[map[i]], entityMatcher.NameLikeness(i, map[i]), attributeMatcher.Pairs(i, map[i]), entities, attributes);
            }
        }

        var relationships = MatchRelationships(modelSide, answerSide, map);
        var matchedModel = relationships.Keys.ToHashSet(StringComparer.Ordinal);
        var matchedAnswer = relationships.Values.Select(match => match.AnswerId).ToHashSet(StringComparer.Ordinal);
        var restated = Restate(new Leftovers(modelSide, answerSide, map, matchedModel, matchedAnswer), allowance.RestatementsOff, matchedModel, matchedAnswer);
        var misdirected = FindMisdirected(modelSide, answerSide, map, matchedModel, matchedAnswer);
        MatchForeignKeys(modelSide, answerSide, map, relationships, attributes);
        var members = new MemberMatcher(renamed, answer, entities.ToImmutable());
        members.AddRelationshipAttributes(relationships, attributes);
        FindMoved(modelSide, answerSide, attributes);
        return new Correspondence(
            entities.ToImmutable(), attributes.ToImmutable(), relationships, restated, misdirected, cost, entityMatcher.NodesExpanded)
        {
            Members = members.Members(),
            Parts = members.Parts(attributes),
            Subtypes = members.Subtypes(),
        };
    }

    private static void MatchEntity(
        NamedEntity model,
        NamedEntity answer,
        double likeness,
        (int Model, int Answer)[] pairs,
        ImmutableDictionary<string, EntityMatch>.Builder entities,
        ImmutableDictionary<string, AttributeMatch>.Builder attributes)
    {
        var reason = likeness >= 0.6 ? NameSimilarity.Of(model.Name, answer.Name).Reason : "its place among the others";
        entities.Add(model.Entity.Id, new EntityMatch(answer.Entity.Id, likeness, reason));
        foreach (var (i, j) in pairs)
        {
            attributes.Add(model.Attributes[i].Attribute.Id, new AttributeMatch(answer.Attributes[j].Attribute.Id, answer.Entity.Id, false));
        }

        // Two sole keys of matched entities stand for each other whatever they are called, unless a like name is at hand.
        var modelKeys = Unpaired(model, pairs.Select(pair => pair.Model));
        var answerKeys = Unpaired(answer, pairs.Select(pair => pair.Answer));
        if (modelKeys.Count == 1 && answerKeys.Count == 1 && SoleKey(model) && SoleKey(answer))
        {
            attributes.Add(modelKeys[0].Id, new AttributeMatch(answerKeys[0].Id, answer.Entity.Id, false));
        }
    }

    private static bool SoleKey(NamedEntity entity) => entity.Attributes.Count(attribute => attribute.InKey) == 1;

    private static List<ConceptAttribute> Unpaired(NamedEntity entity, IEnumerable<int> paired)
    {
        var done = paired.ToHashSet();
        return [.. entity.Attributes.Where((attribute, i) => attribute.InKey && attribute.Attribute.ForeignKey is null && !done.Contains(i)).Select(attribute => attribute.Attribute)];
    }

    private static ImmutableDictionary<string, RelationshipMatch> MatchRelationships(Side model, Side answer, int[] map)
    {
        var comparer = new LinkComparer();
        var matches = ImmutableDictionary.CreateBuilder<string, RelationshipMatch>(StringComparer.Ordinal);
        foreach (var group in model.Links.GroupBy(link => (Math.Min(link.From, link.To), Math.Max(link.From, link.To))))
        {
            var (a, b) = (map[group.Key.Item1], map[group.Key.Item2]);
            if (a < 0 || b < 0)
            {
                continue;
            }

            var candidates = answer.Links.Where(link => (link.From == a && link.To == b) || (link.From == b && link.To == a)).ToList();
            foreach (var (modelLink, answerLink, flipped) in comparer.PairUp([.. group], candidates, index => map[index]).Pairs)
            {
                matches.Add(modelLink.Relationship.Id, new RelationshipMatch(answerLink.Relationship.Id, PairRoles(modelLink, answerLink, flipped)));
            }
        }

        MatchDiamonds(model, answer, map, matches);
        return matches.ToImmutable();
    }

    private static void MatchDiamonds(Side model, Side answer, int[] map, ImmutableDictionary<string, RelationshipMatch>.Builder matches)
    {
        var free = answer.Model.Relationships.Where(relationship => relationship.Roles.Length > 2).ToList();
        foreach (var relationship in model.Model.Relationships.Where(relationship => relationship.Roles.Length > 2))
        {
            var wanted = relationship.Roles.Select(role => map[model.IndexOf(role.EntityId)]).Order().ToList();
            var found = free.FirstOrDefault(candidate => candidate.Roles.Select(role => answer.IndexOf(role.EntityId)).Order().SequenceEqual(wanted));
            if (found is not null && wanted[0] >= 0)
            {
                free.Remove(found);
                // Roles of one entity are paired in their order.
                var left = found.Roles.ToList();
                var roles = relationship.Roles.ToImmutableDictionary(
                    role => role.Id,
                    role =>
                    {
                        var at = left.FindIndex(candidate => answer.IndexOf(candidate.EntityId) == map[model.IndexOf(role.EntityId)]);
                        var id = left[at].Id;
                        left.RemoveAt(at);
                        return id;
                    },
                    StringComparer.Ordinal);
                matches.Add(relationship.Id, new RelationshipMatch(found.Id, roles));
            }
        }
    }

    private static ImmutableDictionary<string, string> PairRoles(Link model, Link answer, bool flipped)
    {
        var (mine, theirs) = (model.Relationship.Roles, answer.Relationship.Roles);
        return ImmutableDictionary<string, string>.Empty
            .Add(mine[0].Id, theirs[flipped ? 1 : 0].Id)
            .Add(mine[1].Id, theirs[flipped ? 0 : 1].Id);
    }

    private static ImmutableArray<RestatedMatch> Restate(Leftovers leftovers, IReadOnlySet<string> off, HashSet<string> matchedModel, HashSet<string> matchedAnswer)
    {
        var restated = ImmutableArray.CreateBuilder<RestatedMatch>();
        foreach (var restatement in Restatement.All.Where(restatement => !off.Contains(restatement.Code)))
        {
            foreach (var match in restatement.Recognise(leftovers).ToList())
            {
                restated.Add(match);
                matchedModel.UnionWith(match.Holding);
                matchedAnswer.UnionWith(match.Uses);
            }
        }

        return restated.ToImmutable();
    }

    private static ImmutableDictionary<string, MisdirectedMatch> FindMisdirected(Side model, Side answer, int[] map, HashSet<string> matchedModel, HashSet<string> matchedAnswer)
    {
        var found = ImmutableDictionary.CreateBuilder<string, MisdirectedMatch>(StringComparer.Ordinal);
        var free = answer.Links.Where(link => !matchedAnswer.Contains(link.Relationship.Id)).ToList();
        foreach (var link in model.Links.Where(link => !matchedModel.Contains(link.Relationship.Id) && map[link.From] >= 0 && map[link.To] >= 0))
        {
            var best = free
                .SelectMany(candidate => Orientations(link, candidate, map))
                .OrderByDescending(candidate => candidate.Likeness)
                .FirstOrDefault();
            if (best.Answer is null || best.Likeness < VerbSureness)
            {
                continue;
            }

            free.Remove(best.Answer);
            var roles = PairRoles(link, best.Answer, best.Flipped);
            var wrong = roles[link.Relationship.Roles[best.WrongRole].Id];
            found.Add(link.Relationship.Id, new MisdirectedMatch(best.Answer.Relationship.Id, wrong, roles));
        }

        return found.ToImmutable();
    }

    // The ways in which one end is right and the other is not.
    private static IEnumerable<(Link Answer, bool Flipped, int WrongRole, double Likeness)> Orientations(Link model, Link answer, int[] map)
    {
        var likeness = LinkComparer.VerbLikeness(model, answer);
        if (map[model.From] == answer.From && map[model.To] != answer.To)
        {
            yield return (answer, false, 1, likeness);
        }

        if (map[model.From] == answer.To && map[model.To] != answer.From)
        {
            yield return (answer, true, 1, likeness);
        }

        if (map[model.To] == answer.To && map[model.From] != answer.From)
        {
            yield return (answer, false, 0, likeness);
        }

        if (map[model.To] == answer.From && map[model.From] != answer.To)
        {
            yield return (answer, true, 0, likeness);
        }
    }

    // Foreign keys of one relationship stand for each other, whatever their columns are called.
    private static void MatchForeignKeys(
        Side model,
        Side answer,
        int[] map,
        ImmutableDictionary<string, RelationshipMatch> relationships,
        ImmutableDictionary<string, AttributeMatch>.Builder attributes)
    {
        var used = attributes.Values.Select(match => match.AnswerId).ToHashSet(StringComparer.Ordinal);
        for (var i = 0; i < map.Length; i++)
        {
            if (map[i] < 0)
            {
                continue;
            }

            var counterpart = answer.Entities[map[i]];
            foreach (var column in model.Entities[i].Attributes.Where(column => column.Attribute.ForeignKey?.RelationshipId is not null && !attributes.ContainsKey(column.Attribute.Id)))
            {
                var wanted = relationships.GetValueOrDefault(column.Attribute.ForeignKey!.RelationshipId!)?.AnswerId;
                var found = counterpart.Attributes.FirstOrDefault(candidate =>
                    candidate.Attribute.ForeignKey?.RelationshipId is { } id && id == wanted && !used.Contains(candidate.Attribute.Id));
                if (found is not null)
                {
                    used.Add(found.Attribute.Id);
                    attributes.Add(column.Attribute.Id, new AttributeMatch(found.Attribute.Id, counterpart.Entity.Id, false));
                }
            }
        }
    }

    private static void FindMoved(Side model, Side answer, ImmutableDictionary<string, AttributeMatch>.Builder attributes)
    {
        var used = attributes.Values.Select(match => match.AnswerId).ToHashSet(StringComparer.Ordinal);
        var loose = answer.Entities
            .SelectMany(owner => owner.Attributes.Where(attribute => attribute.Attribute.ForeignKey is null && !used.Contains(attribute.Attribute.Id)).Select(attribute => (Owner: owner, Attribute: attribute)))
            .ToList();
        foreach (var owner in model.Entities)
        {
            foreach (var attribute in owner.Attributes.Where(attribute => attribute.Attribute.ForeignKey is null && !attributes.ContainsKey(attribute.Attribute.Id)))
            {
                var best = loose
                    .Select(candidate => (candidate.Owner, candidate.Attribute, Value: NameSimilarity.OfAttributes(attribute.Name, owner.Name, candidate.Attribute.Name, owner.Name).Value))
                    .Where(candidate => candidate.Value >= MovedSureness && !IsEveryday(attribute.Name, owner.Name, candidate.Attribute.Name))
                    .OrderByDescending(candidate => candidate.Value)
                    .FirstOrDefault();
                if (best.Attribute is not null)
                {
                    loose.RemoveAll(candidate => candidate.Attribute == best.Attribute);
                    attributes.Add(attribute.Attribute.Id, new AttributeMatch(best.Attribute.Attribute.Id, best.Owner.Entity.Id, true));
                }
            }
        }
    }

    // "name" at one entity is not the "name" that another lacks; "visitor name" would be.
    private static bool IsEveryday(Name wanted, Name owner, Name candidate)
    {
        var bare = wanted.Without(owner);
        var everyday = bare.Words is ["name" or "date" or "number" or "id" or "code" or "description" or "type" or "title" or "price" or "time" or "note"];
        return everyday && candidate.Words.Length == 1;
    }
}
