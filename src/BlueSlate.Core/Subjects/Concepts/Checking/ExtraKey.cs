using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// Tells what extra things of different answers are alike: of one kind, under one normalised name, tied to what stands for the
/// same.
/// </summary>
public static class ExtraKey
{
    /// <summary>
    /// The key of an extra: equal for alike extras of answers to the same model answer, whatever the ids of the drawings.
    /// </summary>
    public static string Of(Extra extra, ConceptComparison comparison)
    {
        var standsFor = comparison.Correspondence.Entities.ToDictionary(
            pair => pair.Value.AnswerId,
            pair => pair.Key,
            StringComparer.Ordinal
        );
        var answer = comparison.Answer.Model;
        string NameOf(string entity) =>
            standsFor.TryGetValue(entity, out var known) ? known : Name.Of(answer.Entity(entity).Name).Key;
        var tied =
            extra.Kind == ExtraKinds.Entity
                ? answer
                    .Relationships.Where(one => one.Roles.Any(role => role.EntityId == extra.AnswerId))
                    .SelectMany(one => one.Roles.Select(role => role.EntityId))
                    .Where(id => id != extra.AnswerId)
                    .Select(NameOf)
            : extra.Kind == ExtraKinds.Relationship
                ? answer
                    .Relationships.Where(one => one.Id == extra.AnswerId)
                    .SelectMany(one => one.Roles)
                    .Select(role => NameOf(role.EntityId))
            : extra.OwnerId is { } owner && answer.Entities.Any(entity => entity.Id == owner) ? [NameOf(owner)]
            : [];
        return string.Join(
            '\t',
            [extra.Kind.Name, Name.Of(extra.Name).Key, .. tied.Distinct(StringComparer.Ordinal).Order(StringComparer.Ordinal)]
        );
    }
}
