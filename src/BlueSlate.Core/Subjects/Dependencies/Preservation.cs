using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>
/// Which of the given functional dependencies a decomposition loses: those that do not follow from what holds on its parts.
/// Tested without
/// projecting (Beeri and Honeyman, Preserving Functional Dependencies, 1981).
/// </summary>
public static class Preservation
{
    /// <summary>The given dependencies that are lost.</summary>
    public static ImmutableArray<Dependency> Lost(IReadOnlyList<AttributeSet> parts, DependencySet given) =>
        [.. given.Functional.Where(dependency => !dependency.To.IsSubsetOf(Reached(dependency.From, parts, given)))];

    /// <summary>What a set determines by dependencies that can be seen within single parts.</summary>
    public static AttributeSet Reached(AttributeSet set, IReadOnlyList<AttributeSet> parts, DependencySet given)
    {
        for (var before = AttributeSet.Empty; ; before = set)
        {
            foreach (var part in parts)
            {
                set |= given.Implied.ClosureOf(set & part) & part;
            }

            if (set == before)
            {
                return set;
            }
        }
    }
}
