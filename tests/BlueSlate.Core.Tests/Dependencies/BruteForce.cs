using BlueSlate.Core.Subjects.Dependencies;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>
/// The same questions answered from the definitions, over two-row worlds and all subsets, slowly, and with no code of the
/// product but its
/// values. Sets are masks of bits here.
/// </summary>
internal sealed class BruteForce(int width, (int From, int To)[] functional)
{
    public int All { get; } = (1 << width) - 1;

    /// <summary>
    /// What a set determines: by the definition, an attribute is determined when it agrees in each pair of rows that agrees
    /// on the set and
    /// breaks no dependency; of such pairs, only where they agree matters.
    /// </summary>
    public int Closure(int set)
    {
        var agreed = All;
        for (var where = 0; where <= All; where++)
        {
            if ((set & ~where) == 0 && Array.TrueForAll(functional, one => (one.From & ~where) != 0 || (one.To & ~where) == 0))
            {
                agreed &= where;
            }
        }

        return agreed;
    }

    public IEnumerable<int> Keys(int part) =>
        SubsetsOf(part)
            .Where(set => (part & ~Closure(set)) == 0)
            .Where(set => Bits(set).All(bit => (part & ~Closure(set & ~bit)) != 0));

    /// <summary>The form by all dependencies that are implied on a part.</summary>
    public NormalForm Form(int part)
    {
        var keys = Keys(part).ToList();
        var prime = keys.Aggregate(0, (all, key) => all | key);
        bool IsSuper(int set) => (part & ~Closure(set)) == 0;
        var implied = SubsetsOf(part)
            .SelectMany(set => Bits(Closure(set) & part & ~set).Select(bit => (From: set, To: bit)))
            .Where(one => !IsSuper(one.From))
            .ToList();
        return implied.Count == 0 ? NormalForm.BoyceCodd
            : implied.TrueForAll(one => (one.To & prime) != 0) ? NormalForm.Third
            : implied.Exists(one => (one.To & prime) == 0 && keys.Exists(key => (one.From & ~key) == 0 && one.From != key))
                ? NormalForm.First
            : NormalForm.Second;
    }

    /// <summary>
    /// Whether parts join to nothing that was not there, in every table of two values and at most four rows that keeps the
    /// dependencies. A
    /// decomposition that fails, fails in the table that the definition's own tableau gives; here that is built by
    /// substitution.
    /// </summary>
    public bool Joins(int[] parts)
    {
        var rows = parts
            .Select(
                (part, i) => Enumerable.Range(0, width).Select(at => (part >> at & 1) == 1 ? 0 : 1 + (i * width) + at).ToArray()
            )
            .ToArray();
        for (var changed = true; changed; )
        {
            changed = false;
            foreach (var (from, to) in functional)
            {
                foreach (var a in rows)
                {
                    foreach (var b in rows.Where(b => Bits(from).All(bit => a[IndexOf(bit)] == b[IndexOf(bit)])))
                    {
                        foreach (var at in Bits(to).Select(IndexOf).Where(at => a[at] != b[at]))
                        {
                            var (low, high) = (Math.Min(a[at], b[at]), Math.Max(a[at], b[at]));
                            foreach (var row in rows.Where(row => row[at] == high))
                            {
                                row[at] = low;
                            }

                            changed = true;
                        }
                    }
                }
            }
        }

        return rows.Any(row => row.All(cell => cell == 0));
    }

    /// <summary>Whether a dependency follows from all that is implied within single parts.</summary>
    public bool Kept((int From, int To) dependency, int[] parts)
    {
        var within = parts.SelectMany(part => SubsetsOf(part).Select(set => (set, Closure(set) & part))).ToArray();
        return (dependency.To & ~new BruteForce(width, within).Closure(dependency.From)) == 0;
    }

    public static IEnumerable<int> SubsetsOf(int set)
    {
        for (var subset = set; ; subset = (subset - 1) & set)
        {
            yield return subset;
            if (subset == 0)
            {
                yield break;
            }
        }
    }

    public static IEnumerable<int> Bits(int set) => Enumerable.Range(0, 31).Select(at => 1 << at).Where(bit => (set & bit) != 0);

    public static int IndexOf(int bit) => System.Numerics.BitOperations.TrailingZeroCount(bit);

    public static AttributeSet SetOf(int mask) => AttributeSet.Of(Bits(mask).Select(IndexOf));

    public static int MaskOf(AttributeSet set) => set.Aggregate(0, (mask, attribute) => mask | 1 << attribute);
}

/// <summary>Dependencies at random, few and many, with short determinants and long ones.</summary>
internal static class RandomDependencies
{
    public static readonly CsCheck.Gen<(int Width, (int From, int To)[] Functional)> Any = CsCheck.Gen.Select(
        CsCheck.Gen.Int[2, 7],
        CsCheck.Gen.Int[0, 9],
        CsCheck.Gen.Int[0, 1_000_000],
        (width, count, seed) => (width, Drawn(width, count, new Random(seed)))
    );

    public static DependencySet SetOf(int width, (int From, int To)[] functional) =>
        new(
            [.. Enumerable.Range(0, width).Select(at => ((char)('A' + at)).ToString())],
            [.. functional.Select(one => new Dependency(BruteForce.SetOf(one.From), BruteForce.SetOf(one.To)))],
            []
        );

    private static (int, int)[] Drawn(int width, int count, Random random) =>
        [
            .. Enumerable
                .Range(0, count)
                .Select(_ => (Few(width, random, random.Next(0, 4)), Few(width, random, random.Next(1, 3)))),
        ];

    private static int Few(int width, Random random, int count) =>
        Enumerable.Range(0, count).Aggregate(0, (mask, _) => mask | 1 << random.Next(width));
}
