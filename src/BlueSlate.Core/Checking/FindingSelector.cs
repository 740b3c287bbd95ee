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

        return Fold(taken);
    }

    private static ImmutableArray<string> Elements(ImmutableArray<string> concepts) =>
        [.. concepts.Select(Concepts.Reading.ElementOf).Distinct(StringComparer.Ordinal)];

    private static ImmutableArray<Finding> Fold(List<Finding> taken)
    {
        var roots = taken.Where(finding => finding.ConsequenceOf is null || taken.All(other => other.Id != finding.ConsequenceOf)).ToList();
        return [.. roots.SelectMany(root => taken.Where(finding => finding.ConsequenceOf == root.Id).Prepend(root with { ConsequenceOf = null }))];
    }
}
