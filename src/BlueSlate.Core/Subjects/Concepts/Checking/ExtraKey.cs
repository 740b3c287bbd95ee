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
        var standsFor = StandsFor(comparison);
        var answer = comparison.Answer.Model;
        var tied = TiedTo(extra, comparison)
            .Select(entity => standsFor.TryGetValue(entity, out var known) ? known : Name.Of(answer.Entity(entity).Name).Key);
        return string.Join(
            '\t',
            [extra.Kind.Name, Name.Of(extra.Name).Key, .. tied.Distinct(StringComparer.Ordinal).Order(StringComparer.Ordinal)]
        );
    }

    /// <summary>The entities of the model answer for which what it is tied to stands.</summary>
    public static IEnumerable<string> NearTo(Extra extra, ConceptComparison comparison)
    {
        var standsFor = StandsFor(comparison);
        return TiedTo(extra, comparison)
            .Select(entity => standsFor.GetValueOrDefault(entity))
            .OfType<string>()
            .Distinct(StringComparer.Ordinal)
            .Order(StringComparer.Ordinal);
    }

    // Entity of the answer → entity of the model answer.
    private static Dictionary<string, string> StandsFor(ConceptComparison comparison) =>
        comparison.Correspondence.Entities.ToDictionary(pair => pair.Value.AnswerId, pair => pair.Key, StringComparer.Ordinal);

    // The entities of the answer at which it hangs.
    private static IEnumerable<string> TiedTo(Extra extra, ConceptComparison comparison)
    {
        var answer = comparison.Answer.Model;
        return extra.Kind == ExtraKinds.Entity
                ? answer
                    .Relationships.Where(one => one.Roles.Any(role => role.EntityId == extra.AnswerId))
                    .SelectMany(one => one.Roles.Select(role => role.EntityId))
                    .Where(id => id != extra.AnswerId)
            : extra.Kind == ExtraKinds.Relationship
                ? answer
                    .Relationships.Where(one => one.Id == extra.AnswerId)
                    .SelectMany(one => one.Roles)
                    .Select(role => role.EntityId)
            : extra.OwnerId is { } owner && answer.Entities.Any(entity => entity.Id == owner) ? [owner]
            : [];
    }
}
