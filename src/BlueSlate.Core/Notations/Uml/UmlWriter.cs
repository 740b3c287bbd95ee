using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>Draws concepts as a UML class diagram.</summary>
internal sealed class UmlWriter(ConceptModel model, UmlOptions options) : NotationWriter(model)
{
    private readonly Dictionary<string, Attachment> placeOf = new(StringComparer.Ordinal);

    protected override void WriteEntity(EntityType entity)
    {
        var keyword = entity.Kind switch
        {
            EntityKind.Interface => "«interface» ",
            EntityKind.Enumeration => "«enumeration» ",
            _ => "",
        };
        var stereotype = entity.Stereotype.Length > 0 ? $"«{entity.Stereotype}» " : "";
        ImmutableArray<TextLine> fields =
        [
            .. entity
                .Attributes.Where(attribute => attribute.ForeignKey is null)
                .Select(attribute => Field(attribute, IsKey(entity, attribute))),
            .. entity.Literals.Select(literal => new TextLine(
                Draw.IdFor(literal.Id, "t"),
                "",
                false,
                literal.Name,
                Underline.None
            )),
        ];
        ImmutableArray<TextLine> operations = [.. entity.Operations.Select(OperationLine)];
        ImmutableArray<ImmutableArray<TextLine>> compartments = operations.IsEmpty
            ? fields.IsEmpty
                ? []
                : [fields]
            : [fields, operations];
        var shape = Draw.Add(entity.Id, Form.Rectangle, keyword + stereotype + entity.Name, Outline.Single, compartments);
        Draw.Restyle(box => box with { Italic = entity.Abstract });
        ShapeOf[entity.Id] = shape;
        if (entity.Kind == EntityKind.Weak || entity.Primary is { Partial: true })
        {
            var partial = entity
                .Attributes.Where(attribute => entity.Primary?.AttributeIds.Contains(attribute.Id) == true)
                .Select(attribute => Phrasing.InText(attribute.Name))
                .ToList();
            Draw.CannotSay(
                $"{entity.Name} is told apart within its owner{(partial.Count > 0 ? " by " + Phrasing.List(partial) : "")}.",
                Attachment.ToShape(shape)
            );
        }

        foreach (var attribute in entity.Attributes.Where(attribute => !attribute.Parts.IsEmpty))
        {
            Draw.CannotSay(
                $"{Phrasing.Capital(Phrasing.InText(attribute.Name))} has parts: "
                    + $"{PartText.Write(attribute.Parts.Select(part => part.Text))}.",
                Attachment.ToShape(shape)
            );
        }

        foreach (var alternate in entity.Identifiers.Where(identifier => identifier.Kind == IdentifierKind.Alternate))
        {
            SayAlternate(entity, alternate);
        }
    }

    private static bool IsKey(EntityType entity, ConceptAttribute attribute) =>
        entity.Primary is { Partial: false } key && key.AttributeIds.Contains(attribute.Id);

    private TextLine Field(ConceptAttribute attribute, bool key)
    {
        var text =
            Spaced(attribute.Visibility)
            + (attribute.Derived ? "/" : "")
            + attribute.Name
            + (attribute.Type.Length > 0 ? $": {attribute.Type}" : "");
        text += attribute switch
        {
            { Values: var values } when values != Count.Unsaid => $" [{CountText(values)}]",
            { Multivalued: true, Optional: true } => " [*]",
            { Multivalued: true } => " [1..*]",
            { Optional: true } => " [0..1]",
            _ => "",
        };
        text += attribute.Default.Length > 0 ? $" = {attribute.Default}" : "";
        text += key ? " {id}" : "";
        return new TextLine(
            Draw.IdFor(attribute.Id, "t"),
            "",
            false,
            text,
            attribute.ClassScope ? Underline.Solid : Underline.None
        );
    }

    private TextLine OperationLine(Operation operation)
    {
        var parameters = operation.Parameters.Select(parameter =>
            parameter.Type.Length > 0 ? $"{parameter.Name}: {parameter.Type}" : parameter.Name
        );
        var returns = operation.Returns.Length > 0 ? $": {operation.Returns}" : "";
        var text = $"{Spaced(operation.Visibility)}{operation.Name}({string.Join(", ", parameters)}){returns}";
        return new TextLine(
            Draw.IdFor(operation.Id, "t"),
            "",
            false,
            text,
            operation.ClassScope ? Underline.Solid : Underline.None
        )
        {
            Italic = operation.Abstract,
        };
    }

    private static string Spaced(string visibility) => visibility.Length > 0 ? visibility + " " : "";

    protected override void WriteRelationship(RelationshipType relationship)
    {
        if (relationship.Kind is RelationshipKind.Dependency or RelationshipKind.Realization)
        {
            var mark = relationship.Kind == RelationshipKind.Dependency ? EndMark.OpenArrow : EndMark.Triangle;
            Draw.Add(
                relationship.Id,
                End(relationship.Roles[0], []),
                End(relationship.Roles[1], mark),
                Stroke.Dashed,
                relationship.Name
            );
            return;
        }

        var name = (relationship.Derived ? "/" : "") + relationship.Name;
        if (relationship.Roles.Length > 2)
        {
            var diamond = Draw.Add(relationship.Id, Form.Diamond, name);
            placeOf[relationship.Id] = Attachment.ToShape(diamond);
            foreach (var role in relationship.Roles)
            {
                Draw.Add(
                    LineOf(relationship, role),
                    End(role) with
                    {
                        Count = CountText(role.CoOccurrence),
                    },
                    new LineEnd(Attachment.ToShape(diamond), [])
                );
            }
        }
        else
        {
            placeOf[relationship.Id] = new Attachment(
                AttachmentKind.Line,
                Draw.Add(relationship.Id, AssociationEnd(relationship, 0), AssociationEnd(relationship, 1), Stroke.Solid, name)
            );
        }

        WriteEmbodiment(relationship);
        if (relationship.Identifying == true)
        {
            Draw.CannotSay("This relationship identifies its dependent.", placeOf[relationship.Id]);
        }
    }

    private void WriteEmbodiment(RelationshipType relationship)
    {
        var box =
            relationship.EntityId is { } embodied ? ShapeOf[embodied]
            : relationship.Attributes.IsEmpty ? null
            : Draw.Add(
                $"{relationship.Id}.class",
                Form.Rectangle,
                Phrasing.Capital(relationship.Name),
                Outline.Single,
                [.. relationship.Attributes.Select(attribute => Field(attribute, false))]
            );
        if (box is not null)
        {
            Draw.Add(
                $"{relationship.Id}.tie",
                new LineEnd(Attachment.ToShape(box), []),
                new LineEnd(placeOf[relationship.Id], []),
                Stroke.Dashed
            );
        }
    }

    private LineEnd AssociationEnd(RelationshipType relationship, int i)
    {
        var role = relationship.Roles[i];
        var marks = ImmutableArray.CreateBuilder<string>(2);
        if (role.Id == relationship.WholeRoleId)
        {
            marks.Add(relationship.Kind == RelationshipKind.Composition ? EndMark.SolidDiamond : EndMark.Diamond);
        }
        else if (role.Navigable == true)
        {
            marks.Add(EndMark.OpenArrow);
        }

        return End(role) with
        {
            Marks = marks.ToImmutable(),
            Label = role.Verb,
            Count = CountText(role.CoOccurrence),
            Qualifier = role.Qualifier,
        };
    }

    private LineEnd End(RelationshipRole role, params ImmutableArray<string> marks) =>
        new(Attachment.ToShape(ShapeOf[role.EntityId]), marks, "", role.Role);

    private static string CountText(Count count) =>
        count switch
        {
            { Min: { } min, Max: { } max } when min == max => Count.Spell(max),
            { Min: 0, Max: Count.Many } => "*",
            { Min: not null, Max: not null } => count.ToString(),
            _ => "",
        };

    protected override void WriteSpecialisation(Specialisation specialisation)
    {
        var said = new List<string>();
        if (specialisation.Total is { } total && !(options.UnmarkedSetIsOpen && !total))
        {
            said.Add(total ? "complete" : "incomplete");
        }

        if (specialisation.Disjoint is { } disjoint && !(options.UnmarkedSetIsOpen && !disjoint))
        {
            said.Add(disjoint ? "disjoint" : "overlapping");
        }

        var constraint = said.Count > 0 ? $"{{{string.Join(", ", said)}}}" : "";
        for (var i = 0; i < specialisation.Subtypes.Length; i++)
        {
            var subtype = specialisation.Subtypes[i];
            var text =
                specialisation.Name.Length > 0 ? $"{specialisation.Name} {(i == 0 ? constraint : "")}".Trim()
                : i == 0 ? constraint
                : "";
            Draw.Add(
                subtype.Id,
                At(subtype.EntityId),
                At(specialisation.SupertypeId) with
                {
                    Marks = [EndMark.Triangle],
                },
                Stroke.Solid,
                text
            );
        }
    }

    protected override void WriteExclusion(ExclusiveConstraint exclusion)
    {
        var places = exclusion.RelationshipIds.Where(placeOf.ContainsKey).Select(id => placeOf[id]).ToList();
        for (var i = 1; i < places.Count; i++)
        {
            Draw.Add(
                i == 1 ? exclusion.Id : $"{exclusion.Id}.{i}",
                new LineEnd(places[i - 1], []),
                new LineEnd(places[i], []),
                Stroke.Dashed,
                "{xor}"
            );
        }
    }
}
