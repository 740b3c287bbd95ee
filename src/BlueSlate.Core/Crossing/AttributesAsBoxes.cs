using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Dependencies;

namespace BlueSlate.Core.Crossing;

/// <summary>
/// The attributes of entity types as the boxes of a dependency diagram, their identifiers underlined. What has the same name in
/// several and refers to none of them is told apart by what it belongs to.
/// </summary>
internal sealed class AttributesAsBoxes : Bridge
{
    public override bool Leads(WorkOptions from, WorkOptions to) => from is NotationOptions && to is DependencyOptions;

    public override IDocument? Cross(IDocument document, WorkOptions from, WorkOptions to, Piece piece)
    {
        var model = Notation.Read((Drawing)document, (NotationOptions)from).Model;
        var entities = model.Entities.Where(entity => piece.Shapes.IsEmpty || piece.Shapes.Contains(entity.Id)).ToList();
        var boxes = BoxesOf(entities);
        return boxes.Count == 0
            ? null
            : new Drawing([new Sheet("sheet1", "", [.. boxes.Take(AttributeSet.Most).Select((box, i) => ShapeOf(box, i))], [])]);
    }

    private sealed record Box(string Name, bool IsInKey);

    private static List<Box> BoxesOf(List<EntityType> entities)
    {
        var kept = entities.SelectMany(entity => entity.Attributes.SelectMany(attribute => Kept(entity, attribute))).ToList();
        var clashing = kept.Where(one => !one.Refers)
            .GroupBy(one => Name.Of(one.Name).Key, StringComparer.Ordinal)
            .Where(group => group.Select(one => one.Of.Id).Distinct(StringComparer.Ordinal).Count() > 1)
            .Select(group => group.Key)
            .ToHashSet(StringComparer.Ordinal);
        return
        [
            .. kept.Select(one =>
                    one.Refers || !clashing.Contains(Name.Of(one.Name).Key)
                        ? one
                        : one with
                        {
                            Name = $"{Phrasing.InText(one.Of.Name)} {one.Name}",
                        }
                )
                .GroupBy(one => Name.Of(one.Name).Key, StringComparer.Ordinal)
                .Select(group => new Box(group.First().Name, group.Any(one => one.IsInKey))),
        ];
    }

    private sealed record One(EntityType Of, string Name, bool IsInKey, bool Refers);

    // Of what is made of parts, the parts; what can be worked out is not kept.
    private static IEnumerable<One> Kept(EntityType entity, ConceptAttribute attribute)
    {
        if (attribute.Derived)
        {
            return [];
        }

        var isInKey = entity.Primary?.AttributeIds.Contains(attribute.Id) == true;
        var names = attribute.Parts.IsEmpty ? [attribute.Name] : attribute.Leaves.Select(part => part.Name);
        return names.Select(name => new One(entity, name, isInKey, !attribute.ForeignKeys.IsEmpty));
    }

    private static Shape ShapeOf(Box box, int i) =>
        new($"a{i + 1}", Form.Rectangle, Outline.Single, box.Name, [], null)
        {
            Underline = box.IsInKey ? Underline.Solid : Underline.None,
        };
}
