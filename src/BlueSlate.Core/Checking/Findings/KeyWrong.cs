using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class KeyWrong : FindingKind
{
    public override string Code => "key-wrong";

    public override string Title => "Wrong key";

    public override string Help => "What is marked as the key does not tell instances apart, or is not what the scenario uses to do so.";

    // An attribute invented to be the key is no mistake of its own.
    public override int Rank => 48;

    public override FindingExample Example => new(
        ExampleDrawings.Conceptual,
        new Sketch().Box("Visit", "visit no", "PK date").Box("Item", ExampleDrawings.Item)
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").ToDrawing());

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence.Comparison.Bad(Aspect.Key).Where(verdict => verdict is { Kind: VerdictKind.Wrong, PartlyRight: false }).Select(verdict =>
        {
            var entity = evidence.ModelEntity(verdict.Fact.ConceptId);
            var drawn = evidence.AnswerEntity(verdict.AnswerId!);
            return new Finding
            {
                Id = IdFor(entity.Id),
                Code = Code,
                Tag = Tag.Differs,
                Headline = $"{drawn.Name} is not told apart by {verdict.Drawn}.",
                There = $"The key is drawn as {verdict.Drawn}.",
                Wanted = $"The key is {verdict.Fact.Value}.",
                Why = $"As drawn, no two {Phrasing.Several(entity.Name)} could have the same {Phrasing.InText(verdict.Drawn)}.",
                Claims = [verdict.Fact.Id],
                Extras = [.. evidence.Comparison.Extras.Where(extra => extra.Kind == ExtraKind.Attribute && drawn.Primary?.AttributeIds.Contains(extra.AnswerId) == true).Select(extra => extra.AnswerId)],
                ModelElements = entity.Primary!.AttributeIds,
                AnswerElements = drawn.Primary?.AttributeIds is { IsEmpty: false } ids ? ids : [drawn.Id],
            };
        });
}
