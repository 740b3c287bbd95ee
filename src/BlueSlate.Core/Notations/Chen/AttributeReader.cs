using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
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
            Leaves(oval),
            []
        );
        return new DrawnAttribute(attribute, oval.Underline);
    }

    private static DrawnAttribute Read(TextLine row) =>
        new(ConceptAttribute.Plain(row.Id, row.Text.Trim()) with { Optional = row.Ring }, row.Underline);

    // The innermost parts: a part that has parts itself stands for them.
    private ImmutableArray<AttributePart> Leaves(Shape oval)
    {
        var leaves = ImmutableArray.CreateBuilder<AttributePart>();
        var waiting = new Stack<Shape>(Enumerable.Reverse(partsOf.GetValueOrDefault(oval.Id) ?? []));
        while (waiting.TryPop(out var part))
        {
            if (partsOf.TryGetValue(part.Id, out var inner))
            {
                Enumerable.Reverse(inner).ToList().ForEach(waiting.Push);
            }
            else
            {
                leaves.Add(new AttributePart(part.Id, part.Text.Trim()));
            }
        }

        return leaves.ToImmutable();
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
