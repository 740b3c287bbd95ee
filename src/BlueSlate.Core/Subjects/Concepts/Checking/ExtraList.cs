using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>Lists what of an answer stands for nothing in the model answer.</summary>
internal static class ExtraList
{
    public static ImmutableArray<Extra> Of(Reading answer, Correspondence correspondence)
    {
        var used = correspondence
            .Entities.Values.Select(match => match.AnswerId)
            .Concat(correspondence.Attributes.Values.Select(match => match.AnswerId))
            .Concat(correspondence.Relationships.Values.Select(match => match.AnswerId))
            .Concat(correspondence.Misdirected.Values.Select(match => match.AnswerId))
            .Concat(correspondence.Restated.SelectMany(match => match.Uses))
            .Concat(correspondence.Members.Values.Select(match => match.AnswerId))
            .Concat(correspondence.Demoted.Values)
            .Concat(correspondence.Surrogates)
            .ToHashSet(StringComparer.Ordinal);
        var extras = ImmutableArray.CreateBuilder<Extra>();
        foreach (var entity in answer.Model.Entities)
        {
            if (!used.Contains(entity.Id))
            {
                extras.Add(new Extra(ExtraKinds.Entity, entity.Id, null, entity.Name));
                continue;
            }

            var linksOnly = correspondence.Restated.Any(match => match.Uses.Contains(entity.Id));
            extras.AddRange(
                entity
                    .Attributes.Where(attribute =>
                        !used.Contains(attribute.Id) && attribute.ForeignKey is null && !(linksOnly && IsKey(entity, attribute))
                    )
                    .Select(attribute => new Extra(ExtraKinds.Attribute, attribute.Id, entity.Id, attribute.Name))
            );
        }

        extras.AddRange(
            answer
                .Model.Relationships.Where(relationship => used.Contains(relationship.Id))
                .SelectMany(relationship =>
                    relationship
                        .Attributes.Where(attribute => !used.Contains(attribute.Id))
                        .Select(attribute => new Extra(ExtraKinds.Attribute, attribute.Id, relationship.Id, attribute.Name))
                )
        );
        extras.AddRange(
            answer
                .Model.Relationships.Where(relationship => !used.Contains(relationship.Id))
                .Select(relationship => new Extra(ExtraKinds.Relationship, relationship.Id, null, relationship.Name))
        );
        var links = correspondence.Subtypes.Values.Select(match => match.AnswerId).ToHashSet(StringComparer.Ordinal);
        foreach (var set in answer.Model.Specialisations)
        {
            extras.AddRange(
                set.Subtypes.Where(link =>
                        !links.Contains(link.Id)
                        && !used.Contains(link.Id)
                        && used.Contains(link.EntityId)
                        && used.Contains(set.SupertypeId)
                    )
                    .Select(link => new Extra(
                        ExtraKinds.Subtype,
                        link.Id,
                        set.SupertypeId,
                        answer.Model.Entity(link.EntityId).Name
                    ))
            );
        }

        extras.AddRange(
            answer
                .Model.Entities.Where(entity => used.Contains(entity.Id))
                .SelectMany(entity =>
                    entity
                        .Operations.Where(operation => !used.Contains(operation.Id))
                        .Select(operation => new Extra(ExtraKinds.Operation, operation.Id, entity.Id, operation.Name))
                )
        );
        return extras.ToImmutable();
    }

    private static bool IsKey(EntityType entity, ConceptAttribute attribute) =>
        entity.Primary?.AttributeIds.Contains(attribute.Id) == true;
}
