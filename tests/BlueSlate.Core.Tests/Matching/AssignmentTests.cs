using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Matching;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Matching;

/// <summary>The assignment of least total cost, held against trying them all.</summary>
public sealed class AssignmentTests
{
    private static readonly Gen<(int Rows, int Columns, int[] Costs)> Matrices = Gen.Select(
        Gen.Int[1, 5],
        Gen.Int[0, 2],
        Gen.Int[0, 20].Array[35],
        (rows, more, costs) => (rows, rows + more, costs)
    );

    [Fact]
    public void No_other_assignment_costs_less() =>
        Matrices.Sample(drawn =>
        {
            var cost = Matrix(drawn.Rows, drawn.Columns, drawn.Costs);
            var found = Assignment.Solve(cost);
            found.ShouldBeUnique();
            CostOf(cost, found).ShouldBe(Cheapest(cost, 0, new bool[drawn.Columns]), 1e-9);
        });

    [Fact]
    public void A_row_more_dear_everywhere_changes_nothing() =>
        Matrices.Sample(drawn =>
        {
            var cost = Matrix(drawn.Rows, drawn.Columns, drawn.Costs);
            var before = CostOf(cost, Assignment.Solve(cost));
            for (var j = 0; j < drawn.Columns; j++)
            {
                cost[0, j] += 7;
            }

            CostOf(cost, Assignment.Solve(cost)).ShouldBe(before + 7, 1e-9);
        });

    [Fact]
    public void Nothing_to_assign_is_no_work() => Assignment.Solve(new double[0, 3]).ShouldBeEmpty();

    [Fact]
    public void Of_equal_costs_the_same_assignment_is_taken_every_time()
    {
        var cost = new double[4, 6];
        Assignment.Solve(cost).ShouldBe(Assignment.Solve(cost));
    }

    private static double[,] Matrix(int rows, int columns, int[] costs)
    {
        var cost = new double[rows, columns];
        for (var i = 0; i < rows * columns; i++)
        {
            cost[i / columns, i % columns] = costs[i];
        }

        return cost;
    }

    private static double CostOf(double[,] cost, int[] columns) => columns.Select((column, row) => cost[row, column]).Sum();

    private static double Cheapest(double[,] cost, int row, bool[] taken)
    {
        if (row == cost.GetLength(0))
        {
            return 0;
        }

        var best = double.PositiveInfinity;
        for (var j = 0; j < taken.Length; j++)
        {
            if (!taken[j])
            {
                taken[j] = true;
                best = Math.Min(best, cost[row, j] + Cheapest(cost, row + 1, taken));
                taken[j] = false;
            }
        }

        return best;
    }
}
