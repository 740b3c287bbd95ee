using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Attributes;

internal sealed class PartMissing : ConceptFindingKind
{
    public override string Code => "part-missing";

    public override string Title => "Part of a composite attribute missing";

    public override string Help => "A composite attribute is drawn with its parts, each an oval of its own.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Part)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .GroupBy(verdict => evidence.ModelPart(verdict.Fact.ConceptId).Whole.Id, StringComparer.Ordinal)
            .Select(group =>
            {
                var first = group.First();
                var (owner, whole, _) = evidence.ModelPart(first.Fact.ConceptId);
                var parts = Phrasing.List([
                    .. group.Select(verdict => Phrasing.InText(evidence.ModelPart(verdict.Fact.ConceptId).Part.Name)),
                ]);
                var several = group.Skip(1).Any();
                return AboutFact(
                    first,
                    Tag.Missing,
                    headline: $"{Phrasing.Capital(parts)} of {Phrasing.InText(owner.Name)}'s {Phrasing.InText(whole.Name)} "
                        + $"{(several ? "are" : "is")} missing.",
                    there: $"{Phrasing.Capital(Phrasing.InText(whole.Name))} is drawn without {(several ? "them" : "it")}.",
                    wanted: $"{Phrasing.Capital(parts)} as {(several ? "parts" : "a part")} of {Phrasing.InText(whole.Name)}.",
                    why: $"As drawn, {Phrasing.One(owner.Name)} cannot be looked up by {parts}."
                ) with
                {
                    Claims = [.. group.Select(verdict => verdict.Fact.Id)],
                    ModelElements = [.. group.Select(verdict => verdict.Fact.ConceptId)],
                };
            });
}
