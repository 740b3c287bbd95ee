using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

/// <summary>
/// Which entities of a drawing finite data can populate. Counts of instances are the unknowns of a linear program: a role with
/// participation (min, max) demands min·|E| ≤ |R| ≤ max·|E|, and an entity is populated if some solution gives it more than 0
/// (Lenzerini and Nobili 1990). Only acceptable solutions count: an entity at 0 forces its relationships to 0. Subtypes are
/// expanded to compound types, the consistent sets of entities to which one thing can belong at once (Calvanese and Lenzerini
/// 1994).
/// </summary>
/// <param name="Never">Ids of the entities that are empty in every finite state.</param>
/// <param name="IsDecided">False when a drawing is too large for the stated limits; then nothing is said of it.</param>
public sealed record FinitePopulation(ImmutableHashSet<string> Never, bool IsDecided)
{
    /// <summary>The most entities that hang together by specialisation, for their sets to be listed.</summary>
    public const int MostInTree = 12;

    /// <summary>The most unknowns.</summary>
    public const int MostUnknowns = 160;

    /// <summary>What can be said of a model.</summary>
    public static FinitePopulation Of(ConceptModel model)
    {
        if (Compounds(model) is not { } compounds)
        {
            return new FinitePopulation([], false);
        }

        // Without a bound from above somewhere, a relationship takes as many instances as are wanted.
        var bounding = model
            .Relationships.Where(relationship =>
                relationship.Roles.Any(role => role.Participation.Min > 0) && relationship.Roles.Any(role => HasMost(role))
            )
            .ToList();
        if (compounds.Count + bounding.Count > MostUnknowns)
        {
            return new FinitePopulation([], false);
        }

        var empty = model
            .Entities.Select(entity => entity.Id)
            .Where(id => !compounds.Exists(compound => compound.Contains(id)))
            .ToHashSet(StringComparer.Ordinal);
        while (true)
        {
            var populated = Populated(model, compounds, bounding, empty);
            var now = model
                .Entities.Select(entity => entity.Id)
                .Where(id => !populated.Contains(id))
                .ToHashSet(StringComparer.Ordinal);
            if (now.Count == empty.Count)
            {
                return new FinitePopulation([.. now], true);
            }

            empty = now;
        }
    }

    // The entities that are populated in the solution that populates most, given that some are empty.
    private static HashSet<string> Populated(
        ConceptModel model,
        List<ImmutableHashSet<string>> compounds,
        List<RelationshipType> bounding,
        HashSet<string> empty
    )
    {
        var open = compounds.Where(compound => !compound.Overlaps(empty)).ToList();
        var entities = model.Entities.Select(entity => entity.Id).Where(id => !empty.Contains(id)).ToList();
        var relationships = bounding
            .Where(relationship => !relationship.Roles.Any(role => empty.Contains(role.EntityId)))
            .ToList();
        int first = open.Count,
            second = first + relationships.Count;
        var program = new IntegerSimplex(second + entities.Count);
        for (var i = 0; i < entities.Count; i++)
        {
            // The more entities are populated, the better; how much each is does not matter.
            var row = new Dictionary<int, int> { [second + i] = 1 };
            Add(row, entities[i], -1);
            program.AtMost(row, 0);
            program.AtMost(new Dictionary<int, int> { [second + i] = 1 }, 1);
            program.Maximise(second + i);
        }

        // A relationship with an empty entity is empty, so that whoever has to take part in it is empty too.
        foreach (
            var (role, _) in Roles(model)
                .Where(pair =>
                    pair.Role.Participation.Min > 0 && pair.Relationship.Roles.Any(other => empty.Contains(other.EntityId))
                )
        )
        {
            var row = new Dictionary<int, int>();
            Add(row, role.EntityId, 1);
            program.AtMost(row, 0);
        }

        for (var j = 0; j < relationships.Count; j++)
        {
            foreach (var role in relationships[j].Roles)
            {
                if (role.Participation.Min is > 0 and var least)
                {
                    var row = new Dictionary<int, int> { [first + j] = -1 };
                    Add(row, role.EntityId, least);
                    program.AtMost(row, 0);
                }

                if (HasMost(role))
                {
                    var row = new Dictionary<int, int> { [first + j] = 1 };
                    Add(row, role.EntityId, -role.Participation.Max!.Value);
                    program.AtMost(row, 0);
                }
            }
        }

        program.Solve();
        return [.. entities.Where((_, i) => program.IsPositive(second + i))];

        void Add(Dictionary<int, int> row, string entity, int factor)
        {
            for (var c = 0; c < open.Count; c++)
            {
                if (open[c].Contains(entity))
                {
                    row[c] = row.GetValueOrDefault(c) + factor;
                }
            }
        }
    }

    private static IEnumerable<(RelationshipRole Role, RelationshipType Relationship)> Roles(ConceptModel model) =>
        model.Relationships.SelectMany(relationship => relationship.Roles.Select(role => (role, relationship)));

    private static bool HasMost(RelationshipRole role) => role.Participation.Max is { } most && most != Count.Many;

    // The sets of entities to which one thing can belong at once; null when there are too many to list.
    private static List<ImmutableHashSet<string>>? Compounds(ConceptModel model)
    {
        var group = model.Entities.ToDictionary(entity => entity.Id, entity => entity.Id, StringComparer.Ordinal);
        string Root(string id) => group[id] == id ? id : group[id] = Root(group[id]);
        foreach (var set in model.Specialisations)
        {
            foreach (
                var link in set.Subtypes.Where(link => group.ContainsKey(link.EntityId) && group.ContainsKey(set.SupertypeId))
            )
            {
                group[Root(link.EntityId)] = Root(set.SupertypeId);
            }
        }

        var compounds = new List<ImmutableHashSet<string>>();
        foreach (
            var tree in model
                .Entities.GroupBy(entity => Root(entity.Id), entity => entity.Id, StringComparer.Ordinal)
                .Select(members => members.ToList())
        )
        {
            if (tree.Count > MostInTree)
            {
                return null;
            }

            for (var bits = 1; bits < 1 << tree.Count; bits++)
            {
                var members = tree.Where((_, i) => (bits & (1 << i)) != 0).ToImmutableHashSet(StringComparer.Ordinal);
                if (model.Specialisations.All(set => IsConsistent(set, members)))
                {
                    compounds.Add(members);
                    if (compounds.Count > MostUnknowns)
                    {
                        return null;
                    }
                }
            }
        }

        return compounds;
    }

    private static bool IsConsistent(Specialisation set, ImmutableHashSet<string> members)
    {
        var count = set.Subtypes.Count(link => members.Contains(link.EntityId));
        return members.Contains(set.SupertypeId)
            ? !(set.Disjoint == true && count > 1) && !(set.Total == true && count == 0)
            : count == 0;
    }
}
