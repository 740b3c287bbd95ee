using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>Arrows between the lines of a table: they say the same as those of the diagram, and follow their lines.</summary>
public sealed class StageArrowTests
{
    private static readonly DependencyOptions Options = new();
    private static readonly Subject Subject = Subject.Of(Options);

    private static readonly string[] Diagram =
    [
        "Attributes: mooring no, pier, berth, boat, skipper, skipper phone, from",
        "Key: mooring no, from",
        "Mooring no determines pier and berth",
        "Mooring no and from determine boat",
        "Boat determines skipper",
        "Skipper determines skipper phone",
    ];

    private static readonly string[] Names = ["reed", "dune", "tern", "gull", "plover", "sand"];

    private static readonly Gen<string[]> AnyDiagram = Gen.Select(
            Gen.Int[0, Names.Length - 1].Array[1, 3].Select(from => from.Distinct().Order().ToArray()),
            Gen.Int[0, Names.Length - 1]
        )
        .Where((from, to) => !from.Contains(to))
        .Array[1, 7]
        .Select(arrows =>
            (string[])
                [
                    $"Attributes: {string.Join(", ", Names)}",
                    .. arrows
                        .Select(arrow => $"{string.Join(", ", arrow.Item1.Select(i => Names[i]))} -> {Names[arrow.Item2]}")
                        .Distinct(),
                ]
        );

    [Fact]
    public void A_stage_begins_with_the_arrows_of_the_diagram_inside_its_table()
    {
        var drawing = Typed(Diagram);
        var next = Next(drawing, 0);
        ArrowsOn(next.Sheets[1])
            .ShouldBe([
                "boat > skipper",
                "mooring no > berth",
                "mooring no > pier",
                "mooring no, from > boat",
                "skipper > skipper phone",
            ]);
        Said(next).ShouldBe(Said(drawing));
        next.Sheets[1].Shapes[0].Form.ShouldBe(Form.Strip);
        ArrowsOn(Next(next, 1).Sheets[2]).ShouldBe(ArrowsOn(next.Sheets[1]));
    }

    [Fact]
    public void What_gathers_from_a_table_that_shrinks_is_given_a_place_anew_and_all_else_stays()
    {
        var stage = Next(Typed([.. Diagram, "Pier and berth determine boat"]), 0);
        var placed = stage.Sheets[1] with
        {
            Shapes = [.. stage.Sheets[1].Shapes.Select((shape, i) => shape with { Place = new Place(i * 900, 0, 40, 40) })],
        };
        var pinned = placed.Shapes.Last(DependencyReader.IsGather).Id;
        placed = placed with { Shapes = [.. placed.Shapes.Select(shape => shape with { Pinned = shape.Id == pinned })] };
        var table = placed.Shapes.First(shape => !DependencyReader.IsGather(shape)).Id;
        var sheet = Own(stage with { Sheets = stage.Sheets.SetItem(1, placed) }, "skipper").Sheets[1];
        sheet
            .Shapes.Where(shape => placed.Shapes.Any(old => old.Id == shape.Id) && shape.Place is null)
            .ShouldHaveSingleItem()
            .ShouldSatisfyAllConditions(
                gather => DependencyReader.IsGather(gather).ShouldBeTrue(),
                gather => gather.Id.ShouldNotBe(pinned)
            );
        sheet.Shapes.First(shape => shape.Id == table).Place.ShouldNotBeNull();
    }

    [Fact]
    public void What_gets_a_table_of_its_own_takes_its_arrows_along()
    {
        var drawing = Own(Next(Typed(Diagram), 0), "skipper");
        // What determined the skipper's phone by way of the skipper is told in the diagram, and crosses no tables.
        ArrowsOn(drawing.Sheets[1])
            .ShouldBe([
                "boat > skipper",
                "mooring no > berth",
                "mooring no > pier",
                "mooring no, from > boat",
                "skipper > skipper phone",
            ]);
        TablesOf(drawing.Sheets[1], "skipper", "skipper phone").ShouldBe(1);
        var again = Own(drawing, "mooring no");
        TablesOf(again.Sheets[1], "mooring no", "pier", "berth").ShouldBe(1);
        ArrowsOn(again.Sheets[1]).Count.ShouldBe(5);
    }

    [Fact]
    public void Arrows_that_no_table_holds_any_more_are_kept_in_the_diagram()
    {
        // Only on the stage is it said that a pier has one skipper.
        var drawing = Next(Typed(Diagram), 0);
        var strip = drawing.Sheets[1].Shapes[0];
        string Row(string name) => strip.TextLines.Single(row => row.Text == name).Id;
        drawing = WithLine(drawing, Row("pier"), Row("skipper"), EndMark.Arrow);
        Said(drawing).ShouldContain("Pier determines skipper");
        var apart = Own(drawing, "boat", "skipper");
        Said(apart).ShouldContain("Pier determines skipper");
        ArrowsOn(apart.Sheets[1]).ShouldNotContain("pier > skipper");
        ArrowsOn(apart.Sheets[0]).ShouldContain("pier > skipper");
    }

    [Fact]
    public void A_line_from_table_to_table_refers_and_says_nothing()
    {
        var drawing = Own(Next(Typed(Diagram), 0), "skipper");
        var (old, own) = (drawing.Sheets[1].Shapes[0], drawing.Sheets[1].Shapes.Last(shape => shape.Form == Form.Strip));
        var foreign = old.TextLines.Single(row => row.Text == "skipper").Id;
        foreach (var marks in new[] { "", EndMark.Arrow })
        {
            var referring = WithLine(drawing, foreign, own.TextLines.First().Id, marks);
            Said(referring).ShouldBe(Said(drawing));
            DependencyReader.Read(referring).Remarks.ShouldBeEmpty();
            DependencyReader.Read(WithLine(drawing, foreign, own.Id, marks)).Remarks.ShouldBeEmpty();
        }
    }

    [Fact]
    public void What_a_number_of_its_own_determines_is_no_arrow_of_the_diagram()
    {
        var drawing = Next(Typed(Diagram), 0);
        var numbered = (Drawing)Subject.Do(drawing, "own-number", [drawing.Sheets[1].Shapes[0].Id])!.Document!;
        var strip = numbered.Sheets[1].Shapes[0];
        var number = strip.TextLines.First();
        var boat = strip.TextLines.Single(row => row.Text == "boat").Id;
        var drawn = WithLine(numbered, number.Id, boat, EndMark.Arrow);
        Said(drawn).ShouldBe(Said(numbered));
        DependencyReader.Read(drawn).Remarks.ShouldBeEmpty();

        // Nor is what it determines together with others.
        var gather = new Shape("g", Form.Junction, Outline.Single, "", [], null);
        drawn = drawn with
        {
            Sheets = drawn.Sheets.SetItem(1, drawn.Sheets[1] with { Shapes = drawn.Sheets[1].Shapes.Add(gather) }),
        };
        drawn = WithLine(drawn, number.Id, "g", "");
        drawn = WithLine(drawn, strip.TextLines.Single(row => row.Text == "pier").Id, "g", "");
        drawn = WithLine(drawn, "g", boat, EndMark.Arrow);
        Said(drawn).ShouldBe(Said(numbered));
        DependencyReader.Read(drawn).Remarks.ShouldBeEmpty();
    }

    [Fact]
    public void What_is_no_longer_said_is_drawn_nowhere_any_more()
    {
        var drawing = Next(Typed(Diagram), 0);
        var lines = Said(drawing).Where(line => !line.StartsWith("Boat", StringComparison.Ordinal)).ToArray();
        string[] tables = [.. Subject.Sentences(drawing, Options).Select(one => one.Text).Except(Said(drawing))];
        var amended = (Drawing)Subject.Retype(drawing, [.. lines, .. tables], Options)!.Document;
        Said(amended).ShouldBe(lines);
        amended.Sheets.Select(sheet => ArrowsOn(sheet).Count).ShouldBe([4, 4]);
    }

    [Fact]
    public void A_table_and_its_arrows_are_one_step_of_a_worked_solution()
    {
        var drawing = Own(Next(Typed(Diagram), 0), "skipper");
        var steps = Subject.Steps(new PreflightCase(drawing, Options, ScenarioProse.None));
        var all = steps.SelectMany(step => step.Elements).ToList();
        all.ShouldBeUnique();
        drawing.Lines.Select(line => line.Id).ShouldBeSubsetOf(all);
        drawing.Shapes.Select(shape => shape.Id).ShouldBeSubsetOf(all);
        // No arrow is drawn before its ends are.
        var seen = new HashSet<string>();
        foreach (var step in steps)
        {
            seen.UnionWith(step.Elements);
            drawing
                .Lines.Where(line => step.Elements.Contains(line.Id))
                .ShouldAllBe(line => seen.Contains(line.From.On.Id!) && seen.Contains(line.To.On.Id!));
        }
    }

    [Fact]
    public void Whatever_is_done_to_tables_the_arrows_say_what_they_said_and_none_crosses() =>
        Gen.Select(AnyDiagram, Gen.Int[0, 1000].Array[1, 6])
            .Sample(
                (lines, deeds) =>
                {
                    var drawing = Next(Typed(lines), 0);
                    var said = Said(drawing).Where(line => !line.Contains(':', StringComparison.Ordinal)).ToList();
                    foreach (var deed in deeds)
                    {
                        var before = drawing;
                        drawing = Changed(drawing, deed);
                        Said(drawing).Where(line => !line.Contains(':', StringComparison.Ordinal)).ShouldBe(said);
                        DependencyReader.Read(drawing).Remarks.ShouldBeEmpty();
                        DrawingReader.Read(DrawingWriter.WriteText(drawing)).Drawing.ShouldNotBeNull();
                        foreach (var (sheet, i) in drawing.Sheets.Skip(1).Select((sheet, i) => (sheet, i + 1)))
                        {
                            // Where none was drawn, none is wanted.
                            var hadNone = before.Sheets.Length > i && ArrowsOn(before.Sheets[i]).Count == 0;
                            var arrows = hadNone ? [] : ArrowsWithin(sheet, DependencyReader.Read(drawing));
                            ArrowsOn(sheet).ShouldBe(arrows, $"sheet {i}");
                        }
                    }
                },
                iter: 1000
            );

    // One deed or another on the last sheet, chosen by a number; nothing where that cannot be done.
    private static Drawing Changed(Drawing drawing, int deed)
    {
        var tables = drawing.Sheets[^1].Shapes.Where(shape => shape.Form == Form.Strip).ToList();
        var table = tables[deed / 7 % tables.Count];
        var rows = table.TextLines.ToList();
        string[] one = [rows[deed / 3 % rows.Count].Id];
        string[] two = [.. one, rows[deed / 11 % rows.Count].Id];
        var done = (deed % 7) switch
        {
            0 => Subject.Do(drawing, "next-stage", [drawing.Sheets[^1].Id]),
            1 when tables.Count > 1 => Subject.Do(
                drawing,
                "merge-tables",
                [.. new[] { tables[0].Id, tables[1 + (deed % (tables.Count - 1))].Id }]
            ),
            2 => Subject.Do(drawing, "own-number", [table.Id]),
            3 or 4 => Subject.Do(drawing, "own-table", one),
            _ => Subject.Do(drawing, "own-table", [.. two.Distinct()]),
        };
        return (Drawing?)done?.Document ?? drawing;
    }

    private static Drawing Next(Drawing drawing, int sheet) =>
        (Drawing)Subject.Do(drawing, "next-stage", [drawing.Sheets[sheet].Id])!.Document!;

    private static Drawing Own(Drawing drawing, params string[] names)
    {
        var table = drawing.Sheets[^1].Shapes.First(shape => names.All(name => shape.TextLines.Any(row => row.Text == name)));
        return (Drawing)
            Subject
                .Do(drawing, "own-table", [.. names.Select(name => table.TextLines.First(row => row.Text == name).Id)])!
                .Document!;
    }

    private static Drawing WithLine(Drawing drawing, string from, string to, string head)
    {
        AttachmentKind Kind(string id) => drawing.Shapes.Any(shape => shape.Id == id) ? AttachmentKind.Shape : AttachmentKind.Row;
        var line = new Line(
            $"l{drawing.Lines.Count()}",
            Stroke.Solid,
            "",
            new LineEnd(new Attachment(Kind(from), from), []),
            new LineEnd(new Attachment(Kind(to), to), head.Length == 0 ? [] : [head]),
            []
        );
        return drawing with
        {
            Sheets = drawing.Sheets.SetItem(1, drawing.Sheets[1] with { Lines = drawing.Sheets[1].Lines.Add(line) }),
        };
    }

    private static int TablesOf(Sheet sheet, params string[] columns) =>
        sheet.Shapes.Count(shape => columns.ToHashSet().SetEquals(shape.TextLines.Select(row => row.Text)));

    private static IReadOnlyList<string> Said(Drawing drawing) =>
        [
            .. Subject
                .Sentences(drawing, Options)
                .Select(sentence => sentence.Text)
                .Where(text => !text.Contains("NF: ", StringComparison.Ordinal)),
        ];

    // The arrows on a sheet as they are drawn there: by what is written at their ends, what is gathered together.
    private static List<string> ArrowsOn(Sheet sheet)
    {
        var texts = sheet
            .Shapes.SelectMany(shape => shape.TextLines.Select(row => (row.Id, row.Text)).Append((shape.Id, shape.Text)))
            .ToDictionary(one => one.Id, one => one.Item2);
        string From(string id) =>
            texts[id].Length > 0
                ? texts[id]
                : string.Join(
                    ", ",
                    sheet
                        .Lines.Where(line => line.To.On.Id == id && line.To.Marks.IsEmpty)
                        .Select(line => texts[line.From.On.Id!])
                );
        return
        [
            .. sheet
                .Lines.Where(line => !line.To.Marks.IsEmpty)
                .Select(line => $"{From(line.From.On.Id!)} > {texts[line.To.On.Id!]}")
                .Order(StringComparer.Ordinal),
        ];
    }

    // The arrows that the tables of a sheet have room for.
    private static List<string> ArrowsWithin(Sheet sheet, DependencyReading reading)
    {
        string NameOf(int attribute) => reading.Attributes[attribute].Name.Text;
        return
        [
            .. sheet
                .Shapes.Where(shape => shape.Form == Form.Strip)
                .SelectMany(shape =>
                {
                    var names = shape.TextLines.Select(row => row.Text).ToHashSet();
                    return reading
                        .Dependencies.Where(arrow =>
                            names.Contains(NameOf(arrow.To)) && arrow.From.All(i => names.Contains(NameOf(i)))
                        )
                        .Select(arrow => $"{string.Join(", ", arrow.From.Select(NameOf))} > {NameOf(arrow.To)}");
                })
                .Order(StringComparer.Ordinal),
        ];
    }

    private static Drawing Typed(string[] lines)
    {
        var typed = Subject.Retype(Drawing.Empty, lines, Options)!;
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }
}
