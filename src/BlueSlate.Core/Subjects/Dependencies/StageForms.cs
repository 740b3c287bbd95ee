using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>What keeps a table from a form.</summary>
/// <param name="From">What determines and is no key of it.</param>
/// <param name="To">What it determines there and may not.</param>
/// <param name="IsPartial">Whether it is only a part of a candidate key.</param>
/// <param name="IsMultivalued">Whether it determines a set of values.</param>
public sealed record AgainstForm(AttributeSet From, AttributeSet To, bool IsPartial, bool IsMultivalued);

/// <summary>The form of several tables together, and everything that keeps one of them from a form.</summary>
public static class StageForms
{
    /// <summary>The lowest form of these tables; null where one is too much work to decide.</summary>
    public static NormalForm? Of(IEnumerable<AttributeSet> parts, DependencySet given)
    {
        NormalForm? lowest = given.Multivalued.IsEmpty ? NormalForm.BoyceCodd : NormalForm.Fourth;
        foreach (var part in parts)
        {
            lowest =
                NormalForms.Of(part & given.All, given)?.Form is { } form && lowest is { } least
                    ? (NormalForm)Math.Min((int)form, (int)least)
                    : null;
        }

        return lowest;
    }

    /// <summary>
    /// Everything that keeps a table from a form, by its determinants: those that the projected cover has on its left sides, each with all
    /// that it determines in the table and may not.
    /// </summary>
    public static ImmutableArray<AgainstForm> Against(AttributeSet part, NormalForm form, DependencySet given)
    {
        if (Projection.On(part, given) is not { } cover)
        {
            return [];
        }

        var closure = new Closure(cover);
        var keys = CandidateKeys.Of(part, cover);
        var found = new List<AgainstForm>();
        foreach (var from in cover.Select(dependency => dependency.From).Concat(Parts(keys, closure)).Distinct())
        {
            var all = closure.Of(from) & part;
            var to = all - from - (form < NormalForm.BoyceCodd ? keys.Prime : AttributeSet.Empty);
            // Of what is in a key itself, a part of a key is a determinant like any other.
            var isPartial = keys.Keys.Any(from.IsProperSubsetOf) && !(to - keys.Prime).IsEmpty;
            if (all != part && !to.IsEmpty && (isPartial ? form >= NormalForm.Second : form >= NormalForm.Third))
            {
                found.Add(new AgainstForm(from, to, isPartial, false));
            }
        }

        if (found.Count == 0 && form == NormalForm.Fourth && NormalForms.MultivaluedViolation(part, given, out _) is { } several)
        {
            found.Add(new AgainstForm(several.From, several.To, false, true));
        }

        return WithoutLarger(found);
    }

    /// <summary>Whether a set determines every attribute of a table, or that table is a block of what it multidetermines.</summary>
    public static bool Determines(AttributeSet from, AttributeSet table, DependencySet given, bool multivalued = false) =>
        table.IsSubsetOf(given.Implied.ClosureOf(from))
        || (
            multivalued
            && given
                .Implied.BasisOf(from)
                .Aggregate(true, (whole, block) => whole && (!block.Meets(table) || block.IsSubsetOf(table)))
        );

    /// <summary>
    /// The tables, by their numbers, without which these are as good: in another altogether, or one with an earlier of an equivalent key.
    /// </summary>
    public static ImmutableArray<int> Spare(ImmutableArray<AttributeSet> parts, DependencySet given)
    {
        var form = Of(parts, given);
        return
        [
            .. Enumerable
                .Range(0, parts.Length)
                .Where(i =>
                    parts.Where((part, j) => parts[i].IsSubsetOf(part) && (part != parts[i] ? j != i : j < i)).Any()
                    || parts.Take(i).Any(part => AreOne(part, parts[i], form, given))
                ),
        ];
    }

    /// <summary>Whether two tables have equivalent keys and would be one that is in a form.</summary>
    public static bool AreOne(AttributeSet one, AttributeSet other, NormalForm? form, DependencySet given) =>
        !(one & other).IsEmpty
        && (one | other).IsSubsetOf(given.Implied.ClosureOf(one & other))
        && Of([one | other], given) >= form;

    // Every largest part of a key, of which something depends though no left side is it.
    private static IEnumerable<AttributeSet> Parts(KeyList keys, Closure closure) =>
        from key in keys.Keys
        from attribute in key
        let less = key - AttributeSet.Of(attribute)
        where !less.IsEmpty && !closure.Of(less).IsSubsetOf(less | keys.Prime)
        select less;

    // What follows since a part of the determinant does is said by that part.
    private static ImmutableArray<AgainstForm> WithoutLarger(List<AgainstForm> found)
    {
        var kept = new List<AgainstForm>();
        foreach (var one in found.OrderBy(one => one.From.Count))
        {
            var to = kept.Where(smaller => smaller.From.IsSubsetOf(one.From))
                .Aggregate(one.To, (left, smaller) => left - smaller.To);
            if (!to.IsEmpty)
            {
                kept.Add(one with { To = to });
            }
        }

        return [.. kept];
    }
}
