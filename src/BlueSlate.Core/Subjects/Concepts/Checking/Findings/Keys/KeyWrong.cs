using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class KeyWrong : ConceptFindingKind
{
    public override string Code => "key-wrong";

    public override string Title => "Wrong key";

    public override string Help =>
        "What is marked as the key does not tell instances apart, or is not what the scenario uses to do so.";

    // An attribute invented to be the key is no mistake of its own.
    public override int Rank => 48;

    // The key is right but for a foreign key that is not drawn.
    private static string? LackedColumn(EntityType wanted, EntityType drawn, Evidence evidence)
    {
        var lacking = wanted
            .Primary!.AttributeIds.Where(id => evidence.Comparison.On(FactKinds.ForeignKey, id) is { Kind: VerdictKind.Absent })
            .ToList();
        var there = wanted
            .Primary!.AttributeIds.Except(lacking)
            .Select(id => evidence.Comparison.Correspondence.Attributes.GetValueOrDefault(id)?.AnswerId)
            .OfType<string>()
            .ToHashSet(StringComparer.Ordinal);
        return lacking.Count > 0 && drawn.Primary is { } key && there.SetEquals(key.AttributeIds) ? lacking[0] : null;
    }

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Key)
            .Where(verdict => verdict is { Kind: VerdictKind.Wrong, PartlyRight: false })
            .Select(verdict =>
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
                    Why =
                        $"As drawn, no two {Phrasing.Several(entity.Name)} could have the same {Phrasing.InText(verdict.Drawn)}.",
                    Claims = [verdict.Fact.Id],
                    Extras =
                    [
                        .. evidence
                            .Comparison.Extras.Where(extra =>
                                extra.Kind == ExtraKinds.Attribute && drawn.Primary?.AttributeIds.Contains(extra.AnswerId) == true
                            )
                            .Select(extra => extra.AnswerId),
                    ],
                    ModelElements = entity.Primary!.AttributeIds,
                    AnswerElements = drawn.Primary?.AttributeIds is { IsEmpty: false } ids ? ids : [drawn.Id],
                    ConsequenceOf = LackedColumn(entity, drawn, evidence) is { } column ? $"foreign-key-missing:{column}" : null,
                };
            });
}
