using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core.Checking;

/// <summary>All facts of a model answer, in the order of its drawing: entities with their attributes, then relationships.</summary>
public static class FactList
{
    /// <summary>The facts that a reading states at this level of formality.</summary>
    public static ImmutableArray<Fact> Of(Reading reading, NotationOptions options)
    {
        var facts = ImmutableArray.CreateBuilder<Fact>();
        var model = NormalForm.Of(reading).Model;
        foreach (var entity in model.Entities)
        {
            AddEntity(entity, options, facts);
        }

        var names = model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal);
        foreach (var relationship in model.Relationships)
        {
            AddRelationship(relationship, names, options, facts);
        }

        foreach (var specialisation in model.Specialisations)
        {
            AddSpecialisation(specialisation, names, facts);
        }

        foreach (var union in model.Unions)
        {
            var title = $"{names[union.CategoryId]} as a union";
            facts.Add(New(Aspect.Union, union.Id, union.Id, title, string.Join(", ", union.Supertypes.Select(super => names[super.EntityId]))));
        }

        foreach (var exclusion in model.Exclusions)
        {
            facts.Add(New(Aspect.Exclusion, exclusion.Id, exclusion.Id, "relationships that exclude each other", "only one"));
        }

        if (options.Level == Level.Conceptual)
        {
            facts.Add(New(Aspect.NoForeignKeys, Fact.WholeDrawing, "level", "no foreign keys drawn", "none"));
        }

        AddForm(model, options, facts);
        facts.Add(New(Aspect.OwnNotation, Fact.WholeDrawing, "notation", $"drawn in {Notation.Of(options.Notation).Title} notation", Notation.Of(options.Notation).Title));
        return facts.ToImmutable();
    }

    /// <summary>A name for a relationship: the two entities and its verb.</summary>
    public static string TitleOf(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        var ends = relationship.Roles.Select(role => names[role.EntityId]).ToList();
        var verb = relationship.Roles.Select(role => role.Verb).Append(relationship.Name).FirstOrDefault(text => text.Length > 0);
        return verb is null ? string.Join(" and ", ends) : $"{ends[0]} {verb} {string.Join(" and ", ends.Skip(1))}";
    }

    private static void AddEntity(EntityType entity, NotationOptions options, ImmutableArray<Fact>.Builder facts)
    {
        facts.Add(New(Aspect.Entity, entity.Id, entity.Id, entity.Name, entity.Name));
        if (entity.Kind != EntityKind.Strong)
        {
            var kind = KindOf(entity.Kind);
            facts.Add(New(Aspect.Kind, entity.Id, entity.Id, $"{entity.Name} shown as {kind}", kind));
        }

        if (entity.Abstract)
        {
            facts.Add(New(Aspect.Abstract, entity.Id, entity.Id, $"{entity.Name} shown as abstract", "abstract"));
        }

        if (entity.Stereotype.Length > 0)
        {
            facts.Add(New(Aspect.Stereotype, entity.Id, entity.Id, $"stereotype of {entity.Name}", entity.Stereotype));
        }

        if (entity.Primary is { } key)
        {
            facts.Add(New(Aspect.Key, entity.Id, entity.Id + " key", $"key of {entity.Name}", Members(entity, key)));
            foreach (var attribute in entity.Attributes.Where(attribute => key.Partial && key.AttributeIds.Contains(attribute.Id)))
            {
                facts.Add(New(Aspect.PartialKey, attribute.Id, entity.Id + " key", $"{Phrasing.InText(attribute.Name)} of {entity.Name} shown as a partial key", "partial key"));
            }
        }

        foreach (var (id, alternate) in entity.Alternates)
        {
            facts.Add(New(Aspect.AlternateKey, id, id, $"alternate key of {entity.Name}", Members(entity, alternate)));
        }

        foreach (var attribute in entity.Attributes)
        {
            AddAttribute(attribute, entity.Name, options, facts);
        }

        foreach (var operation in entity.Operations)
        {
            AddOperation(operation, entity, options, facts);
        }

        foreach (var literal in entity.Literals)
        {
            facts.Add(New(Aspect.Literal, literal.Id, literal.Id, $"literal {literal.Name} of {entity.Name}", literal.Name));
        }
    }

    private static void AddAttribute(ConceptAttribute attribute, string owner, NotationOptions options, ImmutableArray<Fact>.Builder facts)
    {
        var title = $"{Phrasing.InText(attribute.Name)} of {owner}";
        if (attribute.ForeignKey is not null)
        {
            facts.Add(New(Aspect.ForeignKey, attribute.Id, attribute.Id, $"foreign key {title}", attribute.Name));
            return;
        }

        facts.Add(New(Aspect.Attribute, attribute.Id, attribute.Id, title, attribute.Name));
        AddIf(attribute.Multivalued, Aspect.Multivalued, "several values");
        AddIf(attribute.Derived, Aspect.Derived, "derived");
        AddIf(attribute.Optional, Aspect.Optional, "optional");
        AddIf(attribute.ClassScope, Aspect.Scope, "class scope");
        // Elsewhere a composite and its name alone say the same.
        foreach (var part in options.Notation == NotationNames.Chen ? attribute.Parts : [])
        {
            facts.Add(New(Aspect.Part, part.Id, part.Id, $"{Phrasing.InText(part.Name)} as part of {title}", part.Name));
        }

        if (options.Formal)
        {
            AddText(Aspect.Type, attribute.Type, "type");
            AddText(Aspect.Visibility, attribute.Visibility, "visibility");
        }

        void AddIf(bool said, Aspect aspect, string word)
        {
            if (said)
            {
                facts.Add(New(aspect, attribute.Id, attribute.Id, $"{title} shown as {word}", word));
            }
        }

        void AddText(Aspect aspect, string said, string word)
        {
            if (said.Length > 0)
            {
                facts.Add(New(aspect, attribute.Id, attribute.Id, $"{word} of {title}", said));
            }
        }
    }

    private static void AddOperation(Operation operation, EntityType owner, NotationOptions options, ImmutableArray<Fact>.Builder facts)
    {
        var title = $"operation {operation.Name} of {owner.Name}";
        facts.Add(New(Aspect.Operation, operation.Id, operation.Id, title, operation.Name));
        if (operation.ClassScope)
        {
            facts.Add(New(Aspect.Scope, operation.Id, operation.Id, $"{title} shown as class scope", "class scope"));
        }

        if (operation.Abstract && owner.Kind != EntityKind.Interface)
        {
            facts.Add(New(Aspect.Abstract, operation.Id, operation.Id, $"{title} shown as abstract", "abstract"));
        }

        if (options.Formal)
        {
            facts.Add(New(Aspect.Signature, operation.Id, operation.Id, $"signature of {title}", SignatureOf(operation)));
            if (operation.Visibility.Length > 0)
            {
                facts.Add(New(Aspect.Visibility, operation.Id, operation.Id, $"visibility of {title}", operation.Visibility));
            }
        }
    }

    /// <summary>Parameters and return type as text: <c>(on: Date): Boolean</c>.</summary>
    internal static string SignatureOf(Operation operation)
    {
        var parameters = operation.Parameters.Select(parameter => parameter.Type.Length > 0 ? $"{parameter.Name}: {parameter.Type}" : parameter.Name);
        return $"({string.Join(", ", parameters)}){(operation.Returns.Length > 0 ? $": {operation.Returns}" : "")}";
    }

    // What a scheme may ask of the drawing as a whole.
    private static void AddForm(ConceptModel model, NotationOptions options, ImmutableArray<Fact>.Builder facts)
    {
        Form(Aspect.NamedRelationships, "every relationship named", "named", true);
        Form(Aspect.EndsComplete, "minimum and maximum at every end", "complete", true);
        Form(Aspect.IdentifyingSolid, "identifying relationships, and no others, drawn as such", "as identifying", options.Notation != NotationNames.Uml && options.StrokeSaysIdentifying);
        Form(Aspect.TypedAttributes, "a type at every attribute", "typed", options is { Notation: NotationNames.Uml, Formal: true });
        Form(Aspect.ModelVisibility, "visibilities as in the model answer", VisibilityText.Of(model), options is { Notation: NotationNames.Uml, Formal: true });

        void Form(Aspect aspect, string title, string value, bool wanted)
        {
            if (wanted)
            {
                facts.Add(New(aspect, Fact.WholeDrawing, Drawings.Hyphens.Of(aspect), title, value));
            }
        }
    }

    /// <summary>
    /// Facts that a scheme asks for by their ids alone, since the model answer is silent about what must not be there: nothing between
    /// two entities besides what the model answer has (<c>no-relationship:b1+b2</c>), no attribute of that name at an entity
    /// (<c>no-attribute:b1+client code</c>). Ids of other forms, and of entities that are gone, give none.
    /// </summary>
    public static IEnumerable<Fact> Absences(ConceptModel model, IEnumerable<string> factIds)
    {
        var names = model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal);
        foreach (var id in factIds.Distinct(StringComparer.Ordinal))
        {
            if (Split(id, Aspect.NoRelationship) is (var a, var b) && names.TryGetValue(a, out var first) && names.TryGetValue(b, out var second))
            {
                yield return new Fact(id, Aspect.NoRelationship, $"{a}+{b}", id, $"nothing further between {first} and {second}", "none");
            }
            else if (Split(id, Aspect.NoAttribute) is (var owner, var name) && names.TryGetValue(owner, out var at))
            {
                yield return new Fact(id, Aspect.NoAttribute, owner, id, $"no {Phrasing.InText(name)} at {at}", name);
            }
        }

        static (string First, string Second)? Split(string id, Aspect aspect)
        {
            var start = Drawings.Hyphens.Of(aspect) + ":";
            var at = id.IndexOf('+', StringComparison.Ordinal);
            return id.StartsWith(start, StringComparison.Ordinal) && at > start.Length ? (id[start.Length..at], id[(at + 1)..]) : null;
        }
    }

    private static void AddSpecialisation(Specialisation specialisation, IReadOnlyDictionary<string, string> names, ImmutableArray<Fact>.Builder facts)
    {
        var super = names[specialisation.SupertypeId];
        foreach (var subtype in specialisation.Subtypes)
        {
            var title = $"{names[subtype.EntityId]} as a subtype of {super}";
            facts.Add(New(Aspect.Subtype, subtype.Id, subtype.Id, title, super));
        }

        if (specialisation.Disjoint is { } disjoint)
        {
            var word = disjoint ? "disjoint" : "overlapping";
            facts.Add(New(Aspect.Disjoint, specialisation.Id, specialisation.Id + " disjoint", $"specialisation of {super} shown as {word}", word));
        }

        if (specialisation.Total is { } total)
        {
            var word = total ? "total" : "partial";
            facts.Add(New(Aspect.Total, specialisation.Id, specialisation.Id + " total", $"specialisation of {super} shown as {word}", word));
        }
    }

    private static void AddRelationship(RelationshipType relationship, IReadOnlyDictionary<string, string> names, NotationOptions options, ImmutableArray<Fact>.Builder facts)
    {
        var title = TitleOf(relationship, names);
        facts.Add(New(Aspect.Relationship, relationship.Id, relationship.Id, title, title));
        foreach (var attribute in relationship.Attributes)
        {
            AddAttribute(attribute, title, options, facts);
        }

        if (options.Notation == NotationNames.Uml)
        {
            var kind = KindOf(relationship, names);
            facts.Add(New(Aspect.LinkKind, relationship.Id, relationship.Id, $"{title} shown as {kind}", kind));
        }

        if (relationship.IsNamed && relationship.Kind is RelationshipKind.Association)
        {
            facts.Add(New(Aspect.Named, relationship.Id, relationship.Id, $"a name on {title}", "named"));
        }

        if (relationship.Identifying is { } identifying && options.StrokeSaysIdentifying)
        {
            var word = identifying ? "identifying" : "not identifying";
            facts.Add(New(Aspect.Identifying, relationship.Id, relationship.Id, $"{title} shown as {word}", word));
        }

        // The ends of a linking entity's own making are exactly one: nobody draws them.
        foreach (var role in relationship.Roles.Where(role => !role.Id.EndsWith(NormalForm.One, StringComparison.Ordinal)))
        {
            var at = relationship.IsRecursive && role.Role.Length > 0 ? role.Role : names[role.EntityId];
            if (relationship.IsRecursive && role.Role.Length > 0)
            {
                facts.Add(New(Aspect.RoleName, role.Id, role.Id, $"role {role.Role}", role.Role));
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

    /// <summary>What kind of link a relationship is, with its whole.</summary>
    internal static string KindOf(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        var kind = Drawings.Hyphens.Of(relationship.Kind);
        return relationship.Roles.FirstOrDefault(role => role.Id == relationship.WholeRoleId) is { } whole ? $"{kind} with {names[whole.EntityId]} as the whole"
            : relationship.Kind is RelationshipKind.Dependency or RelationshipKind.Realization ? $"{kind} towards {names[relationship.Roles[1].EntityId]}"
            : kind;
    }

    /// <summary>A kind of entity as text: <c>strong</c>, <c>weak</c>, <c>linking</c>, <c>interface</c>, <c>enumeration</c>.</summary>
    internal static string KindOf(EntityKind kind) => kind == EntityKind.Associative ? "linking" : Drawings.Hyphens.Of(kind);

    private static string Members(EntityType entity, Identifier identifier) =>
        identifier.AttributeIds.IsEmpty
            ? "its owners' keys"
            : string.Join(" + ", entity.Attributes.Where(attribute => identifier.AttributeIds.Contains(attribute.Id)).Select(attribute => attribute.Name));

    private static Fact New(Aspect aspect, string conceptId, string place, string title, string value) =>
        new(Fact.IdOf(aspect, conceptId), aspect, conceptId, place, title, value);
}
