using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting.Painting;

/// <summary>Where the elements of a sheet stand: shapes, rows of boxes, lines by their middles, ends of lines (<c>id/from</c>).</summary>
internal static class ElementPlaces
{
    /// <summary>How far from a box the symbols of a line's end are.</summary>
    private const double AlongEnd = 14;

    /// <summary>The places by element, in pixels.</summary>
    public static Dictionary<string, Frame> Of(Sheet sheet)
    {
        var boxes = ScenePainter.Boxes(sheet, null);
        var places = new Dictionary<string, Frame>(boxes, StringComparer.Ordinal);
        foreach (var shape in sheet.Shapes)
        {
            var box = boxes[shape.Id];
            switch (Symbols.Forms[shape.Form].Layout)
            {
                case "rows":
                    AddRows(shape, box, places);
                    break;
                case "cells":
                    foreach (var (row, x, width) in ShapeSizes.CellsOf(shape))
                    {
                        places[row.Id] = new Frame(box.X + x, box.Y, width, box.Height);
                    }

                    break;
            }
        }

        foreach (var line in sheet.Lines)
        {
            var route = ScenePainter.Route(line, boxes);
            places[line.Id] = Around(ScenePainter.Middle(route), 0);
            places[$"{line.Id}/from"] = Around(ScenePainter.StandAt(route[0], route[1]), AlongEnd);
            places[$"{line.Id}/to"] = Around(ScenePainter.StandAt(route[^1], route[^2]), AlongEnd);
        }

        return places;
    }

    private static void AddRows(Shape shape, Frame box, Dictionary<string, Frame> places)
    {
        var y = box.Y + ShapeSizes.HeadHeightOf(shape);
        foreach (var rows in shape.Compartments)
        {
            foreach (var row in rows)
            {
                places[row.Id] = new Frame(box.X + 4, y + 2, box.Width - 8, ShapeSizes.RowHeight);
                y += ShapeSizes.RowHeight;
            }

            y += ShapeSizes.Foot;
        }
    }

    private static Frame Around(Stand stand, double along)
    {
        const double Half = 12;
        var (x, y) = stand.At(along, 0);
        return new Frame(x - Half, y - Half, 2 * Half, 2 * Half);
    }
}
