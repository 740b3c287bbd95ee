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
            var drawn = evidence.Comparison.Correspondence.Attributes.TryGetValue(attribute.Id, out var match)
                ? evidence.AnswerAttribute(match.AnswerId).Attribute.Name
                : attribute.Name;
            var repeated = evidence
                .Comparison.Model.Model.Specialisations.Where(set => set.SupertypeId == owner.Id)
                .SelectMany(set => set.Subtypes)
                .Select(link => evidence.CounterpartOf(link.EntityId))
                .OfType<EntityType>()
                .Distinct()
                .Select(entity => (Entity: entity, Attribute: Like([attribute.Name, drawn], owner, entity)))
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
                There = $"{at} each have {Phrasing.One(drawn)}.",
                Wanted =
                    Name.Of(drawn).Key == Name.Of(attribute.Name).Key
                        ? $"{owner.Name} has it, and they inherit it."
                        : $"{owner.Name} has it, as {Phrasing.InText(attribute.Name)}, and they inherit it.",
                Why = $"As drawn, {Phrasing.One(owner.Name)} that is {none} has no {Phrasing.InText(attribute.Name)}.",
                Claims = evidence.BadFactsOf(attribute.Leaves.Select(part => part.Id).Append(attribute.Id)),
                Extras = [.. repeated.Select(pair => pair.Attribute!.Id)],
                ModelElements = [attribute.Id],
                AnswerElements = [.. repeated.Select(pair => pair.Attribute!.Id)],
            };
        }
    }

    private static ConceptAttribute? Like(string[] names, EntityType owner, EntityType drawn) =>
        drawn.Attributes.FirstOrDefault(attribute => names.Any(name => AreAlike(name, owner.Name, attribute.Name, drawn.Name)));

    private static bool AreAlike(string wanted, string owner, string drawn, string at) =>
        NameSimilarity.OfAttributes(Name.Of(wanted), Name.Of(owner), Name.Of(drawn), Name.Of(at)).Value >= 0.9;
}
