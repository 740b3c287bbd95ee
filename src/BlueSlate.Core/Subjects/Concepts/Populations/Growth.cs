using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Populations;

/// <summary>
/// Grows a few things into a whole population that a model allows, by adding what its minima ask for: the chase, with each
/// demand met by a thing that is there already where one still has room (after Maier, Mendelzon and Sagiv 1979). It may end
/// without one; what it gives is for <see cref="PopulationRules"/> to judge.
/// </summary>
internal sealed class Growth(ConceptModel model)
{
    /// <summary>The most things; a model that asks for more is given up.</summary>
    public const int MostThings = 80;

    private readonly List<Draft> things = [];
    private readonly List<Bond> ties = [];
    private readonly HashSet<(string Role, int Thing)> closed = [];
    private readonly Dictionary<(string Role, int Thing), int> counts = [];
    private readonly RelationshipType[] relationships = [.. model.Relationships.Where(PopulationRules.HasInstances)];

    // Entity types that are told apart by what they are tied to alone, with the relationships that do so.
    private readonly Lazy<(string EntityId, string[] Along)[]> toldByTies = new(() =>
        [
            .. model
                .Entities.SelectMany(entity => entity.Identifiers.Select(identifier => (entity, identifier)))
                .Select(pair => (pair.entity.Id, Members: KeyMember.Of(pair.entity, pair.identifier, model).ToList()))
                .Where(told => told.Members.Count > 0 && told.Members.TrueForAll(member => member.RelationshipId is not null))
                .Select(told => (told.Id, told.Members.Select(member => member.RelationshipId!).ToArray())),
        ]
    );

    private sealed record Draft(HashSet<string> Types, Dictionary<string, ImmutableArray<int>> Values);

    /// <summary>The model by which it grows.</summary>
    public ConceptModel Model => model;

    /// <summary>Adds a thing of an entity type, and of all to which such a thing belongs besides. Gives its number.</summary>
    public int Add(string entityId)
    {
        var types = new HashSet<string>(StringComparer.Ordinal);
        Join(entityId, types);
        return Add(types);
    }

    /// <summary>Adds a thing of exactly these entity types and their supertypes.</summary>
    public int AddExactly(IEnumerable<string> entityIds)
    {
        var types = new HashSet<string>(StringComparer.Ordinal);
        foreach (var id in entityIds)
        {
            Climb(id, types);
        }

        return Add(types);
    }

    private int Add(HashSet<string> types)
    {
        things.Add(new Draft(types, new Dictionary<string, ImmutableArray<int>>(StringComparer.Ordinal)));
        return things.Count - 1;
    }

    /// <summary>Sets the values of an attribute.</summary>
    public void Set(int thing, string attributeId, params ImmutableArray<int> values) =>
        things[thing].Values[attributeId] = values;

    /// <summary>Ties things, in the order of the relationship's roles.</summary>
    public void Tie(RelationshipType relationship, params ImmutableArray<int> players)
    {
        ties.Add(new Bond(relationship.Id, players));
        for (var i = 0; i < players.Length; i++)
        {
            // At a role of two is counted how many go with the thing at the other one; else how often a thing takes part.
            var key = players.Length == 2 ? (relationship.Roles[i].Id, players[1 - i]) : (relationship.Roles[i].Id, players[i]);
            counts[key] = counts.GetValueOrDefault(key) + 1;
        }
    }

    /// <summary>Ties the thing at one role of two with its partner at the other.</summary>
    public void TieAt(RelationshipType relationship, RelationshipRole role, int thing, int partner) =>
        Tie(relationship, relationship.Roles[0].Id == role.Id ? [thing, partner] : [partner, thing]);

    /// <summary>Keeps what goes with a thing at a role as it is.</summary>
    public void Close(string roleId, int thing) => closed.Add((roleId, thing));

    /// <summary>Adds what is still asked for; null when that does not come to an end.</summary>
    public Population? Complete()
    {
        for (var at = 0; at < things.Count; at++)
        {
            foreach (var relationship in relationships)
            {
                if (
                    things.Count > MostThings
                    || !(relationship.Roles.Length == 2 ? MeetBinary(at, relationship) : MeetMany(at, relationship))
                )
                {
                    return null;
                }
            }
        }

        return new Population(
            [.. things.Select((draft, number) => new Thing(number, [.. draft.Types], Thing.Unlisted.AddRange(draft.Values)))],
            [.. ties]
        );
    }

    private bool MeetBinary(int thing, RelationshipType relationship)
    {
        for (var i = 0; i < 2; i++)
        {
            RelationshipRole role = relationship.Roles[i],
                own = relationship.Roles[1 - i];
            while (
                role.CoOccurrence.Min > 0
                && things[thing].Types.Contains(own.EntityId)
                && counts.GetValueOrDefault((role.Id, thing)) < role.CoOccurrence.Min
            )
            {
                if (closed.Contains((role.Id, thing)) || things.Count > MostThings || IsExcluded(thing, relationship))
                {
                    return false;
                }

                // A thing with room, the latest first: those that were set up on purpose are left alone where others will do.
                var partner = Enumerable
                    .Range(0, things.Count)
                    .Reverse()
                    .FirstOrDefault(other => other != thing && HasRoom(other, role, own, relationship, thing), -1);
                partner = partner >= 0 ? partner : Add(role.EntityId);
                TieAt(relationship, role, partner, thing);
            }
        }

        return true;
    }

    private bool HasRoom(int other, RelationshipRole role, RelationshipRole own, RelationshipType relationship, int thing) =>
        things[other].Types.Contains(role.EntityId)
        && !closed.Contains((own.Id, other))
        && !(counts.GetValueOrDefault((own.Id, other)) >= own.CoOccurrence.Max)
        && !IsExcluded(other, relationship)
        && !Repeats(thing, other, relationship)
        && !Repeats(other, thing, relationship)
        && !ties.Exists(tie =>
            tie.RelationshipId == relationship.Id
            && tie.Players[relationship.Roles.IndexOf(role)] == other
            && tie.Players[relationship.Roles.IndexOf(own)] == thing
        );

    // Whether a thing with this partner would be tied to just what another one is tied to already, where nothing else tells
    // them apart.
    private bool Repeats(int thing, int partner, RelationshipType relationship) =>
        toldByTies.Value.Any(told =>
        {
            if (!things[thing].Types.Contains(told.EntityId) || !told.Along.Contains(relationship.Id))
            {
                return false;
            }

            var own = told.Along.Select(id => id == relationship.Id ? partner : PartnerOf(thing, id)).ToList();
            return !own.Contains(-1)
                && Enumerable
                    .Range(0, things.Count)
                    .Where(other => other != thing && things[other].Types.Contains(told.EntityId))
                    .Any(other => told.Along.Select(id => PartnerOf(other, id)).SequenceEqual(own));
        });

    private int PartnerOf(int thing, string relationshipId) =>
        ties.Where(tie => tie.RelationshipId == relationshipId && tie.Players.Contains(thing))
            .Select(tie => tie.Players[0] == thing ? tie.Players[1] : tie.Players[0])
            .FirstOrDefault(-1);

    private bool IsExcluded(int thing, RelationshipType relationship) =>
        model.Exclusions.Any(exclusion =>
            exclusion.RelationshipIds.Contains(relationship.Id)
            && PopulationRules.SharedEntity(exclusion, model) is { } shared
            && things[thing].Types.Contains(shared)
            && exclusion.RelationshipIds.Any(other => other != relationship.Id && IsTied(thing, other))
        );

    private bool IsTied(int thing, string relationshipId) =>
        ties.Exists(tie => tie.RelationshipId == relationshipId && tie.Players.Contains(thing));

    private bool MeetMany(int thing, RelationshipType relationship)
    {
        for (var i = 0; i < relationship.Roles.Length; i++)
        {
            var role = relationship.Roles[i];
            while (
                role.Participation.Min > 0
                && things[thing].Types.Contains(role.EntityId)
                && counts.GetValueOrDefault((role.Id, thing)) < role.Participation.Min
            )
            {
                if (closed.Contains((role.Id, thing)) || things.Count > MostThings)
                {
                    return false;
                }

                Tie(relationship, [.. relationship.Roles.Select((other, j) => j == i ? thing : Add(other.EntityId))]);
            }
        }

        return true;
    }

    private void Join(string entityId, HashSet<string> types)
    {
        Climb(entityId, types);
        var isAbstract = model.Entity(entityId).Abstract;
        foreach (
            var set in model.Specialisations.Where(set =>
                set.SupertypeId == entityId
                && (set.Total == true || isAbstract)
                && !set.Subtypes.Any(link => types.Contains(link.EntityId))
            )
        )
        {
            if (set.Subtypes.FirstOrDefault() is { } first)
            {
                Join(first.EntityId, types);
            }
        }
    }

    private void Climb(string entityId, HashSet<string> types)
    {
        if (!types.Add(entityId))
        {
            return;
        }

        foreach (var set in model.Specialisations.Where(set => set.Subtypes.Any(link => link.EntityId == entityId)))
        {
            Climb(set.SupertypeId, types);
        }

        foreach (
            var union in model.Unions.Where(union =>
                union.CategoryId == entityId
                && !union.Supertypes.IsEmpty
                && !union.Supertypes.Any(super => types.Contains(super.EntityId))
            )
        )
        {
            Join(union.Supertypes[0].EntityId, types);
        }
    }
}
