namespace BlueSlate.Drafting;

/// <summary>
/// Folds a layout that reads from left to right into rows, every other of which reads back again, so that what follows on each other stays
/// side by side and a long chain fills a page.
/// </summary>
internal static class Folding
{
    private const double RowGap = 96;
    private const int MostRows = 5;

    /// <summary>The layout folded in every way into at most five rows; none where it is one column.</summary>
    public static IEnumerable<Dictionary<string, (double X, double Y)>> Of(
        IReadOnlyList<Fan> fans,
        IReadOnlyDictionary<string, (double X, double Y)> corners
    )
    {
        var columns = ColumnsOf(fans, corners);
        return Cuts(columns.Count).Select(cuts => Folded(columns, cuts));
    }

    // After which columns a row ends: for two rows at any, for more where the rows are as long as each other.
    private static IEnumerable<int[]> Cuts(int columns)
    {
        for (var first = 1; first < columns; first++)
        {
            yield return [first, columns];
        }

        for (var rows = 3; rows <= MostRows && rows < columns; rows++)
        {
            yield return [.. Enumerable.Range(1, rows).Select(row => row * columns / rows)];
        }
    }

    // Blocks whose widths overlap stand in one column.
    private static List<Column> ColumnsOf(IReadOnlyList<Fan> fans, IReadOnlyDictionary<string, (double X, double Y)> corners)
    {
        var columns = new List<Column>();
        foreach (var fan in fans.OrderBy(fan => corners[fan.Id].X).ThenBy(fan => corners[fan.Id].Y))
        {
            var (x, y) = corners[fan.Id];
            if (columns.Count == 0 || x >= columns[^1].Right)
            {
                columns.Add(new Column { Left = x });
            }

            columns[^1].Right = Math.Max(columns[^1].Right, x + fan.Width);
            columns[^1].Blocks.Add((fan.Id, x, y, fan.Height));
        }

        return columns;
    }

    private static Dictionary<string, (double X, double Y)> Folded(List<Column> columns, int[] cuts)
    {
        var folded = new Dictionary<string, (double X, double Y)>(StringComparer.Ordinal);
        var (begin, top, edge) = (0, 0.0, 0.0);
        for (var row = 0; row < cuts.Length; row++)
        {
            var own = columns[begin..cuts[row]];
            var blocks = own.SelectMany(column => column.Blocks).ToList();
            var highest = blocks.Min(block => block.Y);
            foreach (var column in own)
            {
                // A row that reads back begins beneath the last column before it, a row that reads on likewise.
                var left = row % 2 == 0 ? edge + column.Left - own[0].Left : edge - column.Right + own[0].Left;
                foreach (var (id, x, y, _) in column.Blocks)
                {
                    folded[id] = (left + x - column.Left, top + y - highest);
                }
            }

            var width = own[^1].Right - own[0].Left;
            edge = row % 2 == 0 ? edge + width : edge - width;
            top += blocks.Max(block => block.Y + block.Height) - highest + RowGap;
            begin = cuts[row];
        }

        return folded;
    }

    private sealed class Column
    {
        public double Left { get; init; }

        public double Right { get; set; } = double.NegativeInfinity;

        public List<(string Id, double X, double Y, double Height)> Blocks { get; } = [];
    }
}
