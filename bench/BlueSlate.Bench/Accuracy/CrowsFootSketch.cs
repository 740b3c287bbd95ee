using System.Collections.Immutable;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Bench.Accuracy;

/// <summary>Crow's foot: keys by their marks, identifying lines solid and others dashed.</summary>
internal sealed class CrowsFootSketch(CaseModel model, CaseSymbolFault[] faults, int seed) : CaseSketch(model, faults, seed)
{
    protected override void DrawEntity(CaseEntity entity)
    {
        ImmutableArray<TextLine> rows = [.. Shuffled(entity.Attributes).Select(attribute => Row(entity.Name, attribute))];
        var form = entity.Kind == "associative" ? Form.Rounded : Form.Rectangle;
        Add(entity.Name, form, entity.Name, shape => shape with { Compartments = rows.IsEmpty ? [] : [rows] });
    }

    private TextLine Row(string owner, CaseAttribute attribute)
    {
        var path = $"{owner}.{attribute.Name}";
        var solid = attribute.IsKey("partial") && Is("underline-solid", path, owner);
        var marks = new[] { ("primary", "PK"), ("partial", solid ? "PK" : "PPK"), ("alternate", "AK1"), ("foreign", "FK") }
            .Where(mark => attribute.IsKey(mark.Item1))
            .Select(mark => mark.Item2);
        var text = attribute.Name + (attribute.Parts is { Length: > 0 } parts ? $" ({string.Join(", ", parts)})" : "");
        text =
            attribute.Multivalued ? $"{{{text}}}"
            : attribute.Derived ? $"[{text}]"
            : text;
        return new TextLine(NewId(path), string.Join(' ', marks), attribute.Optional, text, Underline.None);
    }

    protected override void DrawRelationship(CaseRelationship relationship)
    {
        var stroke = relationship.Kind == "identifying" && !Is("line-dashed", relationship.Id) ? Stroke.Solid : Stroke.Dashed;
        var ends = relationship
            .Ends.Select(end =>
                At(ShapeOf(end.Entity), MarksOf(relationship, end)) with
                {
                    Role = end.Role ?? "",
                    Count = IsText(relationship, end) ? (end.Most == "1" ? "1" : "n") : "",
                }
            )
            .ToList();
        if (ends.Count != 2 || Is("diamond-in-crows-foot", relationship.Id) || relationship.Attributes is { Length: > 0 })
        {
            DrawBetween(relationship, ends, stroke);
            return;
        }

        var line = Add(relationship.Id, ends[0], ends[1], stroke, relationship.Name ?? "");
        PathOf[$"{line}{EndSuffix.From}"] = EndPath(relationship, relationship.Ends[0]);
        PathOf[$"{line}{EndSuffix.To}"] = EndPath(relationship, relationship.Ends[1]);
    }

    // A diamond of another notation joins the ends; with attributes there is a box between, since nothing else can hold them.
    private void DrawBetween(CaseRelationship relationship, List<LineEnd> ends, Stroke stroke)
    {
        var attributes = relationship.Attributes ?? [];
        ImmutableArray<TextLine> rows = [.. attributes.Select(attribute => Row(relationship.Id, attribute))];
        var middle = Add(relationship.Id, attributes.Length > 0 ? Form.Rounded : Form.Diamond, relationship.Name ?? "", shape =>
            shape with
            {
                Compartments = rows.IsEmpty ? [] : [rows],
            }
        );
        for (var i = 0; i < ends.Count; i++)
        {
            var line = rows.IsEmpty
                ? Add("", ends[i], At(middle), stroke)
                : Add(
                    "",
                    At(ShapeOf(relationship.Ends[i].Entity), EndMark.Bar, EndMark.Bar),
                    At(middle, ends.Count == 2 ? ends[1 - i].Marks : [EndMark.Foot]),
                    Stroke.Solid
                );
            PathOf[$"{line}{EndSuffix.From}"] = EndPath(relationship, relationship.Ends[i]);
        }
    }

    private ImmutableArray<string> MarksOf(CaseRelationship relationship, CaseEnd end)
    {
        if (IsText(relationship, end))
        {
            return [];
        }

        if (end.Most == "*" && Is("end-arrowhead", relationship.Id, EndPath(relationship, end)))
        {
            return [EndMark.Arrow];
        }

        var marks = Marks(end);
        return Is("ends-inside-out", relationship.Id, EndPath(relationship, end)) ? [.. marks.Reverse()] : marks;
    }

    private bool IsText(CaseRelationship relationship, CaseEnd end) =>
        Is("ends-as-text", relationship.Id, EndPath(relationship, end));

    /// <summary>The marks of an end from the box outward; a bar alone would say a maximum.</summary>
    public static ImmutableArray<string> Marks(CaseEnd end)
    {
        string? max = end.Most switch
        {
            null => null,
            "1" => EndMark.Bar,
            _ => EndMark.Foot,
        };
        string? min = end.Least switch
        {
            null => null,
            "0" => EndMark.Ring,
            _ => EndMark.Bar,
        };
        return max is null && min == EndMark.Bar ? [] : [.. new[] { max, min }.OfType<string>()];
    }

    protected override void DrawSpecialisation(CaseSpecialisation specialisation, string path)
    {
        var symbol = Add(
            path,
            Form.HalfCircle,
            specialisation.Disjoint switch
            {
                true => "d",
                false => "o",
                null => "",
            },
            shape => shape with { Outline = specialisation.Total == true ? Outline.Double : Outline.Single }
        );
        Add(path, At(ShapeOf(specialisation.Super)), At(symbol), Stroke.Solid, specialisation.Discriminator ?? "");
        foreach (var sub in Shuffled(specialisation.Subs))
        {
            Add(path, At(symbol), At(ShapeOf(sub)));
        }
    }
}
