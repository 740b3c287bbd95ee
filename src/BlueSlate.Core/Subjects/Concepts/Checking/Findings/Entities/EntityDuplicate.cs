using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Entities;

internal sealed class EntityDuplicate : ConceptFindingKind
{
    public override string Code => "entity-duplicate";

    public override string Title => "Entity drawn twice";

    public override string Help => "One thing has two boxes. Each entity appears once; all its lines go to that one box.";

    public override int Rank => 20;

    // Fixers and mother queens are fixers and queens; a mentor is told by the key.
    private static bool IsNamedAfter(string name, string twin) =>
        Name.Of(name).Words is [.., var last] && Name.Of(twin).Words is [.., var head] && last == head;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        foreach (var extra in evidence.Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Entity))
        {
            if (evidence.Comparison.Correspondence.Duplicates.TryGetValue(extra.AnswerId, out var other))
            {
                var twin = evidence.AnswerEntity(other);
                var lines = evidence.Comparison.Extras.Where(line =>
                    line.Kind == ExtraKinds.Relationship
                    && evidence.AnswerRelationship(line.AnswerId).Roles.Any(role => role.EntityId == extra.AnswerId)
                );
                yield return new Finding
                {
                    Id = IdFor(extra.AnswerId),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = IsNamedAfter(extra.Name, twin.Name)
                        ? $"{extra.Name} is drawn twice."
                        : $"{Phrasing.Capital(Phrasing.One(extra.Name))} is {Phrasing.One(twin.Name)} too.",
                    There = $"Two boxes stand for {Phrasing.InText(twin.Name)}: {twin.Name} and {extra.Name}.",
                    Wanted = $"One box {twin.Name}, to which all the lines go.",
                    Why = $"Whoever builds this would keep {Phrasing.Several(twin.Name)} in two places that soon disagree.",
                    Claims =
                    [
                        .. evidence
                            .Comparison.Bad(FactKinds.Relationship)
                            .Where(bad =>
                                bad is { Kind: VerdictKind.Wrong, AnswerId: { } line }
                                && evidence.AnswerRelationship(line).Roles.Any(role => role.EntityId == extra.AnswerId)
                            )
                            .Select(bad => bad.Fact.Id),
                    ],
                    Extras = [extra.AnswerId, .. lines.Select(line => line.AnswerId)],
                    AnswerElements = [extra.AnswerId],
                };
            }
        }
    }
}
