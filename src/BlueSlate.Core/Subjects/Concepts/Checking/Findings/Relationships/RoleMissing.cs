using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class RoleMissing : ConceptFindingKind
{
    public override string Code => "role-missing";

    public override string Title => "Role missing on a recursive relationship";

    public override string Help =>
        "When an entity is related to itself, each end needs a role or a verb: otherwise nobody can tell which end is which.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.RoleName)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict =>
            {
                var relationship = evidence.ModelRelationship(verdict.Fact.ConceptId);
                var entity = Phrasing.InText(evidence.ModelEntity(relationship.Roles[0].EntityId).Name);
                return AboutFact(
                    verdict,
                    Tag.Missing,
                    headline: $"One end at {entity} does not say that it is the {verdict.Fact.Value}.",
                    there: $"An end of “{evidence.Named(relationship)}” has no role.",
                    wanted: $"The role {verdict.Fact.Value} at its end of “{evidence.Named(relationship)}”.",
                    why: $"Of two {Inflection.Plural(entity)} on this line, nobody could tell which is the {verdict.Fact.Value}."
                );
            });
}
