using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Entities;

internal sealed class EntityKindNotShown : ConceptFindingKind
{
    public override string Code => "entity-kind-not-shown";

    public override string Title => "Weak or linking entity not shown as such";

    public override string Help =>
        "A weak entity is told apart only within its owner: it has a partial key and an identifying line. A linking "
        + "entity is told apart by those that it links.";

    public override int Rank => 30;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.EntityKind)
            .Where(verdict => verdict.Kind == VerdictKind.Wrong)
            .Select(verdict =>
            {
                var entity = evidence.ModelEntity(verdict.Fact.ConceptId);
                var owners = OwnersOf(entity);
                var ownerNames = owners
                    .Select(evidence.ModelRelationship)
                    .Select(relationship =>
                        relationship.Roles.FirstOrDefault(role => role.EntityId != entity.Id) ?? relationship.Roles[0]
                    )
                    .Select(role => evidence.ModelEntity(role.EntityId).Name)
                    .ToList();
                var owned = ownerNames.Count == 0 ? "owner" : Phrasing.List([.. ownerNames.Select(Phrasing.InText)]);
                var weak = entity.Kind == EntityKind.Weak;
                if (entity.Kind is EntityKind.Interface or EntityKind.Enumeration)
                {
                    return OfClass(entity, verdict);
                }

                var strokes = evidence
                    .Comparison.Bad(FactKinds.Identifying)
                    .Where(bad =>
                        owners.Contains(bad.Fact.ConceptId) || IsDependent(entity, evidence.ModelRelationship(bad.Fact.ConceptId))
                    )
                    .Select(bad => bad.Fact.Id);
                var key =
                    evidence.Comparison.On(FactKinds.Key, entity.Id) is { IsBad: true } bad
                    && weak
                    && IsWithinOwner(evidence, entity, evidence.AnswerEntity(verdict.AnswerId!))
                        ? [bad.Fact.Id]
                        : Array.Empty<string>();
                return new Finding
                {
                    Id = IdFor(entity.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = weak
                        ? $"{entity.Name} is not shown as told apart only within its {owned}."
                        : $"{entity.Name} is not shown as linking {owned}.",
                    There = $"{entity.Name} is drawn as if it stood by itself.",
                    Wanted = weak
                        ? $"A partial key of {entity.Name}, and an identifying line to its {owned}."
                        : $"{entity.Name} as a linking entity, identified by those that it links.",
                    Why = weak
                        ? $"As drawn, {Phrasing.Several(entity.Name)} of different "
                            + $"{Phrasing.Several(ownerNames.FirstOrDefault() ?? "owner")} could never share a number."
                        : $"As drawn, nothing says that {Phrasing.One(entity.Name)} stands for one pair of {owned}.",
                    Claims =
                    [
                        verdict.Fact.Id,
                        .. strokes,
                        .. key,
                        .. evidence
                            .Comparison.Bad(FactKinds.PartialKey)
                            .Where(other => entity.Attributes.Any(attribute => attribute.Id == other.Fact.ConceptId))
                            .Select(other => other.Fact.Id),
                    ],
                    ModelElements = [entity.Id],
                    AnswerElements = [verdict.AnswerId!],
                };
            });

    // At logical level the foreign keys of the key say who they are.
    private static ImmutableArray<string> OwnersOf(EntityType entity) =>
        entity.Primary is not { } key ? []
        : key.OwnerRelationshipIds.IsEmpty
            ?
            [
                .. entity
                    .Attributes.Where(attribute => key.AttributeIds.Contains(attribute.Id))
                    .SelectMany(attribute => attribute.ForeignKeys)
                    .Select(key => key.RelationshipId)
                    .OfType<string>()
                    .Distinct(),
            ]
        : key.OwnerRelationshipIds;

    private static bool IsDependent(EntityType entity, RelationshipType relationship) =>
        relationship.Roles.Any(role => role.Id == relationship.DependentRoleId && role.EntityId == entity.Id);

    // The part of the key that counts within the owner is marked as if it did so everywhere.
    private static bool IsWithinOwner(Evidence evidence, EntityType entity, EntityType drawn) =>
        drawn.Primary is { } key
        && key.AttributeIds.All(id =>
            evidence.Comparison.Correspondence.Attributes.Any(pair =>
                pair.Value.AnswerId == id && entity.Primary?.AttributeIds.Contains(pair.Key) == true
            )
        );

    private Finding OfClass(EntityType entity, Verdict verdict) =>
        new()
        {
            Id = IdFor(entity.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"{entity.Name} is not shown as {Phrasing.One(verdict.Fact.Value)}.",
            There = $"{entity.Name} is drawn as {(verdict.Drawn == "strong" ? "a class" : Phrasing.One(verdict.Drawn))}.",
            Wanted = $"“{verdict.Fact.Value}” in guillemets above {entity.Name}.",
            Why =
                entity.Kind == EntityKind.Interface
                    ? $"As drawn, {Phrasing.InText(entity.Name)} could have instances of its own."
                    : $"As drawn, the values of {Phrasing.InText(entity.Name)} could grow like data.",
            Claims = [verdict.Fact.Id],
            ModelElements = [entity.Id],
            AnswerElements = [verdict.AnswerId!],
        };
}
