using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// A relationship drawn as an entity between those that it links, its attributes with it. What stands at that entity's end
/// towards A is what the relationship says at B's end, and the other way round; the parents' ends are exactly one. Of a
/// relationship that is not many-to-many this holds only where both parents' ends have the maximum one, since otherwise
/// something else is drawn.
/// </summary>
internal sealed class RelationshipByEntityBetween : Restatement
{
    public override string Code => "many-to-many-by-linking-entity";

    public override string Title => "A relationship, as an entity between those that it links";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        var free = leftovers.AnswerLinks.ToList();
        var taken = new HashSet<int>();
        var between = new EntityBetween(leftovers);
        foreach (var link in leftovers.ModelLinks.Where(link => link.Relationship.Kind == RelationshipKind.Association))
        {
            int a = leftovers.AnswerOf(link.From),
                b = leftovers.AnswerOf(link.To);
            var candidates = leftovers
                .AnswerEntities.Where(index => a >= 0 && b >= 0 && !taken.Contains(index))
                .Select(index => (Entity: index, Lines: Towards(free, index, a, b)!))
                .Where(candidate =>
                    candidate.Lines is not null && IsBetween(link, candidate.Lines, candidate.Entity, leftovers.Answer)
                );
            if (between.Best(link.Relationship, candidates) is not (var found, [var towardsA, var towardsB]))
            {
                continue;
            }

            taken.Add(found);
            free.Remove(towardsA);
            free.Remove(towardsB);
            var roles = link.Relationship.Roles;
            var entity = leftovers.Answer.Entities[found].Entity;
            RelationshipRole atBetweenA = RoleAt(towardsA, found, leftovers.Answer),
                atBetweenB = RoleAt(towardsB, found, leftovers.Answer);
            var manySide = link.Relationship.IsManyToMany
                ? null
                : leftovers.Model.Entities[roles[0].CoOccurrence.Max == 1 ? link.To : link.From].Entity;
            var columns = manySide
                ?.Attributes.Where(attribute => attribute.RefersAlong(link.Relationship.Id))
                .Select(attribute => attribute.Id)
                ?? [];
            var match = Match(link.Relationship, entity, [towardsA.Relationship.Id, towardsB.Relationship.Id]);
            yield return match with
            {
                Holding = [.. match.Holding, .. columns],
                Owners = manySide is null ? match.Owners : [.. match.Owners, (manySide.Id, entity.Id)],
                Counts = ImmutableDictionary<string, RestatedCount>
                    .Empty.Add(roles[1].Id, new RestatedCount(atBetweenA.CoOccurrence, atBetweenA.Id))
                    .Add(roles[0].Id, new RestatedCount(atBetweenB.CoOccurrence, atBetweenB.Id)),
            };
        }

        foreach (var diamond in leftovers.ModelDiamonds)
        {
            var ends = diamond.Roles.Select(role => leftovers.AnswerOf(leftovers.Model.IndexOf(role.EntityId))).ToArray();
            var candidates = leftovers
                .AnswerEntities.Where(index => !taken.Contains(index) && !ends.Contains(-1))
                .Select(index => (Entity: index, Lines: Towards(free, index, ends)!))
                .Where(candidate => candidate.Lines is not null);
            if (between.Best(diamond, candidates) is not (var found, { } lines))
            {
                continue;
            }

            taken.Add(found);
            free.RemoveAll(lines.Contains);

            // How many go with one pair of the others no line of the entity says.
            yield return Match(
                diamond,
                leftovers.Answer.Entities[found].Entity,
                [.. lines.Select(line => line.Relationship.Id)]
            ) with
            {
                Holding = [diamond.Id, .. diamond.Roles.Select(role => role.Id)],
            };
        }
    }

    private static RestatedMatch Match(RelationshipType relationship, EntityType entity, ImmutableArray<string> lines) =>
        new(
            "many-to-many-by-linking-entity",
            $"Drawn as {entity.Name}, an entity between them: same meaning.",
            [relationship.Id],
            ImmutableDictionary<string, RestatedCount>.Empty,
            [entity.Id, .. lines]
        )
        {
            Owners = [(relationship.Id, entity.Id)],
        };

    // A line from the entity to each of the others, or null.
    private static List<Link>? Towards(List<Link> free, int between, params int[] others)
    {
        var lines = new List<Link>();
        foreach (var other in others)
        {
            if (free.FirstOrDefault(link => !lines.Contains(link) && (link.Joins(between, other))) is not { } line)
            {
                return null;
            }

            lines.Add(line);
        }

        return lines;
    }

    private static bool IsBetween(Link link, List<Link> lines, int between, Side side) =>
        link.Relationship.IsManyToMany
        || lines.All(line => line.Relationship.Other(RoleAt(line, between, side)).CoOccurrence.Max == 1);

    private static RelationshipRole RoleAt(Link link, int entity, Side side) =>
        link.Relationship.Roles.First(role => side.IndexOf(role.EntityId) == entity);
}
