using Cost = BlueSlate.Core.Subjects.Concepts.Matching.Costs;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// What lies between two entities: relationships, being a kind of the other, having the other as a type. For every pair of the
/// model answer's entities with something between them and every such pair of the answer's it tells how much of the cost of all
/// being missing, and extra, is saved when one pair stands for the other.
/// </summary>
internal sealed class Between
{
    private const int None = -1;

    // A line to a type in place of an attribute of that type, or the other way round, is much the same.
    private const double UseAsLine = 0.7;

    // What it saves that something links two on one side, and a line from many to many on the other.
    private const double LinkingThing = 0.8;

    private readonly Side model;
    private readonly Side answer;
    private readonly double use;
    private readonly LinkComparer comparer;
    private readonly List<(int A, int B, List<Link> Links)> modelPairs;
    private readonly List<(int A, int B, List<Link> Links)> answerPairs;

    // For two entities of the answer, in order, the index of their pair, or none.
    private readonly int[] answerPairAt;

    // For two entities of the model answer, the lower index first, what each two of the answer save in their place.
    private readonly Dictionary<int, PairTable> savings = [];

    /// <param name="model">The model answer's side.</param>
    /// <param name="answer">The answer's side.</param>
    /// <param name="use">What it saves that an entity has another as a type on both sides.</param>
    public Between(Side model, Side answer, double use)
    {
        (this.model, this.answer, this.use) = (model, answer, use);
        comparer = new LinkComparer(model);
        (modelPairs, answerPairs) = (PairsOf(model), PairsOf(answer));
        answerPairAt = new int[answer.Count * answer.Count];
        Array.Fill(answerPairAt, None);
        for (var at = 0; at < answerPairs.Count; at++)
        {
            var (a, b, _) = answerPairs[at];
            answerPairAt[(a * answer.Count) + b] = answerPairAt[(b * answer.Count) + a] = at;
        }

        AllMissingAndExtra =
            (answer.Links.Length * Cost.RelationshipExtra)
            + (model.Links.Length * Cost.RelationshipMissing)
            + (model.Trees.Count * Cost.SubtypeMissing)
            + (answer.Trees.Count * Cost.SubtypeExtra)
            + (model.Uses.Count * use * 2 / 3)
            + (answer.Uses.Count * use / 3);
        SaveByRelationships();
        SaveByLinkingThings(model.Through, answer.ManyToMany);
        SaveByLinkingThings(model.ManyToMany, answer.Through);
        SaveBySubtypes();
        SaveByTypes();
    }

    /// <summary>What it costs that all that lies between entities is missing on one side and extra on the other.</summary>
    public double AllMissingAndExtra { get; }

    /// <summary>Pairs of the model answer, the lower index first, with what each pair of the answer saves in their place.</summary>
    public IEnumerable<(int First, int Second, PairTable Savings)> Pairs =>
        from pair in savings
        orderby pair.Key
        select (pair.Key / model.Count, pair.Key % model.Count, pair.Value);

    /// <summary>How many relationships and subtypes are on both sides, with the same at their ends.</summary>
    public int Agreed(int[] map)
    {
        var agreed = 0;
        foreach (var (a, b, links) in modelPairs)
        {
            if (map[a] != None && map[b] != None && PairAt(map[a], map[b]) is var at and not None)
            {
                agreed += comparer
                    .PairUp(links, answerPairs[at].Links, link => link == a ? map[a] : map[b])
                    .Pairs.Count(pair => LinkComparer.SameEnds(pair.Model, pair.Answer, pair.Flipped));
            }
        }

        return agreed
            + model.Trees.Count(tree =>
                map[tree.Sub] != None && map[tree.Super] != None && answer.Trees.Contains((map[tree.Sub], map[tree.Super]))
            );
    }

    private void SaveByRelationships()
    {
        foreach (var (first, second, links) in modelPairs)
        {
            foreach (var (a, b, found) in answerPairs.Where(pair => first == second == (pair.A == pair.B)))
            {
                Save(first, second, a, b, Saved(first, links, found, a, b));
                if (a != b)
                {
                    Save(first, second, b, a, Saved(first, links, found, b, a));
                }
            }

            foreach (var (a, b) in answer.Uses.Where(pair => first != second && PairAt(pair.User, pair.Used) == None))
            {
                SaveEitherWay(first, second, a, b, use * UseAsLine);
            }
        }
    }

    private void SaveByLinkingThings(
        IReadOnlyCollection<(int First, int Second)> wanted,
        IReadOnlyCollection<(int First, int Second)> drawn
    )
    {
        foreach (var (first, second) in wanted)
        {
            foreach (var (a, b) in drawn)
            {
                SaveEitherWay(first, second, a, b, LinkingThing);
            }
        }
    }

    private void SaveBySubtypes()
    {
        foreach (var (sub, super) in model.Trees)
        {
            foreach (var (a, b) in answer.Trees)
            {
                Save(sub, super, a, b, Cost.SubtypeMissing + Cost.SubtypeExtra);
                if (!answer.Trees.Contains((b, a)))
                {
                    Save(sub, super, b, a, Cost.SubtypeMissing + Cost.SubtypeExtra - Cost.SubtypeReversed);
                }
            }
        }
    }

    private void SaveByTypes()
    {
        foreach (var (user, used) in model.Uses)
        {
            foreach (var (a, b) in answer.Uses)
            {
                Save(user, used, a, b, use);
            }

            foreach (var (a, b, _) in answerPairs.Where(pair => pair.A != pair.B && !model.Joined(user, used)))
            {
                Save(user, used, a, b, answer.Uses.Contains((a, b)) ? 0 : use * UseAsLine);
                Save(user, used, b, a, answer.Uses.Contains((b, a)) ? 0 : use * UseAsLine);
            }
        }
    }

    private void SaveEitherWay(int first, int second, int a, int b, double saving)
    {
        Save(first, second, a, b, saving);
        Save(first, second, b, a, saving);
    }

    private void Save(int first, int second, int a, int b, double saving)
    {
        if (first > second)
        {
            (first, second, a, b) = (second, first, b, a);
        }

        var pair = (first * model.Count) + second;
        if (!savings.TryGetValue(pair, out var table))
        {
            savings.Add(pair, table = new PairTable(answer.Count));
        }

        table.Add(a, b, saving);
    }

    private int PairAt(int a, int b) => answerPairAt[(a * answer.Count) + b];

    private double Saved(int first, List<Link> wanted, List<Link> found, int a, int b) =>
        (wanted.Count * Cost.RelationshipMissing)
        + (found.Count * Cost.RelationshipExtra)
        - comparer.PairUp(wanted, found, link => link == first ? a : b).Cost;

    // The relationships between the same two, the lower index first, in the order of the first of them.
    private static List<(int A, int B, List<Link> Links)> PairsOf(Side side) =>
        [
            .. side
                .Links.GroupBy(link => (A: Math.Min(link.From, link.To), B: Math.Max(link.From, link.To)))
                .Select(group => (group.Key.A, group.Key.B, group.ToList())),
        ];
}
