using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations.CrowsFoot;

namespace BlueSlate.Core.Checking;

/// <summary>All facts of a model answer, in the order of its drawing: entities with their attributes, then relationships.</summary>
public static class FactList
{
    /// <summary>The facts that a reading states at this level of formality.</summary>
    public static ImmutableArray<Fact> Of(Reading reading, CrowsFootOptions options)
    {
        var facts = ImmutableArray.CreateBuilder<Fact>();
        foreach (var entity in reading.Model.Entities)
        {
            AddEntity(entity, facts);
        }

        var names = reading.Model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal);
        foreach (var relationship in reading.Model.Relationships)
        {
            AddRelationship(relationship, names, options, facts);
        }

        if (options.Level == Level.Conceptual)
        {
            facts.Add(New(Aspect.NoForeignKeys, Fact.WholeDrawing, "level", "no foreign keys drawn", "none"));
        }

        facts.Add(New(Aspect.OwnNotation, Fact.WholeDrawing, "notation", "drawn in crow's foot notation", "crow's foot"));
        return facts.ToImmutable();
    }

    /// <summary>A name for a relationship: the two entities and its verb.</summary>
    public static string TitleOf(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        var ends = relationship.Roles.Select(role => names[role.EntityId]).ToList();
        var verb = relationship.Roles.Select(role => role.Verb).Append(relationship.Name).FirstOrDefault(text => text.Length > 0);
        return verb is null ? string.Join(" and ", ends) : $"{ends[0]} {verb} {string.Join(" and ", ends.Skip(1))}";
    }

    private static void AddEntity(EntityType entity, ImmutableArray<Fact>.Builder facts)
    {
        facts.Add(New(Aspect.Entity, entity.Id, entity.Id, entity.Name, entity.Name));
        if (entity.Kind != EntityKind.Strong)
        {
            var kind = entity.Kind == EntityKind.Weak ? "weak" : "linking";
            facts.Add(New(Aspect.Kind, entity.Id, entity.Id + " kind", $"{entity.Name} shown as {kind}", kind));
        }

        if (entity.Primary is { } key)
        {
            facts.Add(New(Aspect.Key, entity.Id, entity.Id + " key", $"key of {entity.Name}", Members(entity, key)));
        }

        foreach (var alternate in entity.Identifiers.Where(identifier => identifier.Kind == IdentifierKind.Alternate))
        {
            var id = alternate.AttributeIds[0];
            facts.Add(New(Aspect.AlternateKey, id, id + " alternate", $"alternate key of {entity.Name}", Members(entity, alternate)));
        }

        foreach (var attribute in entity.Attributes)
        {
            var title = $"{Phrasing.InText(attribute.Name)} of {entity.Name}";
            if (attribute.ForeignKey is not null)
            {
                facts.Add(New(Aspect.ForeignKey, attribute.Id, attribute.Id, $"foreign key {title}", attribute.Name));
                continue;
            }

            facts.Add(New(Aspect.Attribute, attribute.Id, attribute.Id, title, attribute.Name));
            AddIf(attribute.Multivalued, Aspect.Multivalued, "several values");
            AddIf(attribute.Derived, Aspect.Derived, "derived");
            AddIf(attribute.Optional, Aspect.Optional, "optional");

            void AddIf(bool said, Aspect aspect, string word)
            {
                if (said)
                {
                    facts.Add(New(aspect, attribute.Id, $"{attribute.Id} {word}", $"{title} shown as {word}", word));
                }
            }
        }
    }

    private static void AddRelationship(RelationshipType relationship, IReadOnlyDictionary<string, string> names, CrowsFootOptions options, ImmutableArray<Fact>.Builder facts)
    {
        var title = TitleOf(relationship, names);
        facts.Add(New(Aspect.Relationship, relationship.Id, relationship.Id, title, title));
        if (relationship.IsNamed)
        {
            facts.Add(New(Aspect.Named, relationship.Id, relationship.Id + " name", $"a name on {title}", "named"));
        }

        if (relationship.Identifying is { } identifying && options.StrokeSaysIdentifying)
        {
            var word = identifying ? "identifying" : "not identifying";
            facts.Add(New(Aspect.Identifying, relationship.Id, relationship.Id + " stroke", $"{title} shown as {word}", word));
        }

        foreach (var role in relationship.Roles)
        {
            var at = relationship.IsRecursive && role.Role.Length > 0 ? role.Role : names[role.EntityId];
            if (relationship.IsRecursive && role.Role.Length > 0)
            {
                facts.Add(New(Aspect.RoleName, role.Id, role.Id + " role", $"role {role.Role}", role.Role));
            }

            if (role.CoOccurrence.Min is not null && relationship.Roles.Length == 2)
            {
                facts.Add(New(Aspect.Min, role.Id, role.Id, $"minimum at {at} in {title}", Count.Spell(role.CoOccurrence.Min)));
            }

            if (role.CoOccurrence.Max is not null)
            {
                facts.Add(New(Aspect.Max, role.Id, role.Id, $"maximum at {at} in {title}", Count.Spell(role.CoOccurrence.Max)));
            }
        }
    }

    private static string Members(EntityType entity, Identifier identifier) =>
        identifier.AttributeIds.IsEmpty
            ? "its owners' keys"
            : string.Join(" + ", entity.Attributes.Where(attribute => identifier.AttributeIds.Contains(attribute.Id)).Select(attribute => attribute.Name));

    private static Fact New(Aspect aspect, string conceptId, string place, string title, string value) =>
        new(Fact.IdOf(aspect, conceptId), aspect, conceptId, place, title, value);
}
