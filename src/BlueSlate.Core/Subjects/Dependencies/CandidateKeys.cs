using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>The candidate keys of a relation, and whether these are all of them.</summary>
public sealed record KeyList(ImmutableArray<AttributeSet> Keys, bool Complete)
{
    /// <summary>The attributes that are in a key.</summary>
    public AttributeSet Prime { get; } = Keys.Aggregate(AttributeSet.Empty, (all, key) => all | key);
}

/// <summary>
/// Candidate keys in time polynomial in their number (Lucchesi and Osborn, Candidate Keys for Relations, 1978): from each
/// key, each
/// dependency gives another superkey, which holds a key.
/// </summary>
public static class CandidateKeys
{
    /// <summary>How many keys are looked for before the search is given up.</summary>
    public const int Limit = 4096;

    /// <summary>The keys of the relation on these attributes, under a cover of the dependencies that hold on it.</summary>
    public static KeyList Of(AttributeSet attributes, IReadOnlyList<Dependency> cover, int limit = Limit)
    {
        var closure = new Closure(cover);
        List<AttributeSet> keys = [Minimise(attributes, attributes, closure)];
        var seen = new HashSet<AttributeSet>(keys);
        for (var i = 0; i < keys.Count; i++)
        {
            foreach (var dependency in cover)
            {
                var super = (dependency.From | (keys[i] - dependency.To)) & attributes;
                if (!dependency.To.Meets(keys[i]) || keys.Exists(key => key.IsSubsetOf(super)))
                {
                    continue;
                }

                var key = Minimise(super, attributes, closure);
                if (seen.Add(key))
                {
                    keys.Add(key);
                }

                if (keys.Count > limit)
                {
                    return new KeyList([.. keys.Take(limit)], false);
                }
            }
        }

        keys.Sort(AttributeSet.Compare);
        return new KeyList([.. keys], true);
    }

    private static AttributeSet Minimise(AttributeSet super, AttributeSet attributes, Closure closure)
    {
        foreach (var attribute in super)
        {
            var less = super - AttributeSet.Of(attribute);
            if (attributes.IsSubsetOf(closure.Of(less)))
            {
                super = less;
            }
        }

        return super;
    }
}
