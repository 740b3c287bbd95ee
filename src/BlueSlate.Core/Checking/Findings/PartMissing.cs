using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class PartMissing : FindingKind
{
    public override string Code => "part-missing";

    public override string Title => "Part of a composite attribute missing";

    public override string Help => "A composite attribute is drawn with its parts, each an oval of its own.";

    public override FindingExample Example => new(
        new Sketch().Box("Fixer").Oval("Fixer", "badge no", Underline.Solid).Oval("Fixer", "name").Oval("name", "first").Oval("name", "last").ToDrawing(),
        new Sketch().Box("Fixer").Oval("Fixer", "badge no", Underline.Solid).Oval("Fixer", "name").Oval("name", "first").ToDrawing())
    { Options = ExampleDrawings.Chen };

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence.Comparison.Bad(Aspect.Part).Where(verdict => verdict.Kind == VerdictKind.Absent).Select(verdict =>
        {
            var (owner, whole, part) = evidence.ModelPart(verdict.Fact.ConceptId);
            return AboutFact(
                verdict,
                Tag.Missing,
                headline: $"{Phrasing.Capital(Phrasing.InText(part))} of {Phrasing.InText(owner.Name)}'s {Phrasing.InText(whole.Name)} is missing.",
                there: $"{Phrasing.Capital(Phrasing.InText(whole.Name))} is drawn without it.",
                wanted: $"{Phrasing.Capital(Phrasing.InText(part))} as a part of {Phrasing.InText(whole.Name)}.",
                why: $"As drawn, {Phrasing.One(owner.Name)} cannot be looked up by {Phrasing.InText(part)}.");
        });
}
