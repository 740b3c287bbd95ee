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

    /// <summary>All attributes.</summary>
    public AttributeSet All { get; } = AttributeSet.First(Attributes.Length);

    /// <summary>What is implied.</summary>
    public Implication Implied => implication ??= new Implication(this);

    /// <summary>The names of a set, in the order in which they are given.</summary>
    public ImmutableArray<string> NamesOf(AttributeSet set) => [.. set.Select(attribute => Attributes[attribute])];
}
