using BlueSlate.Core.Concepts;

namespace BlueSlate.Core.Checking;

/// <summary>Rules that a drawing as a whole keeps or breaks; each gives the ids of the concepts that break it.</summary>
internal sealed class FormRules(ConceptModel answer)
{
    // Diamonds, arrows and lines to a linking entity need no name.
    public IReadOnlyList<string> Unnamed() => Ids(answer.Relationships.Where(relationship =>
        !relationship.IsNamed && relationship.Kind == RelationshipKind.Association && relationship.EntityId is null
        && !relationship.Roles.Any(role => answer.Entity(role.EntityId).Kind == EntityKind.Associative)));

    public IReadOnlyList<string> Incomplete() => [.. answer.Relationships
        .Where(relationship => relationship.Kind is RelationshipKind.Association or RelationshipKind.Aggregation or RelationshipKind.Composition)
        .SelectMany(relationship => relationship.Roles.Where(role => role.CoOccurrence.Max is null || (relationship.Roles.Length == 2 && role.CoOccurrence.Min is null)))
        .Select(role => role.Id)];

    public IReadOnlyList<string> WrongStroke() => Ids(answer.Relationships.Where(relationship =>
        relationship.Identifying == false && answer.Entities.Any(entity => entity.Kind == EntityKind.Weak && entity.Identifiers.Any(identifier => identifier.Partial)
            && relationship.DependentRoleId is { } dependent && relationship.Roles.Any(role => role.Id == dependent && role.EntityId == entity.Id)
            && !answer.RelationshipsOf(entity.Id).Any(other => other.Identifying == true))));

    public IReadOnlyList<string> Untyped() => [.. answer.Entities.SelectMany(entity => entity.Attributes).Where(attribute => attribute.Type.Length == 0).Select(attribute => attribute.Id)];

    public IReadOnlyList<string> OtherVisibility(ConceptModel model) => VisibilityText.Breaches(model, answer);

    private static List<string> Ids(IEnumerable<RelationshipType> relationships) => [.. relationships.Select(relationship => relationship.Id)];
}
