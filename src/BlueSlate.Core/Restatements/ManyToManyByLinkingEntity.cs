using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Matching;

namespace BlueSlate.Core.Restatements;

/// <summary>
/// A many-to-many relationship drawn as an entity between the two. What stands at the linking entity's end towards A is
/// what the many-to-many says at B's end, and the other way round; the parents' ends are exactly one.
/// </summary>
internal sealed class ManyToManyByLinkingEntity : Restatement
{
    public override string Code => "many-to-many-by-linking-entity";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        var free = leftovers.AnswerLinks.ToList();
        var taken = new HashSet<int>();
        foreach (var link in leftovers.ModelLinks.Where(link => link.Relationship.IsManyToMany))
        {
            int a = leftovers.AnswerOf(link.From), b = leftovers.AnswerOf(link.To);
            if (a < 0 || b < 0)
            {
                continue;
            }

            foreach (var between in leftovers.AnswerEntities.Where(index => !taken.Contains(index)))
            {
                var towardsA = free.FirstOrDefault(candidate => Joins(candidate, between, a));
                var towardsB = free.FirstOrDefault(candidate => candidate != towardsA && Joins(candidate, between, b));
                if (towardsA is null || towardsB is null)
                {
                    continue;
                }

                taken.Add(between);
                free.Remove(towardsA);
                free.Remove(towardsB);
                var roles = link.Relationship.Roles;
                RelationshipRole atBetweenA = RoleAt(towardsA, between, leftovers.Answer), atBetweenB = RoleAt(towardsB, between, leftovers.Answer);
                yield return new RestatedMatch(
                    Code,
                    $"Drawn as {leftovers.Answer.Entities[between].Entity.Name}, an entity between the two: same meaning.",
                    [link.Relationship.Id],
                    ImmutableDictionary<string, RestatedCount>.Empty
                        .Add(roles[1].Id, new RestatedCount(atBetweenA.CoOccurrence, atBetweenA.Id))
                        .Add(roles[0].Id, new RestatedCount(atBetweenB.CoOccurrence, atBetweenB.Id)),
                    [leftovers.Answer.Entities[between].Entity.Id, towardsA.Relationship.Id, towardsB.Relationship.Id]);
                break;
            }
        }
    }

    private static bool Joins(Link link, int a, int b) => (link.From == a && link.To == b) || (link.From == b && link.To == a);

    private static RelationshipRole RoleAt(Link link, int entity, Side side) =>
        link.Relationship.Roles.First(role => side.IndexOf(role.EntityId) == entity);
}
