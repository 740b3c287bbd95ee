using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// The arrows inside the tables of a stage, which repeat those of the diagram: drawn in a new table, and put right when a table changes.
/// </summary>
internal static class StageArrows
{
    /// <summary>
    /// A sheet with every arrow that is drawn anywhere in a table that holds both what determines and what is determined, as far as it is
    /// not drawn there. What gathers has no place yet.
    /// </summary>
    public static Sheet DrawnIn(Sheet sheet, Shape table, DependencyReading reading, FreshIds ids) =>
        With(sheet, RowsOf(table, reading), AttachmentKind.Row, reading.Dependencies, ids);

    /// <summary>
    /// A drawing after its tables have changed, with arrows that no table holds any more, and that are drawn nowhere else, in the diagram.
    /// </summary>
    private static Drawing Kept(Drawing drawing, DependencyReading before, FreshIds ids)
    {
        var now = DependencyReader.Read(drawing).Dependencies;
        var gone = before.Dependencies.Where(arrow => !now.Any(arrow.SaysTheSame)).ToList();
        if (gone.Count == 0)
        {
            return drawing;
        }

        var first = drawing.Sheets[0];
        var boxes = first.Shapes.Select(shape => shape.Id).ToHashSet(StringComparer.Ordinal);
        var laid = before
            .LaidOut.Select((attribute, i) => (i, Box: attribute.Elements.FirstOrDefault(boxes.Contains)))
            .Where(one => one.Box is not null)
            .ToDictionary(one => one.i, one => one.Box!);
        var sheet = With(first, laid, AttachmentKind.Shape, gone, ids);
        return drawing with { Sheets = drawing.Sheets.SetItem(0, sheet) };
    }

    private static Sheet With(
        Sheet sheet,
        Dictionary<int, string> places,
        AttachmentKind kind,
        IEnumerable<DrawnDependency> wanted,
        FreshIds ids
    )
    {
        var there = ArrowsIn(sheet, places).ToHashSet();
        var gathers = new Dictionary<AttributeSet, string>();
        var shapes = new List<Shape>();
        var lines = new List<Line>();
        foreach (var arrow in wanted.Where(arrow => places.ContainsKey(arrow.To) && arrow.From.All(places.ContainsKey)))
        {
            if (there.Add(new Arrow(arrow.From, arrow.To, arrow.IsMultivalued)))
            {
                var source = arrow.From.Count == 1 ? At(arrow.From.First()) : Attachment.ToShape(GatherOf(arrow.From));
                ImmutableArray<string> heads = arrow.IsMultivalued ? [EndMark.Arrow, EndMark.Arrow] : [EndMark.Arrow];
                Add(source, At(arrow.To), heads, arrow.Letter.Mark());
            }
        }

        return sheet with
        {
            Shapes = [.. sheet.Shapes, .. shapes],
            Lines = [.. sheet.Lines, .. lines],
        };

        string GatherOf(AttributeSet from)
        {
            if (!gathers.TryGetValue(from, out var gather))
            {
                gathers[from] = gather = ids.Next();
                shapes.Add(new Shape(gather, Form.Junction, Outline.Single, "", [], null));
                foreach (var attribute in from)
                {
                    Add(At(attribute), Attachment.ToShape(gather), [], "");
                }
            }

            return gather;
        }

        Attachment At(int attribute) => new(kind, places[attribute]);

        void Add(Attachment from, Attachment to, ImmutableArray<string> heads, string text) =>
            lines.Add(new Line(ids.Next(), Stroke.Solid, text, new LineEnd(from, []), new LineEnd(to, heads), []));
    }

    /// <summary>
    /// A drawing of which one sheet has changed: its arrows stand in the tables that are left, and in those that are new where there were
    /// any before.
    /// </summary>
    /// <param name="drawing">The drawing before.</param>
    /// <param name="at">The number of the sheet.</param>
    /// <param name="changed">The sheet, with lines as they were.</param>
    /// <param name="ids">Free ids.</param>
    public static Drawing After(Drawing drawing, int at, Sheet changed, FreshIds ids)
    {
        var reading = DependencyReader.Read(drawing);
        var before = drawing.Sheets[at];
        var swept = Swept(changed, before);
        var tables = changed.Shapes.Where(shape => StageReader.IsTable(shape, at) && !before.Shapes.Contains(shape));
        var rows = before.Shapes.Where(shape => StageReader.IsTable(shape, at)).Select(shape => RowsOf(shape, reading));
        var sheet = rows.Any(table => ArrowsIn(before, table).Any())
            ? tables.Aggregate(swept, (all, table) => DrawnIn(all, table, reading, ids))
            : swept;
        var after = drawing with { Sheets = drawing.Sheets.SetItem(at, Unseated(sheet, before)) };
        return Kept(after with { Ties = after.Ties.RemoveAll(tie => !after.Has(tie.Element)) }, reading, ids);
    }

    // A sheet whose tables have changed, without lines that hang on nothing, without arrows that led from a table to itself and would lead
    // to another now, or to something else, and without what gathers for no arrow.
    private static Sheet Swept(Sheet sheet, Sheet before)
    {
        var gathers = sheet.Shapes.Where(DependencyReader.IsGather).Select(shape => shape.Id).ToHashSet(StringComparer.Ordinal);
        var (were, are) = (OwnersOf(before), OwnersOf(sheet));
        var (said, says) = (NamesOf(before), NamesOf(sheet));
        var led = Ends(sheet).Where(end => gathers.Contains(end.Near)).ToLookup(end => end.Near, end => end.Far);
        var lines = sheet.Lines.Where(line => Stands(line.From) && Stands(line.To) && !Parted(line)).ToImmutableArray();
        bool Serves(string gather) =>
            lines.Any(line => line.From.On.Id == gather && !line.To.Marks.IsEmpty)
            || lines.Any(line => line.To.On.Id == gather && !line.From.Marks.IsEmpty);
        var idle = gathers.Where(gather => !Serves(gather) && led.Contains(gather)).ToHashSet(StringComparer.Ordinal);
        return sheet with
        {
            Shapes = sheet.Shapes.RemoveAll(shape => idle.Contains(shape.Id)),
            Lines = lines.RemoveAll(line => idle.Contains(line.From.On.Id ?? "") || idle.Contains(line.To.On.Id ?? "")),
        };

        bool Stands(LineEnd end) =>
            end.On.Kind is not (AttachmentKind.Shape or AttachmentKind.Row) || are.ContainsKey(end.On.Id!);

        // Of what is gathered everything counts, with what the gather leads to.
        bool Parted(Line line)
        {
            var ends = new[] { line.From, line.To }
                .SelectMany(end => end.On.Id is { } id && gathers.Contains(id) ? led[id] : [end.On.Id ?? ""])
                .Where(id => are.ContainsKey(id) || were.ContainsKey(id))
                .ToList();
            int Owners(Dictionary<string, string> owners) =>
                ends.Select(id => owners.GetValueOrDefault(id, "")).Distinct(StringComparer.Ordinal).Count();
            return line.From.Marks.Length + line.To.Marks.Length > 0
                && Owners(were) == 1
                && (Owners(are) > 1 || ends.Exists(id => said.GetValueOrDefault(id) != says.GetValueOrDefault(id)));
        }
    }

    // What gathers from a table that has changed has its place no longer: it stood over where the lines were.
    private static Sheet Unseated(Sheet sheet, Sheet before)
    {
        var changed = sheet
            .Shapes.Where(shape => !before.Shapes.Contains(shape))
            .SelectMany(shape => shape.TextLines.Select(row => row.Id))
            .ToHashSet(StringComparer.Ordinal);
        var hanging = Ends(sheet)
            .Where(end => !end.HasHead && changed.Contains(end.Far))
            .Select(end => end.Near)
            .ToHashSet(StringComparer.Ordinal);
        return sheet with
        {
            Shapes =
            [
                .. sheet.Shapes.Select(shape =>
                    hanging.Contains(shape.Id) && !shape.Pinned && DependencyReader.IsGather(shape)
                        ? shape with
                        {
                            Place = null,
                        }
                        : shape
                ),
            ],
        };
    }

    private sealed record Arrow(AttributeSet From, int To, bool IsMultivalued);

    // The lines of a table by the attributes that they name.
    private static Dictionary<int, string> RowsOf(Shape table, DependencyReading reading)
    {
        var numbers = reading
            .LaidOut.Select((attribute, i) => (attribute.Name.Key, i))
            .ToDictionary(one => one.Key, one => one.i, StringComparer.Ordinal);
        var rows = new Dictionary<int, string>();
        foreach (var row in table.TextLines)
        {
            if (numbers.TryGetValue(Name.Of(row.Text.Trim()).Key, out var attribute))
            {
                rows.TryAdd(attribute, row.Id);
            }
        }

        return rows;
    }

    private static IEnumerable<Arrow> ArrowsIn(Sheet sheet, Dictionary<int, string> rows)
    {
        var attributes = rows.ToDictionary(pair => pair.Value, pair => pair.Key, StringComparer.Ordinal);
        var led = Ends(sheet)
            .Where(end => !end.HasHead && attributes.ContainsKey(end.Far))
            .ToLookup(end => end.Near, end => attributes[end.Far], StringComparer.Ordinal);
        foreach (var end in Ends(sheet).Where(end => end.HasHead && attributes.ContainsKey(end.Far)))
        {
            var from = attributes.TryGetValue(end.Near, out var one) ? AttributeSet.Of(one) : AttributeSet.Of(led[end.Near]);
            if (!from.IsEmpty)
            {
                yield return new Arrow(from, attributes[end.Far], end.Heads > 1);
            }
        }
    }

    private sealed record Way(string Near, string Far, int Heads)
    {
        public bool HasHead => Heads > 0;
    }

    // Every line both ways, with the heads at its far end.
    private static IEnumerable<Way> Ends(Sheet sheet) =>
        sheet.Lines.SelectMany(line => new[] { WayOf(line.From, line.To), WayOf(line.To, line.From) });

    private static Way WayOf(LineEnd near, LineEnd far) => new(near.On.Id ?? "", far.On.Id ?? "", far.Marks.Length);

    private static Dictionary<string, string> NamesOf(Sheet sheet) =>
        sheet
            .Shapes.SelectMany(shape => shape.TextLines)
            .ToDictionary(row => row.Id, row => Name.Of(row.Text.Trim()).Key, StringComparer.Ordinal);

    private static Dictionary<string, string> OwnersOf(Sheet sheet) =>
        sheet
            .Shapes.SelectMany(shape => shape.TextLines.Select(row => row.Id).Prepend(shape.Id).Select(id => (id, shape.Id)))
            .ToDictionary(one => one.id, one => one.Id, StringComparer.Ordinal);
}
