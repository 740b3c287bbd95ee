using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Entities;

internal sealed class AttributeAsEntity : ConceptFindingKind
{
    public override string Code => "attribute-as-entity";

    public override string Title => "Attribute drawn as an entity";

    public override string Help =>
        "A single value of which nothing further is kept is an attribute of what it describes. A box of its own wants "
        + "to be filled, and tied, for nothing.";

    public override int Rank => 20;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Attribute)
            .Where(verdict => evidence.Comparison.Correspondence.Promoted.ContainsKey(verdict.Fact.ConceptId))
            .Select(verdict =>
            {
                var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
                var drawn = evidence.AnswerEntity(evidence.Comparison.Correspondence.Promoted[attribute.Id]);
                var lines = evidence.Comparison.Extras.Where(extra =>
                    extra.Kind == ExtraKinds.Relationship
                    && evidence.AnswerRelationship(extra.AnswerId).Roles.Any(role => role.EntityId == drawn.Id)
                );
                return new Finding
                {
                    Id = IdFor(attribute.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline =
                        $"{Phrasing.Capital(Phrasing.InText(attribute.Name))} of {Phrasing.InText(owner.Name)} is an "
                        + "attribute, not an entity.",
                    There = $"{drawn.Name} is drawn as an entity.",
                    Wanted = $"{owner.Name} has {Phrasing.One(attribute.Name)}.",
                    Why =
                        $"Whoever builds this would keep a list of {Phrasing.Several(drawn.Name)} of which nothing but the name is known.",
                    Claims = evidence.BadFactsOf(attribute.Id),
                    Extras = [drawn.Id, .. lines.Select(line => line.AnswerId)],
                    ModelElements = [attribute.Id],
                    AnswerElements = [drawn.Id],
                };
            });
}
