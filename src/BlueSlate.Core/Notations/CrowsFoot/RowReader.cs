using System.Collections.Immutable;
using System.Globalization;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>One line of a box as read: its name, what its marks say, and its textbook forms.</summary>
internal sealed record Row(
    string Id,
    string Name,
    bool Primary,
    bool Partial,
    ImmutableArray<int> Alternates,
    ImmutableArray<int> ForeignGroups,
    bool Optional,
    bool Multivalued,
    bool Derived,
    ImmutableArray<AttributePart> Parts
);

/// <summary>
/// Reads one line of a box: <c>PK</c>, <c>FK1</c>, <c>AK2</c>, <c>PPK</c> and their spellings; <c>{phones}</c>, <c>[age]</c>,
/// <c>address (street, town)</c>.
/// </summary>
internal static class RowReader
{
    public static Row? Read(TextLine line, ImmutableArray<Remark>.Builder remarks)
    {
        var (mark, text) = SplitMark(line.Mark, line.Text.Trim());
        if (text.Length == 0 && mark.Length == 0)
        {
            return null;
        }

        var row = new Row(line.Id, text, false, line.Underline == Underline.Dashed, [], [], line.Ring, false, false, []);
        row = ReadMark(row, mark, remarks);
        if (line.Underline == Underline.Solid && row is { Primary: false, Partial: false })
        {
            remarks.Add(new Remark(RemarkKind.ForeignUnderline, line.Id, "a solid underline", "a primary key", true));
            row = row with { Primary = true };
        }

        return ReadForm(row);
    }

    private static (string Mark, string Text) SplitMark(string mark, string text)
    {
        if (mark.Trim().Length > 0)
        {
            return (mark.Trim(), text);
        }

        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var marks = words.TakeWhile(word => word.Split('/', ',').All(IsKeyMark)).Count();
        return marks == 0 || marks == words.Length
            ? ("", text)
            : (string.Join(' ', words.Take(marks)), string.Join(' ', words.Skip(marks)));
    }

    private static bool IsKeyMark(string word) =>
        word.TrimEnd('0', '1', '2', '3', '4', '5', '6', '7', '8', '9') is "PK" or "FK" or "AK" or "PPK" or "PFK" or "UK";

    private static Row ReadMark(Row row, string mark, ImmutableArray<Remark>.Builder remarks)
    {
        foreach (var word in mark.ToUpperInvariant().Split([' ', '/', ',', '+', '&'], StringSplitOptions.RemoveEmptyEntries))
        {
            var letters = word.TrimEnd('0', '1', '2', '3', '4', '5', '6', '7', '8', '9');
            var number = int.TryParse(word.AsSpan(letters.Length), NumberStyles.None, CultureInfo.InvariantCulture, out var group)
                ? group
                : 0;
            switch (letters)
            {
                case "PK":
                    row = row with { Primary = true };
                    break;
                case "PPK":
                    row = row with { Partial = true };
                    break;
                case "FK":
                    row = row with { ForeignGroups = With(row.ForeignGroups, number) };
                    break;
                case "PFK":
                    row = row with { Primary = true, ForeignGroups = With(row.ForeignGroups, number) };
                    break;
                case "AK" or "UK":
                    row = row with { Alternates = With(row.Alternates, number) };
                    break;
                default:
                    remarks.Add(new Remark(RemarkKind.UnreadableKeyMark, row.Id, word, "nothing", false));
                    break;
            }
        }

        return row;
    }

    private static ImmutableArray<int> With(ImmutableArray<int> groups, int number) =>
        groups.Contains(number) ? groups : groups.Add(number);

    private static Row ReadForm(Row row)
    {
        var name = row.Name;
        if (Enclosed(name, '{', '}'))
        {
            return row with { Name = name[1..^1].Trim(), Multivalued = true };
        }

        if (Enclosed(name, '[', ']'))
        {
            return row with { Name = name[1..^1].Trim(), Derived = true };
        }

        var open = name.IndexOf('(', StringComparison.Ordinal);
        return open > 0 && name[^1] == ')'
            ? row with
            {
                Name = name[..open].Trim(),
                Parts =
                [
                    .. PartText
                        .Read(name[(open + 1)..^1])
                        .Select(
                            (part, i) => AttributePart.Of(part, $"{i + 1}", place => new ConceptId(row.Id, place).ToString())
                        ),
                ],
            }
            : row;
    }

    private static bool Enclosed(string text, char open, char close) => text.Length > 2 && text[0] == open && text[^1] == close;
}
