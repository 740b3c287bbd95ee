using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class RelationshipExtra : ConceptFindingKind
{
    public override string Code => "relationship-extra";

    public override string Title => "Relationship that the scenario does not ask for";

    public override string Help =>
        "A line says something that the scenario does not, or something that already follows from other lines.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Relationship)
            .Select(extra =>
            {
                var relationship = evidence.AnswerRelationship(extra.AnswerId);
                var said = evidence.NamedAsDrawn(relationship);
                var names = relationship.Roles.Select(role => evidence.AnswerEntity(role.EntityId).Name).ToList();
                return new Finding
                {
                    Id = IdFor(extra.AnswerId),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = $"{Phrasing.Capital(said)}: the scenario does not say so.",
                    There = $"A line: {said}.",
                    Wanted = $"No line for this between {Phrasing.List([.. names.Distinct(StringComparer.Ordinal)])}.",
                    Why =
                        "Whoever builds this would keep a list of which "
                        + $"{Phrasing.InText(names[0])} goes with which {Phrasing.InText(names[^1])} for nothing.",
                    Extras = [extra.AnswerId],
                    AnswerElements = [extra.AnswerId],
                };
            });
}
