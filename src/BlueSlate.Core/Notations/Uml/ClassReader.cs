using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>Reads boxes as classes, interfaces and enumerations, and balls as interfaces.</summary>
internal sealed class ClassReader(UmlOptions options, ImmutableArray<Remark>.Builder remarks)
{
    public List<EntityType> Read(Drawing drawing)
    {
        var classes = new List<EntityType>();
        foreach (var shape in drawing.Shapes)
        {
            switch (shape.Form)
            {
                case Form.Rectangle:
                    classes.Add(ReadBox(shape));
                    break;
                case Form.Rounded:
                    Remark(RemarkKind.ForeignShape, shape.Id, "a rounded box", "a class");
                    classes.Add(ReadBox(shape));
                    break;
                case Form.Ball or Form.Circle:
                    classes.Add(new EntityType(shape.Id, shape.Text.Trim(), EntityKind.Interface, [], []));
                    break;
                case Form.Note or Form.Diamond or Form.Junction:
                    break;
                case Form.DiamondInRectangle:
                    Remark(RemarkKind.ForeignShape, shape.Id, "a diamond in a box", "a class");
                    classes.Add(ReadBox(shape));
                    break;
                default:
                    Remark(RemarkKind.ForeignShape, shape.Id, Symbols.Forms[shape.Form].Says, "nothing", false);
                    break;
            }
        }

        return classes;
    }

    private EntityType ReadBox(Shape shape)
    {
        if (shape.Outline != Outline.Single)
        {
            Remark(RemarkKind.ForeignOutline, shape.Id, $"a {Vocabulary.Outlines.Of(shape.Outline)} outline", "a box");
        }

        var head = ClassName.Parse(shape.Text);
        if (head.Name.Length == 0)
        {
            Remark(RemarkKind.UnnamedBox, shape.Id, "a box without a name", "a class without a name", false);
        }

        var kind =
            Says(head, "interface") ? EntityKind.Interface
            : Says(head, "enumeration") || Says(head, "enum") ? EntityKind.Enumeration
            : EntityKind.Strong;
        var stereotype = head.Stereotypes.FirstOrDefault(text => !IsKeyword(text)) ?? "";
        if (
            stereotype.Length > 0
            && options.Stereotypes.Length > 0
            && !options.Stereotypes.Contains(stereotype, StringComparer.OrdinalIgnoreCase)
        )
        {
            Remark(RemarkKind.ForeignStereotype, shape.Id, $"«{stereotype}»", "a class");
        }

        var rows = shape
            .TextLines.Where(row => row.Text.Trim().Length > 0)
            .Select(row => (Row: row, Member: ReadMember(row)))
            .ToList();
        var literals = kind == EntityKind.Enumeration ? rows.Where(pair => IsLiteral(pair.Member)).ToList() : [];
        var fields = rows.Except(literals).Where(pair => !pair.Member.IsOperation).ToList();
        var key = fields.Where(pair => pair.Member.Says("id")).Select(pair => pair.Row.Id).ToImmutableArray();
        return new EntityType(
            shape.Id,
            head.Name,
            kind,
            [.. fields.Select(pair => Attribute(pair.Row, pair.Member))],
            key.IsEmpty ? [] : [new Identifier(IdentifierKind.Primary, 0, false, key, [])]
        )
        {
            Abstract = shape.Italic || head.Says("abstract") || Says(head, "abstract"),
            Stereotype = stereotype,
            Operations =
            [
                .. rows.Where(pair => pair.Member.IsOperation)
                    .Select(pair => Operation(pair.Row, pair.Member, kind == EntityKind.Interface)),
            ],
            Literals = [.. literals.Select(pair => new Literal(pair.Row.Id, pair.Member.Name))],
        };
    }

    private MemberText ReadMember(TextLine row)
    {
        var text = row.Mark.Trim().Length > 0 ? $"{row.Mark} {row.Text}" : row.Text;
        if (row.Mark.Trim().Length > 0)
        {
            Remark(RemarkKind.UnreadableKeyMark, row.Id, row.Mark, "nothing", false);
            text = row.Text;
        }

        var member = MemberText.Parse(text);
        if (member.Unreadable is { } what)
        {
            Remark(RemarkKind.UnreadableMember, row.Id, what, member.Name, false);
        }
        else if (
            options.StrictCounts
            && member.Multiplicity is { } written
            && written != "*"
            && !MultiplicityText.IsStandard(written)
        )
        {
            Remark(RemarkKind.StrangeSpelling, row.Id, written, member.Count.ToString());
        }

        return member;
    }

    private static ConceptAttribute Attribute(TextLine row, MemberText member) =>
        ConceptAttribute.Plain(row.Id, member.Name) with
        {
            Multivalued = member.Count.Max != 1,
            Values = member.Count is { Max: 1 } or { Min: 0 or 1, Max: Count.Many } ? Count.Unsaid : member.Count,
            Derived = member.Derived,
            Optional = row.Ring || member.Count is { Min: 0, Max: 1 },
            Type = member.Type,
            Visibility = member.Visibility,
            ClassScope = row.Underline == Underline.Solid || member.Says("static"),
            Default = member.Default,
        };

    private static Operation Operation(TextLine row, MemberText member, bool ofInterface) =>
        new(row.Id, member.Name, member.Parameters, member.Type)
        {
            Visibility = member.Visibility.Length == 0 && ofInterface ? "+" : member.Visibility,
            ClassScope = row.Underline == Underline.Solid || member.Says("static"),
            Abstract = row.Italic || member.Says("abstract") || ofInterface,
        };

    private static bool IsLiteral(MemberText member) =>
        !member.IsOperation && member.Type.Length == 0 && member.Visibility.Length == 0;

    private static bool IsKeyword(string text) =>
        text.ToUpperInvariant() is "INTERFACE" or "ENUMERATION" or "ENUM" or "ABSTRACT" or "CLASS";

    private static bool Says(ClassName head, string stereotype) =>
        head.Stereotypes.Contains(stereotype, StringComparer.OrdinalIgnoreCase);

    private void Remark(RemarkKind kind, string element, string drawn, string readAs, bool repaired = true) =>
        remarks.Add(new Remark(kind, element, drawn, readAs, repaired));
}

/// <summary>Which spellings of multiplicities are the standard's own.</summary>
internal static class MultiplicityText
{
    /// <summary><c>*</c>, <c>n</c> as a number, or <c>min..max</c> without blanks.</summary>
    public static bool IsStandard(string text)
    {
        var at = text.IndexOf("..", StringComparison.Ordinal);
        return at < 0 ? IsBound(text) : text[..at].All(char.IsAsciiDigit) && at > 0 && IsBound(text[(at + 2)..]);
    }

    private static bool IsBound(string text) => text == "*" || (text.Length > 0 && text.All(char.IsAsciiDigit));
}
