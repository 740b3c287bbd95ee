using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

/// <summary>Whatever else is drawn, an entity that nothing is tied to; enumerations are used by name.</summary>
internal sealed class Isolated : FormRule
{
    public override string Code => "isolated";

    public override IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options)
    {
        var model = reading.Model;
        if (model.Entities.Length < 2)
        {
            return [];
        }

        var tied = model
            .Relationships.SelectMany(relationship =>
                relationship.Roles.Select(role => role.EntityId).Append(relationship.EntityId ?? "")
            )
            .Concat(model.Specialisations.SelectMany(set => set.Subtypes.Select(link => link.EntityId).Append(set.SupertypeId)))
            .Concat(model.Unions.SelectMany(union => union.Supertypes.Select(link => link.EntityId).Append(union.CategoryId)))
            .ToHashSet(StringComparer.Ordinal);
        return model
            .Entities.Where(entity => !tied.Contains(entity.Id) && entity.Kind != EntityKind.Enumeration)
            .Select(entity => Say($"{NameOf(entity)} is tied to nothing.", entity.Id));
    }
}
