using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

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
    public ValueSort Sort { get; } =
        Attribute.Type.Length > 0 && TypeFamily.IsTruthValue(Attribute.Type) ? ValueSort.YesNo : Name.Sort;

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
