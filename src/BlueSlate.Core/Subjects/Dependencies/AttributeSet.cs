using System.Collections;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>A set of attributes by their numbers, from 0 to <see cref="Most"/> - 1.</summary>
public readonly record struct AttributeSet : IEnumerable<int>
{
    /// <summary>How many attributes there can be.</summary>
    public const int Most = 128;

    private readonly UInt128 bits;

    private AttributeSet(UInt128 bits) => this.bits = bits;

    /// <summary>No attributes.</summary>
    public static AttributeSet Empty => default;

    /// <summary>How many are in it.</summary>
    public int Count => (int)UInt128.PopCount(bits);

    /// <summary>Whether none is in it.</summary>
    public bool IsEmpty => bits == UInt128.Zero;

    /// <summary>The attribute with this number alone.</summary>
    public static AttributeSet Of(int attribute) => new(UInt128.One << attribute);

    /// <summary>These attributes.</summary>
    public static AttributeSet Of(IEnumerable<int> attributes) =>
        attributes.Aggregate(Empty, (set, attribute) => set | Of(attribute));

    /// <summary>The first so many attributes.</summary>
    public static AttributeSet First(int count) => count == Most ? new(UInt128.MaxValue) : new((UInt128.One << count) - 1);

    /// <summary>Whether an attribute is in it.</summary>
    public bool Contains(int attribute) => (bits >> attribute & UInt128.One) != UInt128.Zero;

    /// <summary>Whether all of it is in another.</summary>
    public bool IsSubsetOf(AttributeSet other) => (bits & ~other.bits) == UInt128.Zero;

    /// <summary>Whether all of it is in another that has more.</summary>
    public bool IsProperSubsetOf(AttributeSet other) => bits != other.bits && IsSubsetOf(other);

    /// <summary>Whether it shares an attribute with another.</summary>
    public bool Meets(AttributeSet other) => (bits & other.bits) != UInt128.Zero;

    /// <summary>What is in either.</summary>
    public static AttributeSet operator |(AttributeSet a, AttributeSet b) => new(a.bits | b.bits);

    /// <summary>What is in both.</summary>
    public static AttributeSet operator &(AttributeSet a, AttributeSet b) => new(a.bits & b.bits);

    /// <summary>What is in the first and not in the second.</summary>
    public static AttributeSet operator -(AttributeSet a, AttributeSet b) => new(a.bits & ~b.bits);

    /// <summary>The numbers in it, smallest first.</summary>
    public IEnumerator<int> GetEnumerator()
    {
        for (var rest = bits; rest != UInt128.Zero; rest &= rest - 1)
        {
            yield return (int)UInt128.TrailingZeroCount(rest);
        }
    }

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    /// <summary>Orders sets by how many they have, then by their numbers.</summary>
    public static int Compare(AttributeSet a, AttributeSet b) =>
        a.Count != b.Count ? a.Count.CompareTo(b.Count) : Reversed(b.bits ^ a.bits, a.bits);

    // The set with the smallest number that the other lacks comes first.
    private static int Reversed(UInt128 difference, UInt128 a) =>
        difference == UInt128.Zero ? 0
        : (a & (difference & (~difference + 1))) != UInt128.Zero ? -1
        : 1;
}
