using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>
/// What the rows of a table do not contradict: minimal functional dependencies, and minimal sets on which no two rows
/// agree. Rows refute;
/// they prove nothing.
/// </summary>
public sealed record RowFindings(ImmutableArray<Dependency> Dependencies, ImmutableArray<AttributeSet> Unique, bool Complete);

/// <summary>
/// Finds them level by level over the sets of columns, by refining partitions of the rows (Huhtala, Kärkkäinen, Porkka and
/// Toivonen, TANE: An
/// Efficient Algorithm for Discovering Functional and Approximate Dependencies, 1999). A null in a determinant agrees with
/// nothing, in a
/// dependent with null only.
/// </summary>
public sealed class RowDependencies
{
    /// <summary>How many sets of columns are looked at before the search is given up.</summary>
    public const int Limit = 1_500_000;

    private readonly int[][] columns;
    private readonly bool[] hasNulls;
    private readonly int rows;
    private readonly int[] counts;
    private readonly int[]?[] groups;
    private readonly List<Dependency> found = [];
    private readonly List<AttributeSet> unique = [];

    private RowDependencies(int[][] columns, int rows)
    {
        this.columns = columns;
        this.rows = rows;
        hasNulls = [.. columns.Select(column => Array.Exists(column, value => value == Null))];
        var codes = columns.SelectMany(column => column).DefaultIfEmpty(0).Max() + 2;
        (counts, groups) = (new int[codes], new int[]?[codes]);
    }

    private const int Null = -1;

    /// <summary>
    /// Looks through rows of cells; a null is a missing value. With <paramref name="nullsEqual"/> nulls agree with each
    /// other everywhere.
    /// </summary>
    public static RowFindings Of(IReadOnlyList<IReadOnlyList<string?>> table, int width, bool nullsEqual = false)
    {
        int[] Coded(int column)
        {
            var codes = new Dictionary<string, int>(StringComparer.Ordinal);
            return [.. table.Select(row => Code(row[column], codes, nullsEqual))];
        }

        return new RowDependencies([.. Enumerable.Range(0, width).Select(Coded)], table.Count).Search();
    }

    private static int Code(string? value, Dictionary<string, int> codes, bool nullsEqual)
    {
        if (value is null)
        {
            return nullsEqual ? 0 : Null;
        }

        if (!codes.TryGetValue(value, out var code))
        {
            codes[value] = code = codes.Count + 1;
        }

        return code;
    }

    /// <summary>
    /// A set of columns: the classes of two rows and more that agree on it, and what may still depend on what is in it.
    /// </summary>
    private sealed class Node(AttributeSet set, int[][] classes)
    {
        public AttributeSet Set => set;

        public int[][] Classes => classes;

        public AttributeSet Candidates { get; set; }

        public bool IsUnique => classes.Length == 0;

        /// <summary>How many rows had to go for the set to be unique.</summary>
        public int Excess { get; } = classes.Sum(rowsOfClass => rowsOfClass.Length - 1);
    }

    private RowFindings Search()
    {
        var all = AttributeSet.First(columns.Length);
        var repeated = HasDuplicates();
        var below = new Dictionary<AttributeSet, Node>
        {
            [AttributeSet.Empty] = new(
                AttributeSet.Empty,
                rows > 1
                    ?
                    [
                        [.. Enumerable.Range(0, rows)],
                    ]
                    : []
            )
            {
                Candidates = all,
            },
        };
        if (rows <= 1)
        {
            unique.Add(AttributeSet.Empty);
        }

        List<Node> level =
        [
            .. Enumerable
                .Range(0, columns.Length)
                .Select(column => new Node(AttributeSet.Of(column), Refine(below[AttributeSet.Empty].Classes, column))
                {
                    Candidates = all,
                }),
        ];
        var (seen, complete) = (0, true);
        while (level.Count > 0 && complete)
        {
            foreach (var node in level)
            {
                Examine(node, below, all);
                if (node.IsUnique && !repeated && !unique.Exists(other => other.IsSubsetOf(node.Set)))
                {
                    unique.Add(node.Set);
                }
            }

            below = level.Where(IsOpen).ToDictionary(node => node.Set);
            seen += below.Count;
            complete = seen <= Limit;
            level = complete ? Next(below) : [];
        }

        found.Sort(
            (a, b) => AttributeSet.Compare(a.From, b.From) is var order and not 0 ? order : AttributeSet.Compare(a.To, b.To)
        );
        unique.Sort(AttributeSet.Compare);
        return new RowFindings([.. found], [.. unique], complete);
    }

    // Which of its columns depend on the others, and, where no two rows agree on it, which other columns depend on it.
    private void Examine(Node node, Dictionary<AttributeSet, Node> below, AttributeSet all)
    {
        foreach (var column in node.Set & node.Candidates)
        {
            var less = below[node.Set - AttributeSet.Of(column)];
            // Without nulls the column splits no class exactly where as many rows are too many as before.
            if (hasNulls[column] ? Holds(less, column) : less.Excess == node.Excess)
            {
                found.Add(new Dependency(less.Set, AttributeSet.Of(column)));
                node.Candidates -= AttributeSet.Of(column);
                // What depends on all of it depends on less: but not where nulls in the column agree with nothing.
                node.Candidates -= hasNulls[column] ? AttributeSet.Empty : all - node.Set;
            }
        }

        foreach (var column in node.IsUnique ? node.Candidates - node.Set : AttributeSet.Empty)
        {
            if (!node.Set.Any(other => Holds(below[node.Set - AttributeSet.Of(other)], column)))
            {
                found.Add(new Dependency(node.Set, AttributeSet.Of(column)));
            }

            node.Candidates -= AttributeSet.Of(column);
        }
    }

    // Above a unique set there is nothing to find, unless a null in it agrees with nothing.
    private bool IsOpen(Node node) => !node.Candidates.IsEmpty && (!node.IsUnique || node.Set.Any(column => hasNulls[column]));

    private bool Holds(Node determinant, int column)
    {
        var values = columns[column];
        foreach (var rowsOfClass in determinant.Classes)
        {
            var first = values[rowsOfClass[0]];
            foreach (var row in rowsOfClass)
            {
                if (values[row] != first)
                {
                    return false;
                }
            }
        }

        return true;
    }

    // What may still depend on what is in a set; nothing where one of its subsets is no longer open.
    private static AttributeSet CandidatesOf(AttributeSet set, Dictionary<AttributeSet, Node> below)
    {
        var candidates = AttributeSet.First(AttributeSet.Most);
        foreach (var column in set)
        {
            if (!below.TryGetValue(set - AttributeSet.Of(column), out var node))
            {
                return AttributeSet.Empty;
            }

            candidates &= node.Candidates;
        }

        return candidates;
    }

    // Sets one larger, each of whose subsets is still open.
    private List<Node> Next(Dictionary<AttributeSet, Node> level)
    {
        var next = new List<Node>();
        foreach (var group in level.Keys.GroupBy(set => set - AttributeSet.Of(set.Last())))
        {
            var sets = group.OrderBy(set => set.Last()).ToList();
            for (var i = 0; i < sets.Count; i++)
            {
                foreach (var other in sets.Skip(i + 1))
                {
                    var union = sets[i] | other;
                    // What nothing can be found in is not even looked at.
                    if (CandidatesOf(union, level) is { IsEmpty: false } candidates)
                    {
                        next.Add(new Node(union, Refine(level[sets[i]].Classes, other.Last())) { Candidates = candidates });
                    }
                }
            }
        }

        return next;
    }

    // The classes split by one more column; rows with a null in it agree with no other. Counted first, so that each class
    // has its very size.
    private int[][] Refine(int[][] classes, int column)
    {
        var values = columns[column];
        var refined = new List<int[]>();
        foreach (var rowsOfClass in classes)
        {
            foreach (var row in rowsOfClass)
            {
                counts[values[row] + 1]++;
            }

            counts[Null + 1] = 0;
            foreach (var row in rowsOfClass)
            {
                var code = values[row] + 1;
                if (counts[code] > 1)
                {
                    groups[code] = new int[counts[code]];
                    refined.Add(groups[code]!);
                    counts[code] = -counts[code];
                }

                if (groups[code] is { } group)
                {
                    group[^-counts[code]++] = row;
                }
                else
                {
                    counts[code] = 0;
                }
            }

            foreach (var row in rowsOfClass)
            {
                groups[values[row] + 1] = null;
                counts[values[row] + 1] = 0;
            }
        }

        return [.. refined];
    }

    private bool HasDuplicates()
    {
        var known = new HashSet<string>(StringComparer.Ordinal);
        return Enumerable.Range(0, rows).Any(row => !known.Add(string.Join(',', columns.Select(column => column[row]))));
    }
}
