using System.Collections.Immutable;

namespace BlueSlate.Core.Checking;

/// <summary>
/// Takes, of all proposed findings, those that explain every bad verdict and every extra, the most telling first, so that
/// a mistake is said once. A finding is dropped when others before it explain all that it does.
/// </summary>
public static class FindingSelector
{
    /// <summary>The findings of a comparison by the given kinds, in a fixed order: roots by rank, each followed by its consequences.</summary>
    public static ImmutableArray<Finding> Select(Comparison comparison, IReadOnlyList<FindingKind> kinds)
    {
        var evidence = new Evidence(comparison);
        var proposed = kinds.OrderBy(kind => kind.Rank).SelectMany(kind => kind.Find(evidence).Select(finding => (kind, finding)));
        var explained = new HashSet<string>(StringComparer.Ordinal);
        var taken = new List<Finding>();
        foreach (var (kind, finding) in proposed)
        {
            var claims = finding.Claims.Where(id => !explained.Contains(id)).ToImmutableArray();
            var extras = finding.Extras.Where(id => !explained.Contains(id)).ToImmutableArray();
            if (claims.IsEmpty && extras.IsEmpty && !kind.IsIndependent)
            {
                continue;
            }

            explained.UnionWith(claims);
            explained.UnionWith(extras);
            taken.Add(finding with { Claims = claims, Extras = extras, ModelElements = Elements(finding.ModelElements), AnswerElements = Elements(finding.AnswerElements) });
        }

        Gather(taken, comparison, explained);
        return Fold(taken);
    }

    // What no kind has words of its own for belongs to the finding about the same concept, the same place or the same owner.
    private static void Gather(List<Finding> taken, Comparison comparison, HashSet<string> explained)
    {
        var claimed = comparison.Verdicts.ToDictionary(verdict => verdict.Fact.Id, StringComparer.Ordinal);
        foreach (var verdict in comparison.Verdicts.Where(verdict => (verdict.IsBad || verdict.PartlyRight) && !explained.Contains(verdict.Fact.Id)))
        {
            var nearest = new Func<Fact, bool>[]
            {
                fact => fact.ConceptId == verdict.Fact.ConceptId,
                fact => fact.Place == verdict.Fact.Place,
                fact => fact.ConceptId == verdict.OwnerId,
            }.Select(near => taken.FindIndex(finding => finding.Claims.Any(claim => near(claimed[claim].Fact)))).FirstOrDefault(index => index >= 0, -1);
            if (nearest >= 0)
            {
                taken[nearest] = taken[nearest] with { Claims = taken[nearest].Claims.Add(verdict.Fact.Id) };
            }
        }
    }

    private static ImmutableArray<string> Elements(ImmutableArray<string> concepts) =>
        [.. concepts.Select(Concepts.Reading.ElementOf).Distinct(StringComparer.Ordinal)];

    private static ImmutableArray<Finding> Fold(List<Finding> taken)
    {
        var roots = taken.Where(finding => finding.ConsequenceOf is null || taken.All(other => other.Id != finding.ConsequenceOf)).ToList();
        return [.. roots.SelectMany(root => taken.Where(finding => finding.ConsequenceOf == root.Id).Prepend(root with { ConsequenceOf = null }))];
    }
}
