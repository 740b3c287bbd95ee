using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>What the chase came to.</summary>
/// <param name="Lossless">Whether the parts join to what they came from; null where the search was given up.</param>
/// <param name="Tableau">The rows at the end, a number a cell, 0 where the value is the wanted one. Where it fails, it is
/// the counterexample.</param>
public sealed record ChaseResult(bool? Lossless, ImmutableArray<ImmutableArray<int>> Tableau);

/// <summary>
/// Whether a decomposition can be joined again without inventing rows: the chase of its tableau (Aho, Beeri and Ullman, The
/// Theory of Joins
/// in Relational Databases, 1979).
/// </summary>
public static class Chase
{
    /// <summary>How many rows a tableau may have before the chase is given up.</summary>
    public const int Limit = 2000;

    /// <summary>Chases the tableau of these parts.</summary>
    public static ChaseResult Of(IReadOnlyList<AttributeSet> parts, DependencySet given)
    {
        var width = given.Attributes.Length;
        var rows = parts
            .Select((part, i) => Enumerable.Range(0, width).Select(column => part.Contains(column) ? 0 : i + 1).ToArray())
            .ToList();
        for (var changed = true; changed; )
        {
            changed = given.Functional.Aggregate(false, (any, dependency) => Equate(rows, dependency) || any);
            foreach (var dependency in given.Multivalued)
            {
                changed |= Exchange(rows, dependency, width);
                if (rows.Count > Limit)
                {
                    return new ChaseResult(null, Frozen(rows));
                }
            }
        }

        return new ChaseResult(rows.Exists(row => given.All.All(column => row[column] == 0)), Frozen(rows));
    }

    // Rows that agree on the determinant agree on what it determines.
    private static bool Equate(List<int[]> rows, Dependency dependency)
    {
        var changed = false;
        foreach (var group in rows.GroupBy(row => string.Join(',', dependency.From.Select(column => row[column]))))
        {
            foreach (var column in dependency.To)
            {
                var values = group.Select(row => row[column]).Distinct().ToList();
                if (values.Count == 1)
                {
                    continue;
                }

                var least = values.Min();
                foreach (var row in rows.Where(row => values.Contains(row[column])))
                {
                    row[column] = least;
                }

                changed = true;
            }
        }

        return changed;
    }

    // Of two rows that agree on the determinant there is one with the first's values and the other's rest.
    private static bool Exchange(List<int[]> rows, Dependency dependency, int width)
    {
        var known = rows.Select(row => string.Join(',', row)).ToHashSet(StringComparer.Ordinal);
        var before = rows.Count;
        foreach (var group in rows.GroupBy(row => string.Join(',', dependency.From.Select(column => row[column]))).ToList())
        {
            foreach (var first in group.ToList())
            {
                foreach (var second in group.ToList())
                {
                    int[] mixed =
                    [
                        .. Enumerable
                            .Range(0, width)
                            .Select(column =>
                                dependency.From.Contains(column) || dependency.To.Contains(column)
                                    ? first[column]
                                    : second[column]
                            ),
                    ];
                    if (known.Add(string.Join(',', mixed)))
                    {
                        rows.Add(mixed);
                    }
                }

                if (rows.Count > Limit)
                {
                    return true;
                }
            }
        }

        return rows.Count > before;
    }

    private static ImmutableArray<ImmutableArray<int>> Frozen(List<int[]> rows) =>
        [.. rows.Select(row => row.ToImmutableArray())];
}
