using System.Text.RegularExpressions;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary><c>Item: item no (key), fault</c>, <c>Visit is weak: visit no (partial key)</c>, or a name alone.</summary>
internal static partial class EntityForm
{
    /// <summary>What stands before the attributes.</summary>
    public static string HeadOf(StatementLine line) => line.Colon < 0 ? line.Text : line.Text[..line.Colon];

    /// <summary>A head without what it says of the kind of thing.</summary>
    public static string WithoutKinds(string head) => KindPattern().Replace(head, "");

    /// <summary>The statement that a line makes; whatever names a thing makes one.</summary>
    public static EntityStatement Read(StatementLine line)
    {
        var head = HeadOf(line);
        EntityKind? kind = null;
        var (isAbstract, stereotype) = (false, "");
        if (KindPattern().Match(head) is { Success: true } said)
        {
            foreach (Capture capture in said.Groups["kind"].Captures)
            {
                switch (capture.Value.Trim())
                {
                    case "weak":
                        kind = EntityKind.Weak;
                        break;
                    case "associative":
                        kind = EntityKind.Associative;
                        break;
                    case "an interface":
                        kind = EntityKind.Interface;
                        break;
                    case "an enumeration":
                        kind = EntityKind.Enumeration;
                        break;
                    case "abstract":
                        isAbstract = true;
                        break;
                    default:
                        stereotype = capture.Value.Trim().Trim('«', '»');
                        break;
                }
            }

            head = head[..said.Index];
        }

        var name = head.Trim();
        if (name.Length == 0)
        {
            line.Add(0, Math.Max(1, line.Text.Length), "Say first what this is: “Item: item no (key), fault”.");
        }

        return new EntityStatement(
            name,
            kind,
            isAbstract,
            stereotype,
            line.Colon < 0 ? [] : AttributeList.Read(line.Text[(line.Colon + 1)..], line.Colon + 1, line)
        );
    }

    [GeneratedRegex(
        @" is (?:(?<kind>weak|associative|an interface|an enumeration|abstract|«[^»]*»)(?:, |$))+\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex KindPattern();
}
