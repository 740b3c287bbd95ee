using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class EntityDuplicate : FindingKind
{
    public override string Code => "entity-duplicate";

    public override string Title => "Entity drawn twice";

    public override string Help => "One thing has two boxes. Each entity appears once; all its lines go to that one box.";

    public override int Rank => 20;

    public override FindingExample Example => new(
        ExampleDrawings.Conceptual,
        ExampleDrawings.Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").Box("Items", ExampleDrawings.Item).ToDrawing());

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var matched = evidence.Comparison.Correspondence.Entities.Values.Select(match => evidence.AnswerEntity(match.AnswerId)).OrderBy(entity => entity.Id, StringComparer.Ordinal).ToList();
        foreach (var extra in evidence.Comparison.Extras.Where(extra => extra.Kind == ExtraKind.Entity))
        {
            var twin = matched.FirstOrDefault(entity => Name.Of(entity.Name).Key == Name.Of(extra.Name).Key && entity.Name.Length > 0);
            if (twin is not null)
            {
                var lines = evidence.Comparison.Extras
                    .Where(other => other.Kind == ExtraKind.Relationship && evidence.AnswerRelationship(other.AnswerId).Roles.Any(role => role.EntityId == extra.AnswerId));
                yield return new Finding
                {
                    Id = IdFor(extra.AnswerId),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = $"{extra.Name} is drawn twice.",
                    There = $"Two boxes stand for {Phrasing.InText(twin.Name)}: {twin.Name} and {extra.Name}.",
                    Wanted = "One box, to which all the lines go.",
                    Why = $"Whoever builds this would keep {Phrasing.Several(twin.Name)} in two places that soon disagree.",
                    Extras = [extra.AnswerId, .. lines.Select(line => line.AnswerId)],
                    AnswerElements = [extra.AnswerId],
                };
            }
        }
    }
}
