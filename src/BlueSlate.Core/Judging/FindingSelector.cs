using System.Collections.Immutable;

namespace BlueSlate.Core.Judging;

/// <summary>
/// Takes, of all proposed findings, those that explain every bad verdict and every extra, the most telling first, so that a
/// mistake is said once. A finding is dropped when others before it explain all that it does; what follows from it follows from
/// those.
/// </summary>
public static class FindingSelector
{
    /// <summary>
    /// The findings of a comparison by the given kinds, in a fixed order: roots by rank, each followed by its consequences.
    /// </summary>
    public static ImmutableArray<Finding> Select(Comparison comparison, IReadOnlyList<FindingKind> kinds)
    {
        var explained = new Dictionary<string, string>(StringComparer.Ordinal);
        var saidBy = new Dictionary<string, string>(StringComparer.Ordinal);
        var taken = new List<Finding>();
        foreach (var (kind, finding) in comparison.Propose(kinds))
        {
            var claims = finding.Claims.Where(id => !explained.ContainsKey(id)).ToImmutableArray();
            var extras = finding.Extras.Where(id => !explained.ContainsKey(id)).ToImmutableArray();
            if (claims.IsEmpty && extras.IsEmpty && !kind.IsIndependent)
            {
                saidBy.TryAdd(
                    finding.Id,
                    finding.Claims.Concat(finding.Extras).Select(id => explained[id]).FirstOrDefault(finding.Id)
                );
                continue;
            }

            foreach (var id in claims.Concat(extras))
            {
                explained.TryAdd(id, finding.Id);
            }

            taken.Add(
                finding with
                {
                    Claims = claims,
                    Extras = extras,
                    ModelElements = Elements(finding.ModelElements),
                    AnswerElements = Elements(finding.AnswerElements),
                }
            );
        }

        Gather(taken, comparison, explained);
        return Fold(
            taken.ConvertAll(finding =>
                finding.ConsequenceOf is { } cause && saidBy.TryGetValue(cause, out var other)
                    ? finding with
                    {
                        ConsequenceOf = other,
                    }
                    : finding
            )
        );
    }

    // What no kind has words of its own for belongs to the finding about the same concept, the same place or the same owner.
    private static void Gather(List<Finding> taken, Comparison comparison, Dictionary<string, string> explained)
    {
        var claimed = comparison.Verdicts.ToDictionary(verdict => verdict.Fact.Id, StringComparer.Ordinal);
        foreach (
            var verdict in comparison.Verdicts.Where(verdict =>
                (verdict.IsBad || verdict.PartlyRight) && !explained.ContainsKey(verdict.Fact.Id)
            )
        )
        {
            var nearest = new Func<Fact, bool>[]
            {
                fact => fact.ConceptId == verdict.Fact.ConceptId,
                fact => fact.Place == verdict.Fact.Place,
                fact => fact.ConceptId == verdict.OwnerId,
            }
                .Select(near => taken.FindIndex(finding => finding.Claims.Any(claim => near(claimed[claim].Fact))))
                .FirstOrDefault(index => index >= 0, -1);
            if (nearest >= 0)
            {
                taken[nearest] = taken[nearest] with { Claims = taken[nearest].Claims.Add(verdict.Fact.Id) };
            }
        }
    }

    private static ImmutableArray<string> Elements(ImmutableArray<string> concepts) =>
        [.. concepts.Select(concept => ConceptId.Of(concept).Element).Distinct(StringComparer.Ordinal)];

    /// <summary>
    /// Roots in their order, each followed by all that hangs on it, however many steps away. What follows from nothing that was
    /// taken, and the first of several that follow from each other, is a root.
    /// </summary>
    internal static ImmutableArray<Finding> Fold(IReadOnlyList<Finding> taken)
    {
        var byId = taken
            .GroupBy(finding => finding.Id, StringComparer.Ordinal)
            .ToDictionary(group => group.Key, group => group.First(), StringComparer.Ordinal);
        var rootOf = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var finding in taken)
        {
            var path = new List<string> { finding.Id };
            while (
                byId[path[^1]].ConsequenceOf is { } next
                && byId.ContainsKey(next)
                && !path.Contains(next)
                && !rootOf.ContainsKey(path[^1])
            )
            {
                path.Add(next);
            }

            // A circle has no end: its first in order stands for it.
            var end = rootOf.GetValueOrDefault(path[^1])
                ?? (byId[path[^1]].ConsequenceOf is { } back && path.Contains(back) ? finding.Id : path[^1]);
            path.ForEach(id => rootOf.TryAdd(id, end));
        }

        var hanging = taken
            .Where(finding => rootOf[finding.Id] != finding.Id)
            .ToLookup(finding => rootOf[finding.Id], StringComparer.Ordinal);
        return
        [
            .. taken
                .Where(finding => rootOf[finding.Id] == finding.Id)
                .SelectMany(root =>
                    hanging[root.Id]
                        .Select(finding => finding with { ConsequenceOf = root.Id })
                        .Prepend(root with { ConsequenceOf = null })
                ),
        ];
    }
}
