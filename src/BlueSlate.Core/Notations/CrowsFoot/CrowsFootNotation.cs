using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>Crow's foot notation of information engineering, with subtypes by half circles.</summary>
internal sealed class CrowsFootNotation : Notation<CrowsFootOptions>
{
    public override string Title => "crow's foot";

    public override bool ShowsForeignKeys => true;

    // There is a symbol for none at the least, but a bar by itself says one at the most.
    public override Count AsDrawn(Count typed) => typed is { Min: >= 1, Max: null } ? typed with { Max = Count.Many } : typed;

    protected override Redrawing Write(ConceptModel model, CrowsFootOptions options) =>
        new CrowsFootWriter(model, options).Write();

    protected override Reading ReadDrawing(Drawing drawing, CrowsFootOptions options)
    {
        var remarks = ImmutableArray.CreateBuilder<Remark>();
        var boxes = ReadBoxes(drawing, remarks);
        var relationships = RelationshipReader.Read(drawing, boxes, options, remarks);
        (relationships, var relationshipOfRow) = ForeignKeyResolver.Resolve(boxes, relationships);
        var entities = boxes
            .Select(box => IdentifierReader.ToEntity(box, relationships, relationshipOfRow, options))
            .ToImmutableArray();
        var trace = entities
            .SelectMany(entity =>
                entity
                    .Identifiers.Where(identifier => identifier.OwnerRelationshipIds.Length > 0)
                    .Select(identifier => (entity.Id, identifier.OwnerRelationshipIds))
            )
            .GroupBy(pair => pair.Id, StringComparer.Ordinal)
            .ToImmutableDictionary(
                group => group.Key,
                group => group.SelectMany(pair => pair.OwnerRelationshipIds).ToImmutableArray(),
                StringComparer.Ordinal
            );
        var specialisations = SubtypeReader.Read(drawing, boxes, remarks);
        var subtypes = specialisations
            .SelectMany(set => set.Subtypes)
            .Select(link => link.EntityId)
            .ToHashSet(StringComparer.Ordinal);

        var rounded = boxes.Where(box => box.Rounded).Select(box => box.Id).ToHashSet(StringComparer.Ordinal);
        entities =
        [
            .. entities.Select(entity =>
                subtypes.Contains(entity.Id) && HasInheritedKey(entity) && !rounded.Contains(entity.Id)
                    ? entity with
                    {
                        Kind = EntityKind.Strong,
                    }
                    : entity
            ),
        ];
        return new Reading(
            new ConceptModel(entities, relationships) { Specialisations = specialisations },
            remarks.ToImmutable(),
            trace
        );
    }

    // Its supertype's key is no owner's, of however many columns.
    private static bool HasInheritedKey(EntityType subtype) =>
        subtype.Kind == EntityKind.Weak
            ? subtype.Primary is not { Partial: true }
            : subtype.Kind == EntityKind.Associative
                && subtype.Attributes.All(attribute =>
                    attribute.ForeignKeys.All(key => key.RelationshipId is null)
                    || subtype.Primary?.AttributeIds.Contains(attribute.Id) != true
                );

    private static List<Box> ReadBoxes(Drawing drawing, ImmutableArray<Remark>.Builder remarks)
    {
        var boxes = new List<Box>();
        foreach (var shape in drawing.Shapes)
        {
            switch (shape.Form)
            {
                case Form.Note or Form.Circle or Form.HalfCircle:
                    break;
                case Form.Rectangle or Form.Rounded:
                    boxes.Add(ReadBox(shape, remarks));
                    break;
                case Form.Diamond:
                    break;
                case Form.DiamondInRectangle:
                    remarks.Add(
                        new Remark(RemarkKind.ForeignShape, shape.Id, "a diamond in a rectangle", "an associative entity", true)
                    );
                    boxes.Add(ReadBox(shape, remarks));
                    break;
                default:
                    remarks.Add(new Remark(RemarkKind.ForeignShape, shape.Id, Symbols.Forms[shape.Form].Says, "nothing", false));
                    break;
            }
        }

        return boxes;
    }

    private static Box ReadBox(Shape shape, ImmutableArray<Remark>.Builder remarks)
    {
        if (shape.Outline != Outline.Single)
        {
            var outline = Vocabulary.Outlines.Of(shape.Outline);
            remarks.Add(new Remark(RemarkKind.ForeignOutline, shape.Id, $"a {outline} outline", "a box", true));
        }

        if (shape.Text.Trim().Length == 0)
        {
            remarks.Add(new Remark(RemarkKind.UnnamedBox, shape.Id, "a box without a name", "an entity without a name", false));
        }

        var rows = shape.TextLines.Select(line => RowReader.Read(line, remarks)).OfType<Row>().ToImmutableArray();
        return new Box(
            shape.Id,
            shape.Text.Trim(),
            shape.Form is Form.Rounded or Form.DiamondInRectangle,
            shape.Outline == Outline.Double,
            rows
        );
    }
}

/// <summary>A box as read, before its relationships are known.</summary>
internal sealed record Box(string Id, string Name, bool Rounded, bool DoubleOutline, ImmutableArray<Row> Rows);
