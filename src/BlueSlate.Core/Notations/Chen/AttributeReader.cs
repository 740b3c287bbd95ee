using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Chen;

/// <summary>
/// Finds the owner of every oval: what it is tied to directly, or through other ovals, of which it is then a part. The search
/// goes outward from the owners, so that ovals in a ring end it.
/// </summary>
internal sealed class AttributeReader
{
    private readonly Dictionary<string, List<Shape>> ovalsOf = new(StringComparer.Ordinal);
    private readonly Dictionary<string, List<Shape>> partsOf = new(StringComparer.Ordinal);

    public AttributeReader(ChenSheet sheet)
    {
        var owned = new HashSet<string>(StringComparer.Ordinal);
        var waiting = new Queue<Shape>();
        foreach (var oval in sheet.Shapes(ChenRole.Attribute))
        {
            var owners = sheet
                .LinesAt(oval)
                .Select(seen => seen.Far)
                .Where(far => sheet.IsEntity(far) || sheet.Role(far) == ChenRole.Relationship)
                .Distinct()
                .ToList();
            if (owners.Count == 0)
            {
                continue;
            }

            if (owners.Count > 1)
            {
                sheet.Remark(
                    RemarkKind.SharedAttribute,
                    oval.Id,
                    "an attribute tied to two owners",
                    $"an attribute of {owners[0]!.Text.Trim()}"
                );
            }

            Add(ovalsOf, owners[0]!.Id, oval);
            owned.Add(oval.Id);
            waiting.Enqueue(oval);
        }

        while (waiting.TryDequeue(out var whole))
        {
            foreach (
                var part in sheet
                    .LinesAt(whole)
                    .Select(seen => seen.Far)
                    .Where(far => sheet.Role(far) == ChenRole.Attribute && owned.Add(far!.Id))
            )
            {
                Add(partsOf, whole.Id, part!);
                waiting.Enqueue(part!);
            }
        }

        foreach (var oval in sheet.Shapes(ChenRole.Attribute).Where(oval => !owned.Contains(oval.Id)))
        {
            sheet.Remark(RemarkKind.LooseAttribute, oval.Id, "an attribute tied to nothing", "nothing", false);
        }

        foreach (
            var shape in sheet.Drawing.Shapes.Where(shape =>
                shape.TextLines.Any() && (sheet.IsEntity(shape) || sheet.Role(shape) == ChenRole.Relationship)
            )
        )
        {
            sheet.Remark(RemarkKind.ListedAttributes, shape.Id, "attributes listed in the box", "attributes");
        }
    }

    /// <summary>The ovals of an owner, then what is listed in it, each with the underline that marks it.</summary>
    public ImmutableArray<DrawnAttribute> Of(Shape owner) =>
        [
            .. (ovalsOf.GetValueOrDefault(owner.Id) ?? []).Select(Read),
            .. owner.TextLines.Where(row => row.Text.Trim().Length > 0).Select(Read),
        ];

    private DrawnAttribute Read(Shape oval)
    {
        var attribute = new ConceptAttribute(
            oval.Id,
            oval.Text.Trim(),
            oval.Outline == Outline.Double,
            oval.Outline == Outline.Dashed,
            false,
            Parts(oval),
            []
        );
        return new DrawnAttribute(attribute, oval.Underline);
    }

    private static DrawnAttribute Read(TextLine row) =>
        new(ConceptAttribute.Plain(row.Id, row.Text.Trim()) with { Optional = row.Ring }, row.Underline);

    // From the outermost inwards, then put together from the innermost outwards. What lies deeper than parts are written hangs on
    // the last oval but one that does not.
    private ImmutableArray<AttributePart> Parts(Shape oval)
    {
        var order = new List<(Shape Oval, Shape Whole, int Depth)> { (oval, oval, 0) };
        for (var i = 0; i < order.Count; i++)
        {
            var (whole, above, depth) = order[i];
            order.AddRange(
                (partsOf.GetValueOrDefault(whole.Id) ?? []).Select(part =>
                    depth < PartText.Deepest ? (part, whole, depth + 1) : (part, above, depth)
                )
            );
        }

        var parts = order.Skip(1).ToLookup(one => one.Whole.Id, StringComparer.Ordinal);
        var made = new Dictionary<string, AttributePart>(StringComparer.Ordinal);
        foreach (var (part, _, _) in Enumerable.Reverse(order))
        {
            made[part.Id] = new AttributePart(part.Id, part.Text.Trim())
            {
                Parts = [.. parts[part.Id].Select(inner => made[inner.Oval.Id])],
            };
        }

        return made[oval.Id].Parts;
    }

    private static void Add(Dictionary<string, List<Shape>> lists, string key, Shape value)
    {
        if (!lists.TryGetValue(key, out var list))
        {
            lists[key] = list = [];
        }

        list.Add(value);
    }
}

/// <summary>An attribute and what is beneath its name.</summary>
internal sealed record DrawnAttribute(ConceptAttribute Attribute, Underline Underline);
