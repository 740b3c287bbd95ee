using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class RelationshipRedundant : ConceptFindingKind
{
    public override string Code => "relationship-redundant";

    public override string Title => "Relationship that follows from others";

    public override string Help =>
        "A line that says what two other lines say together. Kept by itself, it could come to say something else.";

    public override int Rank => 48;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        foreach (var extra in evidence.Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Relationship))
        {
            var drawn = evidence.AnswerRelationship(extra.AnswerId);
            if (
                drawn.Roles.Length != 2
                || drawn.IsRecursive
                || evidence.ModelOf(drawn.Roles[0].EntityId) is not { } from
                || evidence.ModelOf(drawn.Roles[1].EntityId) is not { } to
                || Between(evidence, drawn, from.Id, to.Id) is not { } path
            )
            {
                continue;
            }

            var said = evidence.NamedAsDrawn(drawn);
            yield return new Finding
            {
                Id = IdFor(extra.AnswerId),
                Code = Code,
                Tag = Tag.Extra,
                Headline = $"{Phrasing.Capital(said)}: that follows already.",
                There = $"A line: {said}.",
                Wanted = $"No line here, since {evidence.Named(path.First)} and {evidence.Named(path.Second)}.",
                Why =
                    $"Kept by itself, the line could name another {Phrasing.InText(to.Name)} than the one reached "
                    + $"through {Phrasing.One(path.Middle.Name)}.",
                Extras = [extra.AnswerId],
                AnswerElements = [extra.AnswerId],
            };
        }
    }

    // Two relationships of the model answer, both drawn, that lead the same way with the same maxima over something that goes with
    // one of either: by a loan it is known who borrows what, but two that merely share a third have nothing to do with each other.
    private static (EntityType Middle, RelationshipType First, RelationshipType Second)? Between(
        Evidence evidence,
        RelationshipType drawn,
        string from,
        string to
    )
    {
        var known = evidence
            .Comparison.Model.Model.Relationships.Where(relationship =>
                relationship is { Roles.Length: 2, IsRecursive: false }
                && evidence.Comparison.Correspondence.Relationships.ContainsKey(relationship.Id)
            )
            .ToList();
        foreach (var first in known.Where(relationship => relationship.Roles.Any(role => role.EntityId == from)))
        {
            var middle = first.Roles.First(role => role.EntityId != from);
            foreach (
                var second in known.Where(relationship =>
                    relationship != first
                    && relationship.Roles.Any(role => role.EntityId == middle.EntityId)
                    && relationship.Roles.Any(role => role.EntityId == to)
                )
            )
            {
                var (start, end) = (
                    first.Roles.First(role => role.EntityId == from),
                    second.Roles.First(role => role.EntityId == to)
                );
                var there = Max(middle, end);
                var back = Max(start, second.Roles.First(role => role.EntityId == middle.EntityId));
                if (
                    (start.CoOccurrence.Max == 1 || end.CoOccurrence.Max == 1)
                    && there == drawn.Roles[1].CoOccurrence.Max
                    && back == drawn.Roles[0].CoOccurrence.Max
                )
                {
                    return (evidence.ModelEntity(middle.EntityId), first, second);
                }
            }
        }

        return null;
    }

    private static int? Max(RelationshipRole first, RelationshipRole second) =>
        first.CoOccurrence.Max == 1 && second.CoOccurrence.Max == 1 ? 1 : Count.Many;
}
