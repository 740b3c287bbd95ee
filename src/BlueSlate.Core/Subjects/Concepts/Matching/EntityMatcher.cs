using Cost = BlueSlate.Core.Subjects.Concepts.Matching.Costs;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Finds the assignment of entities. Likeness of names, attributes and kinds is spread over the neighbourhood a few times
/// (similarity flooding; Melnik, Garcia-Molina and Rahm 2002), an optimal assignment on it is the start, and moves and
/// exchanges then lower the true cost until none helps or the budget of tried assignments is used up.
/// </summary>
internal sealed class EntityMatcher
{
    /// <summary>How many assignments may be tried. A constant of the core's version, so that results repeat.</summary>
    public const int Budget = 200_000;

    private const int None = -1;
    private const double ShapeWeight = 0.15;

    // More than all that two drawings can differ in: what a person said outweighs it.
    private const double Said = 10_000;

    private readonly Trust trust;
    private readonly IReadOnlyList<(int Model, int Answer)> said;
    private readonly Side model;
    private readonly Side answer;
    private readonly double[,] names;
    private readonly double[,] pairCost;
    private readonly double[] missingCost;
    private readonly double[] extraCost;
    private readonly List<(int A, int B, List<Link> Links)> modelPairs;
    private readonly List<(int A, int B, List<Link> Links)> answerPairs;

    // For two entities of the answer, in order, the index of their pair, or none.
    private readonly int[] answerPairAt;

    // For a pair of the model answer, one of the answer, and whether the higher index of it comes first.
    private readonly double[] linkCosts;
    private readonly LinkComparer comparer;

    public EntityMatcher(
        Side model,
        Side answer,
        AttributeMatcher attributes,
        Trust trust,
        IReadOnlyList<(int Model, int Answer)> said
    )
    {
        this.said = said;
        this.trust = trust;
        this.model = model;
        this.answer = answer;
        names = new double[model.Count, answer.Count];
        pairCost = new double[model.Count, answer.Count];
        missingCost =
        [
            .. model.Entities.Select(entity => Cost.EntityMissing + (entity.Attributes.Length * Cost.AttributeMissing)),
        ];
        extraCost = [.. answer.Entities.Select(entity => Cost.EntityExtra + (entity.Attributes.Length * Cost.AttributeExtra))];
        for (var j = 0; j < answer.Count; j++)
        {
            var alike = model.Likenesses.OfEntity(answer.Entities[j].Name);
            for (var i = 0; i < model.Count; i++)
            {
                names[i, j] = alike[i];
                pairCost[i, j] =
                    ((1 - alike[i]) * trust.StrangeName)
                    + attributes.Cost(i, j)
                    + ((1 - alike[i]) * attributes.Everyday * Cost.EverydayName)
                    + (model.Entities[i].Entity.Kind == answer.Entities[j].Entity.Kind ? 0 : Cost.KindDiffers);
            }
        }

        foreach (var (i, j) in said)
        {
            names[i, j] = 1;
            pairCost[i, j] -= Said;
        }

        comparer = new LinkComparer(model);
        (modelPairs, answerPairs) = (Pairs(model), Pairs(answer));
        answerPairAt = new int[answer.Count * answer.Count];
        linkCosts = new double[modelPairs.Count * answerPairs.Count * 2];
        Array.Fill(answerPairAt, None);
        Array.Fill(linkCosts, double.NaN);
        for (var at = 0; at < answerPairs.Count; at++)
        {
            var (a, b, _) = answerPairs[at];
            answerPairAt[(a * answer.Count) + b] = answerPairAt[(b * answer.Count) + a] = at;
        }
    }

    public int NodesExpanded { get; private set; }

    public double NameLikeness(int i, int j) => names[i, j];

    /// <summary>For each entity of the model answer the answer's, or −1; and the true cost.</summary>
    public (int[] Map, double Cost) Solve()
    {
        var map = Seed();
        var best = TrueCost(map);
        while (NodesExpanded < Budget && Improve(map, ref best)) { }

        // Relationships of more than two are not in the sum; with them, the bound is that of the rest.
        var search = new BranchAndBound(Sum(), map).Run();
        NodesExpanded += search.Solved;
        var proved = TrueCost(search.Best);
        if (proved < best - 1e-9)
        {
            (map, best) = (search.Best, proved);
        }

        // What was said is no cost of the correspondence.
        var gain = said.Count(pair => map[pair.Model] == pair.Answer) * Said;
        LowerBound =
            gain
            + Math.Min(
                best,
                search.LowerBound
                    - (
                        Math.Min(model.Diamonds.Count, answer.Diamonds.Count)
                        * (Cost.RelationshipMissing + Cost.RelationshipExtra)
                    )
                    + (model.Diamonds.Count * Cost.RelationshipMissing)
                    + (answer.Diamonds.Count * Cost.RelationshipExtra)
            );
        return (map, best + gain);
    }

    /// <summary>
    /// The assignments that put one entity elsewhere than <paramref name="map"/>, or exchange two, and cost at most a margin
    /// more; the cheapest first.
    /// </summary>
    public IReadOnlyList<(int[] Map, double More)> NearTo(int[] map, double margin)
    {
        var cost = TrueCost(map);
        var taken = new int[answer.Count];
        Array.Fill(taken, None);
        for (var i = 0; i < map.Length; i++)
        {
            if (map[i] != None)
            {
                taken[map[i]] = i;
            }
        }

        var near = new List<(int[] Map, double More)>();
        for (var i = 0; i < map.Length; i++)
        {
            for (var j = None; j < answer.Count; j++)
            {
                // An exchange of two is met twice, and counts once.
                var other = j == None ? None : taken[j];
                if (j == map[i] || (j != None && !Plausible(i, j)) || (other != None && other < i && map[i] != None))
                {
                    continue;
                }

                var tried = (int[])map.Clone();
                tried[i] = j;
                if (other != None)
                {
                    tried[other] = map[i];
                }

                if (TrueCost(tried) - cost is var more && more <= margin)
                {
                    near.Add((tried, more));
                }
            }
        }

        return [.. near.OrderBy(one => one.More)];
    }

    /// <summary>What any assignment costs at least.</summary>
    public double LowerBound { get; private set; }

    private AssignmentCosts Sum()
    {
        var alone =
            extraCost.Sum()
            + missingCost.Sum()
            + (answer.Links.Length * Cost.RelationshipExtra)
            + (modelPairs.Sum(pair => pair.Links.Count) * Cost.RelationshipMissing)
            + (model.Trees.Count * Cost.SubtypeMissing)
            + (answer.Trees.Count * Cost.SubtypeExtra);
        var costs = new AssignmentCosts(model.Count, answer.Count, alone);
        for (var i = 0; i < model.Count; i++)
        {
            for (var j = 0; j < answer.Count; j++)
            {
                costs.AddOwn(i, j, pairCost[i, j] - extraCost[j] - missingCost[i]);
            }
        }

        for (var pair = 0; pair < modelPairs.Count; pair++)
        {
            AddPair(costs, pair);
        }

        foreach (var (sub, super) in model.Trees)
        {
            var table = new Dictionary<(int First, int Second), double>();
            foreach (var (a, b) in answer.Trees)
            {
                table[(b, a)] = Math.Min(
                    table.GetValueOrDefault((b, a)),
                    Cost.SubtypeReversed - Cost.SubtypeMissing - Cost.SubtypeExtra
                );
                table[(a, b)] = -Cost.SubtypeMissing - Cost.SubtypeExtra;
            }

            costs.Add(sub, super, table);
        }

        return costs;
    }

    private void AddPair(AssignmentCosts costs, int pair)
    {
        var (first, second, links) = modelPairs[pair];
        var missing = links.Count * Cost.RelationshipMissing;
        var table = new Dictionary<(int First, int Second), double>();
        foreach (var (a, b, _) in answerPairs)
        {
            if (first == second && a == b)
            {
                costs.AddOwn(first, a, LinkCost(pair, a, a) - missing);
            }
            else if (first != second && a != b)
            {
                table[(a, b)] = LinkCost(pair, a, b) - missing;
                table[(b, a)] = LinkCost(pair, b, a) - missing;
            }
        }

        if (first != second)
        {
            costs.Add(first, second, table);
        }
    }

    /// <summary>
    /// How far two drawings agree under an assignment, from 0 to 1: of all relationships and subtypes on either side, those
    /// that are on both with the same values at their ends.
    /// </summary>
    public double Agreement(int[] map)
    {
        var agreed = 0;
        foreach (var (a, b, links) in modelPairs)
        {
            if (map[a] != None && map[b] != None && answerPairAt[(map[a] * answer.Count) + map[b]] is var at and not None)
            {
                agreed += comparer
                    .PairUp(links, answerPairs[at].Links, link => link == a ? map[a] : map[b])
                    .Pairs.Count(pair => LinkComparer.SameEnds(pair.Model, pair.Answer, pair.Flipped));
            }
        }

        agreed += model.Trees.Count(tree =>
            map[tree.Sub] != None && map[tree.Super] != None && answer.Trees.Contains((map[tree.Sub], map[tree.Super]))
        );
        agreed += Diamonds(map);
        var most = Math.Max(
            model.Links.Length + model.Trees.Count + model.Diamonds.Count,
            answer.Links.Length + answer.Trees.Count + answer.Diamonds.Count
        );
        return most == 0 ? 0 : (double)agreed / most;
    }

    // How many relationships of more than two are on both sides.
    private int Diamonds(int[] map) =>
        model.Diamonds.Count(diamond =>
            Array.TrueForAll(diamond, index => map[index] != None)
            && answer.Diamonds.Exists(other =>
                other.Length == diamond.Length && other.SequenceEqual(diamond.Select(index => map[index]).Order())
            )
        );

    private int[] Seed()
    {
        var likeness = Flood();
        int m = model.Count,
            n = answer.Count;
        var cost = new double[m, n + m];
        for (var i = 0; i < m; i++)
        {
            for (var j = 0; j < n + m; j++)
            {
                cost[i, j] = j < n ? 1 - likeness[i, j] : trust.Unlikely;
            }
        }

        return [.. Assignment.Solve(cost).Select(column => column < n ? column : None)];
    }

    private double[,] Flood()
    {
        int m = model.Count,
            n = answer.Count;
        var own = new double[m, n];
        for (var i = 0; i < m; i++)
        {
            for (var j = 0; j < n; j++)
            {
                var apart = missingCost[i] + extraCost[j];
                var attributes = Math.Max(0, 1 - ((pairCost[i, j] - ((1 - names[i, j]) * trust.StrangeName)) / apart));
                own[i, j] = (names[i, j] * 0.7) + (attributes * 0.3) + (model.Shapes[i].Likeness(answer.Shapes[j]) * ShapeWeight);
            }
        }

        var current = own;
        for (var round = 0; round < trust.Rounds; round++)
        {
            var next = new double[m, n];
            for (var i = 0; i < m; i++)
            {
                for (var j = 0; j < n; j++)
                {
                    next[i, j] = (own[i, j] * (1 - trust.Spread)) + (Around(current, i, j) * trust.Spread);
                }
            }

            current = next;
        }

        return current;
    }

    private double Around(double[,] likeness, int i, int j)
    {
        var total = 0.0;
        foreach (var a in model.Neighbours[i])
        {
            var best = 0.0;
            foreach (var b in answer.Neighbours[j])
            {
                best = Math.Max(best, likeness[a, b]);
            }

            total += best;
        }

        var degree = Math.Max(model.Neighbours[i].Count, answer.Neighbours[j].Count);
        return degree == 0 ? likeness[i, j] : total / degree;
    }

    private bool Improve(int[] map, ref double best)
    {
        var taken = new int[answer.Count];
        Array.Fill(taken, None);
        for (var i = 0; i < map.Length; i++)
        {
            if (map[i] != None)
            {
                taken[map[i]] = i;
            }
        }

        var improved = false;
        for (var i = 0; i < map.Length; i++)
        {
            for (var j = None; j < answer.Count && NodesExpanded < Budget; j++)
            {
                if (j == map[i] || (j != None && !Plausible(i, j)))
                {
                    continue;
                }

                var (before, other) = (map[i], j == None ? None : taken[j]);
                map[i] = j;
                if (other != None)
                {
                    map[other] = before;
                }

                var cost = TrueCost(map);
                if (cost < best - 1e-9)
                {
                    best = cost;
                    improved = true;
                    if (before != None)
                    {
                        taken[before] = other;
                    }

                    if (j != None)
                    {
                        taken[j] = i;
                    }
                }
                else
                {
                    map[i] = before;
                    if (other != None)
                    {
                        map[other] = j;
                    }
                }
            }
        }

        return improved;
    }

    // A pair that even with all its relationships in place costs more than leaving both alone is never tried.
    private bool Plausible(int i, int j) =>
        pairCost[i, j]
        < missingCost[i]
            + extraCost[j]
            + (
                (Cost.RelationshipMissing + Cost.RelationshipExtra)
                * Math.Min(model.Neighbours[i].Count, answer.Neighbours[j].Count)
            );

    private double TrueCost(int[] map)
    {
        NodesExpanded++;
        var cost = 0.0;
        foreach (var extra in extraCost)
        {
            cost += extra;
        }

        for (var i = 0; i < map.Length; i++)
        {
            cost += map[i] == None ? missingCost[i] : pairCost[i, map[i]] - extraCost[map[i]];
        }

        cost += answer.Links.Length * Cost.RelationshipExtra;
        for (var pair = 0; pair < modelPairs.Count; pair++)
        {
            cost += LinkCost(pair, map[modelPairs[pair].A], map[modelPairs[pair].B]);
        }

        var diamonds = Diamonds(map);
        cost +=
            ((model.Diamonds.Count - diamonds) * Cost.RelationshipMissing)
            + ((answer.Diamonds.Count - diamonds) * Cost.RelationshipExtra);
        return cost + TreeCost(map);
    }

    private double TreeCost(int[] map)
    {
        var (cost, found) = (0.0, 0);
        foreach (var (sub, super) in model.Trees)
        {
            var (a, b) = (map[sub], map[super]);
            var straight = a != None && b != None && answer.Trees.Contains((a, b));
            var reversed = !straight && a != None && b != None && answer.Trees.Contains((b, a));
            cost +=
                straight ? 0
                : reversed ? Cost.SubtypeReversed
                : Cost.SubtypeMissing;
            found += straight || reversed ? 1 : 0;
        }

        return cost + ((answer.Trees.Count - found) * Cost.SubtypeExtra);
    }

    // What the relationships between one pair of entities cost depends only on the two that stand for them.
    private double LinkCost(int pair, int a, int b)
    {
        var (modelA, _, links) = modelPairs[pair];
        if (a == None || b == None || answerPairAt[(a * answer.Count) + b] is not (var at and not None))
        {
            return links.Count * Cost.RelationshipMissing;
        }

        ref var cost = ref linkCosts[(((pair * answerPairs.Count) + at) * 2) + (a <= b ? 0 : 1)];
        if (double.IsNaN(cost))
        {
            var found = answerPairs[at].Links;
            cost = comparer.PairUp(links, found, link => link == modelA ? a : b).Cost - (found.Count * Cost.RelationshipExtra);
        }

        return cost;
    }

    // The relationships between the same two, the lower index first, in the order of the first of them.
    private static List<(int A, int B, List<Link> Links)> Pairs(Side side) =>
        [
            .. side
                .Links.GroupBy(link => (A: Math.Min(link.From, link.To), B: Math.Max(link.From, link.To)))
                .Select(group => (group.Key.A, group.Key.B, group.ToList())),
        ];
}
