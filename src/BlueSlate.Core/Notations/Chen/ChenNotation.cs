using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Chen;

/// <summary>
/// Chen's notation with extended ER, in the dialect of the common textbooks (Chen 1976; Elmasri and Navathe for
/// specialisation and union).
/// </summary>
internal sealed class ChenNotation : Notation<ChenOptions>
{
    public override bool ShowsComposites => true;

    public override bool HasDiamonds => true;

    public override string SignOf(AttributeForm form) =>
        form switch
        {
            AttributeForm.Several => "A double oval for",
            AttributeForm.Derived => "A dashed oval for",
            _ => base.SignOf(form),
        };

    public override string Title => "Chen";

    protected override Reading ReadDrawing(Drawing drawing, ChenOptions options)
    {
        var sheet = new ChenSheet(drawing, options);
        var attributes = new AttributeReader(sheet);
        var relationships = new RelationshipReader(sheet, attributes).Read();
        var (specialisations, unions) = new SpecialisationReader(sheet).Read();
        return new EntityReader(sheet, attributes).ToReading(relationships, specialisations, unions);
    }

    // A double line says of the entity at which it is that it takes part, so how few there are of the other; a pair says both
    // so.
    protected override string WhereCountStands(
        RelationshipType relationship,
        RelationshipRole role,
        bool minimum,
        ChenOptions options
    ) =>
        relationship.Roles.Length == 2 && (options.Counts == CountStyle.Pairs ? !options.PairsAcross : minimum)
            ? relationship.Other(role).Id
            : role.Id;

    protected override Redrawing Write(ConceptModel model, ChenOptions options) => new ChenWriter(model, options).Write();
}

/// <summary>What a shape is in Chen's notation.</summary>
internal enum ChenRole
{
    Entity,
    Associative,
    Relationship,
    Attribute,
    Circle,
    Nothing,
}

/// <summary>A drawing sorted by what its shapes are, with the remarks made on the way.</summary>
internal sealed class ChenSheet
{
    private readonly Dictionary<string, ChenRole> roles = new(StringComparer.Ordinal);
    private readonly Dictionary<string, List<SeenLine>> linesAt = new(StringComparer.Ordinal);

    public ChenSheet(Drawing drawing, ChenOptions options)
    {
        (Drawing, Options) = (drawing, options);
        Targets = new EndTargets(drawing);
        foreach (var seen in Targets.Lines.SelectMany(line => line.BothWays).Where(seen => seen.Near is not null))
        {
            if (!linesAt.TryGetValue(seen.Near!.Id, out var list))
            {
                linesAt[seen.Near.Id] = list = [];
            }

            list.Add(seen);
        }

        foreach (var shape in drawing.Shapes)
        {
            roles[shape.Id] = RoleOf(shape);
        }

        foreach (var box in drawing.Shapes.Where(shape => Role(shape) == ChenRole.Entity && IsMeantAsDiamond(shape)).ToList())
        {
            Remark(RemarkKind.BoxForDiamond, box.Id, "a box", "a relationship");
            roles[box.Id] = ChenRole.Relationship;
        }
    }

    public Drawing Drawing { get; }

    public ChenOptions Options { get; }

    public EndTargets Targets { get; }

    public ImmutableArray<Remark>.Builder Remarks { get; } = ImmutableArray.CreateBuilder<Remark>();

    public ChenRole Role(Shape? shape) => shape is null ? ChenRole.Nothing : roles.GetValueOrDefault(shape.Id, ChenRole.Nothing);

    public bool IsEntity(Shape? shape) => Role(shape) is ChenRole.Entity or ChenRole.Associative;

    /// <summary>The lines at a shape, each seen from it; a line to itself is seen twice.</summary>
    public IReadOnlyList<SeenLine> LinesAt(Shape shape) => linesAt.GetValueOrDefault(shape.Id) ?? [];

    public IEnumerable<Shape> Shapes(ChenRole role) => Drawing.Shapes.Where(shape => Role(shape) == role);

    public void Remark(RemarkKind kind, string element, string drawn, string readAs, bool repaired = true) =>
        Remarks.Add(new Remark(kind, element, drawn, readAs, repaired));

    private ChenRole RoleOf(Shape shape)
    {
        switch (shape.Form)
        {
            case Form.Rectangle:
                return ChenRole.Entity;
            case Form.Rounded:
                Remark(RemarkKind.ForeignShape, shape.Id, "a rounded box", "an entity");
                return ChenRole.Entity;
            case Form.DiamondInRectangle:
                return ChenRole.Associative;
            case Form.Diamond:
                return ChenRole.Relationship;
            case Form.Oval:
                return ChenRole.Attribute;
            case Form.Circle:
                return ChenRole.Circle;
            case Form.HalfCircle:
                Remark(RemarkKind.ForeignShape, shape.Id, "a half circle", "a circle");
                return ChenRole.Circle;
            case Form.Note:
                return ChenRole.Nothing;
            default:
                Remark(RemarkKind.ForeignShape, shape.Id, Symbols.Forms[shape.Form].Says, "nothing", false);
                return ChenRole.Nothing;
        }
    }

    // A box without attributes that is tied to two entities by plain lines with letters, and to nothing else, is a
    // relationship.
    private bool IsMeantAsDiamond(Shape box)
    {
        var lines = LinesAt(box);
        return box.Form == Form.Rectangle
            && box.Outline == Outline.Single
            && !box.TextLines.Any()
            && lines.Count >= 2
            && lines.All(seen =>
                Role(seen.Far) == ChenRole.Entity && seen.Far != box && seen.Line.Along.IsEmpty && CountText.In(seen) is not null
            )
            && lines.All(seen =>
                LinesAt(seen.Far!).Any(other => Role(other.Far) == ChenRole.Attribute) || seen.Far!.TextLines.Any()
            );
    }
}
