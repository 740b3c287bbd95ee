using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Concepts.Populations;

/// <summary>One state of the data that a model describes: things with their values, and what ties them together.</summary>
/// <param name="Things">The things; each is named by its index.</param>
/// <param name="Ties">Instances of relationships.</param>
public sealed record Population(ImmutableArray<Thing> Things, ImmutableArray<Bond> Ties)
{
    /// <summary>The ties of one relationship.</summary>
    public IEnumerable<Bond> TiesOf(string relationshipId) => Ties.Where(tie => tie.RelationshipId == relationshipId);
}

/// <summary>An instance of one or several entity types.</summary>
/// <param name="Number">Its index in the population.</param>
/// <param name="Types">Ids of the entity types to which it belongs.</param>
/// <param name="Values"> Attribute → its values, each a number that stands for one value of that attribute. An attribute that
/// is not listed has one value that no other thing has.
/// </param>
public sealed record Thing(int Number, ImmutableArray<string> Types, ImmutableDictionary<string, ImmutableArray<int>> Values)
{
    /// <summary>No values that would have to be listed.</summary>
    public static ImmutableDictionary<string, ImmutableArray<int>> Unlisted { get; } =
        ImmutableDictionary.Create<string, ImmutableArray<int>>(StringComparer.Ordinal);

    /// <summary>The values of an attribute.</summary>
    public ImmutableArray<int> ValuesOf(string attributeId) =>
        Values.TryGetValue(attributeId, out var values) ? values : [Number];
}

/// <summary>An instance of a relationship.</summary>
/// <param name="RelationshipId">The relationship.</param>
/// <param name="Players">The numbers of the things that take part, in the order of the relationship's roles.</param>
public sealed record Bond(string RelationshipId, ImmutableArray<int> Players);
