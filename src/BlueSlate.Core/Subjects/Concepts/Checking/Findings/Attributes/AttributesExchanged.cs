using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Attributes;

internal sealed class AttributesExchanged : ConceptFindingKind
{
    public override string Code => "attributes-exchanged";

    public override string Title => "Attributes of two entities exchanged";

    public override string Help =>
        "Each of two facts stands with the thing that the other is about. Ask of each: of what is there exactly one such value?";

    // One slip of the pen, said once.
    public override int Rank => 19;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var moved = evidence
            .Comparison.Bad(FactKinds.Attribute)
            .Where(verdict =>
                verdict is { Kind: VerdictKind.Wrong, PartlyRight: false } && evidence.IsAttributeOfEntity(verdict.Fact.ConceptId)
            )
            .Select(verdict =>
                (Wanted: evidence.ModelAttribute(verdict.Fact.ConceptId), Drawn: evidence.AnswerAttribute(verdict.AnswerId!))
            )
            .ToList();
        var taken = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (one, i) in moved.Select((pair, i) => (pair, i)))
        {
            var other = moved
                .Skip(i + 1)
                .FirstOrDefault(candidate =>
                    !taken.Contains(candidate.Wanted.Attribute.Id)
                    && evidence.CounterpartOf(candidate.Wanted.Owner.Id)?.Id == one.Drawn.Owner.Id
                    && evidence.CounterpartOf(one.Wanted.Owner.Id)?.Id == candidate.Drawn.Owner.Id
                );
            if (other.Wanted.Attribute is null || taken.Contains(one.Wanted.Attribute.Id))
            {
                continue;
            }

            taken.UnionWith([one.Wanted.Attribute.Id, other.Wanted.Attribute.Id]);
            string first = Phrasing.InText(one.Drawn.Attribute.Name),
                second = Phrasing.InText(other.Drawn.Attribute.Name);
            yield return new Finding
            {
                Id = IdFor(one.Wanted.Attribute.Id),
                Code = Code,
                Tag = Tag.Moved,
                Headline = $"{Phrasing.Capital(first)} and {second} have changed places.",
                There = $"{one.Drawn.Owner.Name} has {Phrasing.One(first)}, {other.Drawn.Owner.Name} {Phrasing.One(second)}.",
                Wanted = $"{one.Wanted.Owner.Name} has {Phrasing.One(first)}, {other.Wanted.Owner.Name} {Phrasing.One(second)}.",
                Why =
                    $"As drawn, every {Phrasing.InText(one.Drawn.Owner.Name)} has {Phrasing.One(first)} of its own, and "
                    + $"every {Phrasing.InText(other.Drawn.Owner.Name)} {Phrasing.One(second)}.",
                Claims = evidence.BadFactsOf(one.Wanted.Attribute.Id, other.Wanted.Attribute.Id),
                ModelElements = [one.Wanted.Attribute.Id, other.Wanted.Attribute.Id],
                AnswerElements = [one.Drawn.Attribute.Id, other.Drawn.Attribute.Id],
            };
        }
    }
}
