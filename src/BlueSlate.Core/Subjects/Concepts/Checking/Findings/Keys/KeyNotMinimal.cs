using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class KeyNotMinimal : ConceptFindingKind
{
    public override string Code => "key-not-minimal";

    public override string Title => "Key with a superfluous attribute";

    public override string Help =>
        "The key holds more than is needed: without one of its attributes it still tells instances apart.";

    public override int Rank => 30;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Key)
            .Where(verdict => verdict is { Kind: VerdictKind.Wrong, PartlyRight: true } && !KeyByOwnNumber.Is(verdict))
            .Select(verdict =>
            {
                var entity = evidence.ModelEntity(verdict.Fact.ConceptId);
                var drawn = evidence.AnswerEntity(verdict.AnswerId!);
                return new Finding
                {
                    Id = IdFor(entity.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = $"The key of {drawn.Name} holds more than it needs.",
                    There = $"The key is drawn as {verdict.Drawn}.",
                    Wanted =
                        $"{Phrasing.Capital(Phrasing.InText(verdict.Fact.Value))} alone tells {Phrasing.Several(entity.Name)} apart.",
                    Why =
                        $"As drawn, two {Phrasing.Several(entity.Name)} could share the same {Phrasing.InText(verdict.Fact.Value)}.",
                    Claims = [verdict.Fact.Id],
                    ModelElements = entity.Primary!.AttributeIds,
                    AnswerElements = drawn.Primary!.AttributeIds,
                };
            });
}
