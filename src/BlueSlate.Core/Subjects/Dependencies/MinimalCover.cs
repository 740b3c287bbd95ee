using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>
/// A minimal cover: one attribute on each right side, no attribute too many on a left side, no dependency that follows from
/// the others.
/// There may be several; the one found depends on nothing but the order in which the dependencies are given.
/// </summary>
public static class MinimalCover
{
    /// <summary>A minimal cover of functional dependencies.</summary>
    public static ImmutableArray<Dependency> Of(IReadOnlyList<Dependency> dependencies)
    {
        var closure = new Closure(dependencies);
        var reduced = dependencies
            .SelectMany(dependency =>
                (dependency.To - dependency.From).Select(attribute =>
                    Reduced(new Dependency(dependency.From, AttributeSet.Of(attribute)), closure)
                )
            )
            .Distinct()
            .ToList();
        for (var i = 0; i < reduced.Count; )
        {
            if (FollowsFromOthers(reduced, i))
            {
                reduced.RemoveAt(i);
            }
            else
            {
                i++;
            }
        }

        return [.. reduced];
    }

    // A few passes over a short list are done before a closure in linear time has been set up.
    private static bool FollowsFromOthers(List<Dependency> all, int at)
    {
        var (from, to) = (all[at].From, all[at].To);
        for (var grows = true; grows; )
        {
            var before = from;
            for (var i = 0; i < all.Count; i++)
            {
                if (i != at && all[i].From.IsSubsetOf(from))
                {
                    from |= all[i].To;
                }
            }

            if (to.IsSubsetOf(from))
            {
                return true;
            }

            grows = from != before;
        }

        return false;
    }

    private static Dependency Reduced(Dependency dependency, Closure closure)
    {
        foreach (var attribute in dependency.From)
        {
            var less = dependency with { From = dependency.From - AttributeSet.Of(attribute) };
            if (closure.Implies(less))
            {
                dependency = less;
            }
        }

        return dependency;
    }
}
