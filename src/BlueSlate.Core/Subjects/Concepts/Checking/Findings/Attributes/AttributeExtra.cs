using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Attributes;

internal sealed class AttributeExtra : ConceptFindingKind
{
    public override string Code => "attribute-extra";

    public override string Title => "Attribute that the scenario does not ask for";

    public override string Help =>
        "A line in a box that the scenario does not mention, or that copies another entity's attribute. Facts are kept "
        + "once, with the thing that they are about.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Attribute)
            .Select(extra =>
            {
                var owner = evidence.AnswerEntity(extra.OwnerId!);
                var name = Phrasing.InText(extra.Name);
                var copied = evidence.Comparison.Answer.Model.Entities.FirstOrDefault(entity =>
                    entity.Id != owner.Id && IsCopiedFrom(entity, extra)
                );
                return new Finding
                {
                    Id = IdFor(extra.AnswerId),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline =
                        copied is not null
                            ? $"{Phrasing.Capital(name)} is a fact about {Phrasing.InText(copied.Name)}, kept there already."
                        : evidence.Comparison.Scenario.Mentions(extra.Name)
                            ? $"The scenario asks for no {name} of {Phrasing.One(owner.Name)}."
                        : $"{Phrasing.Capital(name)} of {Phrasing.InText(owner.Name)} is not in the scenario.",
                    There = $"{owner.Name} has {Phrasing.One(extra.Name)}.",
                    Wanted = copied is null ? $"{owner.Name} without {name}." : $"The line to {copied.Name} alone.",
                    Why = copied is null
                        ? $"Whoever builds this would ask for {Phrasing.One(extra.Name)} with every {Phrasing.InText(owner.Name)}."
                        : $"Kept twice, the {name} of one {Phrasing.InText(owner.Name)} could differ from its "
                            + $"{Phrasing.InText(copied.Name)}'s.",
                    Extras = [extra.AnswerId],
                    AnswerElements = [extra.AnswerId],
                };
            });

    // Whether an extra attribute only repeats one of this entity.
    private static bool IsCopiedFrom(EntityType entity, Extra extra)
    {
        var (drawn, owner) = (Name.Of(extra.Name), Name.Of(entity.Name));
        return NameSimilarity.Mentions(drawn, owner)
            && entity.Attributes.Any(attribute =>
                NameSimilarity.OfAttributes(Name.Of(attribute.Name), owner, drawn, owner).Value >= 0.99
            );
    }
}
