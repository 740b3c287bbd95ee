using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Populations.Examples;

/// <summary>One thing that takes part in two relationships of which only one may be.</summary>
internal sealed class ThingsInBoth : ExampleSource
{
    public override IEnumerable<Proposal> Propose(Dispute dispute)
    {
        foreach (var verdict in dispute.On(FactKinds.Exclusion).Where(verdict => verdict.Kind == VerdictKind.Absent))
        {
            var exclusion = dispute.Model.Exclusions.First(candidate => candidate.Id == verdict.Fact.ConceptId);
            var relationships = exclusion
                .RelationshipIds.Select(id => dispute.Model.Relationships.First(relationship => relationship.Id == id))
                .ToList();
            if (
                PopulationRules.SharedEntity(exclusion, dispute.Model) is not { } shared
                || relationships.Exists(relationship => relationship.Roles.Length != 2)
                || dispute.AsDrawn([verdict]) is not { } drawn
            )
            {
                continue;
            }

            var seed = new Growth(drawn);
            var thing = seed.Add(shared);
            var others = relationships.ConvertAll(relationship =>
            {
                var own = relationship.Roles.First(role => role.EntityId == shared);
                var other = relationship.Other(own);
                var partner = seed.Add(other.EntityId);
                seed.TieAt(relationship, own, thing, partner);
                return (Partner: partner, other.EntityId);
            });
            yield return new Proposal(ExampleKind.AllowedAsDrawn, seed, drawn, [verdict.Fact.Id], Show);

            ExampleTable Show(Population population)
            {
                var names = new ThingNames();
                var kind = dispute.NameOf(shared);
                var partners = others.ConvertAll(other => names.Of(dispute.NameOf(other.EntityId), other.Partner));
                ImmutableArray<string> heads = [kind, .. others.Select(other => dispute.NameOf(other.EntityId))];
                return new ExampleTable(
                    Phrasing.Capital(
                        $"{Phrasing.One(kind)} with {Phrasing.List([.. heads.Skip(1).Select(Phrasing.One)])} at once."
                    ),
                    heads,
                    [
                        [names.Of(kind, thing), .. partners],
                    ]
                );
            }
        }
    }
}
