using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// What is drawn as another kind of thing: an attribute as an entity of its own, an entity as no more than an attribute.
/// </summary>
internal static class Reclassified
{
    private const double Sureness = 0.74;
    private const double ValueSureness = 0.3;
    private const double ByWhatItHas = 0.8;
    private const int FewAttributes = 2;

    /// <summary>
    /// Attribute of the model answer → the entity that is drawn for it, beside the one that stands for the attribute's owner.
    /// </summary>
    public static ImmutableDictionary<string, string> AttributesAsEntities(Leftovers leftovers, Dictionary<int, int> duplicates)
    {
        var found = ImmutableDictionary.CreateBuilder<string, string>(StringComparer.Ordinal);
        var taken = new HashSet<int>(duplicates.Keys);
        for (var owner = 0; owner < leftovers.Model.Count; owner++)
        {
            var counterpart = leftovers.AnswerOf(owner);
            foreach (
                var attribute in leftovers
                    .Model.Entities[owner]
                    .Attributes.Where(attribute =>
                        counterpart >= 0 && attribute.Attribute.ForeignKey is null && leftovers.Attributes.IsFree(attribute)
                    )
            )
            {
                var beside = leftovers
                    .AnswerLinks.Where(link => link.From != link.To && (link.From == counterpart || link.To == counterpart))
                    .Select(link => (Link: link, Index: link.From == counterpart ? link.To : link.From))
                    .Where(one => !taken.Contains(one.Index) && leftovers.AnswerEntities.Contains(one.Index))
                    .Where(one =>
                        StandsFor(leftovers.Answer.Entities[one.Index], attribute)
                        || IsMereValue(one.Index, one.Link, attribute, leftovers.Answer)
                    )
                    .Select(one => one.Index)
                    .FirstOrDefault(-1);
                if (beside >= 0)
                {
                    taken.Add(beside);
                    found.Add(attribute.Attribute.Id, leftovers.Answer.Entities[beside].Entity.Id);
                }
            }
        }

        return found.ToImmutable();
    }

    // A composite may be drawn with all its parts.
    private static bool StandsFor(NamedEntity entity, NamedAttribute attribute) =>
        entity.Attributes.Length <= FewAttributes + attribute.Attribute.Leaves.Length
        && (
            NameSimilarity.Of(entity.Name, attribute.Bare).Value >= Sureness
            || (
                entity.Attributes.Length <= FewAttributes
                && entity.Attributes.Any(own =>
                    attribute
                        .CalledElse.Prepend(attribute.Bare)
                        .Any(name => NameSimilarity.OfBare(own.Name, own.Bare, name, name).Value >= Sureness)
                )
            )
        );

    // A box with no more than one attribute, tied to the owner alone, which has one of it: a value of much the same name or sort.
    private static bool IsMereValue(int index, Link link, NamedAttribute attribute, Side answer)
    {
        var entity = answer.Entities[index];
        return entity.Attributes.Length <= 1
            && !attribute.InKey
            && answer.Neighbours[index].Count == 1
            && (attribute.Attribute.Multivalued || link.Relationship.Roles[link.From == index ? 0 : 1].CoOccurrence.Max == 1)
            && (
                NameSimilarity.OfThings(entity.Name, attribute.Bare) >= ValueSureness
                || (entity.Name.Sort != ValueSort.Unsaid && entity.Name.Sort == attribute.Sort)
            );
    }

    /// <summary>Entity of the model answer → the attribute that is drawn for it, at whatever entity.</summary>
    public static ImmutableDictionary<string, string> EntitiesAsAttributes(Leftovers leftovers)
    {
        var found = ImmutableDictionary.CreateBuilder<string, string>(StringComparer.Ordinal);
        var drawn = leftovers
            .Answer.Entities.Select((entity, index) => (Owner: index, entity.Attributes))
            .Where(owner => leftovers.IsMatched(owner.Owner))
            .SelectMany(owner => owner.Attributes.Select(attribute => (Attribute: attribute, owner.Owner)))
            .Concat(
                leftovers.Answer.Model.Relationships.SelectMany(relationship =>
                    leftovers.Answer.Owners[relationship.Id].Attributes.Select(attribute => (Attribute: attribute, Owner: -1))
                )
            )
            .Where(candidate =>
                candidate.Attribute.Attribute.ForeignKey is null
                && leftovers.Attributes.IsFreeAnswer(candidate.Attribute)
                && !leftovers.Attributes.InDisguise.Contains(candidate.Attribute.Attribute.Id)
            )
            .ToList();
        var missing = leftovers.ModelEntities.Where(index => !leftovers.IsRestated(leftovers.Model.Entities[index].Entity.Id));
        var alike =
            from index in missing
            from candidate in drawn
            let likeness = Likeness(candidate.Attribute, candidate.Owner, index, leftovers)
            where likeness >= Sureness
            orderby likeness descending
            select (leftovers.Model.Entities[index].Entity.Id, Candidate: candidate);
        foreach (var (id, candidate) in alike.ToList())
        {
            if (!found.ContainsKey(id) && drawn.Remove(candidate))
            {
                found.Add(id, candidate.Attribute.Attribute.Id);
            }
        }

        foreach (var (entity, attribute) in ByTheirSort(leftovers, drawn, found))
        {
            found.Add(entity, attribute);
        }

        return found.ToImmutable();
    }

    // The only person that is missing is meant by the only attribute, at what is near it, that names somebody; places likewise.
    private static IEnumerable<(string Entity, string Attribute)> ByTheirSort(
        Leftovers leftovers,
        List<(NamedAttribute Attribute, int Owner)> drawn,
        IReadOnlyDictionary<string, string> found
    )
    {
        var missing = leftovers
            .ModelEntities.Where(index =>
                leftovers.Model.Entities[index].Entity.Id is var id && !leftovers.IsRestated(id) && !found.ContainsKey(id)
            )
            .ToList();
        foreach (var sort in new Func<Name, bool>[] { IsForSomebody, name => name.Sort == ValueSort.Place })
        {
            if (
                missing.Where(index => sort(leftovers.Model.Entities[index].Name)).Take(2).ToList() is [var entity]
                && drawn
                    .Where(candidate => candidate.Owner >= 0 && sort(candidate.Attribute.Name))
                    .Where(candidate => IsNear(leftovers, entity, candidate.Owner))
                    .Take(2)
                    .ToList()
                    is [var only]
            )
            {
                yield return (leftovers.Model.Entities[entity].Entity.Id, only.Attribute.Attribute.Id);
            }
        }
    }

    private static bool IsForSomebody(Name name) => name is { Thing: ThingSort.Somebody, Sort: ValueSort.Unsaid };

    // Beside it, or beside what is missing like it and is beside it.
    private static bool IsNear(Leftovers leftovers, int entity, int owner) =>
        leftovers
            .Model.Neighbours[entity]
            .Any(near =>
                leftovers.AnswerOf(near) == owner
                || (
                    leftovers.AnswerOf(near) < 0
                    && leftovers.Model.Neighbours[near].Any(other => leftovers.AnswerOf(other) == owner)
                )
            );

    // A puppet's kind is the puppet type that is beside it; the name of a player is all that is left of the player.
    private static double Likeness(NamedAttribute drawn, int owner, int entity, Leftovers leftovers)
    {
        var name = leftovers.Model.Entities[entity].Name;
        if (owner >= 0 && IsOneOfIts(drawn.Name, leftovers.Model.Entities[entity]) && IsNear(leftovers, entity, owner))
        {
            return ByWhatItHas;
        }

        var beside = leftovers
            .Model.Neighbours[entity]
            .Where(neighbour => owner >= 0 && leftovers.AnswerOf(neighbour) == owner)
            .Select(neighbour => name.Without(leftovers.Model.Entities[neighbour].Name));
        return beside.Append(name).Max(called => NameSimilarity.OfBare(drawn.Name, drawn.Bare, called, called).Value);
    }

    // Under a name for the entity and that of something that it has: the session dates, where a session has a date.
    private static bool IsOneOfIts(Name drawn, NamedEntity entity) =>
        Enumerable
            .Range(1, Math.Max(0, drawn.Words.Length - 1))
            .Any(cut =>
                NameSimilarity.OfThings(drawn.With(drawn.Words[..cut]), entity.Name) >= Sureness
                && drawn.With(drawn.Words[cut..]) is var rest
                && entity.Attributes.Any(own => NameSimilarity.OfBare(rest, rest, own.Name, own.Bare).Value >= Sureness)
            );
}
