using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

/// <summary>Classes need no key; nor do subtypes, what only links others, and what is told apart by its owners alone.</summary>
internal sealed class Keyless : FormRule
{
    public override string Code => "no-key";

    public override IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options)
    {
        if (!Notation.Of(options.Notation).ShowsKeys)
        {
            return [];
        }

        var model = reading.Model;
        var inheriting = model
            .Specialisations.SelectMany(set => set.Subtypes.Select(link => link.EntityId))
            .Concat(model.Unions.Select(union => union.CategoryId))
            .ToHashSet(StringComparer.Ordinal);
        return model
            .Entities.Where(entity =>
                entity.Identifiers.IsEmpty && entity.Kind == EntityKind.Strong && !inheriting.Contains(entity.Id)
            )
            .Where(entity =>
                entity.Attributes.Length > 0 && !model.Relationships.Any(relationship => TellsApart(relationship, entity))
            )
            .Select(entity => Say($"{NameOf(entity)} has no key.", entity.Id));
    }

    private static bool TellsApart(RelationshipType relationship, EntityType entity) =>
        relationship.EntityId == entity.Id
        || relationship is { Identifying: true, DependentRoleId: { } role }
            && relationship.Roles.Any(one => one.Id == role && one.EntityId == entity.Id);
}
