using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>
/// How two things of a model answer are related, seen from the first: directly, or over an entity type that does nothing but
/// link them.
/// </summary>
/// <param name="Counted">The end at which it is said how many of the second go with one of the first.</param>
/// <param name="Counting">The end at which it is said how many of the first go with one of the second.</param>
/// <param name="Own">The role that the first plays.</param>
/// <param name="Relationships">The relationships that it consists of.</param>
internal sealed record Link(
    RelationshipRole Counted,
    RelationshipRole Counting,
    RelationshipRole Own,
    IReadOnlyList<RelationshipType> Relationships
)
{
    /// <summary>Both ends are of one entity type.</summary>
    public bool IsRecursive => Relationships is [{ IsRecursive: true }];

    /// <summary>The words of its names that carry a meaning.</summary>
    public IEnumerable<string> Verbs => Relationships.SelectMany(VerbsOf);

    /// <summary>The words of a relationship's names that carry a meaning, as infinitives.</summary>
    public static IEnumerable<string> VerbsOf(RelationshipType relationship) =>
        relationship
            .Roles.SelectMany(role => new[] { role.Verb, role.Role })
            .Append(relationship.Name)
            .Where(name => name.Length > 0)
            .SelectMany(name => VerbForm.Of(name).Words);
}

/// <summary>Finds how things of a model answer are related.</summary>
internal sealed class Links
{
    private readonly ConceptModel model;
    private readonly Dictionary<string, List<string>> above = new(StringComparer.Ordinal);
    private readonly HashSet<string> linking;

    public Links(ConceptModel model)
    {
        this.model = model;
        linking = model.Entities.Select(entity => entity.Id).Where(IsLinking).ToHashSet(StringComparer.Ordinal);
    }

    /// <summary>Entity types that do nothing but link others: one of each goes with one of them.</summary>
    public bool IsOnlyLinking(string thing) => linking.Contains(thing);

    /// <summary>The entity type and what it is a kind of.</summary>
    public IReadOnlyList<string> Above(string thing)
    {
        if (!above.TryGetValue(thing, out var all))
        {
            all = [thing];
            for (var i = 0; i < all.Count; i++)
            {
                all.AddRange(
                    model
                        .Specialisations.Where(set => set.Subtypes.Any(link => link.EntityId == all[i]))
                        .Select(set => set.SupertypeId)
                        .Where(super => !all.Contains(super))
                );
            }

            above[thing] = all;
        }

        return all;
    }

    /// <summary>How one thing is related to another; nothing where it is not.</summary>
    public IEnumerable<Link> Between(string first, string second) =>
        Direct(Above(first), Above(second)).Concat(Over(Above(first), Above(second)));

    /// <summary>All that a thing is related to.</summary>
    public IEnumerable<Link> Of(string thing) =>
        model.Entities.SelectMany(other => Direct(Above(thing), [other.Id])).Where(link => link.Relationships.Count == 1);

    private IEnumerable<Link> Direct(IReadOnlyList<string> firsts, IReadOnlyList<string> seconds) =>
        from relationship in model.Relationships
        where relationship.Roles.Length == 2
        from own in relationship.Roles
        let other = relationship.Other(own)
        where firsts.Contains(own.EntityId) && seconds.Contains(other.EntityId)
        select new Link(other, own, own, [relationship]);

    private IEnumerable<Link> Over(IReadOnlyList<string> firsts, IReadOnlyList<string> seconds) =>
        from thing in linking
        where !firsts.Contains(thing) && !seconds.Contains(thing)
        from near in Direct(firsts, [thing])
        from far in Direct(seconds, [thing])
        where near.Relationships[0].Id != far.Relationships[0].Id
        select new Link(near.Counted, far.Counted, near.Own, [near.Relationships[0], far.Relationships[0]]);

    // Its own ends are one each, on two relationships or more, and nothing else identifies it.
    private bool IsLinking(string thing)
    {
        var roles = model.RelationshipsOf(thing).Where(relationship => relationship.Roles.Length == 2).ToList();
        return roles.Count(relationship =>
                !relationship.IsRecursive
                && relationship.Other(relationship.Roles.First(role => role.EntityId == thing)).CoOccurrence is { Min: 1, Max: 1 }
            ) >= 2
            && (
                model.Entity(thing).Primary is null or { OwnerRelationshipIds.Length: >= 2 }
                || IsOfForeignKeys(model.Entity(thing))
            );
    }

    private static bool IsOfForeignKeys(EntityType entity) =>
        entity.Primary is { } key
        && key.AttributeIds.All(id => entity.Attributes.Any(attribute => attribute.Id == id && attribute.ForeignKey is not null));
}
