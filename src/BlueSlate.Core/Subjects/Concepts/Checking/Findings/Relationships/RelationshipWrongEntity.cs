using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class RelationshipWrongEntity : ConceptFindingKind
{
    public override string Code => "relationship-wrong-entity";

    public override string Title => "Relationship tied to the wrong entity";

    public override string Help => "The line is there, but one of its ends is at another box than the scenario says.";

    public override int Rank => 20;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Relationship)
            .Where(verdict =>
                verdict.Kind == VerdictKind.Wrong
                && evidence.Comparison.Correspondence.Misdirected.ContainsKey(verdict.Fact.ConceptId)
            )
            .Select(verdict =>
            {
                var relationship = evidence.ModelRelationship(verdict.Fact.ConceptId);
                var match = evidence.Comparison.Correspondence.Misdirected[relationship.Id];
                var drawn = evidence.AnswerRelationship(match.AnswerId);
                var wrong = evidence.AnswerEntity(drawn.Roles.First(role => role.Id == match.WrongRoleId).EntityId).Name;
                var role = relationship.Roles.First(candidate => match.Roles[candidate.Id] == match.WrongRoleId);
                var wanted = evidence.ModelEntity(role.EntityId).Name;
                var other = evidence.ModelEntity(relationship.Other(role).EntityId).Name;
                return new Finding
                {
                    Id = IdFor(relationship.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = $"The line ends at {wrong}; it belongs to {wanted}.",
                    There = $"A line: {evidence.NamedAsDrawn(drawn)}.",
                    Wanted = $"A line: {evidence.Named(relationship)}.",
                    Why = IsFan(role.EntityId, drawn.Roles.First(end => end.Id == match.WrongRoleId).EntityId, evidence)
                        ? $"As drawn, {Phrasing.One(other)} is known to go with {Phrasing.One(wrong)}, but not with which "
                            + $"of its {Phrasing.Several(wanted)}."
                        : $"As drawn, nothing says which {Phrasing.InText(wanted)} goes with {Phrasing.One(other)}.",
                    Claims = relationship.Roles.All(end => evidence.CounterpartOf(end.EntityId) is null)
                        ? evidence.BadFactsOf(relationship.Roles.Select(end => end.Id).Append(relationship.Id))
                        : [verdict.Fact.Id],
                    ModelElements = [relationship.Id],
                    AnswerElements = [match.WrongRoleId],
                };
            });

    // A fan: what is wanted hangs on what the line is tied to, several on one, so that only the one is known.
    private static bool IsFan(string wantedId, string drawnAt, Evidence evidence) =>
        evidence.ModelOf(drawnAt) is { } parent
        && evidence.Comparison.Model.Model.Relationships.Any(relationship =>
            relationship.Roles.Length == 2
            && relationship.Roles.Any(role =>
                role.EntityId == wantedId && role.CoOccurrence.Max == Count.Many && relationship.Other(role).EntityId == parent.Id
            )
        );
}
