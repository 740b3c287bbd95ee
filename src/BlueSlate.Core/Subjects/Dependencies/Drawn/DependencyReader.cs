using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// Reads a dependency diagram: a box, or a line of text in one, is an attribute, in a dashed box one that is calculated; a line with a head
/// goes from a determinant to what it determines, and a small shape without a text gathers determinants of several attributes. Boxes with
/// lines on further sheets are the tables of stages; arrows between lines of one of them say the same there. It is total: what cannot be
/// read gives a remark.
/// </summary>
internal sealed class DependencyReader
{
    private readonly List<DrawnAttribute> attributes = [];
    private readonly Dictionary<string, int> byElement = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> byName = new(StringComparer.Ordinal);
    private readonly HashSet<string> gathers = new(StringComparer.Ordinal);
    private readonly Dictionary<string, string> tables = new(StringComparer.Ordinal);
    private readonly List<DrawnDependency> dependencies = [];
    private readonly List<DependencyRemark> remarks = [];

    /// <summary>What a drawing says.</summary>
    public static DependencyReading Read(Drawing drawing)
    {
        var reader = new DependencyReader();
        var shapes = drawing.Sheets.SelectMany((sheet, i) => sheet.Shapes.Select(shape => (Sheet: i, Shape: shape)));
        var (ofStages, laidOut) = (new List<Shape>(), new List<Shape>());
        foreach (var (sheet, shape) in shapes.Where(one => one.Shape.Form != Form.Note))
        {
            (StageReader.IsTable(shape, sheet) ? ofStages : laidOut).Add(shape);
        }

        laidOut.ForEach(reader.Add);
        ofStages.ForEach(reader.AddTable);
        reader.Follow([.. drawing.Lines]);
        var laid = reader.attributes.Count;
        var listed = Listing.Read(drawing, name => reader.byName.TryGetValue(name.Key, out var known) ? known : null);
        var stages = StageReader.Read(drawing, reader.NumberOf);
        return new DependencyReading([.. reader.attributes], laid, [.. reader.dependencies], [.. reader.remarks], stages)
        {
            Listed = listed,
        };
    }

    /// <summary>Whether a shape gathers: it names nothing.</summary>
    public static bool IsGather(Shape shape) => shape.Form == Form.Junction && shape.TextLines.All(row => row.Text.Length == 0);

    private void Add(Shape shape)
    {
        if (IsGather(shape))
        {
            gathers.Add(shape.Id);
            return;
        }

        var rows = shape.TextLines.Where(row => row.Text.Trim().Length > 0).ToList();
        if (rows.Count == 0)
        {
            Add(shape.Id, shape.Text, shape.Underline != Underline.None, shape.Outline == Outline.Dashed);
        }

        foreach (var row in rows)
        {
            var isInKey = row.Underline != Underline.None || row.Mark.Split(' ').Any(mark => mark is "PK" or "PPK");
            Add(row.Id, row.Text, isInKey);
        }
    }

    // A line of a table that names one attribute which is laid out is a place of it for arrows.
    private void AddTable(Shape table)
    {
        tables[table.Id] = table.Id;
        foreach (var row in table.TextLines)
        {
            tables[row.Id] = table.Id;
            if (
                CellText.Read(row.Text) is ({ Length: 1 } cells, false)
                && cells[0].Whole.Length == 0
                && byName.TryGetValue(Name.Of(cells[0].Name).Key, out var known)
            )
            {
                byElement[row.Id] = known;
            }
        }
    }

    // What has the same name is the same attribute, wherever it is drawn.
    private void Add(string element, string text, bool isInKey, bool isCalculated = false)
    {
        var name = Name.Of(text.Trim());
        if (name.Words.IsEmpty)
        {
            return;
        }

        if (byName.TryGetValue(name.Key, out var known))
        {
            var before = attributes[known];
            attributes[known] = before with
            {
                IsInKey = before.IsInKey || isInKey,
                IsCalculated = before.IsCalculated || isCalculated,
                Elements = before.Elements.Add(element),
            };
            byElement[element] = known;
        }
        else if (attributes.Count < AttributeSet.Most)
        {
            byName[name.Key] = byElement[element] = attributes.Count;
            attributes.Add(new DrawnAttribute(element, name, isInKey, [element]) { IsCalculated = isCalculated });
        }
    }

    // What stands in a table only is an attribute that is not laid out.
    private int? NumberOf(Name name)
    {
        if (byName.TryGetValue(name.Key, out var known))
        {
            return known;
        }

        if (attributes.Count == AttributeSet.Most)
        {
            return null;
        }

        byName[name.Key] = attributes.Count;
        attributes.Add(new DrawnAttribute("", name, false, []));
        return attributes.Count - 1;
    }

    private void Follow(ImmutableArray<Line> lines)
    {
        var led = gathers.ToDictionary(id => id, _ => new Gathered(AttributeSet.Empty, [], [], false), StringComparer.Ordinal);
        foreach (var line in lines)
        {
            foreach (var (near, far) in new[] { (line.From, line.To), (line.To, line.From) })
            {
                // Led to the gather, with or without a head there.
                if (GatherAt(near) is { } gather && Heads(far) == 0 && (AttributeAt(far) is not null || TableAt(far).Length > 0))
                {
                    led[gather] = led[gather].With(line.Id, AttributeAt(far), TableAt(far));
                }
            }
        }

        foreach (var line in lines)
        {
            Read(line, led);
        }
    }

    // What is gathered, by the lines and from the tables in which it stands, an empty one for the diagram; strange where a line of a table
    // is led there that names nothing which is laid out.
    private sealed record Gathered(
        AttributeSet Set,
        ImmutableArray<string> Elements,
        ImmutableHashSet<string> Tables,
        bool IsStrange
    )
    {
        public Gathered With(string line, int? attribute, string table) =>
            new(
                attribute is { } one ? Set | AttributeSet.Of(one) : Set,
                Elements.Add(line),
                Tables.Add(table),
                IsStrange || attribute is null
            );
    }

    private void Read(Line line, Dictionary<string, Gathered> led)
    {
        var (from, to) = (Place(line.From), Place(line.To));
        if (from is null || to is null)
        {
            // A table may hold what is not laid out, and is referred to as a whole.
            if ((from is not null || to is not null) && TableAt(line.From).Length == 0 && TableAt(line.To).Length == 0)
            {
                remarks.Add(new DependencyRemark(DependencyRemarkKind.LooseEnd, line.Id, Known(line)));
            }

            return;
        }

        var place = 0;
        foreach (var (near, far) in new[] { (line.From, line.To), (line.To, line.From) })
        {
            if (Heads(far) == 0 || AttributeAt(far) is not { } determined)
            {
                continue;
            }

            var id = ConceptId.At(line.Id, place++);
            if (AttributeAt(near) is { } one)
            {
                Add(
                    new DrawnDependency(id, AttributeSet.Of(one), determined, Heads(far) > 1, [line.Id]),
                    line,
                    [TableAt(near)],
                    TableAt(far)
                );
            }
            else if (GatherAt(near) is { } gather && led[gather] is { } several && (several.IsStrange || !several.Set.IsEmpty))
            {
                if (several.IsStrange)
                {
                    continue;
                }

                Add(
                    new DrawnDependency(id, several.Set, determined, Heads(far) > 1, [line.Id, gather, .. several.Elements]),
                    line,
                    several.Tables,
                    TableAt(far)
                );
            }
            else
            {
                remarks.Add(new DependencyRemark(DependencyRemarkKind.EmptyGather, line.Id, Known(line)));
            }
        }

        var isReference = TableAt(line.From) != TableAt(line.To);
        if (place == 0 && !isReference && AttributeAt(line.From) is { } first && AttributeAt(line.To) is { } second)
        {
            remarks.Add(new DependencyRemark(DependencyRemarkKind.NoHead, line.Id, AttributeSet.Of([first, second])));
        }
    }

    // In a table the same may be drawn once more; from one table to another a line refers, and nothing determines anything.
    private void Add(DrawnDependency arrow, Line line, ImmutableHashSet<string> from, string to)
    {
        if (from.Count > 1 || !from.Contains(to))
        {
            return;
        }

        var letter = DependencyLetters.Read(line.Text);
        var same = to.Length == 0 ? -1 : dependencies.FindIndex(arrow.SaysTheSame);
        if (same < 0)
        {
            dependencies.Add(arrow with { Letter = letter });
        }
        else
        {
            var known = dependencies[same];
            dependencies[same] = known with
            {
                Again = known.Again.Add(line.Id),
                Letter = known.Letter == DependencyLetter.None ? letter : known.Letter,
            };
        }
    }

    private AttributeSet Known(Line line) => AttributeSet.Of(new[] { line.From, line.To }.Select(AttributeAt).OfType<int>());

    private string? Place(LineEnd end) => AttributeAt(end) is not null ? end.On.Id : GatherAt(end);

    private int? AttributeAt(LineEnd end) => end.On.Id is { } id && byElement.TryGetValue(id, out var at) ? at : null;

    private string TableAt(LineEnd end) => end.On.Id is { } id ? tables.GetValueOrDefault(id, "") : "";

    private string? GatherAt(LineEnd end) => end.On.Id is { } id && gathers.Contains(id) ? id : null;

    private static int Heads(LineEnd end) =>
        end.Marks.Count(mark => mark is EndMark.Arrow or EndMark.OpenArrow or EndMark.Triangle or EndMark.SolidTriangle);
}
