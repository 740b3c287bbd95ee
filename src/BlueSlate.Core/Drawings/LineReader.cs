using System.Collections.Immutable;

namespace BlueSlate.Core.Drawings;

/// <summary>
/// Reads the lines of a sheet: what they end at, with which symbols and texts, what stands on them, and their way. Part of the
/// reading of a document, and refuses as that does.
/// </summary>
internal static class LineReader
{
    public static ImmutableArray<Line> Read(ref JsonCursor cursor, DrawingIds ids)
    {
        var lines = ImmutableArray.CreateBuilder<Line>();
        var items = cursor.Array(DrawingLimits.Lines, "lines");
        while (cursor.NextItem(ref items))
        {
            lines.Add(ReadLine(ref cursor, ids));
            ids.CountLine(cursor);
        }

        return lines.ToImmutable();
    }

    private static Line ReadLine(ref JsonCursor cursor, DrawingIds ids)
    {
        string? id = null;
        var stroke = Stroke.Solid;
        var text = "";
        LineEnd? from = null,
            to = null;
        ImmutableArray<Point> route = [];
        ImmutableArray<Along> along = [];
        ImmutableArray<LabelPlace> labels = [];
        var pointer = EndSide.Neither;
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "id":
                    id = ids.DeclareLine(ref cursor);
                    break;
                case "stroke":
                    stroke = cursor.Word(Vocabulary.Strokes);
                    break;
                case "text":
                    text = cursor.Text(DrawingLimits.Text);
                    break;
                case "from":
                    from = ReadEnd(ref cursor, ids);
                    break;
                case "to":
                    to = ReadEnd(ref cursor, ids);
                    break;
                case "route":
                    route = ReadRoute(ref cursor);
                    break;
                case "along":
                    along = ReadAlong(ref cursor);
                    break;
                case "labels":
                    labels = ReadLabels(ref cursor);
                    break;
                case "pointer":
                    pointer = cursor.Word(Vocabulary.Sides);
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        return new Line(cursor.Required(id, "id"), stroke, text, cursor.Required(from, "from"), cursor.Required(to, "to"), route)
        {
            Along = along,
            Pointer = pointer,
            Labels = labels,
        };
    }

    private static LineEnd ReadEnd(ref JsonCursor cursor, DrawingIds ids)
    {
        var on = Attachment.Nothing;
        var marks = ImmutableArray.CreateBuilder<string>();
        string label = "",
            role = "",
            count = "",
            qualifier = "";
        var edge = BoxEdge.Any;
        var properties = cursor.Object();
        while (cursor.NextProperty(ref properties))
        {
            switch (properties.Name)
            {
                case "shape":
                    on = new(AttachmentKind.Shape, ids.Refer(ref cursor, AttachmentKind.Shape));
                    break;
                case "row":
                    on = new(AttachmentKind.Row, ids.Refer(ref cursor, AttachmentKind.Row));
                    break;
                case "line":
                    on = new(AttachmentKind.Line, ids.Refer(ref cursor, AttachmentKind.Line));
                    break;
                case "end":
                    on = new(AttachmentKind.End, ids.ReferToEnd(ref cursor));
                    break;
                case "qualifier":
                    qualifier = cursor.Text(DrawingLimits.Text);
                    break;
                case "edge":
                    edge = cursor.Word(Vocabulary.Edges);
                    break;
                case "marks":
                    var items = cursor.Array(DrawingLimits.Marks, "marks");
                    while (cursor.NextItem(ref items))
                    {
                        marks.Add(cursor.Symbol(Symbols.Ends));
                    }

                    break;
                case "label":
                    label = cursor.Text(DrawingLimits.Text);
                    break;
                case "role":
                    role = cursor.Text(DrawingLimits.Text);
                    break;
                case "count":
                    count = cursor.Text(DrawingLimits.Text);
                    break;
                default:
                    cursor.Skip();
                    break;
            }
        }

        return new LineEnd(on, marks.ToImmutable(), label, role, count) { Qualifier = qualifier, Edge = edge };
    }

    private static ImmutableArray<Along> ReadAlong(ref JsonCursor cursor)
    {
        var along = ImmutableArray.CreateBuilder<Along>();
        var items = cursor.Array(DrawingLimits.Marks, "symbols");
        while (cursor.NextItem(ref items))
        {
            string? symbol = null;
            var facing = EndSide.Neither;
            var properties = cursor.Object();
            while (cursor.NextProperty(ref properties))
            {
                switch (properties.Name)
                {
                    case "symbol":
                        symbol = cursor.Symbol(Symbols.Along);
                        break;
                    case "facing":
                        facing = cursor.Word(Vocabulary.Sides);
                        break;
                    default:
                        cursor.Skip();
                        break;
                }
            }

            along.Add(new Along(cursor.Required(symbol, "symbol"), facing));
        }

        return along.ToImmutable();
    }

    private static ImmutableArray<LabelPlace> ReadLabels(ref JsonCursor cursor)
    {
        var labels = ImmutableArray.CreateBuilder<LabelPlace>();
        var items = cursor.Array(DrawingLimits.Labels, "labels");
        while (cursor.NextItem(ref items))
        {
            LabelKind? kind = null;
            var side = EndSide.Neither;
            int[] at = [0, 0];
            var ends = false;
            var properties = cursor.Object();
            while (cursor.NextProperty(ref properties))
            {
                switch (properties.Name)
                {
                    case "of":
                        kind = cursor.Word(Vocabulary.Labels);
                        break;
                    case "side":
                        side = cursor.Word(Vocabulary.Sides);
                        break;
                    case "at":
                        at = cursor.Integers(2, 2);
                        break;
                    case "ends":
                        ends = cursor.Boolean();
                        break;
                    default:
                        cursor.Skip();
                        break;
                }
            }

            labels.Add(new LabelPlace(cursor.Required(kind, "of"), side, new Point(at[0], at[1]), ends));
        }

        return labels.ToImmutable();
    }

    private static ImmutableArray<Point> ReadRoute(ref JsonCursor cursor)
    {
        var points = ImmutableArray.CreateBuilder<Point>();
        var items = cursor.Array(DrawingLimits.RoutePoints, "points");
        while (cursor.NextItem(ref items))
        {
            var pair = cursor.Integers(2, 2);
            points.Add(new Point(pair[0], pair[1]));
        }

        return points.ToImmutable();
    }
}
