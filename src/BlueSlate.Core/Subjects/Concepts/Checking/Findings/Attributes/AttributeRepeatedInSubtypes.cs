using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Attributes;

internal sealed class AttributeRepeatedInSubtypes : ConceptFindingKind
{
    public override string Code => "attribute-repeated-in-subtypes";

    public override string Title => "Attribute repeated in subtypes";

    public override string Help => "What all subtypes have, their supertype has: it is drawn there once, and they inherit it.";

    public override int Rank => 15;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        foreach (var verdict in evidence.Comparison.Bad(FactKinds.Attribute))
        {
            if (!evidence.IsAttributeOfEntity(verdict.Fact.ConceptId))
            {
                continue;
            }

            var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
            var repeated = evidence
                .Comparison.Model.Model.Specialisations.Where(set => set.SupertypeId == owner.Id)
                .SelectMany(set => set.Subtypes)
                .Select(link => evidence.CounterpartOf(link.EntityId))
                .OfType<EntityType>()
                .Distinct()
                .Select(entity => (Entity: entity, Attribute: Like(attribute, owner, entity)))
                .Where(pair => pair.Attribute is not null)
                .ToList();
            if (repeated.Count < 2)
            {
                continue;
            }

            var at = Phrasing.List([.. repeated.Select(pair => pair.Entity.Name)]);
            var none = repeated.Count == 2 ? $"neither {repeated[0].Entity.Name} nor {repeated[1].Entity.Name}" : $"none of {at}";
            yield return new Finding
            {
                Id = IdFor(attribute.Id),
                Code = Code,
                Tag = Tag.Moved,
                Headline = $"{Phrasing.Capital(Phrasing.InText(attribute.Name))} belongs to {owner.Name}, once.",
                There = $"{at} each have {Phrasing.One(attribute.Name)}.",
                Wanted = $"{owner.Name} has it, and they inherit it.",
                Why = $"As drawn, {Phrasing.One(owner.Name)} that is {none} has no {Phrasing.InText(attribute.Name)}.",
                Claims = evidence.BadFactsOf(attribute.Leaves.Select(part => part.Id).Append(attribute.Id)),
                Extras = [.. repeated.Select(pair => pair.Attribute!.Id)],
                ModelElements = [attribute.Id],
                AnswerElements = [.. repeated.Select(pair => pair.Attribute!.Id)],
            };
        }
    }

    private static ConceptAttribute? Like(ConceptAttribute wanted, EntityType owner, EntityType drawn) =>
        drawn.Attributes.FirstOrDefault(attribute =>
            NameSimilarity
                .OfAttributes(Name.Of(wanted.Name), Name.Of(owner.Name), Name.Of(attribute.Name), Name.Of(drawn.Name))
                .Value >= 0.9
        );
}
