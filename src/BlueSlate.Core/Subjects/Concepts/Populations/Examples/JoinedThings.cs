using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Populations.Examples;

/// <summary>
/// Three facts about three things at a time from which, once they are kept two things at a time, a fourth follows that never
/// was: the join of the projections of a relation that has no such join dependency (Rissanen 1977).
/// </summary>
internal sealed class JoinedThings : ExampleSource
{
    public override IEnumerable<Proposal> Propose(Dispute dispute)
    {
        foreach (var verdict in dispute.On(FactKinds.Relationship).Where(verdict => verdict.Kind == VerdictKind.Absent))
        {
            var relationship = dispute.Model.Relationships.First(candidate => candidate.Id == verdict.Fact.ConceptId);
            if (relationship.Roles.Length != 3 || !IsDrawnByPairs(relationship, dispute.Comparison))
            {
                continue;
            }

            var seed = new Growth(dispute.Model);
            var things = relationship
                .Roles.Select(role => (One: seed.Add(role.EntityId), Other: seed.Add(role.EntityId)))
                .ToList();
            seed.Tie(relationship, things[0].One, things[1].One, things[2].Other);
            seed.Tie(relationship, things[0].One, things[1].Other, things[2].One);
            seed.Tie(relationship, things[0].Other, things[1].One, things[2].One);
            ImmutableArray<int> never = [.. things.Select(thing => thing.One)];
            yield return new Proposal(ExampleKind.FollowsAsDrawn, seed, dispute.Model, [verdict.Fact.Id], Show)
            {
                Holds = population => FollowsFromPairs(population, relationship, never),
            };

            ExampleTable Show(Population population)
            {
                var names = new ThingNames();
                var heads = relationship.Roles.Select(role => dispute.NameOf(role.EntityId)).ToImmutableArray();
                var rows = population
                    .TiesOf(relationship.Id)
                    .Take(3)
                    .Select(tie => tie.Players)
                    .Append(never)
                    .Select(players => players.Select((player, i) => names.Of(heads[i], player)).ToImmutableArray())
                    .ToImmutableArray();
                return new ExampleTable($"{Phrasing.Capital(Phrasing.List([.. rows[^1]]))} never went together.", heads, rows);
            }
        }
    }

    // Only what is kept two at a time can be put together again: two lines at least that join all three, and stand for nothing
    // else.
    private static bool IsDrawnByPairs(RelationshipType relationship, ConceptComparison comparison)
    {
        var ends = relationship
            .Roles.Select(role => comparison.Correspondence.Entities.GetValueOrDefault(role.EntityId)?.AnswerId)
            .ToList();
        var extras = comparison
            .Extras.Where(extra => extra.Kind == ExtraKinds.Relationship)
            .Select(extra => extra.AnswerId)
            .ToHashSet(StringComparer.Ordinal);
        var pairs = comparison
            .Answer.Model.Relationships.Where(drawn =>
                extras.Contains(drawn.Id)
                && drawn.Roles is [var one, var other]
                && one.EntityId != other.EntityId
                && ends.Contains(one.EntityId)
                && ends.Contains(other.EntityId)
            )
            .Select(drawn => drawn.Roles.Select(role => role.EntityId).ToHashSet(StringComparer.Ordinal))
            .ToList();
        return pairs.Count > 1 && ends.TrueForAll(end => end is not null && pairs.Exists(pair => pair.Contains(end)));
    }

    /// <summary>Whether each two of some things go together somewhere, and all of them nowhere.</summary>
    internal static bool FollowsFromPairs(Population population, RelationshipType relationship, ImmutableArray<int> players)
    {
        var ties = population.TiesOf(relationship.Id).ToList();
        return !ties.Exists(tie => tie.Players.SequenceEqual(players))
            && Enumerable
                .Range(0, players.Length)
                .All(i =>
                    Enumerable
                        .Range(i + 1, players.Length - i - 1)
                        .All(j => ties.Exists(tie => tie.Players[i] == players[i] && tie.Players[j] == players[j]))
                );
    }
}
