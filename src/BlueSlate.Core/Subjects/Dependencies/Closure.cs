namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>
/// Closures of attribute sets under functional dependencies in time linear in their length (Beeri and Bernstein,
/// Computational Problems
/// Related to the Design of Normal Form Relational Schemas, 1979).
/// </summary>
public sealed class Closure
{
    private readonly Dependency[] dependencies;
    private readonly int[] sizes;
    private readonly int[][] byAttribute;
    private readonly AttributeSet always;

    /// <summary>Under these dependencies.</summary>
    public Closure(IEnumerable<Dependency> dependencies)
    {
        this.dependencies = [.. dependencies.Where(dependency => !dependency.IsTrivial)];
        sizes = [.. this.dependencies.Select(dependency => dependency.From.Count)];
        always = this
            .dependencies.Where(dependency => dependency.From.IsEmpty)
            .Aggregate(AttributeSet.Empty, (all, one) => all | one.To);
        var lists = new List<int>[AttributeSet.Most];
        for (var i = 0; i < this.dependencies.Length; i++)
        {
            foreach (var attribute in this.dependencies[i].From)
            {
                (lists[attribute] ??= []).Add(i);
            }
        }

        byAttribute = [.. lists.Select(list => list?.ToArray() ?? [])];
    }

    /// <summary>Everything that a set determines, itself included.</summary>
    public AttributeSet Of(AttributeSet set) => Of(set, null);

    /// <summary>The same, telling each dependency that added something, in the order in which they did.</summary>
    public AttributeSet Of(AttributeSet set, Action<Dependency, AttributeSet>? step)
    {
        var closure = set | always;
        if (step is not null && !always.IsSubsetOf(set))
        {
            step(new Dependency(AttributeSet.Empty, always), always - set);
        }

        Span<int> missing = stackalloc int[sizes.Length];
        sizes.CopyTo(missing);
        Span<int> queue = stackalloc int[AttributeSet.Most];
        var (head, tail) = (0, 0);
        foreach (var attribute in closure)
        {
            queue[tail++] = attribute;
        }

        while (head < tail)
        {
            foreach (var i in byAttribute[queue[head++]])
            {
                if (--missing[i] > 0)
                {
                    continue;
                }

                var added = dependencies[i].To - closure;
                if (added.IsEmpty)
                {
                    continue;
                }

                step?.Invoke(dependencies[i], added);
                closure |= added;
                foreach (var attribute in added)
                {
                    queue[tail++] = attribute;
                }
            }
        }

        return closure;
    }

    /// <summary>Whether a dependency is implied.</summary>
    public bool Implies(Dependency dependency) => dependency.To.IsSubsetOf(Of(dependency.From));
}
