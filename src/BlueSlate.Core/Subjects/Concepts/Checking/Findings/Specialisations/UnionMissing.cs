using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class UnionMissing : ConceptFindingKind
{
    public override string Code => "union-missing";

    public override int Rank => 45;

    public override string Title => "Category missing or of other supertypes";

    public override string Help =>
        "A category gathers things of several kinds that play one part: a circle with u, the cup and the category beneath it.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Union)
            .Where(verdict => verdict.Kind != VerdictKind.AbsentWithOwner)
            .Select(verdict =>
            {
                var union = evidence.Comparison.Model.Model.Unions.First(candidate => candidate.Id == verdict.Fact.ConceptId);
                var category = evidence.ModelEntity(union.CategoryId).Name;
                var supers = Phrasing
                    .List([.. union.Supertypes.Select(super => Phrasing.One(evidence.ModelEntity(super.EntityId).Name))])
                    .Replace(" and ", " or ", StringComparison.Ordinal);
                var counterparts = union
                    .Supertypes.Select(super => evidence.CounterpartOf(super.EntityId)?.Id)
                    .ToHashSet(StringComparer.Ordinal);
                var above = evidence.CounterpartOf(union.CategoryId)!.Id;
                var turned = evidence
                    .Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Subtype && extra.OwnerId == above)
                    .Where(extra => counterparts.Contains(evidence.AnswerSubtype(extra.AnswerId)))
                    .Select(extra => extra.AnswerId)
                    .ToImmutableArray();
                return AboutFact(
                    verdict,
                    turned.IsEmpty ? Tag.Missing : Tag.Differs,
                    headline: $"{Phrasing.Capital(Phrasing.One(category))} is not shown as {supers}.",
                    there: !turned.IsEmpty ? $"Drawn as if all of them were {Phrasing.Several(category)}."
                        : verdict.Kind == VerdictKind.Wrong ? $"{category} is drawn for fewer, or for others."
                        : $"Nothing says so of {category}.",
                    wanted: "A circle with u from "
                        + $"{Phrasing.List([.. union.Supertypes.Select(super => evidence.ModelEntity(super.EntityId).Name)])} "
                        + $"to {category}.",
                    why: turned.IsEmpty
                        ? $"As drawn, nobody knows who {Phrasing.One(category)} is."
                        : $"As drawn, none could be kept that is no {Phrasing.InText(category)}."
                ) with
                {
                    Extras = turned,
                    AnswerElements = turned.IsEmpty ? [verdict.AnswerId!] : turned,
                };
            });
}
