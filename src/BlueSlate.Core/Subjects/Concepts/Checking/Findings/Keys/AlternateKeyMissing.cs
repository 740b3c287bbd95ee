using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class AlternateKeyMissing : ConceptFindingKind
{
    public override string Code => "alternate-key-missing";

    public override string Title => "Alternate key not shown";

    public override string Help => "The scenario says that no two share this value either, and the drawing does not show it.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.AlternateKey)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict =>
            {
                var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
                var key = owner.AlternateBy(attribute.Id);
                var names = owner
                    .Attributes.Where(other => key.AttributeIds.Contains(other.Id))
                    .Select(other => Phrasing.InText(other.Name))
                    .ToList();
                var (all, together) = (Phrasing.List(names), names.Count > 1);
                return new Finding
                {
                    Id = IdFor(attribute.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline =
                        $"Nothing says that no two {Phrasing.Several(owner.Name)} share "
                        + $"{(together ? $"the same {all}" : Phrasing.One(attribute.Name))}.",
                    There = together
                        ? $"Nothing marks {all} as a key together."
                        : $"{Phrasing.Capital(all)} is drawn as a plain attribute.",
                    Wanted = together
                        ? $"{Phrasing.Capital(all)} marked as one alternate key."
                        : $"{Phrasing.Capital(all)} marked as an alternate key.",
                    Why = $"As drawn, two {Phrasing.Several(owner.Name)} could have the same {all}.",
                    Claims = [verdict.Fact.Id],
                    ModelElements = [.. key.AttributeIds],
                    AnswerElements =
                    [
                        .. key
                            .AttributeIds.Select(id =>
                                evidence.Comparison.Correspondence.Attributes.GetValueOrDefault(id)?.AnswerId
                            )
                            .OfType<string>()
                            .DefaultIfEmpty(verdict.AnswerId!),
                    ],
                };
            });
}
