namespace BlueSlate.Core.Matching;

/// <summary>
/// The true cost of an assignment as a sum: what each entity's own choice costs, and what each pair of entities with something between
/// them saves, over the cost of everything missing and everything extra. A choice of −1 leaves an entity without a counterpart.
/// </summary>
internal sealed class AssignmentCosts
{
    private readonly double[,] own;
    private readonly List<Pair>[] pairsOf;

    public AssignmentCosts(int entities, int choices, double fixedCost)
    {
        (Entities, Choices, Fixed) = (entities, choices, fixedCost);
        own = new double[entities, choices];
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

    /// <summary>What is saved by a choice itself; leaving an entity alone saves nothing.</summary>
    public double Own(int entity, int choice) => choice < 0 ? 0 : own[entity, choice];

    public void AddOwn(int entity, int choice, double cost) => own[entity, choice] += cost;

    public IReadOnlyList<Pair> PairsOf(int entity) => pairsOf[entity];

    /// <summary>Adds what two different entities save together, by the two choices; what is not in the table saves nothing.</summary>
    public void Add(int first, int second, Dictionary<(int First, int Second), double> table)
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

    /// <summary>Two entities with something between them.</summary>
    internal sealed class Pair
    {
        private readonly Dictionary<(int First, int Second), double> table;
        private readonly double[] leastByFirst;
        private readonly double[] leastBySecond;

        public Pair(int first, int second, Dictionary<(int First, int Second), double> table, int choices)
        {
            (First, Second, this.table) = (first, second, table);
            (leastByFirst, leastBySecond) = (new double[choices], new double[choices]);
            Tighten((_, _) => true);
        }

        /// <summary>Finds the least costs anew, over those choices alone that are still possible for an entity.</summary>
        public void Tighten(Func<int, int, bool> possible)
        {
            Array.Clear(leastByFirst);
            Array.Clear(leastBySecond);
            foreach (var ((a, b), cost) in table)
            {
                if (possible(First, a) && possible(Second, b))
                {
                    leastByFirst[a] = Math.Min(leastByFirst[a], cost);
                    leastBySecond[b] = Math.Min(leastBySecond[b], cost);
                }
            }
        }

        public int First { get; }

        public int Second { get; }

        public int Other(int entity) => entity == First ? Second : First;

        public double Of(int first, int second) => first >= 0 && second >= 0 && table.TryGetValue((first, second), out var cost) ? cost : 0;

        /// <summary>The least that a choice of one can come to, whatever the other's.</summary>
        public double Least(int entity, int choice) => choice < 0 ? 0 : entity == First ? leastByFirst[choice] : leastBySecond[choice];
    }
}
