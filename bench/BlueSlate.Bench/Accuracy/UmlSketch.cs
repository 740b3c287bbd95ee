using System.Collections.Immutable;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Bench.Accuracy;

/// <summary>A UML class diagram; attributes of an association stand in an association class.</summary>
internal sealed class UmlSketch(CaseModel model, CaseSymbolFault[] faults, int seed) : CaseSketch(model, faults, seed)
{
    private readonly Dictionary<string, Attachment> places = new(StringComparer.Ordinal);

    protected override void DrawEntity(CaseEntity entity)
    {
        var plain = Is("stereotype-absent", entity.Name) || Is("enumeration-as-class", entity.Name);
        var keyword = plain
            ? ""
            : entity.Kind switch
            {
                "interface" => "«interface» ",
                "enumeration" => "«enumeration» ",
                _ => "",
            };
        var stereotype =
            entity.Stereotype is { Length: > 0 } said && !plain && !keyword.Contains(said, StringComparison.OrdinalIgnoreCase)
                ? $"«{said}» "
                : "";
        ImmutableArray<TextLine> fields =
        [
            .. Shuffled(entity.Attributes).Select(attribute => Field(entity.Name, attribute, entity.Kind == "enumeration")),
        ];
        ImmutableArray<TextLine> operations =
        [
            .. Shuffled(entity.Operations ?? []).Select(operation => OperationLine(entity.Name, operation)),
        ];
        Add(entity.Name, Form.Rectangle, keyword + stereotype + entity.Name, shape =>
            shape with
            {
                Italic = entity.Kind == "abstract",
                Compartments = operations.IsEmpty
                    ? fields.IsEmpty
                        ? []
                        : [fields]
                    : [fields, operations],
            }
        );
    }

    private TextLine Field(string owner, CaseAttribute attribute, bool literal)
    {
        var count = (attribute.Multivalued, attribute.Optional) switch
        {
            (true, true) => " [*]",
            (true, false) => " [1..*]",
            (false, true) => " [0..1]",
            _ => "",
        };
        var derived = attribute.Derived ? "/" : "";
        var key = attribute.IsKey("primary") ? " {id}" : "";
        var text = literal
            ? attribute.Name
            : $"{attribute.Visibility}{derived}{attribute.Name}{Typed(attribute.Type)}{count}{key}";
        return new TextLine(NewId($"{owner}.{attribute.Name}"), "", false, text, Underline.None);
    }

    private static string Typed(string? type) => string.IsNullOrEmpty(type) ? "" : $": {type}";

    private TextLine OperationLine(string owner, CaseOperation operation)
    {
        var parameters = (operation.Params ?? []).Select(parameter =>
            string.Join(": ", parameter.Where(part => !string.IsNullOrEmpty(part)))
        );
        var text = $"{operation.Visibility}{operation.Name}({string.Join(", ", parameters)}){Typed(operation.Returns)}";
        return new TextLine(
            NewId($"{owner}.{operation.Name}()"),
            "",
            false,
            text,
            operation.Static ? Underline.Solid : Underline.None
        )
        {
            Italic = operation.Abstract,
        };
    }

    protected override void DrawRelationship(CaseRelationship relationship)
    {
        var name = relationship.Name ?? "";
        if (relationship.Kind is "dependency" or "realization")
        {
            var mark = relationship.Kind == "dependency" ? EndMark.OpenArrow : EndMark.Triangle;
            Add(
                relationship.Id,
                At(ShapeOf(relationship.Ends[0].Entity)),
                At(ShapeOf(relationship.Ends[1].Entity), mark),
                Stroke.Dashed,
                name
            );
            return;
        }

        var ends = relationship
            .Ends.Select(end =>
                At(ShapeOf(end.Entity), Marks(relationship, end)) with
                {
                    Role = end.Role ?? "",
                    Count = end switch
                    {
                        { Least: { } least, Most: { } most } => least == most ? most : $"{least}..{most}",
                        _ => end.Most ?? "",
                    },
                    Qualifier = end.Qualifier ?? "",
                }
            )
            .ToList();
        var hasClass = relationship.Attributes is { Length: > 0 };
        if (ends.Count == 2)
        {
            var line = Add(relationship.Id, ends[0], ends[1], Stroke.Solid, hasClass ? "" : name);
            PathOf[$"{line}{EndSuffix.From}"] = EndPath(relationship, relationship.Ends[0]);
            PathOf[$"{line}{EndSuffix.To}"] = EndPath(relationship, relationship.Ends[1]);
            places[relationship.Id] = new Attachment(AttachmentKind.Line, line);
        }
        else
        {
            var diamond = Add(relationship.Id, Form.Diamond, hasClass ? "" : name);
            places[relationship.Id] = Attachment.ToShape(diamond);
            for (var i = 0; i < ends.Count; i++)
            {
                PathOf[$"{Add("", ends[i], At(diamond))}{EndSuffix.From}"] = EndPath(relationship, relationship.Ends[i]);
            }
        }

        if (hasClass)
        {
            ImmutableArray<TextLine> fields =
            [
                .. relationship.Attributes!.Select(attribute => Field(relationship.Id, attribute, false)),
            ];
            var box = Add(relationship.Id, Form.Rectangle, name, shape => shape with { Compartments = [fields] });
            Add(
                "",
                At(box),
                new LineEnd(places[relationship.Id], []),
                Is("association-class-solid", relationship.Id) ? Stroke.Solid : Stroke.Dashed
            );
        }
    }

    private static ImmutableArray<string> Marks(CaseRelationship relationship, CaseEnd end) =>
        (relationship.Kind, end.Whole) switch
        {
            ("aggregation", true) => [EndMark.Diamond],
            ("composition", true) => [EndMark.SolidDiamond],
            _ => [],
        };

    protected override void DrawSpecialisation(CaseSpecialisation specialisation, string path)
    {
        var said = new[]
        {
            specialisation.Total switch
            {
                true => "complete",
                false => "incomplete",
                null => "",
            },
            specialisation.Disjoint switch
            {
                true => "disjoint",
                false => "overlapping",
                null => "",
            },
        };
        var constraint = said.Any(word => word.Length > 0) ? $"{{{string.Join(", ", said.Where(word => word.Length > 0))}}}" : "";
        var open = Is("generalisation-open-arrow", path);
        foreach (var sub in Shuffled(specialisation.Subs))
        {
            Add(
                path,
                At(ShapeOf(sub)),
                At(ShapeOf(specialisation.Super), open ? EndMark.OpenArrow : EndMark.Triangle),
                Stroke.Solid,
                $"{specialisation.Discriminator} {constraint}".Trim()
            );
            constraint = "";
        }
    }

    protected override void DrawExclusion(CaseExclusion exclusion)
    {
        for (var i = 1; i < exclusion.Relationships.Length; i++)
        {
            Add(
                $"exclusion of {string.Join(", ", exclusion.Relationships)}",
                new LineEnd(places[exclusion.Relationships[i - 1]], []),
                new LineEnd(places[exclusion.Relationships[i]], []),
                Stroke.Dashed,
                "{xor}"
            );
        }
    }
}
