using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>Proposes relations in a normal form.</summary>
public static class Decomposition
{
    /// <summary>
    /// Relations in third normal form that lose nothing: one for each class of determinants of a minimal cover that determine each
    /// other, and one with a key where none of them holds one (Bernstein, Synthesizing Third Normal Form Relations from Functional
    /// Dependencies, 1976; the key relation by Biskup, Dayal and Bernstein, 1979).
    /// </summary>
    public static ImmutableArray<AttributeSet> Synthesis(DependencySet given)
    {
        var cover = MinimalCover.Of(given.Functional);
        var implied = new Closure(cover);
        var classes = cover.GroupBy(dependency => implied.Of(dependency.From)).Select(group => group.ToList()).ToList();
        // Between determinants that determine each other; with these, some of the others need not be said.
        var between = classes.ConvertAll(Between);
        var kept = WithoutImplied([.. cover.Except(between.SelectMany(one => one))], [.. between.SelectMany(one => one)]);
        var parts = classes
            .Select(group => group.Select(dependency => dependency.From).Aggregate((all, from) => all | from))
            .Select(
                (all, i) => kept.Where(dependency => classes[i].Contains(dependency)).Aggregate(all, (both, one) => both | one.To)
            )
            .ToList();
        if (!parts.Exists(part => given.All.IsSubsetOf(implied.Of(part))))
        {
            parts.Add(CandidateKeys.Of(given.All, cover, 1).Keys[0]);
        }

        return WithoutContained(parts);
    }

    private static List<Dependency> Between(List<Dependency> group)
    {
        var determinants = group.Select(dependency => dependency.From).Distinct().ToList();
        return
        [
            .. from one in determinants
            from other in determinants
            where one != other
            from attribute in other - one
            select new Dependency(one, AttributeSet.Of(attribute)),
        ];
    }

    private static List<Dependency> WithoutImplied(List<Dependency> dependencies, List<Dependency> besides)
    {
        foreach (var dependency in dependencies.ToList())
        {
            var others = dependencies.Where(other => other != dependency).ToList();
            if (new Closure(others.Concat(besides)).Implies(dependency))
            {
                dependencies = others;
            }
        }

        return dependencies;
    }

    /// <summary>
    /// Relations in Boyce-Codd normal form, or in fourth where multivalued dependencies are given, by splitting along what
    /// is against it. The
    /// join loses nothing; dependencies may be lost. Null where a part is too much work to decide.
    /// </summary>
    public static ImmutableArray<AttributeSet>? BySplitting(DependencySet given)
    {
        var done = new List<AttributeSet>();
        var open = new Stack<AttributeSet>([given.All]);
        while (open.TryPop(out var part))
        {
            if (Against(part, given, out var decided) is { } against)
            {
                open.Push(against.From | (part - against.To));
                open.Push(against.From | against.To);
            }
            else if (!decided)
            {
                return null;
            }
            else
            {
                done.Add(part);
            }
        }

        return WithoutContained(done);
    }

    private static Dependency? Against(AttributeSet part, DependencySet given, out bool decided)
    {
        decided = false;
        if (Projection.On(part, given) is not { } cover)
        {
            return null;
        }

        decided = true;
        var closure = new Closure(cover);
        foreach (var dependency in cover)
        {
            var all = closure.Of(dependency.From) & part;
            if (all != part)
            {
                return new Dependency(dependency.From, all - dependency.From);
            }
        }

        return given.Multivalued.IsEmpty ? null : NormalForms.MultivaluedViolation(part, given, out decided);
    }

    private static ImmutableArray<AttributeSet> WithoutContained(List<AttributeSet> parts)
    {
        var distinct = parts.Distinct().ToList();
        return [.. distinct.Where(part => !distinct.Exists(part.IsProperSubsetOf))];
    }
}
