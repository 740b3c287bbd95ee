using System.Collections.Immutable;
using System.Text.RegularExpressions;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Tests;

/// <summary>
/// A drawing written as a few lines of text, with the places marked at which a finding must appear. A box is
/// <c>Item: PK item no, o phone</c>; a line is <c>Visit 11 brings in / comes in on 1m Item</c>, its ends being <c>11</c>,
/// <c>01</c>, <c>1m</c>, <c>0m</c>, one of <c>1 m 0</c> alone, or <c>?</c> for no mark; <c>=</c> after the first end makes it
/// solid. What stands in <c>«»</c> is a marked place.
/// </summary>
internal sealed partial class Markup
{
    private readonly List<Shape> shapes = [];
    private readonly List<Line> lines = [];
    private readonly List<string> marked = [];
    private int rows;

    private Markup()
    {
    }

    /// <summary>The ids of the marked places, in the order of the text.</summary>
    public IReadOnlyList<string> Marked => marked;

    public Drawing Drawing => new([new Sheet("sheet1", "", [.. shapes], [.. lines])]);

    public static Markup Parse(string text)
    {
        var markup = new Markup();
        foreach (var line in text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var match = LinePattern().Match(line);
            if (match.Success)
            {
                markup.AddLine(match);
            }
            else
            {
                markup.AddBox(line);
            }
        }

        return markup;
    }

    private void AddBox(string line)
    {
        var parts = line.Split(':', 2, StringSplitOptions.TrimEntries);
        var id = $"b{shapes.Count + 1}";
        var name = Unmark(parts[0], id);
        var texts = parts.Length == 1 ? [] : RowPattern().Split(parts[1]).Select(row => row.Trim()).Where(row => row.Length > 0);
        ImmutableArray<TextLine> own = [.. texts.Select(Row)];
        shapes.Add(new Shape(id, Form.Rectangle, Outline.Single, name, own.IsEmpty ? [] : [own], null));
    }

    private TextLine Row(string text)
    {
        var id = $"t{++rows}";
        var bare = Unmark(text, id);
        var mark = KeyPattern().Match(bare).Value;
        bare = bare[mark.Length..].Trim();
        var ring = bare.StartsWith("o ", StringComparison.Ordinal);
        return new TextLine(id, mark, ring, ring ? bare[2..] : bare, Underline.None);
    }

    private void AddLine(Match match)
    {
        var id = $"r{lines.Count + 1}";
        var texts = Unmark(match.Groups["text"].Value, id).Split('/', 2, StringSplitOptions.TrimEntries);
        var from = End(match.Groups["from"].Value, match.Groups["a"].Value, id + "/from", texts[0]);
        var to = End(match.Groups["to"].Value, match.Groups["b"].Value, id + "/to", texts.Length > 1 ? texts[1] : "");
        lines.Add(new Line(id, match.Groups["solid"].Success ? Stroke.Solid : Stroke.Dashed, "", from, to, []));
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
        return new LineEnd(Attachment.ToShape(shapes.First(shape => shape.Text == name.Trim()).Id), marks, verb);
    }

    private string Unmark(string text, string id)
    {
        if (!text.Contains('«', StringComparison.Ordinal))
        {
            return text.Trim();
        }

        marked.Add(id);
        return text.Replace("«", "", StringComparison.Ordinal).Replace("»", "", StringComparison.Ordinal).Trim();
    }

    [GeneratedRegex(@"^(?<from>[\p{L} ]+?) (?<a>«?(?:[01][1m]|[01m?])»?) (?<solid>= )?(?<text>[^:]*?) ?(?<b>«?(?:[01][1m]|[01m?])»?) (?<to>[\p{L} ]+)$")]
    private static partial Regex LinePattern();

    [GeneratedRegex(@",(?![^(]*\))")]
    private static partial Regex RowPattern();

    [GeneratedRegex(@"^(?:(?:PK|PPK|FK\d?|AK\d)(?: (?=[A-Z]))?)+(?= )")]
    private static partial Regex KeyPattern();
}
