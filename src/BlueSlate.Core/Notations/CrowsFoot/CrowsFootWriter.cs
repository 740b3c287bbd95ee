using System.Collections.Immutable;
using System.Globalization;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>
/// Draws concepts in crow's foot notation. What links more than two, or has attributes of its own, becomes a box between.
/// </summary>
internal sealed class CrowsFootWriter(ConceptModel model, CrowsFootOptions options) : NotationWriter(model)
{
    protected override void WriteEntity(EntityType entity)
    {
        ImmutableArray<TextLine> rows = [.. entity.Attributes.Select(attribute => Row(entity, attribute))];
        var form = entity.Kind == EntityKind.Associative ? Form.Rounded : Form.Rectangle;
        var shape = Draw.Add(entity.Id, form, entity.Name, Outline.Single, rows.IsEmpty ? [] : [rows]);
        ShapeOf[entity.Id] = shape;
        SayWhatOnlyClassesHave(entity);
    }

    private TextLine Row(EntityType entity, ConceptAttribute attribute)
    {
        var marks = new List<string>();
        var primary = entity.Primary is { } key && key.AttributeIds.Contains(attribute.Id) ? key : null;
        if (primary is not null)
        {
            marks.Add(primary.Partial ? "PPK" : "PK");
        }

        marks.AddRange(
            entity
                .Identifiers.Where(identifier =>
                    identifier.Kind == IdentifierKind.Alternate && identifier.AttributeIds.Contains(attribute.Id)
                )
                .Select(identifier => Numbered("AK", Math.Max(1, identifier.Number)))
        );
        marks.AddRange(attribute.ForeignKeys.Select(foreign => Numbered("FK", foreign.Group)));

        var text = attribute.Name;
        text += attribute.Parts.IsEmpty ? "" : $" ({PartText.Write(attribute.Parts.Select(part => part.Text))})";
        text =
            attribute.Multivalued ? $"{{{text}}}"
            : attribute.Derived ? $"[{text}]"
            : text;
        return new TextLine(Draw.IdFor(attribute.Id, "t"), string.Join(' ', marks), attribute.Optional, text, Underline.None);
    }

    private static string Numbered(string mark, int number) =>
        number == 0 ? mark : mark + number.ToString(CultureInfo.InvariantCulture);

    protected override void WriteRelationship(RelationshipType relationship)
    {
        if (SayDirected(relationship))
        {
            return;
        }

        if (relationship.EntityId is not null || relationship.Roles.Length > 2 || !relationship.Attributes.IsEmpty)
        {
            WriteBoxBetween(relationship);
            return;
        }

        RelationshipRole first = relationship.Roles[0],
            second = relationship.Roles[1];
        var from = new LineEnd(Attachment.ToShape(ShapeOf[first.EntityId]), MarksOf(first.CoOccurrence), first.Verb, first.Role);
        var to = new LineEnd(
            Attachment.ToShape(ShapeOf[second.EntityId]),
            MarksOf(second.CoOccurrence),
            second.Verb,
            second.Role
        );
        var line = Draw.Add(
            relationship.Id,
            from,
            to,
            options.StrokeSaysIdentifying ? StrokeOf(relationship.Identifying) : Stroke.Solid,
            relationship.Name
        );
        foreach (var (many, one) in new[] { (first, second), (second, first) }.Where(ends => HasNumber(ends.Item1.CoOccurrence)))
        {
            Draw.CannotSay(
                $"{Phrasing.Capital(Phrasing.Counted(many.CoOccurrence, Draw.NameOf(many.EntityId)))} for "
                    + $"{Phrasing.One(Draw.NameOf(one.EntityId))}.",
                new Attachment(AttachmentKind.Line, line)
            );
        }

        if (relationship.WholeRoleId is { } wholeId)
        {
            Draw.CannotSay(
                $"{Draw.NameOf(relationship.Roles.First(role => role.Id == wholeId).EntityId)} is the whole.",
                new Attachment(AttachmentKind.Line, line)
            );
        }
    }

    private static bool HasNumber(Count count) => count.Min is > 1 || count.Max is > 1 and not Count.Many;

    private static Stroke StrokeOf(bool? identifying) =>
        identifying switch
        {
            true => Stroke.Solid,
            false => Stroke.Dashed,
            null => Stroke.Thin,
        };

    private void WriteBoxBetween(RelationshipType relationship)
    {
        var between = relationship.EntityId is { } embodied
            ? ShapeOf[embodied]
            : Draw.Add(
                $"{relationship.Id}.box",
                Form.Rounded,
                NameOf(relationship),
                Outline.Single,
                relationship.Attributes.IsEmpty
                    ? []
                    :
                    [
                        [
                            .. relationship.Attributes.Select(attribute => new TextLine(
                                Draw.IdFor(attribute.Id, "t"),
                                "",
                                attribute.Optional,
                                attribute.Name,
                                Underline.None
                            )),
                        ],
                    ]
            );
        foreach (var role in relationship.Roles)
        {
            var far = relationship.Roles.Length == 2 ? relationship.Other(role).CoOccurrence : new Count(0, Count.Many);
            Draw.Add(
                $"{role.Id}.line",
                new LineEnd(Attachment.ToShape(ShapeOf[role.EntityId]), MarksOf(new Count(1, 1)), role.Verb, role.Role),
                new LineEnd(Attachment.ToShape(between), MarksOf(far)),
                Stroke.Solid
            );
        }
    }

    // A box has to be called something: by what it joins, as many people do.
    private string NameOf(RelationshipType relationship) =>
        relationship.Name.Length > 0
            ? relationship.Name
            : string.Join(' ', relationship.Roles.Select(role => Draw.NameOf(role.EntityId)).Distinct(StringComparer.Ordinal));

    private static ImmutableArray<string> MarksOf(Count count)
    {
        var marks = ImmutableArray.CreateBuilder<string>(2);
        if (count.Max is { } max)
        {
            marks.Add(max == 1 ? EndMark.Bar : EndMark.Foot);
        }

        // A bar alone would say a maximum.
        if (count.Min is { } min && (min == 0 || marks.Count > 0))
        {
            marks.Add(min == 0 ? EndMark.Ring : EndMark.Bar);
        }

        return marks.ToImmutable();
    }

    protected override void WriteSpecialisation(Specialisation specialisation)
    {
        var symbol = Draw.Add(
            specialisation.Id,
            Form.HalfCircle,
            specialisation.Disjoint switch
            {
                true => "d",
                false => "o",
                null => "",
            },
            specialisation.Total == true ? Outline.Double : Outline.Single
        );
        Draw.Add(
            $"{specialisation.Id}.up",
            At(specialisation.SupertypeId),
            new LineEnd(Attachment.ToShape(symbol), []),
            Stroke.Solid,
            specialisation.Name
        );
        foreach (var subtype in specialisation.Subtypes)
        {
            Draw.Add(subtype.Id, new LineEnd(Attachment.ToShape(symbol), []), At(subtype.EntityId));
        }
    }

    protected override void WriteExclusion(ExclusiveConstraint exclusion) =>
        Draw.CannotSay(
            $"Of {exclusion.RelationshipIds.Length} relationships, one thing takes part in only one.",
            Attachment.Nothing
        );
}
