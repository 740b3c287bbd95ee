using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Entities;

internal sealed class EntityAsAttribute : ConceptFindingKind
{
    public override string Code => "entity-as-attribute";

    public override string Title => "Entity drawn as an attribute";

    public override string Help =>
        "Something of which more than a name is to be kept, or that several others go with, is an entity. As an "
        + "attribute it has no attributes and no lines of its own.";

    public override int Rank => 35;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Entity)
            .Where(verdict => evidence.Comparison.Correspondence.Demoted.ContainsKey(verdict.Fact.ConceptId))
            .Select(verdict =>
            {
                var entity = evidence.ModelEntity(verdict.Fact.ConceptId);
                var (owner, attribute) = evidence.AnswerAttribute(evidence.Comparison.Correspondence.Demoted[entity.Id]);
                return new Finding
                {
                    Id = IdFor(entity.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = $"{Phrasing.Capital(Phrasing.InText(entity.Name))} is more than an attribute.",
                    There = $"{owner.Name} has {Phrasing.One(attribute.Name)}.",
                    Wanted = Evidence.EntityInWords(entity),
                    Why =
                        $"As drawn, {Phrasing.One(entity.Name)} is one value of {Phrasing.One(owner.Name)}, of which "
                        + "nothing further can be kept.",
                    Claims = evidence.BadFactsOf(entity.OwnIds),
                    ModelElements = [entity.Id],
                    AnswerElements = [attribute.Id],
                };
            });
}
