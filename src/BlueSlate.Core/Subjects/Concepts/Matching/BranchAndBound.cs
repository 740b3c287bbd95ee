namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Proves that an assignment is the cheapest, or finds a cheaper one: branch and bound, depth first, with the bound of Gilmore
/// (1962) and Lawler (1963) for quadratic assignment: each choice by itself, with half of the best that each pair could save,
/// solved as a linear assignment. At the root it is raised by dual ascent: what the solution leaves over is moved into the
/// pairs and back, where it lifts others (Hahn and Grant 1998). What is decided counts in full. The search ends after so many
/// solved assignments, and then says how far the bound got.
/// </summary>
internal sealed class BranchAndBound
{
    /// <summary>How many assignments may be solved. A constant of the core's version, so that results repeat.</summary>
    public const int Budget = 2_500;

    /// <summary>More entities than anybody draws are bounded at the root only.</summary>
    private const int Deepest = 64;
    private const double Same = 1e-7;
    private const double Impossible = 1e6;

    /// <summary>
    /// How often the bound at the root may be raised, and how little a few rounds together must bring to be the last.
    /// </summary>
    private const int MostRounds = 200;
    private const int Patience = 8;
    private const double Worthwhile = 0.004;

    private readonly AssignmentCosts costs;
    private readonly int[] order;
    private readonly bool[,] possible;
    private int[] best;

    public BranchAndBound(AssignmentCosts costs, int[] start)
    {
        this.costs = costs;
        best = [.. start];
        Cost = costs.Of(start);
        possible = new bool[costs.Entities, costs.Choices];
        for (var i = 0; i < costs.Entities; i++)
        {
            for (var j = 0; j < costs.Choices; j++)
            {
                possible[i, j] = true;
            }
        }

        order = [.. Enumerable.Range(0, costs.Entities).OrderByDescending(i => costs.PairsOf(i).Count).ThenBy(i => i)];
    }

    /// <summary>The cheapest assignment found.</summary>
    public int[] Best => best;

    /// <summary>What it costs.</summary>
    public double Cost { get; private set; }

    /// <summary>What any assignment costs at least.</summary>
    public double LowerBound { get; private set; }

    /// <summary>How many assignments were solved.</summary>
    public int Solved { get; private set; }

    /// <summary>Whether nothing cheaper is possible.</summary>
    public bool IsProved => Cost - LowerBound <= Same;

    public BranchAndBound Run()
    {
        LowerBound = Math.Min(Cost, Exclude());
        if (!IsProved && costs.Entities <= Deepest)
        {
            var (map, decided, free) = Undecided();

            // What is left open at the end is the least of the bounds at which the search had to stop.
            LowerBound = Math.Min(Cost, Descend(map, decided, free, 0, LowerBound));
        }

        return this;
    }

    private (int[] Map, bool[] Decided, bool[] Free) Undecided()
    {
        var (map, free) = (new int[costs.Entities], new bool[costs.Choices]);
        Array.Fill(map, -1);
        Array.Fill(free, true);
        return (map, new bool[costs.Entities], free);
    }

    // Raises the bound at the root. Choices that would cost more than what is known go, which makes the bounds of the others
    // tighter.
    private double Exclude()
    {
        var bound = double.NegativeInfinity;
        var before = new Queue<double>();
        var (map, decided, free) = Undecided();
        PullAll();
        for (var round = 0; round < MostRounds; round++)
        {
            var sum = Bound(map, decided, free, out var reduced);
            bound = Math.Max(bound, sum);
            before.Enqueue(bound);
            var gone = Forget(sum, reduced);
            if (Cost - bound <= Same || (before.Count > Patience && bound - before.Dequeue() < Worthwhile && gone == 0))
            {
                break;
            }

            Raise(reduced);
        }

        return bound;
    }

    private int Forget(double sum, double[,] reduced)
    {
        var gone = 0;
        for (var i = 0; i < costs.Entities; i++)
        {
            for (var j = 0; j < costs.Choices; j++)
            {
                if (possible[i, j] && sum + reduced[i, j] > Cost + Same)
                {
                    possible[i, j] = false;
                    gone++;
                }
            }
        }

        return gone;
    }

    // The reduced costs are what no cheapest solution needs: the pairs can have them.
    private void Raise(double[,] reduced)
    {
        for (var i = 0; i < costs.Entities; i++)
        {
            for (var j = 0; j < costs.Choices; j++)
            {
                if (possible[i, j])
                {
                    costs.Push(i, j, reduced[i, j]);
                }
            }

            costs.Push(i, -1, Enumerable.Range(costs.Choices, costs.Entities).Min(column => reduced[i, column]));
        }

        PullAll();
    }

    private void PullAll()
    {
        for (var i = 0; i < costs.Entities; i++)
        {
            foreach (var pair in costs.PairsOf(i).Where(pair => pair.First == i))
            {
                costs.Pull(pair, possible);
            }
        }
    }

    // What solves a bound may be better than what is known.
    private void Try(int[] whole)
    {
        var cost = costs.Of(whole);
        if (cost < Cost - Same)
        {
            (Cost, best) = (cost, whole);
        }
    }

    // The least that anything beneath this node can cost, as far as it was looked at.
    private double Descend(int[] map, bool[] decided, bool[] free, int depth, double bound)
    {
        if (depth == order.Length)
        {
            return costs.Of(map);
        }

        var entity = order[depth];
        var open = double.PositiveInfinity;
        foreach (var choice in Choices(entity, map, decided, free))
        {
            if (Solved >= Budget)
            {
                return Math.Min(open, bound);
            }

            Set(map, decided, free, entity, choice);
            var beneath = Bound(map, decided, free, out _);
            open = Math.Min(open, beneath >= Cost - Same ? beneath : Descend(map, decided, free, depth + 1, beneath));
            Unset(map, decided, free, entity, choice);
        }

        return open;
    }

    // Cheapest by itself first.
    private List<int> Choices(int entity, int[] map, bool[] decided, bool[] free)
    {
        var choices = new List<(double Cost, int Choice)> { (Alone(entity, -1, map, decided), -1) };
        for (var j = 0; j < costs.Choices; j++)
        {
            if (free[j] && possible[entity, j])
            {
                choices.Add((Alone(entity, j, map, decided), j));
            }
        }

        choices.Sort();
        return choices.ConvertAll(choice => choice.Choice);
    }

    private static void Set(int[] map, bool[] decided, bool[] free, int entity, int choice)
    {
        (map[entity], decided[entity]) = (choice, true);
        if (choice >= 0)
        {
            free[choice] = false;
        }
    }

    private static void Unset(int[] map, bool[] decided, bool[] free, int entity, int choice)
    {
        (map[entity], decided[entity]) = (-1, false);
        if (choice >= 0)
        {
            free[choice] = true;
        }
    }

    // A choice with all that it saves with what is decided, and half of the best with what is not.
    private double Alone(int entity, int choice, int[] map, bool[] decided)
    {
        var cost = costs.Own(entity, choice);
        foreach (var pair in costs.PairsOf(entity))
        {
            var other = pair.Other(entity);
            cost += decided[other]
                ? pair.First == entity
                    ? pair.Of(choice, map[other])
                    : pair.Of(map[other], choice)
                : pair.Least(entity, choice) / 2;
        }

        return cost;
    }

    // Reduced costs are those of the undecided entities, in their order, over the free choices in theirs.
    private double Bound(int[] map, bool[] decided, bool[] free, out double[,] reduced)
    {
        Solved++;
        var open = Enumerable.Range(0, costs.Entities).Where(i => !decided[i]).ToList();
        var choices = Enumerable.Range(0, costs.Choices).Where(j => free[j]).ToList();
        var sum = costs.Fixed;
        for (var i = 0; i < costs.Entities; i++)
        {
            if (decided[i])
            {
                sum += costs.Own(i, map[i]);
                foreach (var pair in costs.PairsOf(i))
                {
                    sum += pair.First == i && decided[pair.Second] ? pair.Of(map[i], map[pair.Second]) : 0;
                }
            }
        }

        if (open.Count == 0)
        {
            reduced = new double[0, 0];
            return sum;
        }

        var matrix = new double[open.Count, choices.Count + open.Count];
        for (var row = 0; row < open.Count; row++)
        {
            for (var column = 0; column < choices.Count; column++)
            {
                matrix[row, column] = possible[open[row], choices[column]]
                    ? Alone(open[row], choices[column], map, decided)
                    : Impossible;
            }

            var none = Alone(open[row], -1, map, decided);
            for (var column = choices.Count; column < choices.Count + open.Count; column++)
            {
                matrix[row, column] = none;
            }
        }

        var whole = new int[map.Length];
        map.CopyTo(whole, 0);
        var solution = Assignment.Solve(matrix, out reduced);
        for (var row = 0; row < open.Count; row++)
        {
            sum += matrix[row, solution[row]];
            whole[open[row]] = solution[row] < choices.Count ? choices[solution[row]] : -1;
        }

        Try(whole);
        return sum;
    }
}
