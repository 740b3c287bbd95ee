using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// How well an entity of an answer can be a relationship of the model answer. What links only is many at its own ends, is
/// identified by those that it links or by a number that somebody invented, and has little else; what both merely belong to, or
/// what has a key, facts and neighbours of its own, is a thing of its own. No single sign decides.
/// </summary>
internal sealed class EntityBetween(Leftovers leftovers)
{
    /// <summary>What speaks against it, at which it is none any more.</summary>
    private const double Most = 1.5;

    private const double NumberOfItsOwn = 0.5;
    private const double FactOfItsOwn = 0.5;
    private const double AlikeName = 0.8;

    private readonly HashSet<string> drawnNames =
    [
        .. Enumerable
            .Range(0, leftovers.Answer.Count)
            .Where(leftovers.IsMatched)
            .Select(index => leftovers.Answer.Entities[index].Name.Key)
            .Where(key => key.Length > 0),
    ];

    /// <summary>
    /// Of these candidates, each an entity with its lines to those that the relationship links, the one that is it most; null
    /// where none can be.
    /// </summary>
    public (int Entity, List<Link> Lines)? Best(
        RelationshipType relationship,
        IEnumerable<(int Entity, List<Link> Lines)> candidates
    ) =>
        candidates
            .Select(candidate =>
                (candidate.Entity, candidate.Lines, Against: Against(relationship, candidate.Entity, candidate.Lines))
            )
            .Where(candidate => candidate.Against < Most)
            .OrderBy(candidate => candidate.Against)
            .ThenBy(candidate => candidate.Entity)
            .Select(candidate => ((int, List<Link>)?)(candidate.Entity, candidate.Lines))
            .FirstOrDefault();

    private double Against(RelationshipType relationship, int index, List<Link> lines)
    {
        var named = leftovers.Answer.Entities[index];
        if (drawnNames.Contains(named.Name.Key))
        {
            return double.PositiveInfinity;
        }

        var parents = lines.ConvertAll(line => leftovers.Answer.Entities[line.From == index ? line.To : line.From]);
        var asParent = lines.Count(line =>
            line.Relationship.Roles[line.From == index ? 1 : 0].CoOccurrence.Max is not (null or 1)
        );
        var elsewhere = leftovers.Answer.Neighbours[index].Distinct().Count() - parents.Distinct().Count();
        return asParent + elsewhere + OfKey(named, lines) + OfFacts(relationship, named) - OfName(relationship, named, parents);
    }

    // Identified by those that it links, it speaks for itself; a key that is more than a number speaks against it.
    private static double OfKey(NamedEntity named, List<Link> lines)
    {
        var key = named.Entity.Primary;
        var along = lines.Select(line => line.Relationship.Id).ToHashSet(StringComparer.Ordinal);
        var own = named.Attributes.Where(attribute => attribute.InKey && attribute.Attribute.ForeignKey is null).ToList();
        var owners = (key?.OwnerRelationshipIds ?? []).Concat(
            named
                .Attributes.Where(attribute => attribute.InKey)
                .SelectMany(attribute => attribute.Attribute.ForeignKeys)
                .Select(foreign => foreign.RelationshipId)
                .OfType<string>()
        );
        return owners.Distinct(StringComparer.Ordinal).Count(along.Contains) == lines.Count ? -1
            : own.Count == 0 ? 0
            : own.TrueForAll(attribute => NameSimilarity.EndsAsKey(attribute.Name)) ? NumberOfItsOwn
            : 1;
    }

    private double OfFacts(RelationshipType relationship, NamedEntity named)
    {
        var wanted = leftovers
            .Model.Owners[relationship.Id]
            .Attributes.Concat(
                relationship.Roles.SelectMany(role =>
                    leftovers.Model.Owners[role.EntityId].Attributes.Where(leftovers.Attributes.IsFree)
                )
            )
            .ToList();
        var facts = named.Attributes.Where(attribute => !attribute.InKey && attribute.Attribute.ForeignKey is null).ToList();
        var strange = facts.Count(fact => !wanted.Exists(attribute => attribute.IsAlike(fact)));
        return (strange * FactOfItsOwn) - (facts.Count > strange ? 1 : 0);
    }

    // Called after what happens, or after those that it links.
    private static double OfName(RelationshipType relationship, NamedEntity named, List<NamedEntity> parents)
    {
        var verbs = relationship
            .Roles.Select(role => role.Verb)
            .Append(relationship.Name)
            .Select(VerbForm.Of)
            .Where(verb => !verb.Words.IsEmpty);
        var afterParents = parents.Count(parent => NameSimilarity.Mentions(named.Name, parent.Name)) > 1;
        return
            afterParents
            || verbs.Any(verb => NameSimilarity.Of(named.Name, verb).Value >= AlikeName || AreDerived(named.Name, verb))
            ? 1
            : 0;
    }

    /// <summary>Whether a name holds a word that is derived from the verb, or the verb from it: rehearsal, rehearse.</summary>
    public static bool AreDerived(Name name, Name verb) =>
        name.Lexical.Any(word => word is not null && verb.Lexical.Any(other => other is not null && word.IsDerivedFrom(other)));
}
