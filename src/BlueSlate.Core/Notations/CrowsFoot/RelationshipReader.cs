using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>Reads the lines between boxes, and a diamond that joins boxes, as relationships.</summary>
internal static class RelationshipReader
{
    public static ImmutableArray<RelationshipType> Read(
        Drawing drawing,
        List<Box> boxes,
        CrowsFootOptions options,
        ImmutableArray<Remark>.Builder remarks
    )
    {
        var readable = boxes.Select(box => box.Id).ToHashSet(StringComparer.Ordinal);
        var boxOfRow = boxes
            .SelectMany(box => box.Rows.Select(row => (Row: row.Id, Box: box.Id)))
            .ToDictionary(pair => pair.Row, pair => pair.Box, StringComparer.Ordinal);
        var others = drawing
            .Shapes.Where(shape => !readable.Contains(shape.Id))
            .ToDictionary(shape => shape.Id, StringComparer.Ordinal);
        var result = ImmutableArray.CreateBuilder<RelationshipType>();
        var joined = new Dictionary<string, List<(Line Line, LineEnd AtBox, string EndId, string BoxId)>>(StringComparer.Ordinal);

        foreach (var line in drawing.Lines)
        {
            var from = BoxAt(line.From, readable, boxOfRow);
            var to = BoxAt(line.To, readable, boxOfRow);
            if (from is not null && to is not null)
            {
                result.Add(ReadLine(line, from, to, options, remarks));
            }
            else if (IsRead(FormAt(line.From, others)) || IsRead(FormAt(line.To, others)))
            {
                // A note's tie says nothing about the data; lines of circles are read with the subtypes.
            }
            else if (from is not null && FormAt(line.To, others) == Form.Diamond)
            {
                Join(line.To.On.Id!, (line, line.From, line.FromId, from));
            }
            else if (to is not null && FormAt(line.From, others) == Form.Diamond)
            {
                Join(line.From.On.Id!, (line, line.To, line.ToId, to));
            }
            else if (line.From.On.Kind == AttachmentKind.Line || line.To.On.Kind == AttachmentKind.Line)
            {
                remarks.Add(new Remark(RemarkKind.LineToLine, line.Id, "a line that ends on a line", "nothing", false));
            }
            else
            {
                remarks.Add(new Remark(RemarkKind.LooseEnd, line.Id, "a line with a loose end", "nothing", false));
            }
        }

        foreach (var diamond in drawing.Shapes.Where(shape => shape.Form == Form.Diamond))
        {
            ReadDiamond(diamond, joined.GetValueOrDefault(diamond.Id) ?? [], options, remarks, result);
        }

        return result.ToImmutable();

        void Join(string diamond, (Line, LineEnd, string, string) end)
        {
            if (!joined.TryGetValue(diamond, out var ends))
            {
                joined[diamond] = ends = [];
            }

            ends.Add(end);
        }
    }

    private static bool IsRead(string? form) => form is Form.Note or Form.Circle or Form.HalfCircle;

    private static RelationshipType ReadLine(
        Line line,
        string from,
        string to,
        CrowsFootOptions options,
        ImmutableArray<Remark>.Builder remarks
    )
    {
        if (line.Stroke == Stroke.Double)
        {
            remarks.Add(new Remark(RemarkKind.ForeignStroke, line.Id, "a double line", "a solid line", true));
        }

        var atFrom = EndReader.Read(line.From, line.FromId, options.SingleBarIsExactlyOne, remarks);
        var atTo = EndReader.Read(line.To, line.ToId, options.SingleBarIsExactlyOne, remarks);
        var (there, back) = Names(line);
        return new RelationshipType(
            line.Id,
            there.Length > 0 || back.Length > 0 ? "" : line.Text.Trim(),
            [
                new RelationshipRole(line.FromId, from, line.From.Role.Trim(), there, atFrom, atTo),
                new RelationshipRole(line.ToId, to, line.To.Role.Trim(), back, atTo, atFrom),
            ],
            options.StrokeSaysIdentifying ? Identifying(line.Stroke) : null,
            DependentRole(line, atFrom, atTo)
        );
    }

    private static bool? Identifying(Stroke stroke) =>
        stroke switch
        {
            Stroke.Dashed => false,
            Stroke.Thin => null,
            _ => true,
        };

    private static (string There, string Back) Names(Line line)
    {
        string there = line.From.Label.Trim(),
            back = line.To.Label.Trim();
        var slash = line.Text.IndexOf('/', StringComparison.Ordinal);
        return there.Length == 0 && back.Length == 0 && slash > 0
            ? (line.Text[..slash].Trim(), line.Text[(slash + 1)..].Trim())
            : (there, back);
    }

    private static string? DependentRole(Line line, Count atFrom, Count atTo) =>
        (atFrom.Max, atTo.Max) switch
        {
            (Count.Many, 1) => line.FromId,
            (1, Count.Many) => line.ToId,
            _ => null,
        };

    private static void ReadDiamond(
        Shape diamond,
        List<(Line Line, LineEnd AtBox, string EndId, string BoxId)> ends,
        CrowsFootOptions options,
        ImmutableArray<Remark>.Builder remarks,
        ImmutableArray<RelationshipType>.Builder result
    )
    {
        remarks.Add(
            new Remark(
                RemarkKind.JoinedByDiamond,
                diamond.Id,
                "a diamond",
                ends.Count > 1 ? "a relationship" : "nothing",
                ends.Count > 1
            )
        );
        if (ends.Count < 2)
        {
            return;
        }

        var counts = ends.Select(end => EndReader.Read(end.AtBox, end.EndId, options.SingleBarIsExactlyOne, remarks)).ToList();
        var roles = ends.Select(
            (end, i) =>
                new RelationshipRole(
                    end.EndId,
                    end.BoxId,
                    end.AtBox.Role.Trim(),
                    "",
                    counts[i],
                    ends.Count == 2 ? counts[1 - i] : Count.Unsaid
                )
        );
        result.Add(new RelationshipType(diamond.Id, diamond.Text.Trim(), [.. roles], null, null));
    }

    private static string? BoxAt(LineEnd end, HashSet<string> readable, Dictionary<string, string> boxOfRow) =>
        end.On.Kind switch
        {
            AttachmentKind.Shape when readable.Contains(end.On.Id!) => end.On.Id,
            AttachmentKind.Row => boxOfRow.GetValueOrDefault(end.On.Id!),
            _ => null,
        };

    private static string? FormAt(LineEnd end, Dictionary<string, Shape> others) =>
        end.On.Kind == AttachmentKind.Shape && others.TryGetValue(end.On.Id!, out var shape) ? shape.Form : null;
}
