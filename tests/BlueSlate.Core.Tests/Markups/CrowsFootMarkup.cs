using System.Collections.Immutable;
using System.Text.RegularExpressions;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Tests.Markups;

/// <summary>
/// Crow's foot. A box is <c>Item: PK item no, o phone</c>; a line is <c>Visit 11 brings in / comes in on 1m Item</c>, its ends
/// being <c>11</c>, <c>01</c>, <c>1m</c>, <c>0m</c>, one of <c>1 m 0</c> alone, or <c>?</c> for no mark; <c>=</c> after the
/// first end makes it solid. Subtypes are <c>(d) Item > Lamp, Radio</c>.
/// </summary>
internal sealed partial class CrowsFootMarkup : Markup
{
    protected override void Add(string line)
    {
        if (LinePattern().Match(line) is { Success: true } tie)
        {
            AddLine(tie);
        }
        else if (SubtypePattern().Match(line) is { Success: true } subtypes)
        {
            AddSubtypes(subtypes);
        }
        else
        {
            AddBox(line);
        }
    }

    private void AddBox(string line)
    {
        var parts = line.Split(':', 2, StringSplitOptions.TrimEntries);
        var id = NextShape();
        var name = Unmark(parts[0], id);
        var texts = parts.Length == 1 ? [] : RowPattern().Split(parts[1]).Select(row => row.Trim()).Where(row => row.Length > 0);
        ImmutableArray<TextLine> own = [.. texts.Select(Row)];
        Shapes.Add(new Shape(id, Form.Rectangle, Outline.Single, name, own.IsEmpty ? [] : [own], null));
    }

    private TextLine Row(string text)
    {
        var id = NextRow();
        var bare = Unmark(text, id);
        var mark = KeyPattern().Match(bare).Value;
        bare = bare[mark.Length..].Trim();
        var ring = bare.StartsWith("o ", StringComparison.Ordinal);
        return new TextLine(id, mark, ring, ring ? bare[2..] : bare, Underline.None);
    }

    private void AddLine(Match match)
    {
        var id = NextLine();
        var texts = Unmark(match.Groups["text"].Value, id).Split('/', 2, StringSplitOptions.TrimEntries);
        var from = End(match.Groups["from"].Value, match.Groups["a"].Value, id + "/from", texts[0]);
        var to = End(match.Groups["to"].Value, match.Groups["b"].Value, id + "/to", texts.Length > 1 ? texts[1] : "");
        Lines.Add(new Line(id, match.Groups["solid"].Success ? Stroke.Solid : Stroke.Dashed, "", from, to, []));
    }

    private void AddSubtypes(Match match)
    {
        var symbol = NextShape();
        Shapes.Add(
            new Shape(
                symbol,
                Form.HalfCircle,
                match.Groups["total"].Success ? Outline.Double : Outline.Single,
                Unmark(match.Groups["letter"].Value, symbol),
                [],
                null
            )
        );
        Lines.Add(
            new Line(
                NextLine(),
                Stroke.Solid,
                "",
                new LineEnd(At(match.Groups["above"].Value), []),
                new LineEnd(Attachment.ToShape(symbol), []),
                []
            )
        );
        foreach (var name in match.Groups["beneath"].Value.Split(','))
        {
            var id = NextLine();
            Lines.Add(
                new Line(
                    id,
                    Stroke.Solid,
                    "",
                    new LineEnd(Attachment.ToShape(symbol), []),
                    new LineEnd(At(Unmark(name, id)), []),
                    []
                )
            );
        }
    }

    private LineEnd End(string name, string code, string id, string verb)
    {
        ImmutableArray<string> marks = Unmark(code, id) switch
        {
            "11" => [EndMark.Bar, EndMark.Bar],
            "01" => [EndMark.Bar, EndMark.Ring],
            "1m" => [EndMark.Foot, EndMark.Bar],
            "0m" => [EndMark.Foot, EndMark.Ring],
            "1" => [EndMark.Bar],
            "m" => [EndMark.Foot],
            "0" => [EndMark.Ring],
            _ => [],
        };
        return new LineEnd(At(name), marks, verb);
    }

    [GeneratedRegex(
        @"^(?<from>[\p{L} ]+?) (?<a>«?(?:[01][1m]|[01m?])»?) (?<solid>= )?(?<text>[^:]*?) ?"
            + @"(?<b>«?(?:[01][1m]|[01m?])»?) (?<to>[\p{L} ]+)$"
    )]
    private static partial Regex LinePattern();

    [GeneratedRegex(@"^\((?<letter>«?\w?»?)\) (?<above>[\p{L} ]+?) (?<total>=)?> (?<beneath>.+)$")]
    private static partial Regex SubtypePattern();

    [GeneratedRegex(@",(?![^(]*\))")]
    private static partial Regex RowPattern();

    [GeneratedRegex(@"^(?:(?:PK|PPK|FK\d?|AK\d)(?: (?=[A-Z]))?)+(?= )")]
    private static partial Regex KeyPattern();
}
