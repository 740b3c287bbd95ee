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

/// <summary>An entity with its name and its attributes' names split into words.</summary>
internal sealed class NamedEntity
{
    public NamedEntity(EntityType entity, ExerciseWords words, FrozenDictionary<string, ImmutableArray<Name>> calledElse)
    {
        Entity = entity;
        Name = words.Read(entity.Name);
        var keys = entity.Primary?.AttributeIds ?? [];
        Attributes =
        [
            .. entity
                .Attributes.Select(attribute =>
                    NamedAttribute.Of(attribute, Name, keys.Contains(attribute.Id), words) with
                    {
                        CalledElse = calledElse.GetValueOrDefault(attribute.Id, []),
                    }
                )
                .OrderBy(attribute => attribute.Name.Key, StringComparer.Ordinal)
                .ThenBy(attribute => attribute.Attribute.Name, StringComparer.Ordinal)
                .ThenBy(attribute => attribute.InKey)
                .ThenBy(attribute => attribute.Attribute.ForeignKey is null),
        ];
        Types =
        [
            .. entity
                .Attributes.Select(attribute => attribute.Type)
                .Concat(
                    entity.Operations.SelectMany(one => one.Parameters.Select(parameter => parameter.Type).Append(one.Returns))
                )
                .Where(type => !TypeFamily.IsCommon(type))
                .Distinct(StringComparer.Ordinal),
        ];
        Signature = string.Join('|', Attributes.Select(attribute => attribute.Name.Key + (attribute.InKey ? "*" : "")));
    }

    public EntityType Entity { get; }

    public Name Name { get; }

    /// <summary>What in its name tells it from the other kinds of what it is a kind of, if it is one.</summary>
    public Name? WithinKinds { get; set; }

    public NamedAttribute[] Attributes { get; }

    public string Signature { get; }

    /// <summary>All types that it names and that not every language has.</summary>
    public string[] Types { get; }

    /// <summary>
    /// What sort of thing it is: a class or entity, an interface, an enumeration. A class that is the type of something, with
    /// several attributes that have no type themselves and without operations, is an enumeration without its mark.
    /// </summary>
    public EntityKind Nature =>
        Entity.Kind is EntityKind.Interface or EntityKind.Enumeration ? Entity.Kind
        : IsAType
        && Entity.Operations.IsEmpty
        && Attributes.Length > 1
        && Array.TrueForAll(Attributes, attribute => attribute.Attribute.Type.Length == 0)
            ? EntityKind.Enumeration
        : EntityKind.Strong;

    /// <summary>Whether something has it as its type.</summary>
    public bool IsAType { get; set; }
}

/// <summary>An attribute with its name split into words, as written and without its owner's name in front.</summary>
internal sealed record NamedAttribute(ConceptAttribute Attribute, Name Name, Name Bare, bool InKey)
{
    /// <summary>What the scenario calls it besides.</summary>
    public ImmutableArray<Name> CalledElse { get; init; } = [];

    /// <summary>Whether another one is called the same, with or without the owners' names.</summary>
    public bool IsAlike(NamedAttribute other) =>
        NameSimilarity.OfBare(Name, Bare, other.Name, other.Bare).Value >= AttributeMatcher.Sureness;

    /// <summary>Whether without its owner's name it is called what attributes of anything are called.</summary>
    public bool IsEveryday { get; } =
        Bare.Words is ["name" or "number" or "id" or "code" or "description" or "type" or "title" or "note" or "ref"];

    /// <summary>Whether it is called by what each thing of any drawing is told apart or called by.</summary>
    public bool IsMerelyCalled { get; } = Bare.Words is ["name" or "number" or "id" or "code" or "ref"];

    /// <summary>
    /// Whether its name, without its owner's, tells of what it is an attribute: it is more than a word that data of all sorts have.
    /// </summary>
    public bool IsTelling { get; } =
        Bare.Words.Any(word =>
            !ValueSorts.IsListed(word) && word is not ("number" or "description" or "type" or "note" or "kind")
        );

    /// <summary>What sort of values it holds, as far as its type or name tells.</summary>
    public ValueSort Sort => TypeFamily.IsTruthValue(Attribute.Type) ? ValueSort.YesNo : Name.Sort;

    public static NamedAttribute Of(ConceptAttribute attribute, Name owner, bool inKey, ExerciseWords words)
    {
        var name = words.Read(attribute.Name);
        return new NamedAttribute(attribute, name, name.Without(owner), inKey);
    }
}

/// <summary>An entity or a relationship with its attributes.</summary>
internal sealed record AttributeOwner(string Id, Name Name, NamedAttribute[] Attributes)
{
    public static AttributeOwner Of(RelationshipType relationship, ExerciseWords words)
    {
        var name = words.Read(relationship.Name);
        return new AttributeOwner(
            relationship.Id,
            name,
            [
                .. relationship
                    .Attributes.Select(attribute => NamedAttribute.Of(attribute, name, false, words))
                    .OrderBy(attribute => attribute.Name.Key, StringComparer.Ordinal),
            ]
        );
    }
}

/// <summary>A binary relationship between the entities at two indexes.</summary>
internal sealed class Link(RelationshipType relationship, int from, int to, ExerciseWords words)
{
    public RelationshipType Relationship { get; } = relationship;

    /// <summary>Its place among the links of its side.</summary>
    public int Index { get; internal set; }

    /// <summary>All words at it: what its verbs are made of.</summary>
    public string Said =>
        string.Join(
            '\n',
            Relationship.Roles[0].Verb,
            Relationship.Roles[1].Verb,
            Relationship.Name,
            Relationship.Roles[0].Role,
            Relationship.Roles[1].Role
        );

    public int From { get; } = from;

    public int To { get; } = to;

    /// <summary>Whether it is between these two, whichever way.</summary>
    public bool Joins(int one, int other) => (From == one && To == other) || (From == other && To == one);

    /// <summary>The same between two others.</summary>
    public Link Between(int one, int other) => new(Relationship, one, other, words);

    public Name[] Verbs { get; } =
    [
        .. new[]
        {
            relationship.Roles[0].Verb,
            relationship.Roles[1].Verb,
            relationship.Name,
            relationship.Roles[0].Role,
            relationship.Roles[1].Role,
        }
            .Select(text => VerbForm.Of(text) is { Words.IsEmpty: false } verb ? verb : words.Read(text))
            .Where(name => !name.Words.IsEmpty),
    ];

    /// <summary>
    /// Which role is that of the one who does what the verb says: the teacher who teaches, or the other of a trainee. Null where
    /// no name of a role tells, or the verb is turned: who learns from somebody.
    /// </summary>
    public int? Doer { get; } = from == to ? DoerOf(relationship) : null;

    private static int? DoerOf(RelationshipType relationship)
    {
        var verbs = relationship
            .Roles.Select(role => role.Verb)
            .Append(relationship.Name)
            .Where(text => text.Length > 0)
            .ToList();
        if (verbs.Exists(text => WordSplitter.Split(text) is [.., "by" or "from" or "under" or "of"]))
        {
            return null;
        }

        var done = verbs.SelectMany(text => VerbForm.Of(text).Lexical).OfType<LexicalWord>().Where(word => word.IsVerb).ToList();
        for (var i = 0; i < relationship.Roles.Length; i++)
        {
            if (WordSplitter.Split(relationship.Roles[i].Role) is not [.., var somebody])
            {
                continue;
            }

            if (somebody.EndsWith("ee", StringComparison.Ordinal) || Inflection.IsParticiple(somebody))
            {
                return 1 - i;
            }

            var isDoer = somebody.EndsWith("er", StringComparison.Ordinal) || somebody.EndsWith("or", StringComparison.Ordinal);
            if (
                isDoer
                && Name.Of(somebody).Lexical[^1] is { } doer
                && done.Exists(verb => verb.Word == doer.Word || verb.IsDerivedFrom(doer))
            )
            {
                return i;
            }
        }

        return null;
    }

    public string Signature { get; } =
        string.Join(
            '|',
            relationship
                .Roles.Select(role => $"{role.Verb}{role.Role}{role.CoOccurrence}")
                .Append(relationship.Name)
                .Order(StringComparer.Ordinal)
        );
}
