using System.Numerics;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

/// <summary>
/// A linear program max Σ x over some unknowns, rows · x ≤ limit with limits of at least 0, x ≥ 0, solved exactly: the simplex
/// method on a tableau of integers with one common denominator (Edmonds' integer-preserving pivots), by Bland's rule, so that
/// it ends.
/// </summary>
internal sealed class IntegerSimplex(int unknowns)
{
    private readonly List<(IReadOnlyDictionary<int, int> Row, int Limit)> rows = [];
    private readonly HashSet<int> wanted = [];
    private BigInteger[][] tableau = [];
    private int[] basis = [];

    /// <summary>Demands that a row is at most a limit of 0 or more.</summary>
    public void AtMost(IReadOnlyDictionary<int, int> row, int limit) => rows.Add((row, limit));

    /// <summary>Adds an unknown to the sum that is made greatest.</summary>
    public void Maximise(int unknown) => wanted.Add(unknown);

    /// <summary>Whether an unknown is more than 0 in the solution.</summary>
    public bool IsPositive(int unknown) => Array.IndexOf(basis, unknown) is >= 0 and var row && !tableau[row][^1].IsZero;

    /// <summary>Finds the solution.</summary>
    public void Solve()
    {
        var width = unknowns + rows.Count + 1;
        tableau = new BigInteger[rows.Count + 1][];
        basis = new int[rows.Count];
        for (var i = 0; i < rows.Count; i++)
        {
            tableau[i] = new BigInteger[width];
            foreach (var (unknown, factor) in rows[i].Row)
            {
                tableau[i][unknown] = factor;
            }

            tableau[i][unknowns + i] = 1;
            tableau[i][^1] = rows[i].Limit;
            basis[i] = unknowns + i;
        }

        var goal = tableau[^1] = new BigInteger[width];
        foreach (var unknown in wanted)
        {
            goal[unknown] = -1;
        }

        var denominator = BigInteger.One;
        while (Array.FindIndex(goal, 0, width - 1, factor => factor.Sign < 0) is >= 0 and var column)
        {
            var row = Leaving(column);
            Pivot(row, column, denominator);
            denominator = tableau[row][column];
            basis[row] = column;
        }
    }

    // The row of the least ratio; of equals the one whose unknown comes first. The sum is bounded, so that there is one.
    private int Leaving(int column)
    {
        var best = -1;
        for (var i = 0; i < basis.Length; i++)
        {
            if (tableau[i][column].Sign <= 0)
            {
                continue;
            }

            var order =
                best < 0 ? -1 : (tableau[i][^1] * tableau[best][column]).CompareTo(tableau[best][^1] * tableau[i][column]);
            if (order < 0 || (order == 0 && basis[i] < basis[best]))
            {
                best = i;
            }
        }

        return best >= 0 ? best : throw new InvalidOperationException("The sum has no greatest value.");
    }

    private void Pivot(int row, int column, BigInteger denominator)
    {
        var (line, pivot) = (tableau[row], tableau[row][column]);
        for (var i = 0; i < tableau.Length; i++)
        {
            if (i == row)
            {
                continue;
            }

            var (other, factor) = (tableau[i], tableau[i][column]);
            if (factor.IsZero)
            {
                if (pivot != denominator)
                {
                    for (var j = 0; j < other.Length; j++)
                    {
                        if (!other[j].IsZero)
                        {
                            other[j] = other[j] * pivot / denominator;
                        }
                    }
                }

                continue;
            }

            for (var j = 0; j < other.Length; j++)
            {
                if (!other[j].IsZero || !line[j].IsZero)
                {
                    other[j] = ((other[j] * pivot) - (factor * line[j])) / denominator;
                }
            }
        }
    }
}
