using System.Collections.Immutable;
using System.Globalization;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Chen;

/// <summary>Draws concepts in Chen's notation with extended ER.</summary>
internal sealed class ChenWriter(ConceptModel model, ChenOptions options) : NotationWriter(model)
{
    protected override void WriteEntity(EntityType entity)
    {
        var embodied = Model.Relationships.Any(relationship => relationship.EntityId == entity.Id);
        var form = embodied || entity.Kind == EntityKind.Associative ? Form.DiamondInRectangle : Form.Rectangle;
        var shape = Draw.Add(entity.Id, form, entity.Name, entity.Kind == EntityKind.Weak ? Outline.Double : Outline.Single);
        ShapeOf[entity.Id] = shape;
        WriteAttributes(entity.Attributes, shape, entity);
        SayWhatOnlyClassesHave(entity);
        foreach (
            var alternate in entity.Identifiers.Where(identifier =>
                identifier.Kind == IdentifierKind.Alternate && (options.UnderlinesAreOneKey || identifier.AttributeIds.Length > 1)
            )
        )
        {
            SayAlternate(entity, alternate);
        }
    }

    private void WriteAttributes(ImmutableArray<ConceptAttribute> attributes, string owner, EntityType? entity)
    {
        foreach (var attribute in attributes.Where(attribute => attribute.ForeignKey is null))
        {
            var outline =
                attribute.Multivalued ? Outline.Double
                : attribute.Derived ? Outline.Dashed
                : Outline.Single;
            var oval = Draw.Add(attribute.Id, Form.Oval, attribute.Name, outline);
            var key = entity?.Primary is { } primary && primary.AttributeIds.Contains(attribute.Id) ? primary : null;
            var alternate =
                !options.UnderlinesAreOneKey
                && entity?.Identifiers.Any(identifier =>
                    identifier.Kind == IdentifierKind.Alternate && identifier.AttributeIds is [var only] && only == attribute.Id
                ) == true;
            var underline =
                key is { Partial: true } ? Underline.Dashed
                : key is not null || alternate ? Underline.Solid
                : Underline.None;
            Draw.Restyle(shape => shape with { Underline = underline });
            Draw.Add($"{oval}.tie", new LineEnd(Attachment.ToShape(owner), []), new LineEnd(Attachment.ToShape(oval), []));
            var waiting = new Queue<(string Whole, AttributePart Part)>(attribute.Parts.Select(part => (oval, part)));
            while (waiting.TryDequeue(out var next))
            {
                var inner = Draw.Add(next.Part.Id, Form.Oval, next.Part.Name);
                Draw.Add(
                    $"{inner}.tie",
                    new LineEnd(Attachment.ToShape(next.Whole), []),
                    new LineEnd(Attachment.ToShape(inner), [])
                );
                next.Part.Parts.ToList().ForEach(part => waiting.Enqueue((inner, part)));
            }

            if (attribute.Optional)
            {
                Draw.CannotSay($"{Phrasing.Capital(Phrasing.InText(attribute.Name))} may be absent.", Attachment.ToShape(oval));
            }
        }
    }

    protected override void WriteRelationship(RelationshipType relationship)
    {
        if (SayDirected(relationship))
        {
            return;
        }

        var middle = relationship.EntityId is { } embodied
            ? ShapeOf[embodied]
            : Draw.Add(
                relationship.Id,
                Form.Diamond,
                NameFor(relationship),
                relationship.Identifying == true ? Outline.Double : Outline.Single
            );
        WriteAttributes(relationship.Attributes, middle, null);
        if (relationship.Kind != RelationshipKind.Association)
        {
            var whole = relationship.Roles.First(role => role.Id == relationship.WholeRoleId);
            Draw.CannotSay(
                $"{Draw.NameOf(whole.EntityId)} is the whole of {TitleOf(relationship.Id)}.",
                Attachment.ToShape(middle)
            );
        }

        var letters = 0;
        foreach (var role in relationship.Roles)
        {
            WriteRole(relationship, role, middle, ref letters);
        }
    }

    private void WriteRole(RelationshipType relationship, RelationshipRole role, string middle, ref int letters)
    {
        var participation = role.Participation;
        var text =
            options.Counts == CountStyle.Pairs
                ? PairOf(options.PairsAcross && relationship.Roles.Length == 2 ? role.CoOccurrence : participation)
                : LetterOf(role.CoOccurrence.Max, ref letters);
        var doubled = options.DoubleLineSaysAll && participation.Min >= 1;
        Draw.Add(
            LineOf(relationship, role),
            At(role.EntityId) with
            {
                Role = role.Role,
                Count = text,
            },
            new LineEnd(Attachment.ToShape(middle), []),
            doubled ? Stroke.Double : Stroke.Solid
        );
        var numbers = new[] { role.CoOccurrence.Max, participation.Min }
            .OfType<int>()
            .Where(number => number is > 1 and not Count.Many);
        if (options.Counts == CountStyle.Letters && numbers.Any())
        {
            Draw.CannotSay(
                $"At {Draw.NameOf(role.EntityId)} in {TitleOf(relationship.Id)}: {role.CoOccurrence}.",
                Attachment.ToShape(middle)
            );
        }
    }

    private static string LetterOf(int? max, ref int letters) =>
        max switch
        {
            null => "",
            1 => "1",
            _ => letters++ switch
            {
                0 => "N",
                1 => "M",
                _ => "P",
            },
        };

    private static string PairOf(Count count) =>
        count is { Min: { } min, Max: { } max }
            ? $"({min.ToString(CultureInfo.InvariantCulture)},{(max == Count.Many ? "n" : max.ToString(CultureInfo.InvariantCulture))})"
            : "";

    protected override void WriteSpecialisation(Specialisation specialisation)
    {
        if (specialisation is { Subtypes: [var only], Disjoint: null })
        {
            Draw.Add(
                only.Id,
                At(only.EntityId),
                At(specialisation.SupertypeId),
                specialisation.Total == true ? Stroke.Double : Stroke.Solid,
                "",
                new Along(AlongMark.Cup, EndSide.To)
            );
            return;
        }

        var circle = Draw.Add(
            specialisation.Id,
            Form.Circle,
            specialisation.Disjoint switch
            {
                true => "d",
                false => "o",
                null => "",
            }
        );
        Draw.Add(
            $"{specialisation.Id}.up",
            At(specialisation.SupertypeId),
            new LineEnd(Attachment.ToShape(circle), []),
            specialisation.Total == true ? Stroke.Double : Stroke.Solid,
            specialisation.Name
        );
        foreach (var subtype in specialisation.Subtypes)
        {
            Draw.Add(
                subtype.Id,
                new LineEnd(Attachment.ToShape(circle), []),
                At(subtype.EntityId),
                Stroke.Solid,
                "",
                new Along(AlongMark.Cup, EndSide.From)
            );
        }
    }

    protected override void WriteUnion(UnionType union)
    {
        var circle = Draw.Add(union.Id, Form.Circle, "u");
        foreach (var super in union.Supertypes)
        {
            Draw.Add(super.Id, At(super.EntityId), new LineEnd(Attachment.ToShape(circle), []));
        }

        Draw.Add(
            $"{union.Id}.category",
            new LineEnd(Attachment.ToShape(circle), []),
            At(union.CategoryId),
            union.Total == true ? Stroke.Double : Stroke.Solid,
            "",
            new Along(AlongMark.Cup, EndSide.From)
        );
    }
}
