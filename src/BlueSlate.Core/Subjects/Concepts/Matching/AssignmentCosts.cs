namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// The true cost of an assignment as a sum: what each entity's own choice costs, and what each pair of entities with something
/// between them saves, over the cost of everything missing and everything extra. A choice of −1 leaves an entity without a
/// counterpart. Costs may be moved between an entity and its pairs, which changes no assignment's sum, but what can be said of
/// all of them.
/// </summary>
internal sealed class AssignmentCosts
{
    private readonly double[,] own;
    private readonly List<Pair>[] pairsOf;

    public AssignmentCosts(int entities, int choices, double fixedCost)
    {
        (Entities, Choices, Fixed) = (entities, choices, fixedCost);
        own = new double[entities, choices + 1];
        pairsOf = new List<Pair>[entities];
        for (var i = 0; i < entities; i++)
        {
            pairsOf[i] = [];
        }
    }

    public int Entities { get; }

    public int Choices { get; }

    /// <summary>What the assignment that leaves everything alone costs.</summary>
    public double Fixed { get; }

    /// <summary>What a choice costs by itself.</summary>
    public double Own(int entity, int choice) => own[entity, At(choice)];

    public void AddOwn(int entity, int choice, double cost) => own[entity, At(choice)] += cost;

    public IReadOnlyList<Pair> PairsOf(int entity) => pairsOf[entity];

    /// <summary>
    /// Adds what two different entities save together, by the two choices; what is not in the table saves nothing.
    /// </summary>
    public void Add(int first, int second, PairTable table)
    {
        var pair = new Pair(first, second, table, Choices);
        pairsOf[first].Add(pair);
        pairsOf[second].Add(pair);
    }

    /// <summary>The cost of a whole assignment.</summary>
    public double Of(int[] map)
    {
        var cost = Fixed;
        for (var i = 0; i < Entities; i++)
        {
            cost += Own(i, map[i]);
            foreach (var pair in pairsOf[i])
            {
                cost += pair.First == i ? pair.Of(map[pair.First], map[pair.Second]) : 0;
            }
        }

        return cost;
    }

    /// <summary>What an entity costs in an assignment, with all its pairs but those with one other.</summary>
    public double With(int[] map, int entity, int without = -1)
    {
        var cost = Own(entity, map[entity]);
        foreach (var pair in pairsOf[entity])
        {
            cost += pair.Other(entity) == without ? 0 : pair.Of(map[pair.First], map[pair.Second]);
        }

        return cost;
    }

    /// <summary>Moves a part of what a choice costs by itself to the entity's pairs, in equal shares.</summary>
    public void Push(int entity, int choice, double cost)
    {
        if (cost > 0 && pairsOf[entity].Count > 0)
        {
            own[entity, At(choice)] -= cost;
            foreach (var pair in pairsOf[entity])
            {
                pair.Shift(entity, choice, cost / pairsOf[entity].Count);
            }
        }
    }

    /// <summary>
    /// Moves what every choice of the partner costs at least back to the choices themselves: half of it to one of the two, what
    /// is left to the other, and what is then left to the one. Afterwards no pair has a least cost other than 0.
    /// </summary>
    public void Pull(Pair pair, bool[,] possible)
    {
        pair.Tighten(possible);
        Move(pair.First, 0.5);
        pair.Tighten(possible);
        Move(pair.Second, 1);
        pair.Tighten(possible);
        Move(pair.First, 1);
        pair.Tighten(possible);

        void Move(int entity, double share)
        {
            for (var choice = -1; choice < Choices; choice++)
            {
                if (choice < 0 || possible[entity, choice])
                {
                    var moved = share * pair.Least(entity, choice);
                    own[entity, At(choice)] += moved;
                    pair.Shift(entity, choice, -moved);
                }
            }
        }
    }

    // Leaving alone has the last place.
    private int At(int choice) => choice < 0 ? Choices : choice;

    /// <summary>Two entities with something between them.</summary>
    internal sealed class Pair
    {
        private readonly int choices;
        private readonly PairTable table;
        private readonly double[] firstShift;
        private readonly double[] secondShift;
        private readonly double[] leastByFirst;
        private readonly double[] leastBySecond;

        public Pair(int first, int second, PairTable table, int choices)
        {
            (First, Second, this.table, this.choices) = (first, second, table, choices);
            (firstShift, secondShift, leastByFirst, leastBySecond) = (
                new double[choices + 1],
                new double[choices + 1],
                new double[choices + 1],
                new double[choices + 1]
            );
            foreach (var (a, b, cost) in table)
            {
                leastByFirst[a] = Math.Min(leastByFirst[a], cost);
                leastBySecond[b] = Math.Min(leastBySecond[b], cost);
            }
        }

        public int First { get; }

        public int Second { get; }

        public int Other(int entity) => entity == First ? Second : First;

        public double Of(int first, int second) =>
            firstShift[At(first)] + secondShift[At(second)] + (first >= 0 && second >= 0 ? table[first, second] : 0);

        /// <summary>The least that a choice of one can come to, whatever the other's.</summary>
        public double Least(int entity, int choice) => entity == First ? leastByFirst[At(choice)] : leastBySecond[At(choice)];

        /// <summary>Adds to what a choice of one costs in this pair.</summary>
        public void Shift(int entity, int choice, double cost) =>
            (entity == First ? firstShift : secondShift)[At(choice)] += cost;

        /// <summary>Finds the least costs anew, over those choices alone that are still possible for an entity.</summary>
        public void Tighten(bool[,] possible)
        {
            // What is in no table costs nothing besides the shifts.
            Array.Fill(leastByFirst, LeastOf(secondShift, Second, possible));
            Array.Fill(leastBySecond, LeastOf(firstShift, First, possible));
            foreach (var (a, b, cost) in table)
            {
                if (possible[First, a] && possible[Second, b])
                {
                    leastByFirst[a] = Math.Min(leastByFirst[a], cost + secondShift[b]);
                    leastBySecond[b] = Math.Min(leastBySecond[b], cost + firstShift[a]);
                }
            }

            for (var at = 0; at <= choices; at++)
            {
                leastByFirst[at] += firstShift[at];
                leastBySecond[at] += secondShift[at];
            }
        }

        private double LeastOf(double[] shifts, int entity, bool[,] possible)
        {
            var least = shifts[choices];
            for (var choice = 0; choice < choices; choice++)
            {
                least = possible[entity, choice] ? Math.Min(least, shifts[choice]) : least;
            }

            return least;
        }

        private int At(int choice) => choice < 0 ? choices : choice;
    }
}
