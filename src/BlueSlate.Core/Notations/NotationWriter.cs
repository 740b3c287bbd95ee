using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations;

/// <summary>
/// Draws concepts in a notation, one after another. What a notation has no symbol for it says in a note; here is what most of
/// them lack, and a notation that has a symbol for it draws it instead.
/// </summary>
internal abstract class NotationWriter(ConceptModel model)
{
    protected ConceptModel Model => model;

    protected DrawingBuilder Draw { get; } = new(model);

    /// <summary>The shape that was drawn for each entity.</summary>
    protected Dictionary<string, string> ShapeOf { get; } = new(StringComparer.Ordinal);

    public Redrawing Write()
    {
        foreach (var entity in model.Entities)
        {
            WriteEntity(entity);
        }

        foreach (var relationship in model.Relationships)
        {
            WriteRelationship(relationship);
        }

        foreach (var specialisation in model.Specialisations)
        {
            WriteSpecialisation(specialisation);
        }

        foreach (var union in model.Unions)
        {
            WriteUnion(union);
        }

        foreach (var exclusion in model.Exclusions)
        {
            WriteExclusion(exclusion);
        }

        foreach (var note in model.Notes)
        {
            Draw.Note(note, [.. note.AboutIds.Where(ShapeOf.ContainsKey).Select(id => ShapeOf[id])]);
        }

        return Draw.ToRedrawing();
    }

    /// <summary>Draws an entity, and puts its shape into <see cref="ShapeOf"/>.</summary>
    protected abstract void WriteEntity(EntityType entity);

    protected abstract void WriteRelationship(RelationshipType relationship);

    protected abstract void WriteSpecialisation(Specialisation specialisation);

    protected virtual void WriteUnion(UnionType union)
    {
        var supers = Phrasing.List([.. union.Supertypes.Select(super => Phrasing.One(Draw.NameOf(super.EntityId)))]);
        Draw.CannotSay(
            $"{Phrasing.Capital(Phrasing.One(Draw.NameOf(union.CategoryId)))} is one of {supers}.",
            Attachment.ToShape(ShapeOf[union.CategoryId])
        );
    }

    protected virtual void WriteExclusion(ExclusiveConstraint exclusion) =>
        Draw.CannotSay(
            $"Of {Phrasing.List([.. exclusion.RelationshipIds.Select(TitleOf)])}, one thing takes part in only one.",
            Attachment.Nothing
        );

    /// <summary>
    /// Says what only classes have: that an entity is abstract, an interface or an enumeration, and its operations.
    /// </summary>
    protected void SayWhatOnlyClassesHave(EntityType entity)
    {
        var shape = Attachment.ToShape(ShapeOf[entity.Id]);
        if (entity.Kind is EntityKind.Interface or EntityKind.Enumeration || entity.Abstract)
        {
            var kind = entity.Abstract ? "is abstract" : $"is an {entity.Kind.ToString().ToLowerInvariant()}";
            var literals = string.Join(", ", entity.Literals.Select(literal => literal.Name));
            Draw.CannotSay($"{entity.Name} {kind}{(literals.Length > 0 ? $": {literals}" : "")}.", shape);
        }

        if (!entity.Operations.IsEmpty)
        {
            Draw.CannotSay(
                $"{entity.Name} has operations: {string.Join(", ", entity.Operations.Select(operation => operation.Name))}.",
                shape
            );
        }
    }

    /// <summary>Says that no two of an entity have the same values of an alternate identifier.</summary>
    protected void SayAlternate(EntityType entity, Identifier alternate)
    {
        var names = Phrasing.List([
            .. entity
                .Attributes.Where(attribute => alternate.AttributeIds.Contains(attribute.Id))
                .Select(attribute => Phrasing.InText(attribute.Name)),
        ]);
        Draw.CannotSay($"No two {Phrasing.Several(entity.Name)} have the same {names}.", Attachment.ToShape(ShapeOf[entity.Id]));
    }

    /// <summary>Says a dependency or a realization; false for any other relationship.</summary>
    protected bool SayDirected(RelationshipType relationship)
    {
        if (relationship.Kind is not (RelationshipKind.Dependency or RelationshipKind.Realization))
        {
            return false;
        }

        var (from, to) = (relationship.Roles[0].EntityId, relationship.Roles[1].EntityId);
        var word = relationship.Kind == RelationshipKind.Dependency ? "depends on" : "realises";
        Draw.CannotSay($"{Draw.NameOf(from)} {word} {Draw.NameOf(to)}.", Attachment.ToShape(ShapeOf[from]));
        return true;
    }

    /// <summary>An end at an entity's shape.</summary>
    protected LineEnd At(string entityId) => new(Attachment.ToShape(ShapeOf[entityId]), []);

    /// <summary>What a relationship is called at its one symbol: its name, or the verbs of a pair.</summary>
    protected static string NameFor(RelationshipType relationship)
    {
        if (relationship.Name.Length > 0 || relationship.Roles.Length != 2)
        {
            return relationship.Name;
        }

        string there = relationship.Roles[0].Verb,
            back = relationship.Roles[1].Verb;
        return there.Length > 0 && back.Length > 0 ? $"{there} / {back}" : there + back;
    }

    /// <summary>What a relationship is called in a sentence.</summary>
    protected string TitleOf(string relationshipId)
    {
        var relationship = model.Relationships.First(candidate => candidate.Id == relationshipId);
        return NameFor(relationship) is { Length: > 0 } name
            ? name
            : string.Join(" and ", relationship.Roles.Select(role => Draw.NameOf(role.EntityId)));
    }

    /// <summary>The line that was read as this role, where it is not the relationship's own.</summary>
    protected static string LineOf(RelationshipType relationship, RelationshipRole role) =>
        role.Id.IndexOf('/', StringComparison.Ordinal) is var at and > 0 && role.Id[..at] != relationship.Id
            ? role.Id[..at]
            : $"{role.Id}.line";
}
