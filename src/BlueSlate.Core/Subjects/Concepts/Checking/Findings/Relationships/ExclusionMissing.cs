using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class ExclusionMissing : ConceptFindingKind
{
    public override string Code => "exclusion-missing";

    public override string Title => "Exclusive constraint missing";

    public override string Help =>
        "Where a thing takes part in one of two relationships but never in both, a dashed line with {xor} joins the two.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Exclusion)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict =>
            {
                var pair = evidence
                    .Comparison.Model.Model.Exclusions.First(exclusion => exclusion.Id == verdict.Fact.ConceptId)
                    .RelationshipIds.Select(id => evidence.Named(evidence.ModelRelationship(id)))
                    .ToList();
                return AboutFact(
                    verdict,
                    Tag.Missing,
                    headline: $"Nothing keeps “{pair[0]}” and “{pair[^1]}” apart.",
                    there: $"No line with {{xor}} joins “{pair[0]}” and “{pair[^1]}”.",
                    wanted: $"A dashed line with {{xor}} between {pair[0]} and {pair[^1]}.",
                    why: $"As drawn, both could be at once: {Phrasing.List(pair)}."
                );
            });
}
