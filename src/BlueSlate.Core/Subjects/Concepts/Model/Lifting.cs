using System.Collections.Immutable;

namespace BlueSlate.Core.Subjects.Concepts.Model;

/// <summary>
/// Lifts what entity types share into a supertype of their own, and pushes a supertype's members down into its subtypes again.
/// </summary>
public static class Lifting
{
    /// <summary>
    /// The members of some entity types, those that all share first; two members are the same by name and type.
    /// </summary>
    /// <param name="model">The concepts.</param>
    /// <param name="entityIds">Two or more entity types.</param>
    /// <param name="alike">Whether two names, and two types, are the same.</param>
    public static ImmutableArray<LiftingRow> Members(
        ConceptModel model,
        IReadOnlyList<string> entityIds,
        Func<ConceptAttribute, ConceptAttribute, bool> alike
    )
    {
        var chosen = Chosen(model, entityIds);
        var rows = new List<List<(string Entity, ConceptAttribute Attribute)>>();
        foreach (var entity in chosen)
        {
            foreach (var attribute in entity.Attributes)
            {
                var row = rows.FirstOrDefault(candidate =>
                    candidate.All(cell => cell.Entity != entity.Id) && alike(candidate[0].Attribute, attribute)
                );
                if (row is null)
                {
                    rows.Add(row = []);
                }

                row.Add((entity.Id, attribute));
            }
        }

        return
        [
            .. rows.Select(row => new LiftingRow(
                    row[0].Attribute.Name,
                    row[0].Attribute.Type,
                    row.Count == chosen.Count,
                    [.. row.Select(cell => new LiftingCell(cell.Entity, cell.Attribute.Id))]
                ))
                .OrderByDescending(row => row.Shared),
        ];
    }

    /// <summary>
    /// The concepts with a new supertype over these entity types. Each group of members becomes one member of the supertype,
    /// under the first one's id, and leaves the subtypes; what was a key among them identifies the supertype.
    /// </summary>
    public static ConceptModel Lift(
        ConceptModel model,
        IReadOnlyList<string> entityIds,
        string name,
        IReadOnlyList<IReadOnlyList<string>> members,
        Func<string> newId
    )
    {
        var chosen = Chosen(model, entityIds);
        var lifted = members.Where(group => group.Count > 0).ToList();
        var leaving = lifted.SelectMany(group => group).ToHashSet(StringComparer.Ordinal);
        var all = chosen.SelectMany(entity => entity.Attributes).ToDictionary(attribute => attribute.Id, StringComparer.Ordinal);
        var keys = lifted
            .Where(group => group.Any(id => chosen.Any(entity => entity.Primary?.AttributeIds.Contains(id) == true)))
            .Select(group => group[0])
            .ToImmutableArray();
        var super = new EntityType(
            newId(),
            name,
            EntityKind.Strong,
            [.. lifted.Select(group => all[group[0]])],
            keys.IsEmpty ? [] : [new Identifier(IdentifierKind.Primary, 0, false, keys, [])]
        );
        var links = chosen.Select(entity => new SubtypeLink(newId(), entity.Id)).ToImmutableArray();
        return model with
        {
            Entities =
            [
                .. model.Entities.Select(entity => entityIds.Contains(entity.Id) ? Without(entity, leaving) : entity),
                super,
            ],
            Specialisations = model.Specialisations.Add(new Specialisation(newId(), super.Id, links, null, null, "")),
        };
    }

    /// <summary>
    /// The concepts without a supertype: each of its subtypes has its attributes and takes part in its relationships. The first
    /// subtype keeps the ids.
    /// </summary>
    public static ConceptModel PushDown(ConceptModel model, string supertypeId, Func<string> newId)
    {
        var super = model.Entity(supertypeId);
        var subtypes = model
            .Specialisations.Where(set => set.SupertypeId == supertypeId)
            .SelectMany(set => set.Subtypes)
            .Select(link => link.EntityId)
            .Distinct(StringComparer.Ordinal)
            .ToList();
        var entities = model
            .Entities.Where(entity => entity.Id != supertypeId)
            .Select(entity =>
            {
                var at = subtypes.IndexOf(entity.Id);
                return at < 0 ? entity : WithMembers(entity, super, at == 0 ? null : newId);
            });
        var relationships = model.Relationships.SelectMany(relationship =>
            relationship.Roles.All(role => role.EntityId != supertypeId)
                ? [relationship]
                : subtypes.Select((subtype, i) => Moved(relationship, supertypeId, subtype, i == 0 ? null : newId))
        );
        return model with
        {
            Entities = [.. entities],
            Relationships = [.. relationships],
            Specialisations =
            [
                .. model
                    .Specialisations.Where(set => set.SupertypeId != supertypeId)
                    .Select(set => set with { Subtypes = [.. set.Subtypes.SelectMany(Instead)] }),
            ],
        };

        // In the place of the supertype in another specialisation stand its subtypes.
        IEnumerable<SubtypeLink> Instead(SubtypeLink link) =>
            link.EntityId != supertypeId
                ? [link]
                : subtypes.Select((subtype, i) => i == 0 ? link with { EntityId = subtype } : new SubtypeLink(newId(), subtype));
    }

    private static EntityType WithMembers(EntityType entity, EntityType super, Func<string>? newId)
    {
        var ids = super.Attributes.ToDictionary(
            attribute => attribute.Id,
            attribute => newId?.Invoke() ?? attribute.Id,
            StringComparer.Ordinal
        );
        var identifiers = super.Identifiers.Select(identifier =>
            identifier with
            {
                AttributeIds = [.. identifier.AttributeIds.Select(id => ids.GetValueOrDefault(id, id))],
            }
        );
        return entity with
        {
            Attributes =
            [
                .. super.Attributes.Select(attribute =>
                    attribute with
                    {
                        Id = ids[attribute.Id],
                        Parts = newId is null ? attribute.Parts : [.. attribute.Parts.Select(part => part.Renewed(newId))],
                    }
                ),
                .. entity.Attributes,
            ],
            Identifiers = entity.Identifiers.IsEmpty ? [.. identifiers] : entity.Identifiers,
        };
    }

    private static RelationshipType Moved(RelationshipType relationship, string from, string to, Func<string>? newId)
    {
        var id = newId?.Invoke() ?? relationship.Id;
        return relationship with
        {
            Id = id,
            Roles =
            [
                .. relationship.Roles.Select(
                    (role, i) =>
                        role with
                        {
                            EntityId = role.EntityId == from ? to : role.EntityId,
                            Id = newId is null ? role.Id : $"{id}/{(i == 0 ? "from" : "to")}",
                        }
                ),
            ],
            Attributes = newId is null
                ? relationship.Attributes
                : [.. relationship.Attributes.Select(attribute => attribute with { Id = newId() })],
            WholeRoleId =
                relationship.WholeRoleId is null || newId is null
                    ? relationship.WholeRoleId
                    : $"{id}/{(relationship.Roles[0].Id == relationship.WholeRoleId ? "from" : "to")}",
        };
    }

    private static EntityType Without(EntityType entity, HashSet<string> leaving) =>
        entity with
        {
            Attributes = entity.Attributes.RemoveAll(attribute => leaving.Contains(attribute.Id)),
            Identifiers =
            [
                .. entity
                    .Identifiers.Select(identifier =>
                        identifier with
                        {
                            AttributeIds = identifier.AttributeIds.RemoveAll(leaving.Contains),
                        }
                    )
                    .Where(identifier => !identifier.AttributeIds.IsEmpty || !identifier.OwnerRelationshipIds.IsEmpty),
            ],
        };

    private static List<EntityType> Chosen(ConceptModel model, IReadOnlyList<string> ids) =>
        [.. model.Entities.Where(entity => ids.Contains(entity.Id))];
}

/// <summary>Members of several entity types that are one and the same, or one that only some have.</summary>
public sealed record LiftingRow(string Name, string Type, bool Shared, ImmutableArray<LiftingCell> Cells);

/// <summary>An entity type and its member.</summary>
public sealed record LiftingCell(string EntityId, string AttributeId);
