using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>The functional dependencies that hold on a part of the attributes.</summary>
public static class Projection
{
    /// <summary>How many dependencies a cover on the way may have, and how many attributes a search by subsets.</summary>
    public const int Limit = 4000;

    /// <summary>See <see cref="Limit"/>.</summary>
    public const int WidestSearch = 16;

    /// <summary>A minimal cover of what is implied on a part; null where that is too much work.</summary>
    public static ImmutableArray<Dependency>? On(AttributeSet part, DependencySet given) =>
        given.Multivalued.IsEmpty ? ByResolution(part, given) : BySubsets(part, given);

    /// <summary>
    /// Attributes that are not in the part are eliminated one by one: whoever determines one takes its place on left sides
    /// (Gottlob,
    /// Computing Covers for Embedded Functional Dependencies, 1987).
    /// </summary>
    private static ImmutableArray<Dependency>? ByResolution(AttributeSet part, DependencySet given)
    {
        var cover = MinimalCover.Of(given.Functional);
        // Those that come up least often first, so that the cover stays small.
        foreach (var gone in (given.All - part).OrderBy(attribute => Mentions(attribute, cover)).ThenBy(attribute => attribute))
        {
            var into = cover.Where(dependency => dependency.To.Contains(gone)).ToList();
            var from = cover.Where(dependency => dependency.From.Contains(gone)).ToList();
            var next = cover.Where(dependency => !dependency.To.Contains(gone) && !dependency.From.Contains(gone)).ToList();
            foreach (var first in into)
            {
                next.AddRange(
                    from.Select(second => new Dependency(first.From | (second.From - AttributeSet.Of(gone)), second.To))
                        .Where(dependency => !dependency.IsTrivial)
                );
            }

            if (next.Count > Limit)
            {
                return null;
            }

            cover = MinimalCover.Of([.. next.Distinct()]);
        }

        return cover;
    }

    private static int Mentions(int attribute, ImmutableArray<Dependency> cover) =>
        cover.Count(dependency => dependency.To.Contains(attribute))
        * cover.Count(dependency => dependency.From.Contains(attribute));

    /// <summary>With multivalued dependencies: for each attribute the smallest sets that determine it, by size.</summary>
    private static ImmutableArray<Dependency>? BySubsets(AttributeSet part, DependencySet given)
    {
        if (part.Count > WidestSearch)
        {
            return null;
        }

        var found = new List<Dependency>();
        foreach (var set in Subsets(part))
        {
            var added = (given.Implied.ClosureOf(set) & part) - set;
            foreach (var attribute in added)
            {
                if (!found.Exists(other => other.To.Contains(attribute) && other.From.IsSubsetOf(set)))
                {
                    found.Add(new Dependency(set, AttributeSet.Of(attribute)));
                }
            }
        }

        return MinimalCover.Of(found);
    }

    /// <summary>All subsets, smaller ones first.</summary>
    internal static IEnumerable<AttributeSet> Subsets(AttributeSet set)
    {
        var attributes = set.ToArray();
        return Enumerable
            .Range(0, 1 << attributes.Length)
            .Select(bits => AttributeSet.Of(attributes.Where((_, i) => (bits >> i & 1) == 1)))
            .OrderBy(subset => subset.Count);
    }
}
