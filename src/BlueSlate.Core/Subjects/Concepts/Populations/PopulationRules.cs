using System.Globalization;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Populations;

/// <summary>Which rule of a model a population breaks, and at which concept.</summary>
public enum PopulationRule
{
    Membership,
    Least,
    Most,
    Unique,
    Disjoint,
    Total,
    OneValue,
    SomeValue,
    Exclusive,
}

/// <summary>A rule that does not hold.</summary>
/// <param name="Rule">Which rule.</param>
/// <param name="ConceptId">The entity, role, attribute, specialisation or constraint that states it.</param>
public sealed record BrokenRule(PopulationRule Rule, string ConceptId);

/// <summary>
/// Holds a population against everything that a model says of the data that it allows. What the model leaves unsaid allows
/// everything.
/// </summary>
public static class PopulationRules
{
    /// <summary>Whether the model allows the population.</summary>
    public static bool Allows(ConceptModel model, Population population) => !Broken(model, population).Any();

    /// <summary>Every rule of the model that the population breaks.</summary>
    public static IEnumerable<BrokenRule> Broken(ConceptModel model, Population population) =>
        model
            .Entities.SelectMany(entity => OfEntity(entity, model, population))
            .Concat(model.Relationships.Where(HasInstances).SelectMany(relationship => OfRelationship(relationship, population)))
            .Concat(model.Specialisations.SelectMany(set => OfSpecialisation(set, population)))
            .Concat(
                model
                    .Unions.Where(union =>
                        population.Things.Any(thing =>
                            thing.Types.Contains(union.CategoryId)
                            && !union.Supertypes.Any(super => thing.Types.Contains(super.EntityId))
                        )
                    )
                    .Select(union => new BrokenRule(PopulationRule.Membership, union.Id))
            )
            .Concat(
                model
                    .Exclusions.Where(exclusion => IsBroken(exclusion, model, population))
                    .Select(exclusion => new BrokenRule(PopulationRule.Exclusive, exclusion.Id))
            );

    /// <summary>
    /// Whether instances of the relationship are data; a dependency or a realization is between the classes alone.
    /// </summary>
    internal static bool HasInstances(RelationshipType relationship) =>
        relationship.Kind is not (RelationshipKind.Dependency or RelationshipKind.Realization);

    /// <summary>Whether a count allows so many. An unsaid bound allows any.</summary>
    internal static bool Allows(Count count, int number) => !(number < count.Min) && !(number > count.Max);

    private static IEnumerable<BrokenRule> OfEntity(EntityType entity, ConceptModel model, Population population)
    {
        var things = population.Things.Where(thing => thing.Types.Contains(entity.Id)).ToList();

        // What is not listed is one value, as every attribute may have.
        if (things.Exists(thing => !thing.Values.IsEmpty))
        {
            foreach (var attribute in entity.Attributes.Where(attribute => attribute.ForeignKey is null))
            {
                if (!attribute.Multivalued && things.Exists(thing => thing.ValuesOf(attribute.Id).Length > 1))
                {
                    yield return new BrokenRule(PopulationRule.OneValue, attribute.Id);
                }

                if (!attribute.Optional && things.Exists(thing => thing.ValuesOf(attribute.Id).IsEmpty))
                {
                    yield return new BrokenRule(PopulationRule.SomeValue, attribute.Id);
                }
            }
        }

        if (things.Count > 1 && entity.Identifiers.Any(identifier => !TellsApart(identifier, things, entity, model, population)))
        {
            yield return new BrokenRule(PopulationRule.Unique, entity.Id);
        }

        if (
            entity.Abstract
            && things.Exists(thing =>
                !model.Specialisations.Any(set =>
                    set.SupertypeId == entity.Id && set.Subtypes.Any(link => thing.Types.Contains(link.EntityId))
                )
            )
        )
        {
            yield return new BrokenRule(PopulationRule.Membership, entity.Id);
        }
    }

    private static bool TellsApart(
        Identifier identifier,
        List<Thing> things,
        EntityType entity,
        ConceptModel model,
        Population population
    )
    {
        var known = new HashSet<string>(StringComparer.Ordinal);
        return things.TrueForAll(thing =>
            IdentityOf(thing, entity, identifier, model, population) is not { } identity || known.Add(identity)
        );
    }

    // The thing's own part of an identifier as text, or null when a piece of it is absent. A column that refers to another
    // thing is that thing.
    private static string? IdentityOf(
        Thing thing,
        EntityType entity,
        Identifier identifier,
        ConceptModel model,
        Population population
    )
    {
        var pieces = new SortedSet<string>(StringComparer.Ordinal);
        var members = KeyMember.Of(entity, identifier, model).ToList();
        if (members.Count == 0)
        {
            return null;
        }

        foreach (var member in members)
        {
            var values = member.RelationshipId is { } along
                ? Across(thing, entity.Id, along, model, population)
                : thing.ValuesOf(member.AttributeId!);
            var text = string.Join(',', values.Order());
            if (text.Length == 0)
            {
                return null;
            }

            pieces.Add($"{member.RelationshipId ?? member.AttributeId}={text}");
        }

        return string.Join('|', pieces);
    }

    private static IEnumerable<int> Across(
        Thing thing,
        string entityId,
        string relationshipId,
        ConceptModel model,
        Population population
    )
    {
        var roles = model.Relationships.First(relationship => relationship.Id == relationshipId).Roles;
        var own = roles.IndexOf(roles.First(role => role.EntityId == entityId));
        return population
            .TiesOf(relationshipId)
            .Where(tie => tie.Players[own] == thing.Number)
            .SelectMany(tie => tie.Players.Where((_, i) => i != own));
    }

    private static IEnumerable<BrokenRule> OfRelationship(RelationshipType relationship, Population population)
    {
        var ties = population.TiesOf(relationship.Id).ToList();
        for (var i = 0; i < relationship.Roles.Length; i++)
        {
            var role = relationship.Roles[i];
            if (ties.Exists(tie => !population.Things[tie.Players[i]].Types.Contains(role.EntityId)))
            {
                yield return new BrokenRule(PopulationRule.Membership, role.Id);
            }

            var least = relationship.Roles.Length == 2 ? role.CoOccurrence.Min ?? 0 : 0;
            if (role.CoOccurrence.Max is < Count.Many || least > 1)
            {
                var together = Together(ties, i);
                if (together.Exists(count => count > role.CoOccurrence.Max))
                {
                    yield return new BrokenRule(PopulationRule.Most, role.Id);
                }

                if (together.Exists(count => count < least))
                {
                    yield return new BrokenRule(PopulationRule.Least, role.Id);
                    continue;
                }
            }

            if (
                least > 0
                && population.Things.Any(thing =>
                    thing.Types.Contains(relationship.Roles[1 - i].EntityId)
                    && !ties.Exists(tie => tie.Players[1 - i] == thing.Number)
                )
            )
            {
                yield return new BrokenRule(PopulationRule.Least, role.Id);
            }

            if (relationship.Roles.Length > 2)
            {
                var takesPart = population
                    .Things.Where(thing => thing.Types.Contains(role.EntityId))
                    .Select(thing => ties.Count(tie => tie.Players[i] == thing.Number))
                    .ToList();
                if (takesPart.Exists(count => count < role.Participation.Min))
                {
                    yield return new BrokenRule(PopulationRule.Least, role.Id);
                }

                if (takesPart.Exists(count => count > role.Participation.Max))
                {
                    yield return new BrokenRule(PopulationRule.Most, role.Id);
                }
            }
        }
    }

    // How many go with one fixed thing at each other role.
    private static List<int> Together(List<Bond> ties, int role) =>
        [
            .. ties.GroupBy(
                    tie =>
                        string.Join(
                            ',',
                            tie.Players.Where((_, other) => other != role)
                                .Select(player => player.ToString(CultureInfo.InvariantCulture))
                        ),
                    StringComparer.Ordinal
                )
                .Select(group => group.Select(tie => tie.Players[role]).Distinct().Count()),
        ];

    private static IEnumerable<BrokenRule> OfSpecialisation(Specialisation set, Population population)
    {
        var counts = population
            .Things.Select(thing =>
                (
                    IsSuper: thing.Types.Contains(set.SupertypeId),
                    Subs: set.Subtypes.Count(link => thing.Types.Contains(link.EntityId))
                )
            )
            .ToList();
        if (counts.Exists(count => count is { IsSuper: false, Subs: > 0 }))
        {
            yield return new BrokenRule(PopulationRule.Membership, set.Id);
        }

        if (set.Disjoint == true && counts.Exists(count => count.Subs > 1))
        {
            yield return new BrokenRule(PopulationRule.Disjoint, set.Id);
        }

        if (set.Total == true && counts.Exists(count => count is { IsSuper: true, Subs: 0 }))
        {
            yield return new BrokenRule(PopulationRule.Total, set.Id);
        }
    }

    private static bool IsBroken(ExclusiveConstraint exclusion, ConceptModel model, Population population)
    {
        if (SharedEntity(exclusion, model) is not { } shared)
        {
            return false;
        }

        return population.Things.Any(thing => exclusion.RelationshipIds.Count(id => Takes(thing.Number, id)) > 1);

        bool Takes(int number, string relationshipId)
        {
            var roles = model.Relationships.First(relationship => relationship.Id == relationshipId).Roles;
            var own = roles.IndexOf(roles.First(role => role.EntityId == shared));
            return population.TiesOf(relationshipId).Any(tie => tie.Players[own] == number);
        }
    }

    /// <summary>
    /// The entity type whose instances take part in only one of the relationships, or null when they have none in common.
    /// </summary>
    internal static string? SharedEntity(ExclusiveConstraint exclusion, ConceptModel model)
    {
        var sets = exclusion
            .RelationshipIds.Select(id =>
                model.Relationships.First(relationship => relationship.Id == id).Roles.Select(role => role.EntityId)
            )
            .ToList();
        return sets.Count < 2 ? null : sets[0].FirstOrDefault(id => sets.TrueForAll(set => set.Contains(id)));
    }
}

/// <summary>What belongs to an identifier: an attribute's value, or the thing at the other end of a relationship.</summary>
internal readonly record struct KeyMember(string? AttributeId, string? RelationshipId)
{
    /// <summary>The members of an identifier; a column that refers along a relationship counts as that.</summary>
    public static IEnumerable<KeyMember> Of(EntityType entity, Identifier identifier, ConceptModel model) =>
        identifier
            .AttributeIds.SelectMany(id => OfColumn(entity, id, model))
            .Concat(identifier.OwnerRelationshipIds.Where(id => Leads(id, entity, model)).Select(id => new KeyMember(null, id)))
            .Distinct();

    private static IEnumerable<KeyMember> OfColumn(EntityType entity, string id, ConceptModel model)
    {
        var along = entity
            .Attributes.FirstOrDefault(attribute => attribute.Id == id)
            ?.ForeignKeys.Select(key => key.RelationshipId)
            .OfType<string>()
            .Where(relationship => Leads(relationship, entity, model))
            .ToList();
        return along is null or [] ? [new KeyMember(id, null)] : along.Select(relationship => new KeyMember(null, relationship));
    }

    private static bool Leads(string relationshipId, EntityType entity, ConceptModel model) =>
        model.Relationships.Any(relationship =>
            relationship.Id == relationshipId
            && relationship.Roles is [_, _]
            && !relationship.IsRecursive
            && relationship.Roles.Any(role => role.EntityId == entity.Id)
        );
}
