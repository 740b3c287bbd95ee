using System.Collections.Immutable;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Tests;

/// <summary>
/// Mistakes of known kinds put into a drawing on purpose, at places chosen by chance; null where there is no place for one.
/// </summary>
internal static class SeededFaults
{
    private static readonly Dictionary<string, Func<Sheet, Random, Sheet?>> ByCode = new(StringComparer.Ordinal)
    {
        ["attribute-missing"] = (sheet, random) =>
            Pick(Plain(sheet), random) is { Line: not null } at ? Put(sheet, at.Shape, Without(at.Shape, at.Line)) : null,
        ["attribute-extra"] = (sheet, random) =>
            Pick(sheet.Shapes, random) is { } box
                ? Put(sheet, box, With(box, new TextLine($"extra{random.Next()}", "", false, "favourite colour", Underline.None)))
                : null,
        ["attribute-misplaced"] = Misplace,
        ["key-missing"] = (sheet, random) =>
            Pick(sheet.Shapes.Where(shape => shape.TextLines.Any(line => line.Mark == "PK")), random) is { } box
                ? Put(sheet, box, Unmarked(box))
                : null,
        ["entity-missing"] = (sheet, random) => Pick(sheet.Shapes, random) is { } box ? Drop(sheet, box) : null,
        ["entity-extra"] = (sheet, random) =>
            sheet with
            {
                Shapes = sheet.Shapes.Add(
                    new Shape($"extra{random.Next()}", Form.Rectangle, Outline.Single, "Lighthouse", [], null)
                ),
            },
        ["relationship-missing"] = (sheet, random) =>
            !HasForeignKeys(sheet) && Pick(sheet.Lines, random) is { } line
                ? sheet with
                {
                    Lines = sheet.Lines.Remove(line),
                }
                : null,
        ["foreign-key-without-line"] = (sheet, random) =>
            HasForeignKeys(sheet) && Pick(sheet.Lines, random) is { } line
                ? sheet with
                {
                    Lines = sheet.Lines.Remove(line),
                }
                : null,
        ["foreign-key-optionality"] = (sheet, random) =>
            Pick(
                sheet.Shapes.SelectMany(shape =>
                    shape
                        .TextLines.Where(line => line.Mark.StartsWith("FK", StringComparison.Ordinal))
                        .Select(line => (Shape: shape, Line: line))
                ),
                random
            )
                is { Line: not null } at
                ? Put(
                    sheet,
                    at.Shape,
                    at.Shape with
                    {
                        Compartments =
                        [
                            .. at.Shape.Compartments.Select(lines =>
                                lines.Replace(at.Line, at.Line with { Ring = !at.Line.Ring })
                            ),
                        ],
                    }
                )
                : null,
        ["cardinality-min"] = (sheet, random) =>
            ChangeEnd(sheet, random, _ => true, end => end with { Marks = [end.Marks[0], Other(end.Marks[1], EndMark.Ring)] }),
        ["cardinality-max"] = (sheet, random) =>
            ChangeEnd(sheet, random, _ => true, end => end with { Marks = [Other(end.Marks[0], EndMark.Foot), end.Marks[1]] }),
        ["end-unsaid"] = (sheet, random) => ChangeEnd(sheet, random, _ => true, end => end with { Marks = [] }),
        ["notation-toes-away"] = (sheet, random) =>
            ChangeEnd(sheet, random, IsMany, end => end with { Marks = [EndMark.FootOutward, end.Marks[1]] }),
        ["notation-arrowhead"] = (sheet, random) =>
            ChangeEnd(sheet, random, IsMany, end => end with { Marks = [EndMark.Arrow, end.Marks[1]] }),
        ["notation-mark-order"] = (sheet, random) =>
            ChangeEnd(
                sheet,
                random,
                end => end.Marks[0] != end.Marks[1],
                end => end with { Marks = [end.Marks[1], end.Marks[0]] }
            ),
        ["notation-unreadable-count"] = (sheet, random) =>
            ChangeEnd(sheet, random, _ => true, end => end with { Marks = [], Count = "a few" }),
        ["notation-foreign-outline"] = (sheet, random) =>
            Pick(sheet.Shapes, random) is { } box ? Put(sheet, box, box with { Outline = Outline.Dashed }) : null,
    };

    /// <summary>The codes of the findings that name these mistakes.</summary>
    public static IReadOnlyCollection<string> Codes => ByCode.Keys;

    public static Drawing? Seed(Drawing model, string code, int seed) => Seed(model, code, new Random(seed));

    public static Drawing? Seed(Drawing model, string code, Random random) =>
        ByCode[code](model.Sheets[0], random) is { } sheet ? new Drawing([sheet]) : null;

    private static Sheet? Misplace(Sheet sheet, Random random)
    {
        // A name that stands at one box only, so that it cannot be taken for another's.
        var own = Plain(sheet)
            .Where(at =>
                Plain(sheet).Count(other => other.Line.Text == at.Line.Text) == 1
                && at.Line.Text.Contains(' ', StringComparison.Ordinal)
            );
        if (
            Pick(own, random) is not { Line: not null } at
            || Pick(sheet.Shapes.Where(shape => shape.Id != at.Shape.Id), random) is not { } target
        )
        {
            return null;
        }

        return Put(Put(sheet, at.Shape, Without(at.Shape, at.Line)), target, With(target, at.Line));
    }

    private static Sheet? ChangeEnd(Sheet sheet, Random random, Func<LineEnd, bool> fits, Func<LineEnd, LineEnd> change)
    {
        var ends = sheet
            .Lines.SelectMany(line =>
                new[] { (Line: line, First: true, End: line.From), (Line: line, First: false, End: line.To) }
            )
            .Where(at => at.End.Marks.Length == 2 && fits(at.End));
        return Pick(ends, random) is { Line: not null } at
            ? sheet with
            {
                Lines = sheet.Lines.Replace(
                    at.Line,
                    at.First ? at.Line with { From = change(at.End) } : at.Line with { To = change(at.End) }
                ),
            }
            : null;
    }

    private static Sheet Drop(Sheet sheet, Shape box) =>
        sheet with
        {
            Shapes = sheet.Shapes.Remove(box),
            Lines = sheet.Lines.RemoveAll(line => line.From.On.Id == box.Id || line.To.On.Id == box.Id),
        };

    private static Sheet Put(Sheet sheet, Shape before, Shape after) =>
        sheet with
        {
            Shapes = sheet.Shapes.Replace(before, after),
        };

    private static IEnumerable<(Shape Shape, TextLine Line)> Plain(Sheet sheet) =>
        sheet.Shapes.SelectMany(shape => shape.TextLines.Where(line => line.Mark.Length == 0).Select(line => (shape, line)));

    private static Shape Without(Shape shape, TextLine gone) =>
        shape with
        {
            Compartments = [.. shape.Compartments.Select(lines => lines.Remove(gone))],
        };

    private static Shape With(Shape shape, TextLine more) =>
        shape with
        {
            Compartments = shape.Compartments.IsEmpty
                ?
                [
                    [more],
                ]
                : shape.Compartments.SetItem(0, shape.Compartments[0].Add(more)),
        };

    private static Shape Unmarked(Shape shape) =>
        shape with
        {
            Compartments =
            [
                .. shape.Compartments.Select(lines =>
                    lines.Select(line => line.Mark == "PK" ? line with { Mark = "" } : line).ToImmutableArray()
                ),
            ],
        };

    private static bool HasForeignKeys(Sheet sheet) =>
        sheet.Shapes.Any(shape => shape.TextLines.Any(line => line.Mark.Contains("FK", StringComparison.Ordinal)));

    private static bool IsMany(LineEnd end) => end.Marks[0] == EndMark.Foot;

    private static string Other(string mark, string instead) => mark == EndMark.Bar ? instead : EndMark.Bar;

    private static T? Pick<T>(IEnumerable<T> places, Random random)
    {
        var all = places.ToList();
        return all.Count == 0 ? default : all[random.Next(all.Count)];
    }
}
