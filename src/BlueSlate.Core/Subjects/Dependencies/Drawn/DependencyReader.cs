using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// Reads a dependency diagram: a box, or a line of text in one, is an attribute, in a dashed box one that is calculated; a line with a head
/// goes from a determinant to what it determines, and a small shape without a text gathers determinants of several attributes. Boxes with
/// lines on further sheets are the tables of stages. It is total: what cannot be read gives a remark.
/// </summary>
internal sealed class DependencyReader
{
    private readonly List<DrawnAttribute> attributes = [];
    private readonly Dictionary<string, int> byElement = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> byName = new(StringComparer.Ordinal);
    private readonly HashSet<string> gathers = new(StringComparer.Ordinal);
    private readonly List<DrawnDependency> dependencies = [];
    private readonly List<DependencyRemark> remarks = [];

    /// <summary>What a drawing says.</summary>
    public static DependencyReading Read(Drawing drawing)
    {
        var reader = new DependencyReader();
        foreach (var (i, sheet) in drawing.Sheets.Index())
        {
            foreach (var shape in sheet.Shapes.Where(shape => shape.Form != Form.Note && !StageReader.IsTable(shape, i)))
            {
                reader.Add(shape);
            }
        }

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
        var led = gathers.ToDictionary(
            id => id,
            _ => (Set: AttributeSet.Empty, Elements: new List<string>()),
            StringComparer.Ordinal
        );
        foreach (var line in lines)
        {
            foreach (var (near, far) in new[] { (line.From, line.To), (line.To, line.From) })
            {
                // Led to the gather, with or without a head there.
                if (GatherAt(near) is { } gather && AttributeAt(far) is { } attribute && Heads(far) == 0)
                {
                    led[gather] = (led[gather].Set | AttributeSet.Of(attribute), led[gather].Elements);
                    led[gather].Elements.Add(line.Id);
                }
            }
        }

        foreach (var line in lines)
        {
            Read(line, led);
        }
    }

    private void Read(Line line, Dictionary<string, (AttributeSet Set, List<string> Elements)> led)
    {
        var (from, to) = (Place(line.From), Place(line.To));
        if (from is null || to is null)
        {
            if (from is not null || to is not null)
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
                Add(new DrawnDependency(id, AttributeSet.Of(one), determined, Heads(far) > 1, [line.Id]), line);
            }
            else if (GatherAt(near) is { } gather && led[gather] is { Set.IsEmpty: false } several)
            {
                Add(
                    new DrawnDependency(id, several.Set, determined, Heads(far) > 1, [line.Id, gather, .. several.Elements]),
                    line
                );
            }
            else
            {
                remarks.Add(new DependencyRemark(DependencyRemarkKind.EmptyGather, line.Id, Known(line)));
            }
        }

        if (place == 0 && AttributeAt(line.From) is { } first && AttributeAt(line.To) is { } second)
        {
            remarks.Add(new DependencyRemark(DependencyRemarkKind.NoHead, line.Id, AttributeSet.Of([first, second])));
        }
    }

    private void Add(DrawnDependency arrow, Line line) =>
        dependencies.Add(arrow with { Letter = DependencyLetters.Read(line.Text) });

    private AttributeSet Known(Line line) => AttributeSet.Of(new[] { line.From, line.To }.Select(AttributeAt).OfType<int>());

    private string? Place(LineEnd end) => AttributeAt(end) is not null ? end.On.Id : GatherAt(end);

    private int? AttributeAt(LineEnd end) => end.On.Id is { } id && byElement.TryGetValue(id, out var at) ? at : null;

    private string? GatherAt(LineEnd end) => end.On.Id is { } id && gathers.Contains(id) ? id : null;

    private static int Heads(LineEnd end) =>
        end.Marks.Count(mark => mark is EndMark.Arrow or EndMark.OpenArrow or EndMark.Triangle or EndMark.SolidTriangle);
}
