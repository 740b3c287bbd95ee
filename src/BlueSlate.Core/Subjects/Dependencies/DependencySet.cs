using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>A functional dependency: what agrees on the first agrees on the second.</summary>
public readonly record struct Dependency(AttributeSet From, AttributeSet To)
{
    /// <summary>Whether it says nothing.</summary>
    public bool IsTrivial => To.IsSubsetOf(From);
}

/// <summary>
/// Attributes with the functional and the multivalued dependencies that are given among them. A multivalued dependency
/// belongs to the
/// relation of all attributes.
/// </summary>
public sealed record DependencySet(
    ImmutableArray<string> Attributes,
    ImmutableArray<Dependency> Functional,
    ImmutableArray<Dependency> Multivalued
)
{
    private Implication? implication;

    // What was worked out belongs to the dependencies from which it was worked out.
    private DependencySet(DependencySet other) =>
        (Attributes, Functional, Multivalued, All) = (other.Attributes, other.Functional, other.Multivalued, other.All);

    /// <summary>All attributes.</summary>
    public AttributeSet All { get; private init; } = AttributeSet.First(Attributes.Length);

    /// <summary>What is implied.</summary>
    public Implication Implied => implication ??= new Implication(this);

    /// <summary>
    /// The same without some attributes and every dependency in which one of them stands; the others keep their numbers.
    /// </summary>
    public DependencySet Without(AttributeSet gone) =>
        gone.IsEmpty
            ? this
            : this with
            {
                All = All - gone,
                Functional = Functional.RemoveAll(one => (one.From | one.To).Meets(gone)),
                Multivalued = Multivalued.RemoveAll(one => (one.From | one.To).Meets(gone)),
            };

    /// <summary>The names of a set, in the order in which they are given.</summary>
    public ImmutableArray<string> NamesOf(AttributeSet set) => [.. set.Select(attribute => Attributes[attribute])];
}
