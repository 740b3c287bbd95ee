using System.Collections.Concurrent;
using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// How alike all names of one side are to a name of another, found out once for each such name: the answers to one exercise use
/// the same names over and over. It may be used from several threads; what is forgotten is found out again, and is the same
/// again.
/// </summary>
internal sealed class Likenesses(Side side)
{
    private const int MostKnown = 2_000;

    private readonly ConcurrentDictionary<(Name Name, Name? WithinKinds), double[]> entities = new();
    private readonly ConcurrentDictionary<AttributeSort, double[]> attributes = new();
    private readonly ConcurrentDictionary<string, double[]> verbs = new(StringComparer.Ordinal);

    /// <summary>For each entity of the side how alike its name is to this one.</summary>
    public double[] OfEntity(Name other) => OfEntity(other, null);

    /// <summary>The same of a name with what tells its entity from other kinds of the same, if it is a kind of something.</summary>
    public double[] OfEntity(Name other, Name? withinKinds) =>
        Found(entities, (other, withinKinds), (other, withinKinds), static (side, one) =>
            Array.ConvertAll(side.Entities, entity => OfEntities(entity, one.other, one.withinKinds))
        );

    private static double OfEntities(NamedEntity entity, Name other, Name? withinKinds) =>
        entity.WithinKinds is { } own && withinKinds is not null
            ? NameSimilarity.OfKinds(entity.Name, own, other, withinKinds)
            : NameSimilarity.OfThings(entity.Name, other);

    /// <summary>For each sort of attribute of the side how alike it is to this attribute.</summary>
    public double[] OfAttribute(NamedAttribute other) =>
        Found(attributes, AttributeSort.Of(other), other, static (side, attribute) =>
            [.. side.Sorts.Examples.Select(example => AttributeMatcher.Likeness(example, attribute))]
        );

    /// <summary>For each relationship between two on the side how alike its verbs are to those of this one.</summary>
    public double[] OfVerbs(Link other) =>
        Found(verbs, other.Said, other, static (side, link) =>
            Array.ConvertAll(side.Links, own => LinkComparer.VerbLikeness(own, link))
        );

    private double[] Found<TKey, TOther>(
        ConcurrentDictionary<TKey, double[]> known,
        TKey key,
        TOther other,
        Func<Side, TOther, double[]> find
    )
        where TKey : notnull
    {
        if (known.TryGetValue(key, out var found))
        {
            return found;
        }

        if (known.Count >= MostKnown)
        {
            known.Clear();
        }

        return known[key] = find(side, other);
    }
}

/// <summary>All that the likeness of an attribute depends on.</summary>
internal readonly record struct AttributeSort(
    Name Name,
    int BareWords,
    bool InKey,
    bool IsForeign,
    bool IsMultivalued,
    bool IsDerived,
    bool HasParts,
    bool IsOptional,
    string Type,
    ImmutableArray<Name> CalledElse
)
{
    /// <summary>The sort of an attribute.</summary>
    public static AttributeSort Of(NamedAttribute attribute) =>
        new(
            attribute.Name,
            attribute.Bare.Words.Length,
            attribute.InKey,
            attribute.Attribute.ForeignKey is not null,
            attribute.Attribute.Multivalued,
            attribute.Attribute.Derived,
            !attribute.Attribute.Parts.IsEmpty,
            attribute.Attribute.Optional,
            attribute.Attribute.Type,
            attribute.CalledElse
        );
}

/// <summary>The sorts of attributes of a side, each with an example, and for each entity the indexes of its own.</summary>
internal sealed class AttributeSorts
{
    private readonly Side side;
    private bool[]? marksOut;

    /// <summary>Sorts the attributes of all entities of a side.</summary>
    public AttributeSorts(Side side)
    {
        this.side = side;
        var indexes = new Dictionary<AttributeSort, int>();
        Of = Array.ConvertAll(side.Entities, entity => Array.ConvertAll(entity.Attributes, IndexOf));

        int IndexOf(NamedAttribute attribute)
        {
            var sort = AttributeSort.Of(attribute);
            if (!indexes.TryGetValue(sort, out var index))
            {
                indexes.Add(sort, index = Examples.Count);
                Examples.Add(attribute);
            }

            return index;
        }
    }

    /// <summary>One attribute of each sort.</summary>
    public List<NamedAttribute> Examples { get; } = [];

    /// <summary>
    /// For each sort whether it marks out its owner: only one thing of this side has what is called so, be it an everyday word.
    /// </summary>
    public bool[] MarksOut => marksOut ??= FindMarksOut();

    /// <summary>For each entity the sorts of its attributes.</summary>
    public int[][] Of { get; }

    private bool[] FindMarksOut()
    {
        var owners = side
            .Entities.SelectMany(entity => entity.Attributes.Select(attribute => attribute.Bare.Key).Distinct())
            .CountBy(name => name, StringComparer.Ordinal)
            .ToDictionary(StringComparer.Ordinal);
        return [.. Examples.Select(example => !example.IsMerelyCalled && owners[example.Bare.Key] == 1)];
    }
}
