using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Chen;

/// <summary>Makes entity types of boxes once attributes and relationships are known, and the reading of all of it.</summary>
internal sealed class EntityReader(ChenSheet sheet, AttributeReader attributes)
{
    public Reading ToReading(
        ImmutableArray<RelationshipType> relationships,
        ImmutableArray<Specialisation> specialisations,
        ImmutableArray<UnionType> unions
    )
    {
        var entities = sheet.Drawing.Shapes.Where(sheet.IsEntity).Select(shape => Read(shape, relationships)).ToImmutableArray();
        var trace = entities
            .Select(entity => (entity.Id, Owners: entity.Primary?.OwnerRelationshipIds ?? []))
            .Where(pair => pair.Owners.Length > 0)
            .ToImmutableDictionary(pair => pair.Id, pair => pair.Owners, StringComparer.Ordinal);
        var model = new ConceptModel(entities, relationships) { Specialisations = specialisations, Unions = unions };
        return new Reading(model, sheet.Remarks.ToImmutable(), trace);
    }

    private EntityType Read(Shape shape, ImmutableArray<RelationshipType> relationships)
    {
        if (shape.Text.Trim().Length == 0)
        {
            sheet.Remark(RemarkKind.UnnamedBox, shape.Id, "a box without a name", "an entity without a name", false);
        }

        if (shape.Outline == Outline.Dashed)
        {
            sheet.Remark(RemarkKind.ForeignOutline, shape.Id, "a dashed outline", "a box");
        }

        var drawn = attributes.Of(shape);
        var weak = shape.Outline == Outline.Double && shape.Form != Form.DiamondInRectangle;
        var kind =
            shape.Form == Form.DiamondInRectangle ? EntityKind.Associative
            : weak ? EntityKind.Weak
            : EntityKind.Strong;
        var owners = relationships
            .Where(relationship =>
                relationship is { Identifying: true, Roles.Length: >= 2, IsRecursive: false }
                && IsDependent(relationship, shape.Id)
            )
            .Select(relationship => relationship.Id)
            .ToImmutableArray();
        return new EntityType(
            shape.Id,
            shape.Text.Trim(),
            kind,
            [.. drawn.Select(one => one.Attribute)],
            Identifiers(drawn, weak, owners)
        );
    }

    private static bool IsDependent(RelationshipType relationship, string entity) =>
        relationship.DependentRoleId is { } dependent
            ? relationship.Roles.Any(role => role.Id == dependent && role.EntityId == entity)
            : relationship.Roles.Length == 2
                && relationship.Roles.Any(role =>
                    role.EntityId == entity && relationship.Other(role).CoOccurrence.Max == 1 && role.CoOccurrence.Max != 1
                );

    private ImmutableArray<Identifier> Identifiers(ImmutableArray<DrawnAttribute> drawn, bool weak, ImmutableArray<string> owners)
    {
        var partial = drawn.Where(one => one.Underline == Underline.Dashed).Select(one => one.Attribute.Id).ToImmutableArray();
        var full = drawn.Where(one => one.Underline == Underline.Solid).Select(one => one.Attribute.Id).ToImmutableArray();
        if (weak && partial.IsEmpty && !full.IsEmpty)
        {
            foreach (var id in full)
            {
                sheet.Remark(RemarkKind.SolidUnderlineAtWeak, id, "a solid underline", "a partial key");
            }

            (partial, full) = (full, []);
        }

        if (!partial.IsEmpty)
        {
            return [new Identifier(IdentifierKind.Primary, 0, true, [.. partial, .. full], owners)];
        }

        if (full.IsEmpty)
        {
            return owners.IsEmpty ? [] : [new Identifier(IdentifierKind.Primary, 0, true, [], owners)];
        }

        return sheet.Options.UnderlinesAreOneKey || full.Length == 1
            ? [new Identifier(IdentifierKind.Primary, 0, false, full, [])]
            :
            [
                .. full.Select(
                    (id, i) => new Identifier(i == 0 ? IdentifierKind.Primary : IdentifierKind.Alternate, i, false, [id], [])
                ),
            ];
    }
}
