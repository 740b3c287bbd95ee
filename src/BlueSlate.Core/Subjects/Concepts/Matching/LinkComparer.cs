using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Compares relationships of a model answer's side with an answer's between the same two entities, and pairs them up so that
/// two are not mixed up.
/// </summary>
internal sealed class LinkComparer(Side side)
{
    private readonly Dictionary<Link, double[]> verbs = [];

    /// <summary>
    /// Pairs links of the model answer with links of the answer, best first. A pair is flipped when the first role of one
    /// stands for the second of the other. The cost is that of the pairs, and of what finds no partner on either side.
    /// </summary>
    public (List<(Link Model, Link Answer, bool Flipped)> Pairs, double Cost) PairUp(
        List<Link> model,
        List<Link> answer,
        Func<int, int> map
    )
    {
        var candidates = new List<(double Cost, int Model, int Answer, bool Flipped)>(model.Count * answer.Count);
        for (var i = 0; i < model.Count; i++)
        {
            for (var j = 0; j < answer.Count; j++)
            {
                var straight = map(model[i].From) == answer[j].From && map(model[i].To) == answer[j].To;
                var flipped = map(model[i].From) == answer[j].To && map(model[i].To) == answer[j].From;
                if (straight)
                {
                    candidates.Add((CostOf(model[i], answer[j], false), i, j, false));
                }

                if (flipped)
                {
                    candidates.Add((CostOf(model[i], answer[j], true), i, j, true));
                }
            }
        }

        candidates.Sort();
        var pairs = new List<(Link, Link, bool)>();
        var cost = 0.0;
        Span<bool> takenModel = stackalloc bool[Math.Min(model.Count, 64)];
        Span<bool> takenAnswer = stackalloc bool[Math.Min(answer.Count, 64)];
        foreach (var (value, i, j, flipped) in candidates)
        {
            if (i < 64 && j < 64 && !takenModel[i] && !takenAnswer[j])
            {
                takenModel[i] = takenAnswer[j] = true;
                pairs.Add((model[i], answer[j], flipped));
                cost += value;
            }
        }

        cost += (model.Count - pairs.Count) * Costs.RelationshipMissing;
        cost += (answer.Count - pairs.Count) * Costs.RelationshipExtra;
        return (pairs, cost);
    }

    /// <summary>What differs between two relationships whose entities correspond.</summary>
    public double CostOf(Link model, Link answer, bool flipped)
    {
        var roles = answer.Relationship.Roles;
        var cost =
            EndCost(model.Relationship.Roles[0], roles[flipped ? 1 : 0])
            + EndCost(model.Relationship.Roles[1], roles[flipped ? 0 : 1]);
        cost +=
            model.Verbs.Length == 0 && answer.Verbs.Length == 0 ? 0 : (1 - LikenessOfVerbs(model, answer)) * Costs.VerbDiffers;
        cost += model.Relationship.Kind == answer.Relationship.Kind ? 0 : Costs.LinkKindDiffers;
        if (model.From == model.To)
        {
            cost += DirectionCost(model.Relationship.Roles[0].Verb, roles[flipped ? 1 : 0].Verb);
            cost += DirectionCost(model.Relationship.Roles[1].Verb, roles[flipped ? 0 : 1].Verb);
            cost +=
                model.Doer is { } ours && answer.Doer is { } theirs && ours != (flipped ? 1 - theirs : theirs)
                    ? Costs.DoersExchanged
                    : 0;
        }

        return cost;
    }

    /// <summary>Whether the same is said at both ends.</summary>
    public static bool SameEnds(Link model, Link answer, bool flipped)
    {
        var (ours, theirs) = (model.Relationship.Roles, answer.Relationship.Roles);
        return ours[0].CoOccurrence == theirs[flipped ? 1 : 0].CoOccurrence
            && ours[1].CoOccurrence == theirs[flipped ? 0 : 1].CoOccurrence
            && model.Relationship.Kind == answer.Relationship.Kind;
    }

    /// <summary>
    /// How alike the best pair of verbs, names or roles of two relationships is; 0.5 when one of them says none.
    /// </summary>
    public static double VerbLikeness(Link model, Link answer)
    {
        if (model.Verbs.Length == 0 || answer.Verbs.Length == 0)
        {
            return 0.5;
        }

        var best = 0.0;
        foreach (var a in model.Verbs)
        {
            foreach (var b in answer.Verbs)
            {
                best = Math.Max(best, NameSimilarity.Of(a, b).Value);
            }
        }

        return best;
    }

    private double LikenessOfVerbs(Link model, Link answer)
    {
        if (!verbs.TryGetValue(answer, out var likeness))
        {
            verbs.Add(answer, likeness = side.Likenesses.OfVerbs(answer));
        }

        return likeness[model.Index];
    }

    // Who mentors and who is mentored: of an entity with itself only the verbs, each read from its own end, can tell.
    private static double DirectionCost(string model, string answer)
    {
        if (model.Length == 0 || answer.Length == 0)
        {
            return 0;
        }

        var sameVerb = VerbForm.Of(model).Key == VerbForm.Of(answer).Key;
        var sameWay = VerbForm.IsPassive(model) == VerbForm.IsPassive(answer);
        return (sameVerb, sameWay) switch
        {
            (true, true) => 0,
            (true, false) => Costs.DirectionDiffers,
            _ => Costs.DirectionDiffers / 2,
        };
    }

    /// <summary>What differs between two ends: the least, the most, and how the roles are called.</summary>
    public static double EndCost(RelationshipRole model, RelationshipRole answer)
    {
        var cost = model.CoOccurrence.Min == answer.CoOccurrence.Min ? 0 : Costs.MinimumDiffers;
        cost += model.CoOccurrence.Max == answer.CoOccurrence.Max ? 0 : Costs.MaximumDiffers;
        if (model.Role.Length > 0 && answer.Role.Length > 0)
        {
            cost += (1 - NameSimilarity.Of(Name.Of(model.Role), Name.Of(answer.Role)).Value) * Costs.VerbDiffers;
        }

        return cost;
    }
}
