using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class AlternateKeyMissing : FindingKind
{
    public override string Code => "alternate-key-missing";

    public override string Title => "Alternate key not shown";

    public override string Help => "The scenario says that no two share this value either, and the drawing does not show it.";

    public override FindingExample Example => new(
        new Sketch().Box("Fixer", "PK badge no", "AK1 email", "name").ToDrawing(),
        new Sketch().Box("Fixer", "PK badge no", "email", "name").ToDrawing());

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence.Comparison.Bad(Aspect.AlternateKey).Where(verdict => verdict.Kind == VerdictKind.Absent).Select(verdict =>
        {
            var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
            return new Finding
            {
                Id = IdFor(attribute.Id),
                Code = Code,
                Tag = Tag.Differs,
                Headline = $"No two {Phrasing.Several(owner.Name)} share {Phrasing.One(attribute.Name)}.",
                There = $"{Phrasing.Capital(Phrasing.InText(verdict.Fact.Value))} is drawn as a plain attribute.",
                Wanted = $"{Phrasing.Capital(Phrasing.InText(verdict.Fact.Value))} marked as an alternate key.",
                Why = $"As drawn, two {Phrasing.Several(owner.Name)} could have the same {Phrasing.InText(attribute.Name)}.",
                Claims = [verdict.Fact.Id],
                ModelElements = [attribute.Id],
                AnswerElements = [evidence.Comparison.Correspondence.Attributes.GetValueOrDefault(attribute.Id)?.AnswerId ?? verdict.AnswerId!],
            };
        });
}
