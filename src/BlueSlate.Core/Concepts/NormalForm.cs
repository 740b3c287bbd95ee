namespace BlueSlate.Core.Concepts;

/// <summary>
/// Concepts in the form in which they are compared: a relationship that an entity type embodies (an association class, a diamond
/// in a box) becomes that entity type with a relationship to each of those that it links. What a role said of its entity type
/// is then said at the embodying one's end of the other relationship.
/// </summary>
public static class NormalForm
{
    /// <summary>What follows a role's id where it has become the end that is exactly one.</summary>
    public const string One = "~one";

    /// <summary>The reading with its concepts in normal form; the same reading when they are already.</summary>
    public static Reading Of(Reading reading) =>
        reading.Model.Relationships.All(relationship => relationship.EntityId is null)
            ? reading
            : reading with { Model = reading.Model with { Relationships = [.. reading.Model.Relationships.SelectMany(Resolve)] } };

    private static IEnumerable<RelationshipType> Resolve(RelationshipType relationship)
    {
        if (relationship.EntityId is not { } between)
        {
            return [relationship];
        }

        return relationship.Roles.Select((role, i) =>
        {
            // Of more than two, what is fixed are all others: the box's end leaves the count unsaid.
            var far = relationship.Roles.Length == 2 ? relationship.Roles[1 - i] : null;
            var count = far?.CoOccurrence ?? Count.Unsaid;
            return new RelationshipType(
                $"{relationship.Id}~{i + 1}",
                relationship.Name,
                [
                    new RelationshipRole($"{role.Id}{One}", role.EntityId, role.Role, "", new Count(1, 1), count),
                    new RelationshipRole(far?.Id ?? $"{role.Id}~box", between, "", "", count, new Count(1, 1)),
                ],
                null,
                null);
        });
    }
}
