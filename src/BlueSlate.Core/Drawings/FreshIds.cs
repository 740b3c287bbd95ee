namespace BlueSlate.Core.Drawings;

/// <summary>Makes ids that nothing in a drawing has, in a fixed order.</summary>
internal sealed class FreshIds
{
    private readonly HashSet<string> used;
    private int last;

    /// <summary>Ids that are free in a drawing.</summary>
    public FreshIds(Drawing drawing) =>
        used = drawing
            .Shapes.SelectMany(shape => shape.TextLines.Select(row => row.Id).Prepend(shape.Id))
            .Concat(drawing.Lines.Select(line => line.Id))
            .Concat(drawing.Sheets.Select(sheet => sheet.Id))
            .ToHashSet(StringComparer.Ordinal);

    /// <summary>The next one.</summary>
    public string Next()
    {
        string id;
        do
        {
            id = $"n{++last}";
        } while (!used.Add(id));
        return id;
    }
}
