using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Entities;

internal sealed class EntityMissing : ConceptFindingKind
{
    public override string Code => "entity-missing";

    public override string Title => "Entity missing";

    public override string Help =>
        "Something of which the scenario wants facts kept has no box. Underline the nouns of the scenario and ask of "
        + "each: is there more to know about it than its name?";

    public override int Rank => 40;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Entity)
            .Select(verdict =>
            {
                var entity = evidence.ModelEntity(verdict.Fact.ConceptId);
                var unions = evidence.Comparison.Model.Model.Unions.Where(union => union.CategoryId == entity.Id);
                return new Finding
                {
                    Id = IdFor(entity.Id),
                    Code = Code,
                    Tag = Tag.Missing,
                    Headline = $"{Phrasing.Capital(Phrasing.InText(entity.Name))} is missing.",
                    There = $"No box stands for {Phrasing.InText(entity.Name)}.",
                    Wanted = Evidence.EntityInWords(entity),
                    Why = $"As drawn, nothing could be kept about {Phrasing.Several(entity.Name)}.",
                    Claims = evidence.BadFactsOf(entity.OwnIds.Concat(unions.Select(union => union.Id))),
                    ModelElements = [entity.Id],
                };
            });
}
