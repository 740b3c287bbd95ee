using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class KeyMissing : ConceptFindingKind
{
    public override string Code => "key-missing";

    public override string Title => "Key missing";

    public override string Help =>
        "Nothing tells one instance from another. Mark the attribute, or the attributes together, that no two share.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Key)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict =>
            {
                var entity = evidence.ModelEntity(verdict.Fact.ConceptId);
                var keyAttributes = entity.Primary!.AttributeIds;
                return new Finding
                {
                    Id = IdFor(entity.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = $"{evidence.AnswerEntity(verdict.AnswerId!).Name} has no key.",
                    There = $"Nothing of {evidence.AnswerEntity(verdict.AnswerId!).Name} is marked as the key.",
                    Wanted = $"The key of {entity.Name} is {verdict.Fact.Value}.",
                    Why = $"As drawn, two {Phrasing.Several(entity.Name)} alike in everything could not be told apart.",
                    Claims = [verdict.Fact.Id],
                    ModelElements = keyAttributes.IsEmpty ? [entity.Id] : keyAttributes,
                    AnswerElements = [verdict.AnswerId!],
                };
            });
}
