using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Attributes;

internal sealed class AttributeMisplaced : ConceptFindingKind
{
    public override string Code => "attribute-misplaced";

    public override string Title => "Attribute at the wrong entity";

    public override string Help =>
        "The fact is drawn, but with something that it is not a fact about. Ask: of what is there exactly one such value?";

    public override int Rank => 20;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Attribute)
            .Where(verdict => verdict is { Kind: VerdictKind.Wrong, PartlyRight: false })
            .Select(verdict =>
            {
                var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
                var (drawnOwner, drawn) = evidence.AnswerAttribute(verdict.AnswerId!);
                return new Finding
                {
                    Id = IdFor(attribute.Id),
                    Code = Code,
                    Tag = Tag.Moved,
                    Headline =
                        $"{Phrasing.Capital(Phrasing.InText(drawn.Name))} stands at {drawnOwner.Name}; it belongs to {owner.Name}.",
                    There = $"{drawnOwner.Name} has {Phrasing.One(drawn.Name)}.",
                    Wanted = $"{owner.Name} has it.",
                    Why = GoesWithOne(evidence, drawnOwner.Id, owner.Id)
                        ? $"Kept with every {Phrasing.InText(drawnOwner.Name)}, the {Phrasing.InText(drawn.Name)} of one "
                            + $"{Phrasing.InText(owner.Name)} could differ from one to the next."
                        : $"As drawn, each {Phrasing.InText(drawnOwner.Name)} has one {Phrasing.InText(drawn.Name)}, "
                            + $"whatever its {Phrasing.Several(owner.Name)}.",
                    Claims = evidence.BadFactsOf(attribute.Id),
                    ModelElements = [attribute.Id],
                    AnswerElements = [drawn.Id],
                    // Where what it belongs to is drawn as no more than a word, it had nowhere else to stand.
                    ConsequenceOf = evidence.Comparison.Correspondence.Demoted.ContainsKey(owner.Id)
                        ? evidence.RootOfMissing(owner.Id)
                        : null,
                };
            });

    private static bool GoesWithOne(Evidence evidence, string drawnOwnerId, string ownerId) =>
        evidence.ModelOf(drawnOwnerId) is { Id: var at }
        && evidence
            .Comparison.Model.Model.RelationshipsOf(ownerId)
            .Any(relationship =>
                relationship.Roles.Length == 2
                && relationship.Roles.Any(role => role.EntityId == at)
                && relationship.Roles.Any(role => role.EntityId == ownerId && role.CoOccurrence.Max == 1)
            );
}
