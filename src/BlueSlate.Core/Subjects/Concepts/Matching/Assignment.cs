namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Assignment of least total cost: the Hungarian method in the form by shortest augmenting paths
/// (Kuhn 1955; Jonker and Volgenant 1987), in cubic time.
/// </summary>
internal static class Assignment
{
    /// <summary>
    /// For a matrix with at most as many rows as columns, the column of each row. Of equal costs, the lower column is taken.
    /// </summary>
    public static int[] Solve(double[,] cost) => Solve(cost, out _);

    /// <summary>
    /// The same, with what each pair costs more than the cheapest assignment if it is taken instead (reduced costs, none below
    /// 0).
    /// </summary>
    public static int[] Solve(double[,] cost, out double[,] reduced)
    {
        int rows = cost.GetLength(0),
            columns = cost.GetLength(1);
        var rowPotential = new double[rows + 1];
        var columnPotential = new double[columns + 1];
        var rowOf = new int[columns + 1];
        var previous = new int[columns + 1];
        for (var row = 1; row <= rows; row++)
        {
            rowOf[0] = row;
            var column = 0;
            var least = new double[columns + 1];
            Array.Fill(least, double.PositiveInfinity);
            var done = new bool[columns + 1];
            do
            {
                done[column] = true;
                var here = rowOf[column];
                var delta = double.PositiveInfinity;
                var next = 0;
                for (var j = 1; j <= columns; j++)
                {
                    if (done[j])
                    {
                        continue;
                    }

                    var left = cost[here - 1, j - 1] - rowPotential[here] - columnPotential[j];
                    if (left < least[j])
                    {
                        least[j] = left;
                        previous[j] = column;
                    }

                    if (least[j] < delta)
                    {
                        delta = least[j];
                        next = j;
                    }
                }

                for (var j = 0; j <= columns; j++)
                {
                    if (done[j])
                    {
                        rowPotential[rowOf[j]] += delta;
                        columnPotential[j] -= delta;
                    }
                    else
                    {
                        least[j] -= delta;
                    }
                }

                column = next;
            } while (rowOf[column] != 0);

            while (column != 0)
            {
                rowOf[column] = rowOf[previous[column]];
                column = previous[column];
            }
        }

        reduced = new double[rows, columns];
        for (var i = 0; i < rows; i++)
        {
            for (var j = 0; j < columns; j++)
            {
                reduced[i, j] = cost[i, j] - rowPotential[i + 1] - columnPotential[j + 1];
            }
        }

        var result = new int[rows];
        for (var j = 1; j <= columns; j++)
        {
            if (rowOf[j] > 0)
            {
                result[rowOf[j] - 1] = j - 1;
            }
        }

        return result;
    }
}
