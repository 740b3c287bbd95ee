using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class KeyByOwnNumber : ConceptFindingKind
{
    public override string Code => "key-by-own-number";

    public override string Title => "A number of its own, and nothing that keeps the pair apart";

    public override string Help =>
        "What links two things may have a number of its own as its key. Then the pair that was the key is to be an "
        + "alternate key, or the same pair can be there twice.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Key)
            .Where(Is)
            .Select(verdict =>
            {
                var entity = evidence.ModelEntity(verdict.Fact.ConceptId);
                var drawn = evidence.AnswerEntity(verdict.AnswerId!);
                var pair = Phrasing.List([
                    .. entity
                        .Attributes.Where(attribute => entity.Primary!.AttributeIds.Contains(attribute.Id))
                        .Select(attribute => Phrasing.InText(attribute.Name)),
                ]);
                return new Finding
                {
                    Id = IdFor(entity.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = $"{drawn.Name} has {Phrasing.InText(verdict.Drawn)} as its key, and nothing keeps {pair} apart.",
                    There = $"The key is {verdict.Drawn}; {pair} may be the same twice.",
                    Wanted =
                        $"{Phrasing.Capital(pair)} as the key, or as an alternate key beside {Phrasing.InText(verdict.Drawn)}.",
                    Why = $"As drawn, two {Phrasing.Several(entity.Name)} could be alike in {pair}, under different numbers.",
                    Claims = [verdict.Fact.Id],
                    ModelElements = entity.Primary!.AttributeIds,
                    AnswerElements = drawn.Primary!.AttributeIds,
                };
            });

    /// <summary>Whether a verdict on a key is about an invented number.</summary>
    internal static bool Is(Verdict verdict) => verdict is { Kind: VerdictKind.Wrong, PartlyRight: true, ByOwnNumber: true };
}
