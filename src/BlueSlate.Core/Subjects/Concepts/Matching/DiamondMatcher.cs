using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Pairs relationships of more than two whose entities all correspond, by what they are called, what they have and what they
/// say at their ends together, as an optimal assignment; and likewise the roles that one entity plays in one of them.
/// </summary>
internal static class DiamondMatcher
{
    /// <summary>The relationships of more than two that stand for each other, by the model answer's.</summary>
    public static IEnumerable<(string Id, RelationshipMatch Match)> Match(Side model, Side answer, int[] map)
    {
        var theirs = OfSide(answer, index => index).ToLookup(diamond => diamond.Ends, StringComparer.Ordinal);
        foreach (var group in OfSide(model, index => map[index]).GroupBy(diamond => diamond.Ends, StringComparer.Ordinal))
        {
            var (wanted, drawn) = (group.ToList(), theirs[group.Key].ToList());
            if (drawn.Count == 0)
            {
                continue;
            }

            var roles = wanted.ConvertAll(one => drawn.ConvertAll(other => Roles(one, other, model, answer, map)));
            var cost = new double[wanted.Count, Math.Max(wanted.Count, drawn.Count)];
            for (var i = 0; i < wanted.Count; i++)
            {
                for (var j = 0; j < drawn.Count; j++)
                {
                    cost[i, j] = roles[i][j].Cost - Likeness(wanted[i].Relationship, drawn[j].Relationship, model, answer);
                }
            }

            var columns = Assignment.Solve(cost);
            for (var i = 0; i < wanted.Count; i++)
            {
                if (columns[i] < drawn.Count)
                {
                    yield return (
                        wanted[i].Relationship.Id,
                        new RelationshipMatch(drawn[columns[i]].Relationship.Id, roles[i][columns[i]].Pairs)
                    );
                }
            }
        }
    }

    private sealed record Diamond(RelationshipType Relationship, string Ends, string Said);

    // In an order that depends only on what is said, so that of equal costs it is content that decides.
    private static IEnumerable<Diamond> OfSide(Side side, Func<int, int> known) =>
        from relationship in side.Model.Relationships
        where relationship.Roles.Length > 2
        let ends = relationship.Roles.Select(role => known(side.IndexOf(role.EntityId))).Order().ToList()
        where ends[0] >= 0
        let said = string.Join(
            '|',
            relationship
                .Roles.Select(role => $"{side.IndexOf(role.EntityId)} {role.Role} {role.CoOccurrence}")
                .Order(StringComparer.Ordinal)
        )
        let attributes = relationship.Attributes.Select(attribute => attribute.Name).Order(StringComparer.Ordinal)
        let diamond = new Diamond(
            relationship,
            string.Join(' ', ends),
            $"{relationship.Name}|{said}|{string.Join('|', attributes)}"
        )
        orderby diamond.Said
        select diamond;

    private static double Likeness(RelationshipType one, RelationshipType other, Side model, Side answer)
    {
        var name =
            one.Name.Length > 0 && other.Name.Length > 0
                ? NameSimilarity.Of(VerbForm.Of(one.Name), VerbForm.Of(other.Name)).Value
                : 0.5;
        var (ours, theirs) = (model.Owners[one.Id].Attributes, answer.Owners[other.Id].Attributes);
        var shared = ours.Count(attribute => theirs.Any(attribute.IsAlike));
        return name + (ours.Length + theirs.Length == 0 ? 0 : 2.0 * shared / (ours.Length + theirs.Length));
    }

    // Of several roles of one entity the one that is called or counted alike.
    private static (ImmutableDictionary<string, string> Pairs, double Cost) Roles(
        Diamond one,
        Diamond other,
        Side model,
        Side answer,
        int[] map
    )
    {
        var pairs = ImmutableDictionary.CreateBuilder<string, string>(StringComparer.Ordinal);
        var total = 0.0;
        foreach (var group in one.Relationship.Roles.GroupBy(role => map[model.IndexOf(role.EntityId)]))
        {
            var (ours, theirs) = (
                group.ToList(),
                other.Relationship.Roles.Where(role => answer.IndexOf(role.EntityId) == group.Key).ToList()
            );
            var cost = new double[ours.Count, theirs.Count];
            for (var i = 0; i < ours.Count; i++)
            {
                for (var j = 0; j < theirs.Count; j++)
                {
                    cost[i, j] = LinkComparer.EndCost(ours[i], theirs[j]);
                }
            }

            var columns = Assignment.Solve(cost);
            for (var i = 0; i < ours.Count; i++)
            {
                pairs.Add(ours[i].Id, theirs[columns[i]].Id);
                total += cost[i, columns[i]];
            }
        }

        return (pairs.ToImmutable(), total);
    }
}
