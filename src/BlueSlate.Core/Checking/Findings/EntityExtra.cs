using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class EntityExtra : FindingKind
{
    public override string Code => "entity-extra";

    public override string Title => "Entity that the scenario does not ask for";

    public override string Help => "A box stands for something of which the scenario wants nothing kept: the organisation itself, a report, a role beside its holder, or a single value that is an attribute elsewhere.";

    public override FindingExample Example => new(
        ExampleDrawings.Conceptual,
        ExampleDrawings.Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").Box("Café", "PK address").ToDrawing());

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence.Comparison.Extras.Where(extra => extra.Kind == ExtraKind.Entity).Select(extra =>
        {
            var lines = evidence.Comparison.Extras
                .Where(other => other.Kind == ExtraKind.Relationship && evidence.AnswerRelationship(other.AnswerId).Roles.Any(role => role.EntityId == extra.AnswerId));
            var name = extra.Name.Length > 0 ? extra.Name : "A box without a name";
            return new Finding
            {
                Id = IdFor(extra.AnswerId),
                Code = Code,
                Tag = Tag.Extra,
                Headline = $"{name} is not in the scenario.",
                There = $"{name} is drawn as an entity.",
                Wanted = "Boxes only for what the scenario wants kept.",
                Why = $"Whoever builds this would keep {Phrasing.Several(extra.Name)} that nobody asked for.",
                Extras = [extra.AnswerId, .. lines.Select(line => line.AnswerId)],
                AnswerElements = [extra.AnswerId],
            };
        });
}
