using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>Two rows that agree on a determinant and not on what it determines.</summary>
/// <param name="First">The first row, from 0.</param>
/// <param name="Second">The second.</param>
/// <param name="Broken">What they break.</param>
internal readonly record struct RowConflict(int First, int Second, Dependency Broken)
{
    /// <summary>
    /// What rows break of what is given, though some of their values are left open: the chase of a tableau with constants (Aho, Beeri and
    /// Ullman, The Theory of Joins in Relational Databases, 1979). An open value may be anything that keeps what is given.
    /// </summary>
    /// <param name="rows">For each row a value an attribute; null where it is left open.</param>
    /// <param name="given">
    /// What is to be kept. Multivalued dependencies are looked at only where nothing is left open in any row.
    /// </param>
    /// <returns>The first conflict; null where there is none.</returns>
    public static RowConflict? In(ImmutableArray<ImmutableArray<string?>> rows, DependencySet given) =>
        BetweenTwo(rows, given) ?? new Cells(rows, given.Attributes.Length).Chase(given.Functional) ?? Unexchanged(rows, given);

    // What two rows say by themselves is said with the smallest determinant.
    private static RowConflict? BetweenTwo(ImmutableArray<ImmutableArray<string?>> rows, DependencySet given)
    {
        for (var second = 1; second < rows.Length; second++)
        {
            for (var first = 0; first < second; first++)
            {
                var (one, other) = (rows[first], rows[second]);
                bool IsKnown(int i) => one[i] is not null && other[i] is not null;
                var agree = AttributeSet.Of(given.All.Where(i => IsKnown(i) && one[i] == other[i]));
                var differ = AttributeSet.Of(given.All.Where(i => IsKnown(i) && one[i] != other[i]));
                var broken = given.Implied.ClosureOf(agree) & differ;
                if (!broken.IsEmpty)
                {
                    var to = AttributeSet.Of(broken.First());
                    var from = agree
                        .Reverse()
                        .Aggregate(agree, (less, i) =>
                            to.IsSubsetOf(given.Implied.ClosureOf(less - AttributeSet.Of(i))) ? less - AttributeSet.Of(i) : less
                        );
                    return new RowConflict(first, second, new Dependency(from, to));
                }
            }
        }

        return null;
    }

    private static RowConflict? Unexchanged(ImmutableArray<ImmutableArray<string?>> rows, DependencySet given)
    {
        if (rows.Any(row => given.All.Any(i => row[i] is null)))
        {
            return null;
        }

        foreach (var several in given.Multivalued)
        {
            for (var first = 0; first < rows.Length; first++)
            {
                for (var second = 0; second < rows.Length; second++)
                {
                    var (one, other) = (rows[first], rows[second]);
                    bool IsExchanged(ImmutableArray<string?> row) =>
                        given.All.All(i => row[i] == ((several.From | several.To).Contains(i) ? one : other)[i]);
                    if (several.From.All(i => one[i] == other[i]) && !rows.Any(IsExchanged))
                    {
                        return new RowConflict(first, second, several);
                    }
                }
            }
        }

        return null;
    }

    /// <summary>The cells of rows, those that must be equal joined.</summary>
    private sealed class Cells
    {
        private readonly int width;
        private readonly int count;
        private readonly int[] parent;
        private readonly string?[] value;

        public Cells(ImmutableArray<ImmutableArray<string?>> rows, int width)
        {
            (this.width, count) = (width, rows.Length);
            parent = [.. Enumerable.Range(0, width * count)];
            value = new string?[width * count];
            for (var row = 0; row < count; row++)
            {
                for (var i = 0; i < width; i++)
                {
                    value[Cell(row, i)] = rows[row][i];
                    var known = Enumerable
                        .Range(0, row)
                        .Where(before => rows[row][i] is not null && rows[before][i] == rows[row][i]);
                    foreach (var before in known.Take(1))
                    {
                        parent[Cell(row, i)] = Root(Cell(before, i));
                    }
                }
            }
        }

        public RowConflict? Chase(ImmutableArray<Dependency> functional)
        {
            for (var changed = true; changed; )
            {
                changed = false;
                foreach (var dependency in functional)
                {
                    for (var second = 1; second < count; second++)
                    {
                        for (var first = 0; first < second; first++)
                        {
                            if (!dependency.From.All(i => Root(Cell(first, i)) == Root(Cell(second, i))))
                            {
                                continue;
                            }

                            foreach (var i in dependency.To)
                            {
                                var (one, other) = (Root(Cell(first, i)), Root(Cell(second, i)));
                                if (one == other)
                                {
                                    continue;
                                }

                                if (value[one] is not null && value[other] is not null)
                                {
                                    return new RowConflict(first, second, dependency with { To = AttributeSet.Of(i) });
                                }

                                parent[other] = one;
                                value[one] ??= value[other];
                                changed = true;
                            }
                        }
                    }
                }
            }

            return null;
        }

        private int Cell(int row, int attribute) => (row * width) + attribute;

        private int Root(int cell)
        {
            while (parent[cell] != cell)
            {
                cell = parent[cell];
            }

            return cell;
        }
    }
}
