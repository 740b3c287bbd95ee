using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class LiteralMissing : ConceptFindingKind
{
    public override string Code => "literal-missing";

    public override string Title => "Literal missing";

    public override string Help => "An enumeration lists all its values.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Literal)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict =>
            {
                var owner = evidence.Comparison.Model.Model.Entities.First(entity =>
                    entity.Literals.Any(literal => literal.Id == verdict.Fact.ConceptId)
                );
                return AboutFact(
                    verdict,
                    Tag.Missing,
                    headline: $"{Phrasing.Capital(verdict.Fact.Value)} is missing from {Phrasing.InText(owner.Name)}.",
                    there: $"{owner.Name} does not list {verdict.Fact.Value}.",
                    wanted: $"{owner.Name} with the literal {verdict.Fact.Value}.",
                    why: $"As drawn, no {Phrasing.InText(owner.Name)} could be {verdict.Fact.Value}."
                );
            });
}
