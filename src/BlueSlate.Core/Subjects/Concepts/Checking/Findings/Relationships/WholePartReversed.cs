using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class WholePartReversed : ConceptFindingKind
{
    public override string Code => "whole-part-reversed";

    public override string Title => "Whole and part reversed";

    public override string Help => "The diamond stands at the whole, and the arrowhead at what is used or realised.";

    public override int Rank => 11;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.LinkKind)
            .Where(verdict => evidence.IsReversed(verdict))
            .Select(verdict =>
            {
                var relationship = evidence.ModelRelationship(verdict.Fact.ConceptId);
                var head = evidence
                    .ModelEntity(
                        relationship
                            .Roles.First(role => role.Id == (relationship.WholeRoleId ?? relationship.Roles[1].Id))
                            .EntityId
                    )
                    .Name;
                var whole = relationship.WholeRoleId is not null;
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: whole
                        ? $"The diamond of “{evidence.Named(relationship)}” is at the wrong end."
                        : $"{Phrasing.Capital(evidence.Named(relationship))} leads the wrong way.",
                    there: $"{Phrasing.Capital(evidence.Named(relationship))} is drawn as {Phrasing.One(verdict.Drawn)}.",
                    wanted: $"The {(whole ? "diamond" : "arrowhead")} of “{evidence.Named(relationship)}” at {head}.",
                    why: whole
                        ? $"As drawn, {Phrasing.One(head)} would go when what it holds goes."
                        : $"As drawn, {Phrasing.InText(head)} depends on what depends on it."
                );
            });
}
