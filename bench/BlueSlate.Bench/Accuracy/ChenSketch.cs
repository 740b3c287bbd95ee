using BlueSlate.Core.Drawings;

namespace BlueSlate.Bench.Accuracy;

/// <summary>
/// Chen's notation; counts are pairs that stand across, which can say all that a case says of two. With more than two the class
/// has learned letters, and double lines for the minimum.
/// </summary>
internal sealed class ChenSketch(CaseModel model, CaseSymbolFault[] faults, int seed, bool letters)
    : CaseSketch(model, faults, seed)
{
    public static bool UsesLetters(CaseModel model) => model.Relationships.Any(relationship => relationship.Ends.Length > 2);

    protected override void DrawEntity(CaseEntity entity)
    {
        var form = entity.Kind == "associative" ? Form.DiamondInRectangle : Form.Rectangle;
        var shape = Add(entity.Name, form, entity.Name, box =>
            box with
            {
                Outline = entity.Kind == "weak" ? Outline.Double : Outline.Single,
            }
        );
        foreach (var attribute in Shuffled(entity.Attributes))
        {
            DrawAttribute(shape, entity.Name, attribute);
        }
    }

    private void DrawAttribute(string owner, string ownerPath, CaseAttribute attribute)
    {
        var path = $"{ownerPath}.{attribute.Name}";
        var partial = attribute.IsKey("partial");
        var solid = attribute.IsKey("primary") || (partial && Is("underline-solid", path, ownerPath));
        var oval = Add(path, Form.Oval, attribute.Name, shape => shape with { Outline =
                    attribute.Multivalued ? Outline.Double
                    : attribute.Derived ? Outline.Dashed
                    : Outline.Single, Underline =
                    solid ? Underline.Solid
                    : partial ? Underline.Dashed
                    : Underline.None });
        Add("", At(owner), At(oval));
        foreach (var part in attribute.Parts ?? [])
        {
            Add("", At(oval), At(Add($"{path}.{part}", Form.Oval, part)));
        }
    }

    protected override void DrawRelationship(CaseRelationship relationship)
    {
        var name = relationship.Name ?? "";
        if (
            relationship.Ends.Length == 2
            && (Is("relationship-plain-line", relationship.Id) || Is("relationship-feet", relationship.Id))
        )
        {
            DrawPlain(relationship, name, Is("relationship-feet", relationship.Id));
            return;
        }

        var form = Is("relationship-rectangle", relationship.Id) ? Form.Rectangle : Form.Diamond;
        var doubled = relationship.Kind == "identifying" && !Is("diamond-single", relationship.Id);
        var middle = Add(relationship.Id, form, name, shape =>
            shape with
            {
                Outline = doubled ? Outline.Double : Outline.Single,
            }
        );
        foreach (var end in Shuffled(relationship.Ends))
        {
            var arrow = Is("end-arrowhead", relationship.Id, EndPath(relationship, end)) && end.Most == "*";
            var line = Add(
                "",
                At(ShapeOf(end.Entity), arrow ? [EndMark.Arrow] : []) with
                {
                    Role = end.Role ?? "",
                    Count = Written(end),
                },
                At(middle),
                StrokeOf(relationship, end)
            );
            PathOf[$"{line}{EndSuffix.From}"] = EndPath(relationship, end);
        }

        foreach (var attribute in relationship.Attributes ?? [])
        {
            DrawAttribute(middle, relationship.Id, attribute);
        }
    }

    private void DrawPlain(CaseRelationship relationship, string name, bool feet)
    {
        var ends = relationship
            .Ends.Select(end =>
                feet
                    ? At(ShapeOf(end.Entity), CrowsFootSketch.Marks(end)) with
                    {
                        Role = end.Role ?? "",
                    }
                    : At(ShapeOf(end.Entity)) with
                    {
                        Role = end.Role ?? "",
                        Count = Written(end),
                    }
            )
            .ToList();
        var line = Add(relationship.Id, ends[0], ends[1], Stroke.Solid, name);
        PathOf[$"{line}{EndSuffix.From}"] = EndPath(relationship, relationship.Ends[0]);
        PathOf[$"{line}{EndSuffix.To}"] = EndPath(relationship, relationship.Ends[1]);
    }

    private string Written(CaseEnd end) =>
        !letters ? Pair(end)
        : end.Most == "*" ? "N"
        : end.Most ?? "";

    // With two, all of one take part where at least one of it goes with each of the other.
    private Stroke StrokeOf(CaseRelationship relationship, CaseEnd end) =>
        letters
        && relationship.Ends.Length == 2
        && relationship.Ends.First(other => other != end).Least is { } least
        && least != "0"
            ? Stroke.Double
            : Stroke.Solid;

    private static string Pair(CaseEnd end) =>
        end is { Least: { } least, Most: { } most } ? $"({least},{(most == "*" ? "n" : most)})"
        : end.Most == "*" ? "N"
        : end.Most ?? "";

    protected override void DrawSpecialisation(CaseSpecialisation specialisation, string path)
    {
        var up = specialisation.Total == true ? Stroke.Double : Stroke.Solid;
        if (specialisation.Subs is [var only])
        {
            Add(path, At(ShapeOf(only)), At(ShapeOf(specialisation.Super)), up, "", [new Along(AlongMark.Cup, EndSide.To)]);
            return;
        }

        var circle = Add(
            path,
            Form.Circle,
            specialisation.Disjoint switch
            {
                true => "d",
                false => "o",
                null => "",
            }
        );
        Add(path, At(ShapeOf(specialisation.Super)), At(circle), up, specialisation.Discriminator ?? "");
        foreach (var sub in Shuffled(specialisation.Subs))
        {
            Add(path, At(circle), At(ShapeOf(sub)), Stroke.Solid, "", [new Along(AlongMark.Cup, EndSide.From)]);
        }
    }

    protected override void DrawUnion(CaseUnion union)
    {
        var path = $"union {union.Category}";
        var circle = Add(path, Form.Circle, "u");
        foreach (var super in Shuffled(union.Supers))
        {
            Add(path, At(ShapeOf(super)), At(circle));
        }

        Add(
            path,
            At(circle),
            At(ShapeOf(union.Category)),
            union.Total ? Stroke.Double : Stroke.Solid,
            "",
            [new Along(AlongMark.Cup, EndSide.From)]
        );
    }
}
