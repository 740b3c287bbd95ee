using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class ManyToManyUnresolved : ConceptFindingKind
{
    public override string Code => "many-to-many-unresolved";

    public override string Title => "Many-to-many not resolved at logical level";

    public override string Help =>
        "Tables cannot hold a many-to-many relationship directly: draw a linking entity between the two, with a foreign key to each.";

    public override int Rank => 5;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        if (evidence.Comparison.Options.Level != Notations.Level.Logical)
        {
            yield break;
        }

        foreach (var verdict in evidence.Comparison.Bad(FactKinds.Entity))
        {
            var linking = evidence.ModelEntity(verdict.Fact.ConceptId);
            var own = evidence
                .Comparison.Model.Model.RelationshipsOf(linking.Id)
                .Where(relationship => relationship is { IsRecursive: false, Roles.Length: 2 })
                .ToList();
            if (own.Count != 2)
            {
                continue;
            }

            var parents = own.Select(relationship =>
                    evidence.CounterpartOf(relationship.Roles.First(role => role.EntityId != linking.Id).EntityId)
                )
                .ToList();
            var drawn = evidence
                .Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Relationship)
                .Select(extra => evidence.AnswerRelationship(extra.AnswerId))
                .FirstOrDefault(relationship =>
                    relationship.IsManyToMany
                    && parents.All(parent => parent is not null && relationship.Roles.Any(role => role.EntityId == parent.Id))
                );
            if (drawn is not null)
            {
                yield return new Finding
                {
                    Id = IdFor(linking.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = $"{evidence.NamedAsDrawn(drawn)} is many-to-many still.",
                    There = $"One line, many at both ends, between {parents[0]!.Name} and {parents[1]!.Name}.",
                    Wanted = $"A linking entity between the two, such as {linking.Name}, with a foreign key to each.",
                    Why =
                        $"No column of {Phrasing.InText(parents[0]!.Name)} or {Phrasing.InText(parents[1]!.Name)} can "
                        + "hold the several others that it goes with.",
                    Claims = evidence.AbsentFactsOf([
                        linking.Id,
                        .. linking.Attributes.Select(attribute => attribute.Id),
                        .. own.Select(relationship => relationship.Id),
                        .. own.SelectMany(relationship => relationship.Roles).Select(role => role.Id),
                    ]),
                    Extras = [drawn.Id],
                    ModelElements = [linking.Id],
                    AnswerElements = [drawn.Id],
                };
            }
        }
    }
}
