using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class RelationshipKindDiffers : ConceptFindingKind
{
    public override string Code => "relationship-kind";

    public override string Title => "Wrong kind of link";

    public override string Help =>
        "An association ties things together; a filled diamond says that parts go with their whole, a hollow one that "
        + "they are gathered; dashed arrows are for use and for realization.";

    public override int Rank => 28;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.LinkKind)
            .Where(verdict => verdict.Kind == VerdictKind.Wrong && !evidence.IsReversed(verdict))
            .Select(verdict =>
            {
                var relationship = evidence.ModelRelationship(verdict.Fact.ConceptId);
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: $"{Phrasing.Capital(evidence.Named(relationship))} is not drawn as {Phrasing.One(verdict.Fact.Value)}.",
                    there: $"{Phrasing.Capital(evidence.Named(relationship))} is drawn as {Phrasing.One(verdict.Drawn)}.",
                    wanted: $"{Phrasing.Capital(evidence.Named(relationship))} as {Phrasing.One(verdict.Fact.Value)}.",
                    why: $"Whoever builds {evidence.Named(relationship)} as drawn gets the life of its ends wrong."
                );
            });
}
