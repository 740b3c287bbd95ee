using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Notations;

/// <summary>What the ends of a drawing's lines are attached to, by shape: an end at a line of text is at its box.</summary>
internal sealed class EndTargets
{
    private readonly Dictionary<string, Shape> shapes;
    private readonly Dictionary<string, Shape> boxOfRow = new(StringComparer.Ordinal);

    public EndTargets(Drawing drawing)
    {
        shapes = drawing.Shapes.ToDictionary(shape => shape.Id, StringComparer.Ordinal);
        foreach (var shape in shapes.Values)
        {
            foreach (var row in shape.TextLines)
            {
                boxOfRow.Add(row.Id, shape);
            }
        }

        Lines = [.. drawing.Lines.Select(line => new TiedLine(line, At(line.From), At(line.To)))];
    }

    /// <summary>All lines with the shapes at their ends, in the order of the document.</summary>
    public IReadOnlyList<TiedLine> Lines { get; }

    private Shape? At(LineEnd end) =>
        end.On.Kind switch
        {
            AttachmentKind.Shape => shapes.GetValueOrDefault(end.On.Id!),
            AttachmentKind.Row => boxOfRow.GetValueOrDefault(end.On.Id!),
            _ => null,
        };
}

/// <summary>A line with the shapes at its ends; null where an end is at a line or at nothing.</summary>
internal sealed record TiedLine(Line Line, Shape? From, Shape? To)
{
    /// <summary>The two ends as seen from either side, the drawn order first.</summary>
    public IEnumerable<SeenLine> BothWays => [new(this, false), new(this, true)];

    /// <summary>Whether one of its ends is at a note.</summary>
    public bool IsOfNote => From?.Form == Form.Note || To?.Form == Form.Note;
}

/// <summary>A line seen from one of its ends: what is near is at that end.</summary>
internal readonly record struct SeenLine(TiedLine Tied, bool Turned)
{
    public Line Line => Tied.Line;

    public Shape? Near => Turned ? Tied?.To : Tied?.From;

    public Shape? Far => Turned ? Tied?.From : Tied?.To;

    public LineEnd NearEnd => Turned ? Line.To : Line.From;

    public LineEnd FarEnd => Turned ? Line.From : Line.To;

    public string NearId => Turned ? Line.ToId : Line.FromId;

    public string FarId => Turned ? Line.FromId : Line.ToId;

    public EndSide NearSide => Turned ? EndSide.To : EndSide.From;
}
