using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class PartialKeyNotShown : ConceptFindingKind
{
    public override string Code => "partial-key-not-shown";

    public override string Title => "Partial key marked as a full key";

    public override string Help =>
        "What tells instances apart only within their owner is a partial key: a dashed underline, or PPK before it.";

    public override int Rank => 32;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.PartialKey)
            .Where(verdict =>
                verdict.Kind == VerdictKind.Wrong
                && evidence.IsAttributeOfEntity(verdict.Fact.ConceptId)
                && evidence.Comparison.On(FactKinds.Key, evidence.ModelAttribute(verdict.Fact.ConceptId).Owner.Id)
                    is (null or { IsGood: true })
                && evidence.Comparison.On(FactKinds.EntityKind, evidence.ModelAttribute(verdict.Fact.ConceptId).Owner.Id)
                    is (null or { IsGood: true })
            )
            .Select(verdict =>
            {
                var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
                var name = Phrasing.InText(attribute.Name);
                return AboutFact(
                    verdict,
                    Tag.Notation,
                    headline: $"{Phrasing.Capital(name)} is not shown as a partial key.",
                    there: $"{Phrasing.Capital(name)} is marked as a key of its own.",
                    wanted: $"The mark of a partial key at {name} of {Phrasing.InText(owner.Name)}.",
                    why: $"As drawn, no two {Phrasing.Several(owner.Name)} anywhere could share one {name}; "
                        + "it counts within their owner alone."
                );
            });
}
