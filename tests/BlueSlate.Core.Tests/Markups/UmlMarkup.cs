using System.Collections.Immutable;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Tests.Markups;

/// <summary>
/// UML. A class is <c>Gate {abstract}: - name: String; _next: Integer | + open()</c>, its compartments parted by bars, class
/// scope underscored, stereotypes in pointed brackets; lines are straight ones, and <c>#r1</c> ties to the first of them.
/// </summary>
internal sealed class UmlMarkup : Markup
{
    protected override void Add(string line)
    {
        if (AddStraight(line))
        {
            return;
        }

        var parts = line.Split(':', 2, StringSplitOptions.TrimEntries);
        var id = NextShape();
        var name = Unmark(parts[0], id);
        ImmutableArray<ImmutableArray<TextLine>> compartments =
            parts.Length == 1
                ? []
                :
                [
                    .. parts[1]
                        .Split('|', StringSplitOptions.TrimEntries)
                        .Select(rows =>
                            rows.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                                .Select(Row)
                                .ToImmutableArray()
                        ),
                ];
        var isAbstract = name.EndsWith(" {abstract}", StringComparison.Ordinal);
        name = isAbstract ? name[..^11] : name;
        Shapes.Add(new Shape(id, Form.Rectangle, Outline.Single, name, compartments, null) { Italic = isAbstract });
    }

    private TextLine Row(string text)
    {
        var id = NextRow();
        var bare = Unmark(text, id);
        return bare.StartsWith('_')
            ? new TextLine(id, "", false, bare[1..], Underline.Solid)
            : new TextLine(id, "", false, bare, Underline.None);
    }
}
