using System.Text.RegularExpressions;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core.Tests.Markups;

/// <summary>
/// A drawing written as a few lines of text, with the places marked at which a finding must appear: what stands in <c>«»</c>.
/// Each notation has a form of its own.
/// </summary>
internal abstract partial class Markup
{
    private readonly List<string> marked = [];
    private int rows;

    /// <summary>The ids of the marked places, in the order of the text.</summary>
    public IReadOnlyList<string> Marked => marked;

    public Drawing Drawing => new([new Sheet("sheet1", "", [.. Shapes], [.. Lines])]);

    protected List<Shape> Shapes { get; } = [];

    protected List<Line> Lines { get; } = [];

    public static Markup Parse(string text, string notation = NotationNames.CrowsFoot)
    {
        Markup markup = notation switch
        {
            NotationNames.Chen => new ChenMarkup(),
            NotationNames.Uml => new UmlMarkup(),
            _ => new CrowsFootMarkup(),
        };
        foreach (var line in text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            markup.Add(line);
        }

        return markup;
    }

    protected abstract void Add(string line);

    protected string NextShape() => $"b{Shapes.Count + 1}";

    protected string NextLine() => $"r{Lines.Count + 1}";

    protected string NextRow() => $"t{++rows}";

    protected Attachment At(string name) =>
        name.StartsWith('#')
            ? new Attachment(AttachmentKind.Line, name[1..])
            : Attachment.ToShape(
                Shapes
                    .First(shape =>
                        shape.Text == name.Trim() || shape.Text.EndsWith(">> " + name.Trim(), StringComparison.Ordinal)
                    )
                    .Id
            );

    protected string Unmark(string text, string id)
    {
        if (!text.Contains('«', StringComparison.Ordinal))
        {
            return text.Trim();
        }

        marked.Add(id);
        return text.Replace("«", "", StringComparison.Ordinal).Replace("»", "", StringComparison.Ordinal).Trim();
    }

    /// <summary>Adds a line between two shapes, unmarked.</summary>
    protected void Tie(string from, string to, Stroke stroke = Stroke.Solid, string count = "") =>
        Lines.Add(new Line(NextLine(), stroke, "", new LineEnd(At(from), [], Count: count), new LineEnd(At(to), []), []));

    /// <summary>
    /// <c>Visit [1 whole] brings in [1..* thing] Item</c>: a line straight between two, its ends in brackets, dashed after
    /// <c>~</c>, double after <c>=</c>. An end's words are its count, its role, and its symbol: <c>whole</c>, <c>shared</c>,
    /// <c>general</c>, <c>filled</c>, <c>to</c>.
    /// </summary>
    protected bool AddStraight(string line)
    {
        var match = StraightPattern().Match(line);
        if (!match.Success)
        {
            return false;
        }

        var id = NextLine();
        var stroke = match.Groups["stroke"].Value switch
        {
            "~" => Stroke.Dashed,
            "=" => Stroke.Double,
            _ => Stroke.Solid,
        };
        var text = Unmark(match.Groups["text"].Value, id);
        var from = End(match.Groups["from"].Value, Unmark(match.Groups["a"].Value, id + "/from"));
        var to = End(match.Groups["to"].Value, Unmark(match.Groups["b"].Value, id + "/to"));
        Lines.Add(new Line(id, stroke, text, from, to, []));
        return true;
    }

    private LineEnd End(string name, string bracket)
    {
        var end = new LineEnd(At(name), []);
        foreach (var word in bracket.Trim('[', ']').Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            end = word switch
            {
                "whole" => end with { Marks = [EndMark.SolidDiamond] },
                "shared" => end with { Marks = [EndMark.Diamond] },
                "general" => end with { Marks = [EndMark.Triangle] },
                "filled" => end with { Marks = [EndMark.SolidTriangle] },
                "to" => end with { Marks = [EndMark.OpenArrow] },
                _ when word.Length > 1 && char.IsLetter(word[0]) => end with { Role = word },
                _ => end with { Count = word },
            };
        }

        return end;
    }

    [GeneratedRegex(
        @"^(?<from>#?[\p{L}\d ]+?) (?<a>«?\[[^\]]*\]»?) (?:(?<stroke>[~=]) )?"
            + @"(?:(?<text>[^\[\]]+?) )?(?<b>«?\[[^\]]*\]»?) (?<to>#?[\p{L}\d ]+)$"
    )]
    private static partial Regex StraightPattern();
}
