using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>A table that is proposed.</summary>
/// <param name="All">Its attributes.</param>
/// <param name="Key">The candidate key to be marked.</param>
/// <param name="From">What determined it when it was split off; empty for the one that was there before.</param>
public sealed record ProposedTable(AttributeSet All, AttributeSet Key, AttributeSet From);

/// <summary>A stage that is proposed, in a form that the one before it is not in.</summary>
public sealed record ProposedStage(NormalForm Form, ImmutableArray<ProposedTable> Tables);

/// <summary>
/// Proposes stages from one table of everything to the highest form: along what is against the next form, the determinant that determines
/// most first. Where a dependency that need not be lost would be lost in that way, the tables are synthesised (Bernstein 1976).
/// </summary>
public static class StageProposal
{
    private const int MostSplits = 64;

    /// <summary>
    /// The stages, lowest first: one for each form that is not reached without a split; the first normal form always. None where the
    /// work is too much.
    /// </summary>
    /// <param name="given">The attributes and what is given among them.</param>
    /// <param name="preferred">The key that is marked; used wherever it is one.</param>
    public static ImmutableArray<ProposedStage> Of(DependencySet given, AttributeSet preferred)
    {
        ImmutableArray<AttributeSet> parts = [given.All];
        var origin = new Dictionary<AttributeSet, AttributeSet> { [given.All] = AttributeSet.Empty };
        var stages = ImmutableArray.CreateBuilder<ProposedStage>();
        var last = given.Multivalued.IsEmpty ? NormalForm.BoyceCodd : NormalForm.Fourth;
        for (var form = NormalForm.First; form <= last; form++)
        {
            var before = parts;
            parts = form == NormalForm.First ? parts : Split(parts, form, given, origin);
            if (form < NormalForm.BoyceCodd && !Preservation.Lost(parts, given).IsEmpty)
            {
                parts = Decomposition.Synthesis(given);
            }

            if (form == NormalForm.First || !parts.SequenceEqual(before))
            {
                stages.Add(new ProposedStage(form, [.. parts.Select(part => TableOf(part, given, preferred, origin))]));
            }
        }

        return stages.ToImmutable();
    }

    private static ImmutableArray<AttributeSet> Split(
        ImmutableArray<AttributeSet> parts,
        NormalForm form,
        DependencySet given,
        Dictionary<AttributeSet, AttributeSet> origin
    )
    {
        var done = parts.ToList();
        for (var splits = 0; splits < MostSplits; splits++)
        {
            var worst = done.SelectMany(part => StageForms.Against(part, form, given).Select(against => (part, against)))
                .OrderByDescending(one => one.against.To.Count)
                .FirstOrDefault();
            if (worst.against is not { } found)
            {
                break;
            }

            var at = done.IndexOf(worst.part);
            var (own, left) = (found.From | found.To, worst.part - found.To);
            done[at] = left;
            done.Add(own);
            origin[left] = origin.GetValueOrDefault(worst.part);
            origin.TryAdd(own, found.From);
        }

        return [.. done.Where(part => !done.Exists(other => other != part && part.IsSubsetOf(other))).Distinct()];
    }

    private static ProposedTable TableOf(
        AttributeSet part,
        DependencySet given,
        AttributeSet preferred,
        Dictionary<AttributeSet, AttributeSet> origin
    )
    {
        var from = origin.GetValueOrDefault(part);
        var keys = Projection.On(part, given) is { } cover ? CandidateKeys.Of(part, cover).Keys : [part];
        var key =
            keys.Contains(from) ? from
            : keys.Contains(preferred) ? preferred
            : keys[0];
        return new ProposedTable(part, key, from);
    }
}
