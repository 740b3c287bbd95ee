using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// What is done to stages as a whole: the next one is begun from one that is there, and a dependency gets a table of its own. Both go by
/// the arrows that are drawn, right or wrong.
/// </summary>
internal static class StageDeeds
{
    /// <summary>Begins the next stage.</summary>
    public const string NextStage = "next-stage";

    /// <summary>Gives a dependency a table of its own.</summary>
    public const string OwnTable = "own-table";

    /// <summary>Adds the stages that follow from the arrows, for whoever sets an exercise.</summary>
    public const string Propose = "propose-stages";

    private static readonly string[] GenericWords = ["no", "number", "nr", "id", "code", "key", "name"];

    /// <summary>
    /// A sheet after the others: from the first, all attributes as one table; from any other, its tables once more. Named after the next
    /// form that no sheet claims.
    /// </summary>
    public static Done Next(Drawing drawing, string from)
    {
        var at = drawing.Sheets.ToList().FindIndex(sheet => sheet.Id == from);
        if (at < 0 || drawing.Sheets.Length == DrawingLimits.Sheets)
        {
            return new Done(null, $"A drawing has at most {DrawingLimits.Sheets} sheets.");
        }

        var reading = DependencyReader.Read(drawing);
        var ids = new FreshIds(drawing);
        if (reading.Laid == 0 && !drawing.Sheets[at].Shapes.Any(shape => StageReader.IsTable(shape, at)))
        {
            return new Done(null, "Lay out the attributes first: a stage begins with all of them in one table.");
        }

        var title = TitleAfter(drawing, at);
        var first =
            drawing.Sheets[0].Name.Length == 0 ? drawing.Sheets[0] with { Name = StageReader.Diagram } : drawing.Sheets[0];
        var next = drawing.Sheets[at].Shapes.Any(shape => StageReader.IsTable(shape, at))
            ? Copy(drawing.Sheets[at], at, title, ids)
            : WithAll(reading, title, ids);
        return new Done(drawing with { Sheets = [first, .. drawing.Sheets.Skip(1), next] });
    }

    /// <summary>
    /// Sheets with the tables of each stage, as they follow from the arrows; only where no stage is drawn yet.
    /// </summary>
    public static Done ProposeStages(Drawing drawing)
    {
        var reading = DependencyReader.Read(drawing);
        if (!reading.Stages.IsEmpty)
        {
            return new Done(null, "There are stages already: take their sheets away first.");
        }

        if (reading.Dependencies.IsEmpty)
        {
            return new Done(null, "Draw the dependencies first: the stages follow from them.");
        }

        var ids = new FreshIds(drawing);
        var sheets = StageProposal
            .Of(reading.Stored, reading.Key)
            .Take(DrawingLimits.Sheets - drawing.Sheets.Length)
            .Select(stage => new Sheet(ids.Next(), FormNames.Short(stage.Form), Shapes(stage.Tables, reading, ids), []))
            .Select(sheet => sheet.Shapes.Aggregate(sheet, (all, table) => StageArrows.DrawnIn(all, table, reading, ids)));
        var first =
            drawing.Sheets[0].Name.Length == 0 ? drawing.Sheets[0] with { Name = StageReader.Diagram } : drawing.Sheets[0];
        return new Done(drawing with { Sheets = [first, .. drawing.Sheets.Skip(1), .. sheets] });
    }

    private static ImmutableArray<Shape> Shapes(ImmutableArray<ProposedTable> tables, DependencyReading reading, FreshIds ids)
    {
        var names = new HashSet<string>(StringComparer.Ordinal);
        return
        [
            .. tables.Select(table =>
            {
                var foreign = tables
                    .Where(other => other != table && other.Key.IsSubsetOf(table.All) && other.Key != table.Key)
                    .Aggregate(AttributeSet.Empty, (all, other) => all | other.Key);
                var name = Free(
                    tables.Length == 1 ? "Everything" : NameOf(table.Key.Select(i => reading.Attributes[i].Name.Text)),
                    names
                );
                return Table(ids.Next(), name, [.. table.All.Select(i => Column(i, table, foreign, reading, ids))]);
            }),
        ];
    }

    private static TextLine Column(
        int attribute,
        ProposedTable table,
        AttributeSet foreign,
        DependencyReading reading,
        FreshIds ids
    ) =>
        new(
            ids.Next(),
            foreign.Contains(attribute) ? "FK" : "",
            false,
            reading.Attributes[attribute].Name.Text,
            table.Key.Contains(attribute) ? Underline.Solid : Underline.None
        );

    private static Shape Table(string id, string name, ImmutableArray<TextLine> columns) =>
        new(id, Form.Strip, Outline.Single, name, [columns], null);

    private static string Free(string name, HashSet<string> taken)
    {
        var free = name;
        for (var number = 2; !taken.Add(Name.Of(free).Key); number++)
        {
            free = $"{name} {number}";
        }

        return free;
    }

    /// <summary>
    /// Takes what is determined out of a table, into one of its own whose key is what determines; that stays behind as a foreign key.
    /// Chosen are lines of one table: what determines, with or without what it determines there.
    /// </summary>
    public static Done GiveOwnTable(Drawing drawing, IReadOnlyList<string> chosen)
    {
        var reading = DependencyReader.Read(drawing);
        var holding = reading
            .Stages.SelectMany(stage => stage.Tables.Select(table => (Stage: stage, Table: table)))
            .Where(one => one.Table.Columns.Any(column => chosen.Contains(column.Id)))
            .ToList();
        if (holding.Count != 1)
        {
            return new Done(null, "Choose lines of one table: what determines, and what it determines.");
        }

        var (stage, table) = holding[0];
        var set = AttributeSet.Of(table.Columns.Where(column => chosen.Contains(column.Id)).Select(column => column.Attribute));
        var implied = reading.Set.Implied;
        var from = Determinant(set, implied);
        var to = from == set ? (implied.ClosureOf(set) & table.All) - set : set - from;
        if (to.IsEmpty)
        {
            return new Done(
                null,
                $"By your arrows, {reading.Say(set)} {(set.Count == 1 ? "determines" : "determine")} nothing else in {table.Said}."
            );
        }

        return (from | to) == table.All
            ? new Done(null, $"That is all of {table.Said} already.")
            : new Done(Split(drawing, stage, table, from, to));
    }

    // A smallest part of what is chosen that determines the rest of it; the later ones are left out first.
    private static AttributeSet Determinant(AttributeSet set, Implication implied) =>
        set.Reverse()
            .Aggregate(set, (left, i) =>
                set.IsSubsetOf(implied.ClosureOf(left - AttributeSet.Of(i))) ? left - AttributeSet.Of(i) : left
            );

    private static Drawing Split(Drawing drawing, Stage stage, StageTable table, AttributeSet from, AttributeSet to)
    {
        var ids = new FreshIds(drawing);
        var at = drawing.Sheets.ToList().FindIndex(sheet => sheet.Id == stage.Id);
        var sheet = drawing.Sheets[at];
        var old = sheet.Shapes.First(shape => shape.Id == table.Id);
        bool Is(TextLine row, AttributeSet set) =>
            table.Columns.Any(column => column.Id == row.Id && set.Contains(column.Attribute));

        var moved = old.TextLines.Where(row => Is(row, to)).Select(row => row with { Underline = Underline.None });
        var key = old
            .TextLines.Where(row => Is(row, from))
            .Select(row => row with { Id = ids.Next(), Mark = "", Underline = Underline.Solid });
        var name = Free(NameOf(from, table), [.. stage.Tables.Select(other => Name.Of(other.Name).Key)]);
        var own = new Shape(
            ids.Next(),
            old.Form,
            old.Outline,
            name,
            [
                [.. key, .. moved],
            ],
            null
        );
        var left = old with
        {
            Compartments =
            [
                .. old.Compartments.Select(rows =>
                    rows.Where(row => !Is(row, to)).Select(row => Is(row, from) ? Foreign(row) : row).ToImmutableArray()
                ),
            ],
        };
        var changed = sheet with { Shapes = [.. sheet.Shapes.Select(shape => shape.Id == old.Id ? left : shape), own] };
        return StageArrows.After(drawing, at, changed, ids);
    }

    private static TextLine Foreign(TextLine row) =>
        row.Mark.Split(' ').Any(StageReader.IsForeignMark)
            ? row
            : row with
            {
                Mark = row.Mark.Length == 0 ? "FK" : $"{row.Mark} FK",
            };

    private static string NameOf(AttributeSet from, StageTable table) =>
        NameOf(table.Columns.Where(column => from.Contains(column.Attribute)).Select(column => column.Name.Text));

    // Called after what identifies a row: visitor no gives Visitor.
    private static string NameOf(IEnumerable<string> key)
    {
        var names = key.Select(name =>
        {
            var words = name.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            var isGeneric = words.Length > 1 && GenericWords.Contains(words[^1], StringComparer.OrdinalIgnoreCase);
            return string.Join(' ', isGeneric ? words[..^1] : words);
        });
        return Phrasing.Capital(string.Join(' ', names));
    }

    private static string TitleAfter(Drawing drawing, int at)
    {
        var claimed = drawing.Sheets.Skip(1).Select(sheet => FormNames.Claimed(sheet.Name)).OfType<NormalForm>().ToHashSet();
        var next = at == 0 ? NormalForm.First : FormNames.Claimed(drawing.Sheets[at].Name) + 1 ?? NormalForm.First;
        while (claimed.Contains(next))
        {
            next++;
        }

        return next <= NormalForm.Fourth ? FormNames.Short(next) : $"stage {drawing.Sheets.Length}";
    }

    // The tables, and the arrows in them.
    private static Sheet Copy(Sheet sheet, int number, string title, FreshIds ids)
    {
        var shapes = sheet.Shapes.Where(shape => StageReader.IsTable(shape, number) || DependencyReader.IsGather(shape)).ToList();
        var copies = shapes
            .SelectMany(shape => shape.TextLines.Select(row => row.Id).Prepend(shape.Id))
            .ToDictionary(id => id, _ => ids.Next(), StringComparer.Ordinal);
        bool Copied(LineEnd end) => end.On.Id is { } id && copies.ContainsKey(id);
        LineEnd EndOf(LineEnd end) => end with { On = end.On with { Id = copies[end.On.Id!] } };
        return new Sheet(
            ids.Next(),
            title,
            [.. shapes.Select(shape => Copy(shape, copies))],
            [
                .. sheet
                    .Lines.Where(line => Copied(line.From) && Copied(line.To))
                    .Select(line => line with { Id = ids.Next(), From = EndOf(line.From), To = EndOf(line.To) }),
            ]
        );
    }

    private static Shape Copy(Shape shape, Dictionary<string, string> copies) =>
        shape with
        {
            Id = copies[shape.Id],
            Compartments =
            [
                .. shape.Compartments.Select(rows => rows.Select(row => row with { Id = copies[row.Id] }).ToImmutableArray()),
            ],
        };

    private static Sheet WithAll(DependencyReading reading, string title, FreshIds ids)
    {
        var table = Table(
            ids.Next(),
            "Everything",
            [
                .. reading.LaidOut.Select(attribute => new TextLine(
                    ids.Next(),
                    "",
                    false,
                    attribute.Name.Text,
                    attribute.IsInKey ? Underline.Solid : Underline.None
                )),
            ]
        );
        return StageArrows.DrawnIn(new Sheet(ids.Next(), title, [table], []), table, reading, ids);
    }
}
