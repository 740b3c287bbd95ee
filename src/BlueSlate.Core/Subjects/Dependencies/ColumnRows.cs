using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>A table with rows whose columns are attributes of a diagram.</summary>
internal sealed class ColumnRows
{
    private readonly RowTable table;
    private readonly Dictionary<int, int> columnOf;

    private ColumnRows(RowTable table, Dictionary<int, int> columnOf) => (this.table, this.columnOf) = (table, columnOf);

    /// <summary>The table, each attribute in the column that is called likest to it.</summary>
    public static ColumnRows Of(RowTable table, DependencyReading reading)
    {
        var heads = table.Head.Select(column => Name.Of(column.Text)).ToList();
        var columns = new Dictionary<int, int>();
        for (var i = 0; i < reading.Laid; i++)
        {
            var best = Enumerable
                .Range(0, heads.Count)
                .Select(column => (Column: column, NameSimilarity.Of(reading.Attributes[i].Name, heads[column]).Value))
                .MaxBy(one => one.Value);
            if (heads.Count > 0 && best.Value >= 0.6)
            {
                columns[i] = best.Column;
            }
        }

        return new ColumnRows(table, columns);
    }

    /// <summary>Of several tables the one that has the most of the attributes; null where none has two.</summary>
    public static ColumnRows? Best(IEnumerable<RowTable> tables, DependencyReading reading) =>
        tables.Select(table => Of(table, reading)).Where(rows => rows.columnOf.Count > 1).MaxBy(rows => rows.columnOf.Count);

    /// <summary>How many rows there are.</summary>
    public int Count => table.Rows.Length;

    /// <summary>What a row has for attributes; null where one of them has no column, or nothing stands there.</summary>
    public string? ValueOf(int row, AttributeSet attributes)
    {
        if (attributes.Any(attribute => !columnOf.ContainsKey(attribute)))
        {
            return null;
        }

        var cells = attributes.Select(attribute => Cell(row, columnOf[attribute])).ToList();
        return cells.Contains("") ? null : string.Join('\u001f', cells);
    }

    /// <summary>Whether nothing stands in a row for one of these attributes that has a column.</summary>
    public bool HasGap(int row, AttributeSet attributes) =>
        attributes.Any(attribute => columnOf.TryGetValue(attribute, out var column) && Cell(row, column).Length == 0);

    /// <summary>The first two rows that agree on a determinant and not on what it determines; null for none.</summary>
    public (int First, int Second)? Contradicting(AttributeSet from, int to) =>
        columnOf.TryGetValue(to, out var column) ? Pair(from, (a, b) => Cell(a, column) != Cell(b, column)) : null;

    /// <summary>The first two rows that agree on a set; null for none.</summary>
    public (int First, int Second)? Agreeing(AttributeSet set) => Pair(set, (_, _) => true);

    /// <summary>Where some attributes of some rows stand.</summary>
    public IEnumerable<ScenarioPlace> PlacesOf(IEnumerable<int> rows, AttributeSet attributes) =>
        from row in rows
        from attribute in attributes
        select table.Rows[row][columnOf[attribute]].Place;

    // What is missing agrees with nothing.
    private (int First, int Second)? Pair(AttributeSet on, Func<int, int, bool> tells)
    {
        if (on.IsEmpty || on.Any(attribute => !columnOf.ContainsKey(attribute)))
        {
            return null;
        }

        var seen = new Dictionary<string, List<int>>(StringComparer.Ordinal);
        for (var row = 0; row < table.Rows.Length; row++)
        {
            var cells = on.Select(attribute => Cell(row, columnOf[attribute])).ToList();
            if (cells.Contains(""))
            {
                continue;
            }

            var alike = seen.TryGetValue(string.Join('\u001f', cells), out var before) ? before : [];
            if (alike.Exists(other => tells(other, row)))
            {
                return (alike.Find(other => tells(other, row)), row);
            }

            alike.Add(row);
            seen[string.Join('\u001f', cells)] = alike;
        }

        return null;
    }

    private string Cell(int row, int column) => table.Rows[row][column].Text.Trim();
}
