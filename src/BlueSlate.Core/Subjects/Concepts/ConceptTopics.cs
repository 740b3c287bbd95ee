using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts;

/// <summary>
/// What instructors look for when they look for an exercise, found in the model answer itself: nobody has to say it by hand, and it
/// changes with the model answer.
/// </summary>
internal static class ConceptTopics
{
    private static readonly (string Name, Func<ConceptModel, bool> IsIn)[] All =
    [
        ("weak entity", model => model.Entities.Any(entity => entity.Kind == EntityKind.Weak)),
        ("linking entity", model => model.Entities.Any(entity => entity.Kind == EntityKind.Associative)),
        ("key of several attributes", model => Keys(model).Any(key => key.AttributeIds.Length > 1)),
        ("alternate key", model =>
            model.Entities.Any(entity => entity.Identifiers.Any(key => key.Kind == IdentifierKind.Alternate))
        ),
        ("foreign keys", model => model.AllAttributes.Any(attribute => attribute.ForeignKey is not null)),
        ("several values", model => model.AllAttributes.Any(attribute => attribute.Multivalued)),
        ("derived attribute", model => model.AllAttributes.Any(attribute => attribute.Derived)),
        ("composite attribute", model => model.AllAttributes.Any(attribute => !attribute.Parts.IsEmpty)),
        ("optional attribute", model => model.AllAttributes.Any(attribute => attribute.Optional)),
        ("one-to-one", model => model.Relationships.Any(IsOneToOne)),
        ("many-to-many", model => model.Relationships.Any(relationship => relationship.IsManyToMany)),
        ("recursive relationship", model => model.Relationships.Any(relationship => relationship.IsRecursive)),
        ("relationship of three or more", model => model.Relationships.Any(relationship => relationship.Roles.Length > 2)),
        ("attribute of a relationship", model => model.Relationships.Any(HasAttributes)),
        ("several relationships between two", model => HasParallels(model)),
        ("aggregation", model => model.Relationships.Any(relationship => relationship.Kind == RelationshipKind.Aggregation)),
        ("composition", model => model.Relationships.Any(relationship => relationship.Kind == RelationshipKind.Composition)),
        ("dependency", model => model.Relationships.Any(relationship => relationship.Kind == RelationshipKind.Dependency)),
        ("exclusive relationships", model => !model.Exclusions.IsEmpty),
        ("specialisation", model => !model.Specialisations.IsEmpty),
        ("disjoint subtypes", model => model.Specialisations.Any(set => set.Disjoint == true)),
        ("overlapping subtypes", model => model.Specialisations.Any(set => set.Disjoint == false)),
        ("total specialisation", model => model.Specialisations.Any(set => set.Total == true)),
        ("partial specialisation", model => model.Specialisations.Any(set => set.Total == false)),
        ("subtypes of several levels", model => HasLevels(model)),
        ("category", model => !model.Unions.IsEmpty),
        ("abstract class", model => model.Entities.Any(entity => entity.Abstract)),
        ("interface", model => model.Entities.Any(entity => entity.Kind == EntityKind.Interface)),
        ("enumeration", model => model.Entities.Any(entity => entity.Kind == EntityKind.Enumeration)),
        ("operations", model => model.Entities.Any(entity => !entity.Operations.IsEmpty)),
    ];

    /// <summary>The topics of a model.</summary>
    public static IEnumerable<string> Of(ConceptModel model) => All.Where(topic => topic.IsIn(model)).Select(topic => topic.Name);

    private static IEnumerable<Identifier> Keys(ConceptModel model) =>
        model.Entities.Select(entity => entity.Primary).OfType<Identifier>();

    private static bool IsOneToOne(RelationshipType relationship) =>
        relationship.Roles.Length == 2 && relationship.Roles.All(role => role.CoOccurrence.Max == 1);

    private static bool HasAttributes(RelationshipType relationship) =>
        !relationship.Attributes.IsEmpty || relationship.EntityId is not null;

    private static bool HasParallels(ConceptModel model) =>
        model
            .Relationships.Where(relationship => relationship.Roles.Length == 2 && !relationship.IsRecursive)
            .GroupBy(relationship =>
                string.Join(' ', relationship.Roles.Select(role => role.EntityId).Order(StringComparer.Ordinal))
            )
            .Any(between => between.Count() > 1);

    private static bool HasLevels(ConceptModel model)
    {
        var subtypes = model
            .Specialisations.SelectMany(set => set.Subtypes)
            .Select(link => link.EntityId)
            .ToHashSet(StringComparer.Ordinal);
        return model.Specialisations.Any(set => subtypes.Contains(set.SupertypeId));
    }
}
