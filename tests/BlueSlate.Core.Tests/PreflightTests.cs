using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Preparing;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>Exercises as they are looked over before anybody sees them.</summary>
public sealed class PreflightTests
{
    public static TheoryData<string> Folders => [.. DemoExercises.Folders];

    public static TheoryData<string> FoldersOfConcepts => [.. DemoExercises.FoldersOfConcepts];

    [Theory]
    [MemberData(nameof(FoldersOfConcepts))]
    public void The_sentences_that_are_proposed_decide_what_was_open(string folder)
    {
        var silent = CaseOf(folder, ScenarioProse.None);
        var open = Preflight.Of(silent).Where(item => item.Kind == "undecided-number").ToList();
        open.ShouldNotBeEmpty();

        var told = silent with { Prose = ScenarioProse.OfParagraphs([.. open.Select(item => item.Better)]) };

        Preflight
            .Of(told)
            .Where(item => item.Kind is "undecided-number" or "other-number")
            .Select(item => item.Said)
            .ShouldBeEmpty();
    }

    [Theory]
    [MemberData(nameof(Folders))]
    public void What_ships_says_what_it_draws(string folder) =>
        Preflight.Of(CaseOf(folder, DemoExercises.ProseOf(folder))).Select(item => item.Said).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(Folders))]
    public void What_has_no_name_stops_nothing(string folder)
    {
        var one = CaseOf(folder, DemoExercises.ProseOf(folder));
        var drawing = (Drawing)one.Model;
        foreach (var shape in drawing.Shapes.Where(shape => shape.Text.Length > 0))
        {
            var nameless = drawing with { Sheets = [.. drawing.Sheets.Select(sheet => WithoutText(sheet, shape))] };
            Should.NotThrow(() => Preflight.Of(one with { Model = nameless }));
        }
    }

    [Fact]
    public void What_is_accepted_besides_or_tied_to_words_is_not_open()
    {
        var one = CaseOf("repair-cafe", ScenarioProse.OfParagraphs("Fixers do repairs."));
        var open = Preflight.Of(one).First(item => item.Kind == "undecided-number" && item.Elements.Contains("r4/from"));

        var tolerated = one with
        {
            Tolerances = new Tolerances([
                new Tolerance("min:r4/from", ["0"], false, false),
                new Tolerance("max:r4/from", ["*"], false, false),
            ]),
        };
        var tied = one with { Model = ((Drawing)one.Model) with { Ties = [new Tie("r4/from", 0, 0, "Fixers do repairs")] } };

        Preflight.Of(tolerated).ShouldNotContain(item => item.Key == open.Key);
        Preflight.Of(tied).ShouldNotContain(item => item.Key == open.Key);
    }

    [Fact]
    public void Fields_and_choices_that_nothing_draws_are_told()
    {
        var one = CaseOf(
            "repair-desk",
            OnForm(
                Field(1, "Name"),
                Field(2, "E-mail"),
                Field(3, "Shoe size"),
                Field(4, "Skill", "electrics", "sewing", "wood", "bicycles")
            )
        );

        Preflight
            .Of(one)
            .Where(item => item.Kind is "undrawn-field" or "choices-undrawn")
            .Select(item => item.Places.Single().Quote)
            .ShouldBe(["bicycles", "Shoe size"], ignoreOrder: true);
    }

    [Fact]
    public void A_field_in_which_several_are_ticked_is_held_against_one_value()
    {
        var several = Field(2, "Fault", "stays cold", "smells") with { TakesSeveral = true };
        var one = CaseOf("repair-desk", OnForm(Field(1, "Item"), several));

        Preflight.Of(one).Single(item => item.Kind == "fields-several").Places.ShouldBe([several.Label.Place]);
        Preflight
            .Of(one with { Prose = OnForm(Field(1, "Item"), several with { TakesSeveral = false }) })
            .ShouldNotContain(item => item.Kind == "fields-several");
    }

    [Fact]
    public void What_is_printed_on_a_form_or_in_a_listing_is_spoken_of()
    {
        var silent = CaseOf("repair-desk", ScenarioProse.OfParagraphs("A registration is made."));
        var printed = silent with
        {
            Prose = silent.Prose with
            {
                Blocks = ["A registration is made.", "Fault", "class Slot { int lengthInMinutes; }"],
                Forms = [new FormSheet("", [Field(1, "Fault")], [1])],
                Listings = [new CodeListing(new RowCell("class Slot { int lengthInMinutes; }", 2), [2])],
            },
        };

        var (before, after) = (Subject.Of(silent.Options).Cover(silent), Subject.Of(silent.Options).Cover(printed));
        after.Decided.ShouldBeGreaterThan(before.Decided);
        after.Proposed.Select(tie => tie.Place.Quote).ShouldContain("Fault");
    }

    private static ScenarioProse OnForm(params ReadOnlySpan<FormField> fields) =>
        new(
            [
                "",
                .. fields.ToArray().Select(field => field.Label.Text),
                .. fields.ToArray().SelectMany(field => field.Choices.Select(choice => choice.Text)),
            ],
            []
        )
        {
            Forms = [new FormSheet("Slip", [.. fields], [])],
        };

    private static FormField Field(int block, string label, params ReadOnlySpan<string> choices) =>
        new(new RowCell(label, block), [.. choices.ToArray().Select((choice, at) => new RowCell(choice, 20 + at))]);

    [Fact]
    public void What_three_things_are_together_is_told_in_one_sentence_with_its_limit()
    {
        var model = new Sketch()
            .Box("Beekeeper")
            .Box("Meadow")
            .Box("Season")
            .Diamond("looks after", Outline.Single, ("Beekeeper", "1", false), ("Meadow", "N", false), ("Season", "M", false))
            .ToDrawing();
        var silent = new PreflightCase(model, new ChenOptions(), ScenarioProse.OfParagraphs("There are beekeepers and meadows."));
        IEnumerable<PreflightItem> Open(string told) =>
            Preflight
                .Of(silent with { Prose = ScenarioProse.OfParagraphs(told) })
                .Where(item => item.Kind == "undecided-together");

        Open("There are beekeepers and meadows.")
            .ShouldHaveSingleItem()
            .Said.ShouldStartWith("No sentence speaks of a beekeeper");
        var open = Open("In a season a beekeeper looks after a meadow.").ShouldHaveSingleItem();
        open.Better.ShouldBe("For one meadow and one season together there is at most one beekeeper.");
        Open($"In a season a beekeeper looks after a meadow. {open.Better}").ShouldBeEmpty();
    }

    [Fact]
    public void Rows_speak_against_what_anybody_draws()
    {
        var table = new RowTable(
            [new RowCell("hive no", 0), new RowCell("queen", 1)],
            [
                [new RowCell("1", 2), new RowCell("Ida", 3)],
                [new RowCell("1", 4), new RowCell("Una", 5)],
            ]
        );
        var drawn = new Sketch().Box("Hive", "PK hive no", "queen").ToDrawing();
        var one = new PreflightCase(
            drawn,
            new CrowsFootOptions(),
            new ScenarioProse(["hive no", "queen", "1", "Ida", "1", "Una"], [table])
        )
        {
            Drawn = "your drawing",
        };

        Subject
            .Of(one.Options)
            .AgainstRows(one)
            .ShouldHaveSingleItem()
            .Said.ShouldBe("Rows 1 and 2 have the same hive no (1), by which your drawing tells hives apart.");
        Subject.Of(one.Options).AgainstRows(one with { Prose = ScenarioProse.None }).ShouldBeEmpty();
    }

    [Fact]
    public void A_tie_whose_words_are_gone_is_shown_and_decides_nothing()
    {
        var one = CaseOf("repair-cafe", ScenarioProse.OfParagraphs("Fixers do repairs."));
        var lost = one with { Model = ((Drawing)one.Model) with { Ties = [new Tie("r4/from", 0, 0, "exactly one fixer")] } };

        Preflight.Of(lost).ShouldContain(item => item.Kind == "lost-tie" && item.Elements.Contains("r4/from"));
        Preflight.Of(lost).ShouldContain(item => item.Kind == "undecided-number" && item.Elements.Contains("r4/from"));
    }

    [Fact]
    public void Marks_lines_and_time_are_held_against_the_model_answer()
    {
        var one = CaseOf("repair-cafe", DemoExercises.ProseOf("repair-cafe"));
        var scheme = SchemeDeriver.Derive(one.Facts, 40);
        var first = scheme.Lines[0];
        var changed = one with
        {
            Scheme = scheme with
            {
                Lines = scheme.Lines.SetItem(0, first with { Marks = first.Marks + 1, FactIds = ["entity:gone"] }),
            },
            Marks = 40,
            Minutes = 2,
        };

        Preflight.Of(one with { Scheme = scheme, Marks = 40, Minutes = 60 }).ShouldBeEmpty();
        Preflight
            .Of(changed)
            .Select(item => item.Kind)
            .Distinct()
            .ShouldBe(["marks", "uncounted", "empty-line", "time"], ignoreOrder: true);
        Preflight.Of(one with { Minutes = 60, SecondsPerFact = 600 }).ShouldContain(item => item.Kind == "time");
    }

    [Theory]
    [InlineData("item number|description|fault", "7|lamp|dark;8|kettle|leaks", "")]
    [InlineData("item number|description|fault", "7|lamp|dark;7|kettle|leaks", "rows-key b3 t6")]
    [InlineData("item number|description|fault", "7|lamp|dark;8||leaks", "rows-empty t7")]
    [InlineData("item number|visit number|fault", "7|100|dark;8|100 and 101|leaks", "rows-maximum r2/from")]
    [InlineData("visit number|visitor number|date", "100|5|May;100|6|May", "rows-key b2 t4;rows-maximum r1/from")]
    [InlineData("item|fault", "7|dark;7|leaks", "rows-key b3 t6")]
    [InlineData("part code|price", "F1|3;F2|4 / 5", "rows-several t15")]
    [InlineData("colour|weight", "red|7;red|7", "")]
    public void Rows_are_held_against_the_model_answer(string head, string rows, string expected)
    {
        var blocks = new List<string>();
        RowCell Cell(string text)
        {
            blocks.Add(text);
            return new RowCell(text, blocks.Count - 1);
        }

        ImmutableArray<RowCell> Row(string text) => [.. text.Split('|').Select(Cell)];

        var table = new RowTable(Row(head), [.. rows.Split(';').Select(Row)]);
        var prose = DemoExercises.ProseOf("repair-cafe");
        var said = Preflight
            .Of(CaseOf("repair-cafe", new ScenarioProse([.. blocks, .. prose.Blocks], [table])))
            .Where(item => item.Kind.StartsWith("rows", StringComparison.Ordinal))
            .Select(item => $"{item.Kind} {string.Join(' ', item.Elements)}");

        string.Join(';', said).ShouldBe(expected);
    }

    [Fact]
    public void What_a_list_has_more_than_the_drawing_is_named()
    {
        var one = CaseOf(
            "repair-cafe",
            ScenarioProse.OfParagraphs(
                "Parts have a code, a price and a shelf life. A visitor has a number, a name and a pet name."
            )
        );

        Preflight
            .Of(one)
            .Where(item => item.Kind == "undrawn")
            .SelectMany(item => item.Places)
            .Select(place => place.Quote)
            .ShouldBe(["shelf life", "pet name"]);
    }

    [Fact]
    public void The_same_exercise_gives_the_same_items()
    {
        var one = CaseOf("observatory", ScenarioProse.OfParagraphs("Observers book sessions."));

        Preflight.Of(one).Select(item => item.Key).ShouldBe(Preflight.Of(one).Select(item => item.Key));
        Preflight.Of(one).Select(item => item.Key).ShouldBeUnique();
    }

    private static PreflightCase CaseOf(string folder, ScenarioProse prose)
    {
        var part = DemoExercises.PartOf(folder);
        var assessment = DemoExercises.AssessmentOf(folder);
        return new PreflightCase(DemoExercises.Load($"{folder}/model.json"), part.Learned, prose)
        {
            Tolerances = new Tolerances(assessment.ToTolerances()),
        };
    }

    private static Sheet WithoutText(Sheet sheet, Shape shape) =>
        sheet with
        {
            Shapes =
            [
                .. sheet.Shapes.Select(one =>
                    one == shape ? one with { Text = "", Compartments = [.. one.Compartments.Select(WithoutText)] } : one
                ),
            ],
        };

    private static ImmutableArray<TextLine> WithoutText(ImmutableArray<TextLine> rows) =>
        [.. rows.Select(row => row with { Text = "" })];
}
