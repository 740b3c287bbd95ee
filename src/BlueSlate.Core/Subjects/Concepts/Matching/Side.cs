using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// One side of a matching, prepared for it: names split into words, entities in an order that depends only on what is
/// said (never on ids, places or the order of drawing), relationships by the indexes of their entities.
/// </summary>
internal sealed class Side
{
    private readonly Dictionary<string, int> indexOfEntity;
    private readonly ExerciseWords words;
    private Dictionary<string, AttributeOwner>? owners;
    private AttributeSorts? sorts;
    private Likenesses? likenesses;
    private HashSet<(int First, int Second)>? through;
    private HashSet<(int First, int Second)>? manyToMany;

    public Side(ConceptModel model, ExerciseWords words)
        : this(model, words, FrozenDictionary<string, ImmutableArray<Name>>.Empty) { }

    /// <summary>A side of which something else is known than its names.</summary>
    /// <param name="model">What it says.</param>
    /// <param name="words">What the exercise says of its words.</param>
    /// <param name="calledElse">Attribute → further names.</param>
    public Side(ConceptModel model, ExerciseWords words, FrozenDictionary<string, ImmutableArray<Name>> calledElse)
    {
        this.words = words;
        Model = model;
        Entities = Canonical(model, words, calledElse);
        indexOfEntity = new Dictionary<string, int>(Entities.Length, StringComparer.Ordinal);
        for (var i = 0; i < Entities.Length; i++)
        {
            indexOfEntity.Add(Entities[i].Entity.Id, i);
        }

        Links =
        [
            .. model
                .Relationships.Where(relationship => relationship.Roles.Length == 2)
                .Select(relationship => new Link(
                    relationship,
                    IndexOf(relationship.Roles[0].EntityId),
                    IndexOf(relationship.Roles[1].EntityId),
                    words
                ))
                .OrderBy(link => Math.Min(link.From, link.To))
                .ThenBy(link => Math.Max(link.From, link.To))
                .ThenBy(link => link.Signature, StringComparer.Ordinal),
        ];
        for (var i = 0; i < Links.Length; i++)
        {
            Links[i].Index = i;
        }

        Neighbours = new List<int>[Entities.Length];
        for (var i = 0; i < Neighbours.Length; i++)
        {
            Neighbours[i] = [];
        }

        foreach (var specialisation in model.Specialisations)
        {
            Grow(specialisation.Subtypes.Select(subtype => (subtype.EntityId, specialisation.SupertypeId)));
        }

        TellKindsApart();
        foreach (var union in model.Unions)
        {
            Grow(union.Supertypes.Select(super => (union.CategoryId, super.EntityId)));
        }

        Diamonds =
        [
            .. model
                .Relationships.Where(relationship => relationship.Roles.Length > 2)
                .Select(relationship => relationship.Roles.Select(role => IndexOf(role.EntityId)).Order().ToArray()),
        ];
        foreach (var diamond in Diamonds)
        {
            foreach (var index in diamond)
            {
                Neighbours[index].AddRange(diamond.Where(other => other != index));
            }
        }

        if (Array.Exists(Entities, entity => entity.Types.Length > 0))
        {
            AddUses();
        }

        Shapes = [.. Entities.Select((entity, index) => EntityShape.Of(entity, index, this))];
        foreach (var link in Links)
        {
            Neighbours[link.From].Add(link.To);
            if (link.To != link.From)
            {
                Neighbours[link.To].Add(link.From);
            }
        }
    }

    public ConceptModel Model { get; }

    /// <summary>Whether the exercise says of two names that they never mean one thing.</summary>
    public bool AreApart(string one, string other) => words.AreApart(one, other);

    /// <summary>For each relationship of more than two, the indexes of its entities in order.</summary>
    public List<int[]> Diamonds { get; }

    /// <summary>For each entity, how it stands among the others.</summary>
    public EntityShape[] Shapes { get; private init; }

    /// <summary>What has attributes, by id: every entity, and every relationship.</summary>
    public IReadOnlyDictionary<string, AttributeOwner> Owners =>
        owners ??= Entities
            .Select(entity => new AttributeOwner(entity.Entity.Id, entity.Name, entity.Attributes))
            .Concat(Model.Relationships.Select(relationship => AttributeOwner.Of(relationship, words)))
            .ToDictionary(owner => owner.Id, StringComparer.Ordinal);

    /// <summary>How alike the names of this side are to others.</summary>
    public Likenesses Likenesses => likenesses ??= new Likenesses(this);

    /// <summary>The sorts of attributes of its entities.</summary>
    public AttributeSorts Sorts => sorts ??= new AttributeSorts(this);

    public NamedEntity[] Entities { get; }

    public Link[] Links { get; }

    public List<int>[] Neighbours { get; }

    /// <summary>Subtypes, by index, with their supertypes.</summary>
    public HashSet<(int Sub, int Super)> Trees { get; } = [];

    /// <summary>Entities, by index, with those that their attributes, operations and parameters have as types.</summary>
    public HashSet<(int User, int Used)> Uses { get; } = [];

    /// <summary>Two entities, the lower index first, between which something stands that goes with one of each.</summary>
    public IReadOnlyCollection<(int First, int Second)> Through => through ??= FindThrough();

    /// <summary>Two entities, the lower index first, with a relationship from many to many.</summary>
    public IReadOnlyCollection<(int First, int Second)> ManyToMany =>
        manyToMany ??= [
            .. Links
                .Where(link => link.From != link.To && link.Relationship.IsManyToMany)
                .Select(link => (Math.Min(link.From, link.To), Math.Max(link.From, link.To))),
        ];

    /// <summary>Whether there is a relationship between two.</summary>
    public bool Joined(int one, int other) => Array.Exists(Links, link => link.Joins(one, other));

    public int Count => Entities.Length;

    public int IndexOf(string entityId) => indexOfEntity[entityId];

    private void Grow(IEnumerable<(string Sub, string Super)> pairs)
    {
        foreach (var (sub, super) in pairs)
        {
            var (a, b) = (IndexOf(sub), IndexOf(super));
            if (a != b && Trees.Add((a, b)))
            {
                Neighbours[a].Add(b);
                Neighbours[b].Add(a);
            }
        }
    }

    // What the kinds of one thing have in common in their names tells none of them from the others.
    private void TellKindsApart()
    {
        foreach (var specialisation in Model.Specialisations)
        {
            var super = Entities[IndexOf(specialisation.SupertypeId)].Name.Words;
            var kinds = specialisation.Subtypes.Select(subtype => Entities[IndexOf(subtype.EntityId)]).Distinct().ToList();
            foreach (var kind in kinds)
            {
                var own = kind
                    .Name.Words.Where(word =>
                        !super.Contains(word) && !kinds.Exists(other => other != kind && other.Name.Words.Contains(word))
                    )
                    .ToList();
                kind.WithinKinds =
                    own.Count > 0 && own.Count < kind.Name.Words.Length ? words.Read(string.Join(' ', own)) : kind.Name;
            }
        }
    }

    private HashSet<(int First, int Second)> FindThrough()
    {
        var found = new HashSet<(int First, int Second)>();
        for (var between = 0; between < Entities.Length; between++)
        {
            var parents = Links
                .Where(link => link.From != link.To && link.Relationship.Identifying == true)
                .Where(link => link.From == between || link.To == between)
                .Where(link => link.Relationship.Roles[link.From == between ? 1 : 0].CoOccurrence.Max == 1)
                .Select(link => link.From == between ? link.To : link.From)
                .Order()
                .ToList();
            if (parents is [var one, var other] && one != other)
            {
                found.Add((one, other));
            }
        }

        return found;
    }

    private void AddUses()
    {
        var byName = new Dictionary<string, int>(StringComparer.Ordinal);
        for (var i = 0; i < Entities.Length; i++)
        {
            byName.TryAdd(Entities[i].Name.Key, i);
        }

        for (var i = 0; i < Entities.Length; i++)
        {
            foreach (var type in Entities[i].Types)
            {
                if (byName.TryGetValue(words.Read(type).Key, out var used) && used != i && Uses.Add((i, used)))
                {
                    Entities[used].IsAType = true;
                    Neighbours[i].Add(used);
                    Neighbours[used].Add(i);
                }
            }
        }
    }

    private static NamedEntity[] Canonical(
        ConceptModel model,
        ExerciseWords words,
        FrozenDictionary<string, ImmutableArray<Name>> calledElse
    )
    {
        var named = model
            .Entities.Select(entity => new NamedEntity(entity, words, calledElse))
            .ToDictionary(entity => entity.Entity.Id, StringComparer.Ordinal);
        var around = model.Entities.ToDictionary(entity => entity.Id, _ => new List<string>(), StringComparer.Ordinal);
        foreach (var relationship in model.Relationships)
        {
            foreach (var role in relationship.Roles)
            {
                around[role.EntityId]
                    .AddRange(
                        relationship
                            .Roles.Where(other => other.Id != role.Id)
                            .Select(other =>
                                $"{named[other.EntityId].Name.Key}{role.CoOccurrence}{other.CoOccurrence}{role.Verb}{other.Verb}"
                            )
                    );
            }
        }

        foreach (var specialisation in model.Specialisations)
        {
            foreach (var subtype in specialisation.Subtypes)
            {
                around[subtype.EntityId].Add($"under {named[specialisation.SupertypeId].Name.Key}");
                around[specialisation.SupertypeId].Add($"over {named[subtype.EntityId].Name.Key}");
            }
        }

        return
        [
            .. named
                .Values.OrderBy(entity => entity.Name.Key, StringComparer.Ordinal)
                .ThenBy(entity => entity.Signature, StringComparer.Ordinal)
                .ThenBy(
                    entity => string.Join('|', around[entity.Entity.Id].Order(StringComparer.Ordinal)),
                    StringComparer.Ordinal
                ),
        ];
    }
}
