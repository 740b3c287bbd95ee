using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;
using Cost = BlueSlate.Core.Subjects.Concepts.Matching.Costs;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Finds the assignment of entities. Likeness of names, attributes and kinds is spread over the neighbourhood a few times
/// (similarity flooding; Melnik, Garcia-Molina and Rahm 2002), an optimal assignment on it is the start, and moves and
/// exchanges then lower the true cost until none helps or the budget of tried assignments is used up. What lies between two
/// entities counts by how well either is known; what is found to stand beside something known is then known better, and the
/// assignment is looked for again.
/// </summary>
internal sealed class EntityMatcher
{
    /// <summary>How many assignments may be tried. A constant of the core's version, so that results repeat.</summary>
    public const int Budget = 200_000;

    private const int None = -1;
    private const int MostRounds = 4;

    // How well something has to be known for what is left beside it to be told by that.
    private const double Singling = 0.5;

    // Over how many steps what is known makes others known.
    private const int Farthest = 4;
    private const double ShapeWeight = 0.15;

    // Where knowing begins, and where it is as good as certain.
    private const double Unknown = 0.3;
    private const double Well = 0.8;

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
    private readonly Between between;

    // How well it is known of two entities that they are one, without what lies between them and others.
    private readonly double[,] known;
    private readonly HashSet<(int Model, int Answer)> singled = [];
    private double strangeName;
    private AssignmentCosts costs;

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
        known = new double[model.Count, answer.Count];
        missingCost =
        [
            .. model.Entities.Select(entity => Cost.EntityMissing + (entity.Attributes.Length * Cost.AttributeMissing)),
        ];
        extraCost = [.. answer.Entities.Select(entity => Cost.EntityExtra + (entity.Attributes.Length * Cost.AttributeExtra))];
        for (var j = 0; j < answer.Count; j++)
        {
            var alike = model.Likenesses.OfEntity(answer.Entities[j].Name, answer.Entities[j].WithinKinds);
            for (var i = 0; i < model.Count; i++)
            {
                var (mine, other) = (model.Entities[i], answer.Entities[j]);
                names[i, j] = alike[i];
                pairCost[i, j] =
                    attributes.Cost(i, j)
                    + ((1 - alike[i]) * attributes.Everyday * Cost.EverydayName)
                    + (attributes.ShareNothing ? (1 - alike[i]) * trust.NothingShared : 0)
                    + (mine.Entity.Kind == other.Entity.Kind ? 0 : Cost.KindDiffers)
                    + (
                        mine.Nature != other.Nature ? trust.OtherNature
                        : mine.Nature == EntityKind.Strong ? 0
                        : -trust.OtherNature * (1 - alike[i])
                    )
                    + (AreApart(mine, other) ? (1 - alike[i]) * trust.OtherSortOfThing : 0)
                    - ((1 - alike[i]) * trust.AlikeOperation * Members.Alike(mine, other));
                known[i, j] = Math.Clamp((Math.Max(alike[i], attributes.Known) - Unknown) / (Well - Unknown), 0, 1);
                if (model.AreApart(mine.Entity.Name, other.Entity.Name))
                {
                    names[i, j] = known[i, j] = 0;
                    pairCost[i, j] += Said;
                }
            }
        }

        PriceStrangeNames();

        foreach (var (i, j) in said)
        {
            names[i, j] = known[i, j] = 1;
            pairCost[i, j] -= Said;
        }

        between = new Between(model, answer, trust.Use);
        costs = Sum();
    }

    // Somebody is not something; of values and interfaces the names do not tell.
    private static bool AreApart(NamedEntity one, NamedEntity other) =>
        one.Nature == EntityKind.Strong
        && other.Nature == EntityKind.Strong
        && one.Name.Thing != ThingSort.Unsaid
        && other.Name.Thing != ThingSort.Unsaid
        && one.Name.Thing != other.Name.Thing;

    public int NodesExpanded { get; private set; }

    public double NameLikeness(int i, int j) => names[i, j];

    /// <summary>For each entity of the model answer the answer's, or −1; and the true cost.</summary>
    public (int[] Map, double Cost) Solve()
    {
        var own = (double[,])known.Clone();
        var (map, cost) = Solve(Seed());
        for (var round = 1; round < MostRounds && trust.Stranger < 1 && Learn(map, own); round++)
        {
            for (var far = 1; far < Farthest && Learn(map, own); far++) { }

            PriceStrangeNames();
            SingleOut(map);
            costs = Sum();
            var before = map;
            (map, cost) = Solve(map);
            if (map.AsSpan().SequenceEqual(before))
            {
                break;
            }
        }

        return (map, cost);
    }

    private (int[] Map, double Cost) Solve(int[] start)
    {
        var map = (int[])start.Clone();
        var best = TrueCost(map);
        while (NodesExpanded < Budget && Improve(map, ref best)) { }

        // Relationships of more than two are not in the sum; with them, the bound is that of the rest.
        var search = new BranchAndBound(costs, map).Run();
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

    // The only two that are left beside something known are likely one, as long as they are of one sort.
    private void SingleOut(int[] map)
    {
        var taken = Taken(map);
        for (var known = 0; known < map.Length; known++)
        {
            if (
                map[known] != None
                && this.known[known, map[known]] >= Singling
                && Only(model.Neighbours[known], index => map[index] == None) is var i and not None
                && Only(answer.Neighbours[map[known]], index => taken[index] == None) is var j and not None
                && model.Entities[i].Nature == answer.Entities[j].Nature
                && !AreApart(model.Entities[i], answer.Entities[j])
                && singled.Add((i, j))
            )
            {
                pairCost[i, j] -= (1 - names[i, j]) * trust.OnlyOneLeft;
            }
        }
    }

    // The one of some that is free, or none where several are.
    private static int Only(List<int> some, Func<int, bool> isFree) =>
        some.Where(isFree).Distinct().Take(2).ToList() is [var only] ? only : None;

    private void PriceStrangeNames()
    {
        var price = trust.StrangeName + ((1 - Familiar()) * (trust.StrangeNameAbroad - trust.StrangeName));
        for (var i = 0; i < model.Count; i++)
        {
            for (var j = 0; j < answer.Count; j++)
            {
                pairCost[i, j] += (1 - names[i, j]) * (price - strangeName);
            }
        }

        strangeName = price;
    }

    // How far a drawing is of this exercise at all, from 0 to 1: much of what is drawn is known, and much is drawn. Only in such
    // a drawing is what is left over another word for what is missing.
    private double Familiar()
    {
        if (answer.Count == 0 || model.Count == 0)
        {
            return 0;
        }

        var sum = 0.0;
        for (var j = 0; j < answer.Count; j++)
        {
            var best = 0.0;
            for (var i = 0; i < model.Count; i++)
            {
                best = Math.Max(best, known[i, j]);
            }

            sum += best;
        }

        return Math.Min(1, sum / answer.Count / trust.FamiliarShare)
            * Math.Min(1, answer.Count / (trust.DrawnShare * model.Count));
    }

    // What stands beside something known, in the same place, is known better. Tells whether anything is.
    private bool Learn(int[] map, double[,] own)
    {
        var more = new List<(int I, int J, double Known)>();
        for (var i = 0; i < map.Length; i++)
        {
            if (map[i] == None)
            {
                continue;
            }

            // Signs that are independent of each other: what none of them tells stays unknown.
            var unknown = 1 - own[i, map[i]];
            foreach (var other in model.Neighbours[i].Distinct())
            {
                if (map[other] != None && other != i && answer.Neighbours[map[i]].Contains(map[other]))
                {
                    unknown *= 1 - (known[other, map[other]] * trust.HandedOn);
                }
            }

            var best = 1 - unknown;

            if (best > known[i, map[i]] + 1e-9)
            {
                more.Add((i, map[i], best));
            }
        }

        foreach (var (i, j, value) in more)
        {
            known[i, j] = value;
        }

        return more.Count > 0;
    }

    /// <summary>
    /// The assignments that put one entity elsewhere than <paramref name="map"/>, or exchange two, and cost at most a margin
    /// more; the cheapest first.
    /// </summary>
    public IReadOnlyList<(int[] Map, double More)> NearTo(int[] map, double margin)
    {
        var taken = Taken(map);
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
                var more = Change(tried, i, j, other);
                if (more <= margin)
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
        var sum = new AssignmentCosts(
            model.Count,
            answer.Count,
            extraCost.Sum() + missingCost.Sum() + between.AllMissingAndExtra
        );
        for (var i = 0; i < model.Count; i++)
        {
            for (var j = 0; j < answer.Count; j++)
            {
                sum.AddOwn(i, j, pairCost[i, j] - extraCost[j] - missingCost[i]);
            }
        }

        foreach (var (first, second, savings) in between.Pairs)
        {
            var table = new PairTable(answer.Count);
            foreach (var (a, b, saving) in savings)
            {
                if (first == second)
                {
                    sum.AddOwn(first, a, -saving * Weight(known[first, a]));
                }
                else
                {
                    table.Add(a, b, -saving * Weight(Math.Max(known[first, a], known[second, b])));
                }
            }

            if (first != second)
            {
                sum.Add(first, second, table);
            }
        }

        return sum;
    }

    // What lies between two that are strangers both says less than what ties a stranger to something known.
    private double Weight(double known) => trust.Stranger + ((1 - trust.Stranger) * known);

    /// <summary>
    /// How far two drawings agree under an assignment, from 0 to 1: of all relationships and subtypes on either side, those
    /// that are on both with the same values at their ends.
    /// </summary>
    public double Agreement(int[] map)
    {
        var agreed = between.Agreed(map) + Diamonds(map);
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
                var attributes = Math.Max(0, 1 - ((pairCost[i, j] - ((1 - names[i, j]) * strangeName)) / apart));
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
        var taken = Taken(map);
        var improved = false;
        for (var i = 0; i < map.Length; i++)
        {
            for (var j = None; j < answer.Count && NodesExpanded < Budget; j++)
            {
                if (j == map[i] || (j != None && !Plausible(i, j)))
                {
                    continue;
                }

                NodesExpanded++;
                var (before, other) = (map[i], j == None ? None : taken[j]);
                var more = Change(map, i, j, other);
                if (more < -1e-9)
                {
                    best += more;
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

    private int[] Taken(int[] map)
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

        return taken;
    }

    // Puts one entity elsewhere, and the one that stood there in its place; what that costs more.
    private double Change(int[] map, int i, int j, int other)
    {
        var before = Around(map, i, other);
        (map[i], j) = (j, map[i]);
        if (other != None)
        {
            map[other] = j;
        }

        return Around(map, i, other) - before;
    }

    // What all costs in which one of two entities has a part.
    private double Around(int[] map, int i, int other)
    {
        var cost = costs.With(map, i) + (other == None ? 0 : costs.With(map, other, i));
        return model.Diamonds.Count == 0 ? cost : cost + DiamondCost(map);
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
        return costs.Of(map) + DiamondCost(map);
    }

    private double DiamondCost(int[] map)
    {
        var diamonds = Diamonds(map);
        return ((model.Diamonds.Count - diamonds) * Cost.RelationshipMissing)
            + ((answer.Diamonds.Count - diamonds) * Cost.RelationshipExtra);
    }
}
