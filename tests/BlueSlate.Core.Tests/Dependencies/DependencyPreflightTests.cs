using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>What may be amiss with an exercise about dependencies.</summary>
public sealed class DependencyPreflightTests
{
    private static readonly DependencyOptions Options = new();
    private static readonly string[] Watched = ["dependency", "chosen-key", "letter", "listing", "calculated"];

    [Fact]
    public void Rows_that_agree_on_a_determinant_and_not_on_what_it_determines_are_shown()
    {
        var item = ItemsOf(
                ["Kiln determines glaze", "Kiln determines cone"],
                "kiln glaze cone",
                "K1 blue 6",
                "K1 green 6",
                "K2 blue 6"
            )
            .ShouldHaveSingleItem();
        item.Kind.ShouldBe("rows-dependency");
        item.Said.ShouldBe("Rows 1 and 2 agree on kiln and not on glaze; the model answer says that kiln determines it.");
        item.Places.Select(place => place.Quote).ShouldBe(["K1", "blue", "K1", "green"], ignoreOrder: true);
    }

    [Fact]
    public void Rows_that_agree_on_the_key_are_shown_and_a_missing_value_agrees_with_nothing()
    {
        string[] lines = ["Key: kiln, glaze", "Kiln and glaze determine cone"];
        ItemsOf(lines, "kiln glaze cone", "K1 - 6", "K1 - 7").ShouldBeEmpty();
        ItemsOf(lines, "kiln glaze cone", "K1 blue 6", "K2 blue 6", "K1 blue 6")
            .Select(item => item.Said)
            .ShouldBe(["Rows 1 and 3 have the same kiln and glaze, which the model answer marks as the key."]);
    }

    [Theory]
    [InlineData("Shelf determines cone (transitive)", null)]
    [InlineData(
        "Shelf determines cone (partial)",
        "That shelf determines cone is marked as partial, and is transitive by the arrows."
    )]
    [InlineData(
        "Kiln determines glaze (partial)",
        "That kiln determines glaze is marked as partial, and is neither partial nor transitive."
    )]
    public void A_letter_that_is_not_what_its_arrow_is_is_told(string line, string? told)
    {
        string[] lines =
        [
            "Key: kiln",
            "Kiln determines shelf",
            line,
            .. line.StartsWith('S') ? [] : new[] { "Shelf determines cone" },
        ];
        ItemsOf(lines, "")
            .Where(item => item.Kind == "letter-wrong")
            .Select(item => item.Said)
            .ShouldBe(told is null ? [] : [told]);
    }

    [Theory]
    [InlineData("Closure of kiln: kiln, shelf", "By the arrows, the closure of {kiln} is {kiln, shelf, cone}.")]
    [InlineData("Minimal cover: kiln -> shelf", "The minimal cover does not say what the arrows say.")]
    [InlineData("Minimal cover: kiln -> shelf, cone; shelf -> cone", "The minimal cover has more than is needed.")]
    [InlineData("Normal form: 3NF", "By the arrows, it is in 2NF as one table.")]
    [InlineData(
        "Derivation of kiln -> cone: kiln -> shelf; kiln -> cone",
        "In the derivation of kiln → cone, kiln → cone does not follow, or is not yet its end."
    )]
    [InlineData("Derivation of kiln -> cone: kiln -> shelf; shelf -> cone; kiln -> cone", null)]
    [InlineData("Calculated: shelf", "Shelf is shown as calculated, and cone is determined by it.")]
    [InlineData("Calculated: kiln", "Kiln is shown as calculated, and is part of the key.")]
    [InlineData("Closure of kiln: kiln, cone, shelf", null)]
    [InlineData("Minimal cover: shelf -> cone; kiln -> shelf", null)]
    [InlineData("Normal form: 2NF", null)]
    [InlineData("Calculated: cone", null)]
    public void What_is_listed_and_what_is_calculated_are_held_against_the_arrows(string line, string? told) =>
        ItemsOf(["Key: kiln", line, "Kiln determines shelf", "Shelf determines cone"], "")
            .Select(item => item.Said)
            .ShouldBe(told is null ? [] : [told]);

    [Theory]
    [InlineData(
        "Kiln determines shelf;Shelf determines cone;Kiln determines cone",
        "That kiln determines cone follows from the other arrows."
    )]
    [InlineData(
        "Kiln determines cone;Kiln and shelf determine cone",
        "That kiln and shelf determine cone follows from the other arrows."
    )]
    [InlineData(
        "Kiln determines shelf;Kiln and shelf determine cone",
        "To determine cone, shelf is not needed beside the rest of kiln and shelf."
    )]
    [InlineData("Kiln and shelf determine shelf", "That kiln and shelf determine shelf is so in any table.")]
    [InlineData("Key: shelf;Kiln determines shelf", "By the arrows, shelf does not determine kiln, and so cannot be the key.")]
    [InlineData("Key: kiln, shelf;Kiln determines shelf", "The key needs no shelf: the rest of it determines everything.")]
    public void A_model_answer_that_says_too_much_or_marks_what_is_no_key_is_told(string lines, string said) =>
        ItemsOf(lines.Split(';'), "").Select(item => item.Said).ShouldContain(said);

    [Fact]
    public void A_model_answer_is_built_up_from_its_attributes_over_its_determinants()
    {
        var model = Typed("Key: kiln", "Kiln determines shelf", "Kiln and cone determine glaze");
        var steps = Subject.Of(Options).Steps(new PreflightCase(model, Options, ScenarioProse.None));
        steps
            .Select(step => step.Said)
            .ShouldBe([
                "The attributes are kiln, shelf, cone and glaze.",
                "Kiln determines shelf.",
                "Kiln and cone determine glaze.",
            ]);
        steps
            .SelectMany(step => step.Elements)
            .ShouldBe(model.Shapes.Select(shape => shape.Id).Concat(model.Lines.Select(line => line.Id)), ignoreOrder: true);
    }

    private static PreflightItem[] ItemsOf(string[] lines, string head, params string[] rows)
    {
        var blocks = new List<string>();
        ImmutableArray<RowCell> Cells(string text) => [.. text.Split(' ').Select(Cell)];
        RowCell Cell(string text)
        {
            blocks.Add(text == "-" ? "" : text);
            return new RowCell(blocks[^1], blocks.Count - 1);
        }

        var table = new RowTable(Cells(head), [.. rows.Select(Cells)]);
        var prose = new ScenarioProse([.. blocks], rows.Length == 0 ? [] : [table]);
        return [.. Preflight.Of(new PreflightCase(Typed(lines), Options, prose)).Where(item => Watched.Any(item.Kind.Contains))];
    }

    private static Drawing Typed(params string[] lines) =>
        (Drawing)Subject.Of(Options).Retype(Drawing.Empty, lines, Options)!.Document;
}
