using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class AttributeFormNotShown : FindingKind
{
    public override string Code => "attribute-form-not-shown";

    public override string Title => "Several values, derived or optional not shown";

    public override string Help => "The attribute is drawn, but not that it may have several values, that it is worked out from others, or that it may be absent.";

    public override FindingExample Example => new(
        new Sketch().Box("Fixer", "PK badge no", "name", "{skills}").ToDrawing(),
        new Sketch().Box("Fixer", "PK badge no", "name", "skills").ToDrawing());

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence.Comparison.Verdicts
            .Where(verdict => verdict.Kind == VerdictKind.Wrong && verdict.Fact.Aspect is Aspect.Multivalued or Aspect.Derived or Aspect.Optional && verdict.IsBad && verdict.AnswerId is not null)
            .Select(verdict =>
            {
                var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
                var (name, one) = (Phrasing.InText(attribute.Name), Phrasing.InText(owner.Name));
                var (headline, wanted, why) = verdict.Fact.Aspect switch
                {
                    Aspect.Multivalued => ($"{Phrasing.Capital(Phrasing.One(owner.Name))} may have several {Phrasing.Several(attribute.Name)}.", "Curly brackets around the name.", $"As drawn, a second one of a {one}'s {Phrasing.Several(attribute.Name)} could not be kept."),
                    Aspect.Derived => ($"{Phrasing.Capital(name)} of {one} is worked out from other facts.", "Square brackets around the name.", $"Whoever builds this would store the {name} of a {one}, and it would go stale."),
                    _ => ($"{Phrasing.Capital(name)} of {one} may be absent.", "The ring before the name.", $"As drawn, nobody without {Phrasing.One(attribute.Name)} could be kept as {Phrasing.One(owner.Name)}."),
                };
                return new Finding
                {
                    Id = IdFor(verdict.Fact.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = headline,
                    There = $"{Phrasing.Capital(name)} is drawn as one plain value.",
                    Wanted = wanted,
                    Why = why,
                    Claims = [verdict.Fact.Id],
                    ModelElements = [attribute.Id],
                    AnswerElements = [verdict.AnswerId!],
                };
            });
}
