using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>
/// Finds the relationship that each foreign key stands for: the one, among those of its box, whose other side's key,
/// name or role the column is named after. The side that holds a foreign key is the dependent one.
/// </summary>
internal static class ForeignKeyResolver
{
    private const double Sureness = 0.6;

    /// <summary>The relationships with their dependent roles, and the relationship of each foreign key's row.</summary>
    public static (ImmutableArray<RelationshipType> Relationships, Dictionary<string, string> RelationshipOfRow) Resolve(
        List<Box> boxes, ImmutableArray<RelationshipType> relationships)
    {
        var dependents = new Dictionary<string, string>(StringComparer.Ordinal);
        var relationshipOfRow = new Dictionary<string, string>(StringComparer.Ordinal);
        var byId = boxes.ToDictionary(box => box.Id, StringComparer.Ordinal);
        foreach (var (box, row) in boxes.SelectMany(box => box.Rows.Where(row => row.ForeignGroup is not null).Select(row => (box, row))))
        {
            if (BestRole(box, row, byId, relationships) is { } found)
            {
                dependents.TryAdd(found.Relationship.Id, found.Role.Id);
                relationshipOfRow.Add(row.Id, found.Relationship.Id);
            }
        }

        PutLeftOver(boxes, relationships, dependents, relationshipOfRow);
        var resolved = relationships.Select(relationship => dependents.TryGetValue(relationship.Id, out var role)
            ? relationship with { DependentRoleId = role }
            : relationship);
        return ([.. resolved], relationshipOfRow);
    }

    // Under whatever name: the one column of a box that is named after nothing drawn, and the one line along which nothing refers yet.
    private static void PutLeftOver(List<Box> boxes, ImmutableArray<RelationshipType> relationships, Dictionary<string, string> dependents, Dictionary<string, string> relationshipOfRow)
    {
        foreach (var box in boxes)
        {
            if (box.Rows.Where(row => row.ForeignGroup is not null && !relationshipOfRow.ContainsKey(row.Id)).ToList() is not [var column])
            {
                continue;
            }

            var open = relationships.Where(relationship => relationship is { Roles.Length: 2, IsRecursive: false } && !dependents.ContainsKey(relationship.Id))
                .SelectMany(relationship => relationship.Roles.Where(role => role.EntityId == box.Id && relationship.Other(role).CoOccurrence.Max == 1 && role.CoOccurrence.Max != 1).Select(role => (Relationship: relationship, Role: role))).ToList();
            if (open is [var only] && !boxes.Exists(other => Suits(column, other)))
            {
                dependents.Add(only.Relationship.Id, only.Role.Id);
                relationshipOfRow.Add(column.Id, only.Relationship.Id);
            }
        }
    }

    private static bool Suits(Row column, Box parent) => Likeness(column, parent) >= Sureness;

    private static (RelationshipType Relationship, RelationshipRole Role)? BestRole(Box box, Row row, IReadOnlyDictionary<string, Box> byId, ImmutableArray<RelationshipType> relationships)
    {
        var candidates = relationships
            .Where(relationship => relationship.Roles.Length == 2)
            .SelectMany(relationship => relationship.Roles.Where(role => role.EntityId == box.Id).Select(role => (Relationship: relationship, Role: role)))
            .Select(candidate => (candidate.Relationship, candidate.Role, Score: Score(row, candidate.Relationship, candidate.Role, byId)))
            .Where(candidate => candidate.Score >= Sureness)
            .OrderByDescending(candidate => candidate.Score)
            .ThenByDescending(candidate => candidate.Relationship.Other(candidate.Role).CoOccurrence.Max == 1);
        return candidates.Select(candidate => ((RelationshipType, RelationshipRole)?)(candidate.Relationship, candidate.Role)).FirstOrDefault();
    }

    private static double Score(Row row, RelationshipType relationship, RelationshipRole role, IReadOnlyDictionary<string, Box> byId)
    {
        var parent = byId[relationship.Other(role).EntityId];
        var name = Name.Of(row.Name);
        var byRole = relationship.Other(role).Role is { Length: > 0 } other && NameSimilarity.Mentions(name, Name.Of(other)) ? 0.95 : 0;
        return Math.Max(byRole, Likeness(row, parent));
    }

    private static double Likeness(Row column, Box parent) =>
        NameSimilarity.OfReference(Name.Of(column.Name), parent.Rows.Where(row => row.Primary || row.Partial).Select(key => Name.Of(key.Name)), Name.Of(parent.Name));
}
