using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Matching;

namespace BlueSlate.Core.Restatements;

/// <summary>
/// A linking entity without attributes of its own drawn as a many-to-many relationship between its two parents. What the
/// many-to-many says at B's end is what the linking entity's end towards A says.
/// </summary>
internal sealed class LinkingEntityByManyToMany : Restatement
{
    /// <summary>The code under which an exercise switches it off.</summary>
    public const string StableCode = "linking-entity-by-many-to-many";

    public override string Code => StableCode;

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        var free = leftovers.AnswerLinks.Where(link => link.Relationship.IsManyToMany).ToList();
        var modelLinks = leftovers.ModelLinks.ToList();
        foreach (var between in leftovers.ModelEntities)
        {
            var own = modelLinks.Where(link => link.From == between || link.To == between).ToList();
            if (own.Count != 2 || own.Any(link => leftovers.AnswerOf(Parent(link, between)) < 0) || HasOwnAttributes(leftovers.Model.Entities[between].Entity))
            {
                continue;
            }

            int a = leftovers.AnswerOf(Parent(own[0], between)), b = leftovers.AnswerOf(Parent(own[1], between));
            var drawn = free.FirstOrDefault(link => (link.From == a && link.To == b) || (link.From == b && link.To == a));
            if (drawn is null)
            {
                continue;
            }

            free.Remove(drawn);
            var roles = drawn.Relationship.Roles;
            var (atA, atB) = drawn.From == a ? (roles[0], roles[1]) : (roles[1], roles[0]);
            var entity = leftovers.Model.Entities[between].Entity;
            yield return new RestatedMatch(
                Code,
                $"{entity.Name} is drawn as a many-to-many relationship between the two: same meaning.",
                [entity.Id, own[0].Relationship.Id, own[1].Relationship.Id, .. entity.Attributes.Select(attribute => attribute.Id)],
                Counts(own[0], atB, entity.Id).AddRange(Counts(own[1], atA, entity.Id)),
                [drawn.Relationship.Id]);
        }
    }

    private static ImmutableDictionary<string, RestatedCount> Counts(Link link, RelationshipRole farEnd, string entityId)
    {
        var own = link.Relationship.Roles.First(role => role.EntityId == entityId);
        var parent = link.Relationship.Other(own);
        return ImmutableDictionary<string, RestatedCount>.Empty
            .Add(own.Id, new RestatedCount(farEnd.CoOccurrence, farEnd.Id))
            .Add(parent.Id, new RestatedCount(new Count(1, 1), farEnd.Id));
    }

    private static int Parent(Link link, int between) => link.From == between ? link.To : link.From;

    private static bool HasOwnAttributes(EntityType entity) => entity.Attributes.Any(attribute => attribute.ForeignKey is null);
}
