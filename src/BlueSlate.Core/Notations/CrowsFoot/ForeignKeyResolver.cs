using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>
/// Finds the relationship that each foreign key stands for: the one, among those of its box, whose other side's key, name or
/// role the column is named after. A column in several foreign keys refers along as many relationships, each the one along
/// which the other columns of that number refer. The side that holds a foreign key is the dependent one.
/// </summary>
internal static class ForeignKeyResolver
{
    private const double Sureness = 0.6;

    /// <summary>
    /// The relationships with their dependent roles, and the relationship of each foreign key's row and number.
    /// </summary>
    public static (
        ImmutableArray<RelationshipType> Relationships,
        Dictionary<(string RowId, int Group), string> RelationshipOfRow
    ) Resolve(List<Box> boxes, ImmutableArray<RelationshipType> relationships)
    {
        var dependents = new Dictionary<string, string>(StringComparer.Ordinal);
        var relationshipOfRow = new Dictionary<(string RowId, int Group), string>();
        var byId = boxes.ToDictionary(box => box.Id, StringComparer.Ordinal);
        foreach (var box in boxes)
        {
            // What is in one foreign key only says along which relationship its number refers.
            foreach (var row in box.Rows.Where(row => !row.ForeignGroups.IsEmpty).OrderBy(row => row.ForeignGroups.Length))
            {
                var taken = new HashSet<string>(StringComparer.Ordinal);
                foreach (var group in row.ForeignGroups)
                {
                    var along = box
                        .Rows.Select(other => relationshipOfRow.GetValueOrDefault((other.Id, group)))
                        .OfType<string>()
                        .ToList();
                    if (BestRole(box, row, byId, relationships, taken, row.ForeignGroups.Length > 1 ? along : []) is { } found)
                    {
                        taken.Add(found.Relationship.Id);
                        dependents.TryAdd(found.Relationship.Id, found.Role.Id);
                        relationshipOfRow.Add((row.Id, group), found.Relationship.Id);
                    }
                }
            }
        }

        PutLeftOver(boxes, relationships, dependents, relationshipOfRow);
        var resolved = relationships.Select(relationship =>
            dependents.TryGetValue(relationship.Id, out var role) ? relationship with { DependentRoleId = role } : relationship
        );
        return ([.. resolved], relationshipOfRow);
    }

    // Under whatever name: the one column of a box that is named after nothing drawn, and the one line along which nothing
    // refers yet.
    private static void PutLeftOver(
        List<Box> boxes,
        ImmutableArray<RelationshipType> relationships,
        Dictionary<string, string> dependents,
        Dictionary<(string RowId, int Group), string> relationshipOfRow
    )
    {
        foreach (var box in boxes)
        {
            if (
                box
                    .Rows.SelectMany(row => row.ForeignGroups.Select(group => (Row: row, Group: group)))
                    .Where(column => !relationshipOfRow.ContainsKey((column.Row.Id, column.Group)))
                    .ToList()
                is not [var column]
            )
            {
                continue;
            }

            var open = relationships
                .Where(relationship => relationship.Roles.Length == 2 && !dependents.ContainsKey(relationship.Id))
                .SelectMany(relationship => relationship.Roles.Select(role => (Relationship: relationship, Role: role)))
                .Where(pair =>
                    pair.Role.EntityId == box.Id
                    && pair.Relationship.Other(pair.Role).CoOccurrence.Max == 1
                    && pair.Role.CoOccurrence.Max != 1
                )
                .ToList();
            if (open is [var only] && !boxes.Exists(other => Suits(column.Row, other)))
            {
                dependents.Add(only.Relationship.Id, only.Role.Id);
                relationshipOfRow.Add((column.Row.Id, column.Group), only.Relationship.Id);
            }
        }
    }

    private static bool Suits(Row column, Box parent) => Likeness(column, parent) >= Sureness;

    private static (RelationshipType Relationship, RelationshipRole Role)? BestRole(
        Box box,
        Row row,
        IReadOnlyDictionary<string, Box> byId,
        ImmutableArray<RelationshipType> relationships,
        HashSet<string> taken,
        List<string> preferred
    )
    {
        var candidates = relationships
            .Where(relationship => relationship.Roles.Length == 2 && !taken.Contains(relationship.Id))
            .SelectMany(relationship =>
                relationship.Roles.Where(role => role.EntityId == box.Id).Select(role => (Relationship: relationship, Role: role))
            )
            .Select(candidate =>
                (candidate.Relationship, candidate.Role, Score: Score(row, candidate.Relationship, candidate.Role, byId))
            )
            .Where(candidate => candidate.Score >= Sureness)
            .OrderByDescending(candidate => preferred.Contains(candidate.Relationship.Id))
            .ThenByDescending(candidate => candidate.Score)
            .ThenByDescending(candidate => candidate.Relationship.Other(candidate.Role).CoOccurrence.Max == 1);
        return candidates
            .Select(candidate => ((RelationshipType, RelationshipRole)?)(candidate.Relationship, candidate.Role))
            .FirstOrDefault();
    }

    private static double Score(
        Row row,
        RelationshipType relationship,
        RelationshipRole role,
        IReadOnlyDictionary<string, Box> byId
    )
    {
        var parent = byId[relationship.Other(role).EntityId];
        var name = Name.Of(row.Name);
        var far = relationship.Other(role);
        var byRole =
            far.Role.Length == 0 ? 0
            : NameSimilarity.Mentions(name, Name.Of(far.Role)) ? 0.95
            : NameSimilarity.Hints(name, Name.Of(far.Role)) ? 0.9
            : 0;
        var byVerb = new[] { far.Verb, role.Verb, relationship.Name }.Any(verb =>
            verb.Length > 0 && NameSimilarity.Hints(name, VerbForm.Of(verb))
        )
            ? 0.7
            : 0;
        return Math.Max(Math.Max(byRole, byVerb), Likeness(row, parent));
    }

    private static double Likeness(Row column, Box parent) =>
        NameSimilarity.OfReference(
            Name.Of(column.Name),
            parent.Rows.Where(row => row.Primary || row.Partial).Select(key => Name.Of(key.Name)),
            Name.Of(parent.Name)
        );
}
