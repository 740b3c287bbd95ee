using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting.Painting;

/// <summary>Paints one shape: its outlines from its form's data, and its texts.</summary>
internal static class ShapePainter
{
    private const double TextSize = 13;

    public static void Paint(Shape shape, Frame whole, ICanvas canvas)
    {
        var form = Symbols.Forms[shape.Form];
        var box = form.Layout == "cells" ? BodyOf(shape, whole) : whole;
        var edge = Brush.Line with
        {
            Fill = form.Solid ? Fill.Ink : Fill.Ground,
            Dashes = shape.Outline == Outline.Dashed ? "5 4" : "",
        };
        foreach (var path in form.Edge)
        {
            canvas.Path(SymbolPaths.InBox(path, box.X, box.Y, box.Width, box.Height), edge);
        }

        foreach (var path in form.Details)
        {
            canvas.Path(SymbolPaths.InBox(path, box.X, box.Y, box.Width, box.Height), Brush.Line);
        }

        if (shape.Outline == Outline.Double)
        {
            PaintDouble(form, box, canvas);
        }

        switch (form.Layout)
        {
            case "rows":
                PaintRows(shape, box, canvas);
                break;
            case "cells":
                PaintCells(shape, whole, canvas);
                break;
            case "lines":
                foreach (var (line, i) in ShapeSizes.NoteLines(shape.Text).Select((line, i) => (line, i)))
                {
                    canvas.Text(line, box.X + 10, box.Y + 20 + (i * ShapeSizes.RowHeight), new Lettering(TextSize));
                }

                break;
            default:
                var y = form.Layout == "below" ? box.Y + box.Height + 16 : box.Y + (box.Height / 2) + 4.5 + form.Drop;
                canvas.Text(
                    shape.Text,
                    box.X + (box.Width / 2),
                    y,
                    new Lettering(TextSize, Italic: shape.Italic, Anchor: 0, Underline: shape.Underline)
                );
                break;
        }
    }

    private static void PaintDouble(Symbol form, Frame box, ICanvas canvas)
    {
        var inner = form.Double.IsEmpty
            ? new Frame(
                box.X + form.Inset[0],
                box.Y + form.Inset[1],
                Math.Max(0, box.Width - (2 * form.Inset[0])),
                Math.Max(0, box.Height - (2 * form.Inset[1]))
            )
            : box;
        foreach (var path in form.Double.IsEmpty ? form.Edge : form.Double)
        {
            canvas.Path(SymbolPaths.InBox(path, inner.X, inner.Y, inner.Width, inner.Height), Brush.Line);
        }
    }

    private static void PaintRows(Shape shape, Frame box, ICanvas canvas)
    {
        var (stereotypes, name) = ShapeSizes.HeadOf(shape.Text);
        var head = ShapeSizes.HeadHeightOf(shape);
        var alone = shape.Compartments.IsEmpty;
        var (left, anchor) = alone ? (box.X + (box.Width / 2), 0) : (box.X + ShapeSizes.MarkLeft, -1);
        if (stereotypes.Length > 0)
        {
            canvas.Text(stereotypes, left, box.Y + 17, new Lettering(TextSize, Anchor: anchor));
        }

        canvas.Text(
            name,
            left,
            box.Y + head - (alone ? 3.5 : 8),
            new Lettering(TextSize, Bold: true, Italic: shape.Italic, Anchor: anchor, Underline: shape.Underline)
        );
        var indent = ShapeSizes.IndentOf(shape);
        var ruled = shape.TextLines.Any() || shape.Compartments.Length > 1;
        var y = box.Y + head;
        foreach (var rows in shape.Compartments)
        {
            if (ruled)
            {
                canvas.Path([new PathPiece('M', [box.X, y]), new PathPiece('L', [box.X + box.Width, y])], new Brush(0.8));
            }

            foreach (var row in rows)
            {
                PaintRow(row, box.X, box.X + indent, y + 15, canvas);
                y += ShapeSizes.RowHeight;
            }

            y += ShapeSizes.Foot;
        }
    }

    // The name of a strip stands before its outline.
    private static Frame BodyOf(Shape shape, Frame whole)
    {
        var name = ShapeSizes.NameWidthOf(shape);
        return whole with { X = whole.X + name, Width = whole.Width - name };
    }

    private static void PaintCells(Shape shape, Frame whole, ICanvas canvas)
    {
        var baseline = whole.Y + (whole.Height / 2) + 4.5;
        canvas.Text(
            shape.Text,
            whole.X,
            baseline,
            new Lettering(TextSize, Bold: true, Italic: shape.Italic, Underline: shape.Underline)
        );
        foreach (var ((row, x, _), i) in ShapeSizes.CellsOf(shape).Select((cell, i) => (cell, i)))
        {
            var left = whole.X + x;
            if (i > 0)
            {
                canvas.Path(
                    [new PathPiece('M', [left, whole.Y]), new PathPiece('L', [left, whole.Y + whole.Height])],
                    new Brush(0.8)
                );
            }

            PaintRow(row, left, left + ShapeSizes.LeadOf(row), baseline, canvas);
        }
    }

    private static void PaintRow(TextLine row, double left, double indent, double baseline, ICanvas canvas)
    {
        if (row.Mark.Length > 0)
        {
            canvas.Text(row.Mark, left + ShapeSizes.MarkLeft, baseline, new Lettering(12));
        }

        if (row.Ring)
        {
            canvas.Circle(indent - 9, baseline - 4.5, 4, Brush.Line);
        }

        canvas.Text(row.Text, indent, baseline, new Lettering(TextSize, Italic: row.Italic, Underline: row.Underline));
    }
}
