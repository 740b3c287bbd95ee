using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>
/// Reads a drawing as crow's foot notation. It is total: any drawing gives a reading, and what cannot be read or is drawn
/// wrong gives a remark. No recursion follows what was drawn.
/// </summary>
public static class CrowsFootReader
{
    /// <summary>What the drawing says when its class has learned the notation with these options.</summary>
    public static Reading Read(Drawing drawing, CrowsFootOptions options)
    {
        var remarks = ImmutableArray.CreateBuilder<Remark>();
        var boxes = ReadBoxes(drawing, remarks);
        var relationships = RelationshipReader.Read(drawing, boxes, options, remarks);
        (relationships, var relationshipOfRow) = ForeignKeyResolver.Resolve(boxes, relationships);
        var entities = boxes.Select(box => IdentifierReader.ToEntity(box, relationships, relationshipOfRow, options)).ToImmutableArray();
        var trace = entities
            .SelectMany(entity => entity.Identifiers.Where(identifier => identifier.OwnerRelationshipIds.Length > 0).Select(identifier => (entity.Id, identifier.OwnerRelationshipIds)))
            .GroupBy(pair => pair.Id, StringComparer.Ordinal)
            .ToImmutableDictionary(group => group.Key, group => group.SelectMany(pair => pair.OwnerRelationshipIds).ToImmutableArray(), StringComparer.Ordinal);
        return new Reading(new ConceptModel(entities, relationships), remarks.ToImmutable(), trace);
    }

    private static List<Box> ReadBoxes(Drawing drawing, ImmutableArray<Remark>.Builder remarks)
    {
        var boxes = new List<Box>();
        foreach (var shape in drawing.Shapes)
        {
            switch (shape.Form)
            {
                case Form.Note:
                    break;
                case Form.Rectangle or Form.Rounded:
                    boxes.Add(ReadBox(shape, remarks));
                    break;
                case Form.Diamond:
                    break;
                case Form.DiamondInRectangle:
                    remarks.Add(new Remark(RemarkKind.ForeignShape, shape.Id, "a diamond in a rectangle", "an associative entity", true));
                    boxes.Add(ReadBox(shape, remarks));
                    break;
                default:
                    remarks.Add(new Remark(RemarkKind.ForeignShape, shape.Id, Vocabulary.Forms.Of(shape.Form).Replace('-', ' '), "nothing", false));
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
        return new Box(shape.Id, shape.Text.Trim(), shape.Form is Form.Rounded or Form.DiamondInRectangle, shape.Outline == Outline.Double, rows);
    }
}

/// <summary>A box as read, before its relationships are known.</summary>
internal sealed record Box(string Id, string Name, bool Rounded, bool DoubleOutline, ImmutableArray<Row> Rows);
