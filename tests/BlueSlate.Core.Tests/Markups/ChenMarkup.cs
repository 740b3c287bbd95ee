using System.Text.RegularExpressions;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Tests.Markups;

/// <summary>
/// Chen. A box and its ovals are <c>Visit: _visit no_, -part no-, {phones}, [age], name(first, last)</c>: key, partial key,
/// several values, derived, composite; a weak one is <c>[[Repair]]</c>. A diamond is <c>&lt;brings in> Visit 1, Item =N</c>,
/// twice pointed when identifying, <c>=</c> for a double line. Subtypes are <c>(d) Item > Lamp, Radio</c>, total with
/// <c>=></c>, without cups with <c>-</c>; a union is <c>(u) Person, Club > Owner</c>. An oval alone is <c>() colour</c>.
/// </summary>
internal sealed partial class ChenMarkup : Markup
{
    protected override void Add(string line)
    {
        if (DiamondPattern().Match(line) is { Success: true } diamond)
        {
            AddDiamond(diamond);
        }
        else if (CirclePattern().Match(line) is { Success: true } circle)
        {
            AddCircle(circle);
        }
        else if (line.StartsWith("() ", StringComparison.Ordinal))
        {
            AddOval(line[3..]);
        }
        else if (!AddStraight(line))
        {
            AddBox(line);
        }
    }

    private void AddBox(string line)
    {
        var parts = line.Split(':', 2, StringSplitOptions.TrimEntries);
        var id = NextShape();
        var name = Unmark(parts[0], id);
        var weak = name.StartsWith("[[", StringComparison.Ordinal);
        name = weak ? name[2..^2] : name;
        Shapes.Add(new Shape(id, Form.Rectangle, weak ? Outline.Double : Outline.Single, name, [], null));
        foreach (
            var oval in parts.Length == 1
                ? []
                : OvalPattern().Split(parts[1]).Select(oval => oval.Trim()).Where(oval => oval.Length > 0)
        )
        {
            AddOvals(name, oval);
        }
    }

    private void AddOvals(string owner, string text)
    {
        var open = text.IndexOf('(', StringComparison.Ordinal);
        Tie(owner, AddOval(open < 0 ? text : text[..open]));
        foreach (var part in open < 0 ? [] : text[(open + 1)..].TrimEnd(')').Split(',', StringSplitOptions.TrimEntries))
        {
            Tie(text[..open].Trim('«', '»', ' '), AddOval(part));
        }
    }

    private string AddOval(string text)
    {
        var id = NextShape();
        var bare = Unmark(text, id);
        var (underline, outline) = bare[0] switch
        {
            '_' => (Underline.Solid, Outline.Single),
            '-' => (Underline.Dashed, Outline.Single),
            '{' => (Underline.None, Outline.Double),
            '[' => (Underline.None, Outline.Dashed),
            _ => (Underline.None, Outline.Single),
        };
        bare = bare.Trim('_', '-', '{', '}', '[', ']');
        Shapes.Add(new Shape(id, Form.Oval, outline, bare, [], null) { Underline = underline });
        return bare;
    }

    private void AddDiamond(Match match)
    {
        var id = NextShape();
        var name = Unmark(match.Groups["name"].Value, id);
        Shapes.Add(new Shape(id, Form.Diamond, match.Groups["twice"].Success ? Outline.Double : Outline.Single, name, [], null));
        foreach (var end in EndSplit().Split(match.Groups["ends"].Value))
        {
            var line = NextLine();
            var parts = EndPattern().Match(Unmark(end, line + "/from"));
            Tie(
                parts.Groups["box"].Value,
                name,
                parts.Groups["double"].Success ? Stroke.Double : Stroke.Solid,
                parts.Groups["count"].Value
            );
        }
    }

    private void AddCircle(Match match)
    {
        var circle = NextShape();
        Shapes.Add(new Shape(circle, Form.Circle, Outline.Single, Unmark(match.Groups["letter"].Value, circle), [], null));
        var arrow = match.Groups["arrow"].Value;
        foreach (var above in match.Groups["above"].Value.Split(','))
        {
            var id = NextLine();
            Lines.Add(
                new Line(
                    id,
                    arrow == "=>" ? Stroke.Double : Stroke.Solid,
                    "",
                    new LineEnd(At(Unmark(above, id)), []),
                    new LineEnd(Attachment.ToShape(circle), []),
                    []
                )
            );
        }

        foreach (var beneath in match.Groups["beneath"].Value.Split(',', StringSplitOptions.RemoveEmptyEntries))
        {
            var id = NextLine();
            Lines.Add(
                new Line(
                    id,
                    Stroke.Solid,
                    "",
                    new LineEnd(Attachment.ToShape(circle), []),
                    new LineEnd(At(Unmark(beneath, id)), []),
                    []
                )
                {
                    Along = arrow == "-" ? [] : [new Along(AlongMark.Cup, EndSide.From)],
                }
            );
        }
    }

    [GeneratedRegex(@"^<(?<twice><)?(?<name>[^<>]+)>>? (?<ends>.+)$")]
    private static partial Regex DiamondPattern();

    [GeneratedRegex(@", (?![^(]*\))")]
    private static partial Regex EndSplit();

    [GeneratedRegex(@"^(?<box>[\p{L} ]+?)(?: (?<double>=)?(?<count>\(.*\)|\S*))?$")]
    private static partial Regex EndPattern();

    [GeneratedRegex(@"^\((?<letter>«?\w»?)\) (?<above>[^<>=]+?)(?: (?<arrow>=?>|-) (?<beneath>.+))?$")]
    private static partial Regex CirclePattern();

    [GeneratedRegex(@",(?![^(]*\))")]
    private static partial Regex OvalPattern();
}
