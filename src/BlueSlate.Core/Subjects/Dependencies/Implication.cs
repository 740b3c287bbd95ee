using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>
/// What functional and multivalued dependencies together imply. With multivalued ones by the dependency basis (Beeri, On
/// the Membership
/// Problem for Functional and Multivalued Dependencies in Relational Databases, 1980).
/// </summary>
public sealed class Implication
{
    private readonly DependencySet given;
    private readonly Closure closure;
    private readonly ImmutableArray<Dependency> multivalued;
    private readonly AttributeSet determined;

    internal Implication(DependencySet given)
    {
        this.given = given;
        closure = new Closure(given.Functional);
        determined = given.Functional.Aggregate(AttributeSet.Empty, (all, dependency) => all | (dependency.To - dependency.From));
        // For the basis each functional dependency counts as multivalued ones, to one attribute each.
        multivalued =
        [
            .. given.Multivalued,
            .. given.Functional.SelectMany(dependency =>
                dependency.To.Select(attribute => new Dependency(dependency.From, AttributeSet.Of(attribute)))
            ),
        ];
    }

    /// <summary>Everything that a set determines, itself included.</summary>
    public AttributeSet ClosureOf(AttributeSet set)
    {
        if (given.Multivalued.IsEmpty)
        {
            return closure.Of(set);
        }

        var single = BasisOf(set).Where(block => block.Count == 1).Aggregate(AttributeSet.Empty, (all, block) => all | block);
        return set | (single & determined);
    }

    /// <summary>The same under the functional dependencies alone, telling each that added something.</summary>
    public AttributeSet Follow(AttributeSet set, Action<Dependency, AttributeSet> step) => closure.Of(set, step);

    /// <summary>Whether a functional dependency is implied.</summary>
    public bool Implies(Dependency dependency) => dependency.To.IsSubsetOf(ClosureOf(dependency.From));

    /// <summary>Whether a multivalued dependency is implied: what it determines is a union of blocks of the basis.</summary>
    public bool ImpliesMultivalued(Dependency dependency)
    {
        var to = dependency.To - dependency.From;
        return BasisOf(dependency.From).All(block => !block.Meets(to) || block.IsSubsetOf(to));
    }

    /// <summary>
    /// The dependency basis of a set: the finest blocks of the other attributes of which each, and each union, depends on
    /// the set
    /// as a multivalued dependency says.
    /// </summary>
    public ImmutableArray<AttributeSet> BasisOf(AttributeSet set)
    {
        var rest = given.All - set;
        List<AttributeSet> blocks = rest.IsEmpty ? [] : [rest];
        for (var changed = true; changed; )
        {
            changed = false;
            foreach (var dependency in multivalued)
            {
                for (var i = 0; i < blocks.Count; i++)
                {
                    var block = blocks[i];
                    var inside = block & dependency.To;
                    if (dependency.From.Meets(block) || inside.IsEmpty || inside == block)
                    {
                        continue;
                    }

                    blocks[i] = inside;
                    blocks.Add(block - inside);
                    changed = true;
                }
            }
        }

        blocks.Sort(AttributeSet.Compare);
        return [.. blocks];
    }
}
