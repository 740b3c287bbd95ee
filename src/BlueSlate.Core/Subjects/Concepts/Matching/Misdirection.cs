using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Finds relationships that are drawn but tied to a wrong entity: known by their verbs, or by hanging, with the same values at
/// both ends, beside where they belong.
/// </summary>
internal static class Misdirection
{
    private const double VerbSureness = 0.55;

    /// <summary>Without both of its entities a relationship is known by its verb alone.</summary>
    private const double SureVerb = 0.9;

    /// <summary>For each relationship of the model answer that has no counterpart, what is drawn in its stead.</summary>
    public static ImmutableDictionary<string, MisdirectedMatch> Find(
        Side model,
        Side answer,
        int[] map,
        HashSet<string> matchedModel,
        HashSet<string> matchedAnswer
    )
    {
        var found = ImmutableDictionary.CreateBuilder<string, MisdirectedMatch>(StringComparer.Ordinal);
        var free = answer.Links.Where(link => !matchedAnswer.Contains(link.Relationship.Id)).ToList();
        foreach (var link in model.Links.Where(link => !matchedModel.Contains(link.Relationship.Id)))
        {
            var best = free.SelectMany(candidate => Orientations(link, candidate, map))
                .OrderByDescending(candidate => candidate.Likeness)
                .ThenByDescending(candidate => AgreeingCounts(link, candidate.Answer, candidate.Flipped))
                .FirstOrDefault();
            if (best.Answer is null || best.Likeness < (best.Drawn == 2 ? VerbSureness : SureVerb))
            {
                continue;
            }

            free.Remove(best.Answer);
            var roles = Matcher.PairRoles(link, best.Answer, best.Flipped);
            var wrong = roles[link.Relationship.Roles[best.WrongRole].Id];
            found.Add(link.Relationship.Id, new MisdirectedMatch(best.Answer.Relationship.Id, wrong, roles));
        }

        foreach (
            var link in model.Links.Where(link =>
                !matchedModel.Contains(link.Relationship.Id) && !found.ContainsKey(link.Relationship.Id)
            )
        )
        {
            var best = free.SelectMany(candidate => Beside(link, candidate, model, answer, map, matchedModel))
                .Where(candidate => AgreeingCounts(link, candidate.Answer, candidate.Flipped) == 2)
                .OrderByDescending(candidate => candidate.Likeness)
                .FirstOrDefault();
            if (best.Answer is null)
            {
                continue;
            }

            free.Remove(best.Answer);
            var roles = Matcher.PairRoles(link, best.Answer, best.Flipped);
            found.Add(
                link.Relationship.Id,
                new MisdirectedMatch(best.Answer.Relationship.Id, roles[link.Relationship.Roles[best.WrongRole].Id], roles)
            );
        }

        foreach (
            var (link, drawn, flipped, wrongRole) in OnlyOnesLeft(
                [
                    .. model.Links.Where(link =>
                        !matchedModel.Contains(link.Relationship.Id) && !found.ContainsKey(link.Relationship.Id)
                    ),
                ],
                free,
                model,
                map
            )
        )
        {
            var roles = Matcher.PairRoles(link, drawn, flipped);
            found.Add(
                link.Relationship.Id,
                new MisdirectedMatch(drawn.Relationship.Id, roles[link.Relationship.Roles[wrongRole].Id], roles)
            );
        }

        return found.ToImmutable();
    }

    // The only line that is left at something, with the same values at both ends as the only one that it lacks.
    private static IEnumerable<(Link Wanted, Link Drawn, bool Flipped, int WrongRole)> OnlyOnesLeft(
        List<Link> wanted,
        List<Link> drawn,
        Side model,
        int[] map
    )
    {
        var taken = new HashSet<Link>();
        for (var right = 0; right < map.Length; right++)
        {
            if (
                map[right] < 0
                || wanted.FindAll(link => link.From == right || link.To == right) is not [var link]
                || drawn.FindAll(line => line.From == map[right] || line.To == map[right]) is not [var line]
                || link.From == link.To
                || line.From == line.To
            )
            {
                continue;
            }

            var flipped = line.From == map[right] != (link.From == right);
            var (wrong, far) = (link.From == right ? link.To : link.From, line.From == map[right] ? line.To : line.From);
            var meant = Array.IndexOf(map, far);
            if (
                map[wrong] >= 0
                && meant >= 0
                && !model.Joined(right, meant)
                && AgreeingCounts(link, line, flipped) == 2
                && taken.Add(link)
                && taken.Add(line)
            )
            {
                yield return (link, line, flipped, link.From == right ? 1 : 0);
            }
        }
    }

    // The ways in which one end is right and the other is at what stands beside the right one, in the drawing or in the model
    // answer, where nothing ties those two.
    private static IEnumerable<(Link Answer, bool Flipped, int WrongRole, double Likeness)> Beside(
        Link wanted,
        Link drawn,
        Side model,
        Side answer,
        int[] map,
        HashSet<string> restated
    )
    {
        foreach (
            var (right, wrong, wrongRole) in new[] { (wanted.From, wanted.To, 1), (wanted.To, wanted.From, 0) }.Where(end =>
                end.Item1 != end.Item2 && map[end.Item1] >= 0
            )
        )
        {
            foreach (var (at, far) in new[] { (drawn.From, drawn.To), (drawn.To, drawn.From) })
            {
                if (at != map[right] || far == at || far == map[wrong])
                {
                    continue;
                }

                var meant = Array.IndexOf(map, far);
                var beside =
                    map[wrong] >= 0
                        ? answer.Neighbours[map[wrong]].Contains(far)
                        : restated.Contains(model.Entities[wrong].Entity.Id)
                            && meant >= 0
                            && model.Neighbours[wrong].Contains(meant);
                if (beside && (meant < 0 || !model.Joined(right, meant)))
                {
                    yield return (
                        drawn,
                        at == drawn.From != (right == wanted.From),
                        wrongRole,
                        LinkComparer.VerbLikeness(wanted, drawn)
                    );
                }
            }
        }
    }

    private static int AgreeingCounts(Link model, Link answer, bool flipped)
    {
        var (mine, theirs) = (model.Relationship.Roles, answer.Relationship.Roles);
        return (mine[0].CoOccurrence == theirs[flipped ? 1 : 0].CoOccurrence ? 1 : 0)
            + (mine[1].CoOccurrence == theirs[flipped ? 0 : 1].CoOccurrence ? 1 : 0);
    }

    // The ways in which one end is right and the other is not; or, where nothing that it ties is drawn, neither.
    private static IEnumerable<(Link Answer, bool Flipped, int WrongRole, double Likeness, int Drawn)> Orientations(
        Link model,
        Link answer,
        int[] map
    )
    {
        var likeness = LinkComparer.VerbLikeness(model, answer);
        var drawn = (map[model.From] >= 0 ? 1 : 0) + (map[model.To] >= 0 ? 1 : 0);
        if (map[model.From] == answer.From && map[model.To] != answer.To)
        {
            yield return (answer, false, 1, likeness, drawn);
        }

        if (map[model.From] == answer.To && map[model.To] != answer.From)
        {
            yield return (answer, true, 1, likeness, drawn);
        }

        if (map[model.To] == answer.To && map[model.From] != answer.From)
        {
            yield return (answer, false, 0, likeness, drawn);
        }

        if (map[model.To] == answer.From && map[model.From] != answer.To)
        {
            yield return (answer, true, 0, likeness, drawn);
        }

        if (
            drawn == 0
            && model.From != model.To
            && answer.From != answer.To
            && Array.IndexOf(map, answer.From) >= 0
            && Array.IndexOf(map, answer.To) >= 0
        )
        {
            yield return (answer, false, 1, likeness, drawn);
        }
    }
}
