using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// A linking entity drawn as a many-to-many relationship between its two parents, or as one between three, its attributes with
/// it. What the many-to-many says at B's end is what the linking entity's end towards A says.
/// </summary>
internal sealed class LinkingEntityByManyToMany : Restatement
{
    /// <summary>The code under which an exercise switches it off.</summary>
    public const string StableCode = "linking-entity-by-many-to-many";

    public override string Code => StableCode;

    public override string Title => "A linking entity, as a many-to-many relationship";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        var free = leftovers.AnswerLinks.Where(link => link.Relationship.IsManyToMany).ToList();
        var diamonds = leftovers.AnswerDiamonds.ToList();
        var modelLinks = leftovers.ModelLinks.ToList();
        foreach (var between in leftovers.ModelEntities)
        {
            var all = modelLinks.Where(link => link.From == between || link.To == between).ToList();
            var own = all.Where(link => IsToParent(link, between, leftovers)).ToList();
            var entity = leftovers.Model.Entities[between].Entity;
            if (own.Count == 3 && all.Count == 3)
            {
                var parents = own.Select(link => leftovers.AnswerOf(Parent(link, between))).Order().ToList();
                var diamond = diamonds.FirstOrDefault(candidate =>
                    candidate.Roles.Select(role => leftovers.Answer.IndexOf(role.EntityId)).Order().SequenceEqual(parents)
                );
                if (diamond is not null)
                {
                    diamonds.Remove(diamond);
                    yield return Match(entity, own, diamond.Id) with
                    {
                        Holding =
                        [
                            .. Holding(entity, own),
                            .. own.SelectMany(link => link.Relationship.Roles).Select(role => role.Id),
                        ],
                    };
                    continue;
                }
            }

            // What it hangs on besides is judged where that is drawn.
            var (pair, drawn) = Linked(own, all.Count)
                .Select(pair => (Pair: pair, Drawn: Between(pair, between, free, leftovers)))
                .FirstOrDefault(candidate => candidate.Drawn is not null);
            if (drawn is null)
            {
                continue;
            }

            own = pair;
            var a = leftovers.AnswerOf(Parent(own[0], between));
            free.Remove(drawn);
            var roles = drawn.Relationship.Roles;
            var (atA, atB) = drawn.From == a ? (roles[0], roles[1]) : (roles[1], roles[0]);
            yield return Match(entity, own, drawn.Relationship.Id) with
            {
                Counts = Counts(own[0], atB, entity.Id).AddRange(Counts(own[1], atA, entity.Id)),
            };
        }
    }

    // The many-to-many relationship between the two that are linked.
    private static Link? Between(List<Link> pair, int between, List<Link> free, Leftovers leftovers)
    {
        var (one, other) = (leftovers.AnswerOf(Parent(pair[0], between)), leftovers.AnswerOf(Parent(pair[1], between)));
        return free.Where(link => link.Joins(one, other)).MaxBy(link => Likeness(leftovers.Model.Entities[between], link));
    }

    private static bool IsToParent(Link link, int between, Leftovers leftovers) =>
        link.From != link.To && leftovers.AnswerOf(Parent(link, between)) >= 0 && ParentEnd(link, between).CoOccurrence.Max == 1;

    // The two lines that make it a link: those that identify it, or all that it has.
    private static IEnumerable<List<Link>> Linked(List<Link> own, int all)
    {
        var identifying = own.Where(link => link.Relationship.Identifying == true).ToList();
        return identifying.Count == 2 ? [identifying]
            : own.Count == 2 && all == 2 ? [own]
            : [];
    }

    private RestatedMatch Match(EntityType entity, List<Link> own, string relationshipId) =>
        new(
            Code,
            $"{entity.Name} is drawn as a relationship between those that it links: same meaning.",
            Holding(entity, own),
            ImmutableDictionary<string, RestatedCount>.Empty,
            [relationshipId]
        )
        {
            Owners = [(entity.Id, relationshipId)],
        };

    // Its foreign keys and its key are what it links.
    private static ImmutableArray<string> Holding(EntityType entity, List<Link> own) =>
        [
            entity.Id,
            .. own.Select(link => link.Relationship.Id),
            .. entity.Attributes.Where(attribute => attribute.ForeignKey is not null).Select(attribute => attribute.Id),
        ];

    private static ImmutableDictionary<string, RestatedCount> Counts(Link link, RelationshipRole farEnd, string entityId)
    {
        var own = link.Relationship.Roles.First(role => role.EntityId == entityId);
        return ImmutableDictionary<string, RestatedCount>
            .Empty.Add(own.Id, new RestatedCount(farEnd.CoOccurrence, farEnd.Id))
            .Add(link.Relationship.Other(own).Id, new RestatedCount(new Count(1, 1), farEnd.Id) { IsImplied = true });
    }

    // Of several between the same two, the one that is called like it or has what it has.
    private static double Likeness(NamedEntity wanted, Link drawn)
    {
        var verbs = drawn.Verbs.Append(Name.Of(drawn.Relationship.Name));
        var facts = drawn.Relationship.Attributes.Count(attribute =>
            wanted.Attributes.Any(own => NameSimilarity.Of(own.Bare, Name.Of(attribute.Name)).Value >= AttributeMatcher.Sureness)
        );
        return facts
            + verbs
                .Select(verb =>
                    Math.Max(NameSimilarity.Of(wanted.Name, verb).Value, EntityBetween.AreDerived(wanted.Name, verb) ? 1 : 0)
                )
                .DefaultIfEmpty()
                .Max();
    }

    private static int Parent(Link link, int between) => link.From == between ? link.To : link.From;

    private static RelationshipRole ParentEnd(Link link, int between) => link.Relationship.Roles[link.From == between ? 1 : 0];
}
