using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class ForeignKeyWrongSide : ConceptFindingKind
{
    public override string Code => "foreign-key-wrong-side";

    public override string Title => "Foreign key at the wrong side";

    public override string Help =>
        "The foreign key of a one-to-many relationship stands at the many side: there it has one value.";

    public override int Rank => 20;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        foreach (
            var verdict in evidence.Comparison.Bad(FactKinds.ForeignKey).Where(verdict => verdict.Kind == VerdictKind.Absent)
        )
        {
            var (owner, column) = evidence.ModelAttribute(verdict.Fact.ConceptId);
            if (
                column.ForeignKey!.RelationshipId is not { } id
                || !evidence.Comparison.Correspondence.Relationships.TryGetValue(id, out var match)
            )
            {
                continue;
            }

            var stray = evidence
                .Comparison.Answer.Model.Entities.Where(entity => entity.Id != evidence.CounterpartOf(owner.Id)?.Id)
                .SelectMany(entity => entity.Attributes.Select(attribute => (Entity: entity, Attribute: attribute)))
                .FirstOrDefault(pair => pair.Attribute.RefersAlong(match.AnswerId));
            if (stray.Attribute is not null)
            {
                yield return new Finding
                {
                    Id = IdFor(column.Id),
                    Code = Code,
                    Tag = Tag.Moved,
                    Headline = $"The foreign key stands at {stray.Entity.Name}; it belongs to {owner.Name}.",
                    There = $"{stray.Entity.Name} holds {Phrasing.InText(stray.Attribute.Name)}.",
                    Wanted = $"{owner.Name} holds {Phrasing.InText(column.Name)}.",
                    Why = $"One column of {Phrasing.One(stray.Entity.Name)} cannot hold all its {Phrasing.Several(owner.Name)}.",
                    Claims = evidence.BadFactsOf(column.Id),
                    ModelElements = [column.Id],
                    AnswerElements = [stray.Attribute.Id],
                };
            }
        }
    }
}
