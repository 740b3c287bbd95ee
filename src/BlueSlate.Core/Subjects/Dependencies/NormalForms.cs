namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>How far a relation is normalised.</summary>
public enum NormalForm
{
    First,
    Second,
    Third,
    BoyceCodd,
    Fourth,
}

/// <summary>The form of a relation.</summary>
/// <param name="Form">The highest that it is in.</param>
/// <param name="Against">The dependency that keeps it from the next; null where there is no next.</param>
/// <param name="Multivalued">Whether that is a multivalued one.</param>
public sealed record FormVerdict(NormalForm Form, Dependency? Against, bool Multivalued = false);

/// <summary>
/// The form of a relation, by every dependency implied on its attributes: partial is what a proper part of any candidate
/// key determines,
/// transitive what a set that is no superkey does, each of attributes that are in no key.
/// </summary>
public static class NormalForms
{
    /// <summary>The form of the relation on a part of the attributes; null where that is too much work to decide.</summary>
    public static FormVerdict? Of(AttributeSet part, DependencySet given)
    {
        if (Projection.On(part, given) is not { } cover)
        {
            return null;
        }

        var closure = new Closure(cover);
        var violations = cover.Where(dependency => !part.IsSubsetOf(closure.Of(dependency.From))).ToList();
        if (violations.Count == 0)
        {
            return given.Multivalued.IsEmpty ? new FormVerdict(NormalForm.BoyceCodd, null) : Fourth(part, given);
        }

        var keys = CandidateKeys.Of(part, cover);
        if (!keys.Complete)
        {
            return null;
        }

        if (Partial(keys, closure) is { } partial)
        {
            return new FormVerdict(NormalForm.First, partial);
        }

        return violations.Exists(dependency => !dependency.To.IsSubsetOf(keys.Prime))
            ? new FormVerdict(NormalForm.Second, violations.First(dependency => !dependency.To.IsSubsetOf(keys.Prime)))
            : new FormVerdict(NormalForm.Third, violations[0]);
    }

    private static Dependency? Partial(KeyList keys, Closure closure)
    {
        foreach (var key in keys.Keys)
        {
            foreach (var attribute in key)
            {
                var less = key - AttributeSet.Of(attribute);
                var partly = closure.Of(less) - less - keys.Prime;
                if (!partly.IsEmpty)
                {
                    return new Dependency(less, AttributeSet.Of(partly.First()));
                }
            }
        }

        return null;
    }

    private static FormVerdict? Fourth(AttributeSet part, DependencySet given) =>
        MultivaluedViolation(part, given, out var decided) is { } against ? new FormVerdict(NormalForm.BoyceCodd, against, true)
        : decided ? new FormVerdict(NormalForm.Fourth, null)
        : null;

    /// <summary>
    /// A multivalued dependency on a part whose determinant is no superkey of it, and whether the search was not too much
    /// work.
    /// </summary>
    internal static Dependency? MultivaluedViolation(AttributeSet part, DependencySet given, out bool decided)
    {
        decided = part.Count <= Projection.WidestSearch;
        foreach (var set in decided ? Projection.Subsets(part) : [])
        {
            var rest = part - set;
            foreach (var block in given.Implied.BasisOf(set).Select(block => block & part))
            {
                if (!block.IsEmpty && block != rest && !part.IsSubsetOf(given.Implied.ClosureOf(set)))
                {
                    return new Dependency(set, block);
                }
            }
        }

        return null;
    }
}
