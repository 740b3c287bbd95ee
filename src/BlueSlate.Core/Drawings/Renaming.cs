using System.Collections.Immutable;

namespace BlueSlate.Core.Drawings;

/// <summary>A drawing under other ids, so that it can stand beside another one.</summary>
public static class Renaming
{
    /// <summary>
    /// The drawing with ids that count up after a prefix, in the order of the document; what it shows and says is the same.
    /// </summary>
    /// <param name="drawing">Any drawing.</param>
    /// <param name="prefix">What every id starts with, such as <c>v1-</c>.</param>
    public static Drawing WithPrefix(Drawing drawing, string prefix)
    {
        var names = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var sheet in drawing.Sheets)
        {
            Add(sheet.Id);
            foreach (var shape in sheet.Shapes)
            {
                Add(shape.Id);
                foreach (var row in shape.TextLines)
                {
                    Add(row.Id);
                }
            }

            foreach (var line in sheet.Lines)
            {
                Add(line.Id);
            }

            foreach (var region in sheet.Regions)
            {
                Add(region.Id);
            }
        }

        return drawing with
        {
            Sheets = [.. drawing.Sheets.Select(OfSheet)],
            Ties = [.. drawing.Ties.Select(tie => tie with { Element = Renamed(tie.Element) })],
            Comments = [.. drawing.Comments.Select(comment => comment with { Element = Renamed(comment.Element) })],
        };

        Sheet OfSheet(Sheet sheet) =>
            sheet with
            {
                Id = names[sheet.Id],
                Shapes = [.. sheet.Shapes.Select(OfShape)],
                Lines = [.. sheet.Lines.Select(OfLine)],
                Regions = [.. sheet.Regions.Select(OfRegion)],
            };

        Shape OfShape(Shape shape) => shape with { Id = names[shape.Id], Compartments = [.. shape.Compartments.Select(OfRows)] };

        ImmutableArray<TextLine> OfRows(ImmutableArray<TextLine> rows) =>
            [.. rows.Select(row => row with { Id = names[row.Id] })];

        Line OfLine(Line line) => line with { Id = names[line.Id], From = At(line.From), To = At(line.To) };

        Region OfRegion(Region region) => region with { Id = names[region.Id], Members = [.. region.Members.Select(Renamed)] };

        void Add(string id) => names.TryAdd(id, $"{prefix}{names.Count + 1}");

        LineEnd At(LineEnd end) => end.On.Id is { } id ? end with { On = end.On with { Id = Renamed(id) } } : end;

        // An end of a line is named by the line and a suffix.
        string Renamed(string id)
        {
            var slash = id.LastIndexOf('/');
            return names.TryGetValue(id, out var name) ? name
                : slash > 0 && names.TryGetValue(id[..slash], out var line) ? line + id[slash..]
                : id;
        }
    }
}
