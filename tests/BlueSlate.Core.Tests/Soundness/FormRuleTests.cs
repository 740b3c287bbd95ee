using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Soundness;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Soundness;

/// <summary>What is wrong with a drawing whatever the scenario asks.</summary>
public sealed class FormRuleTests
{
    private static Sketch Café =>
        new Sketch()
            .Box("Visit", "PK visit no", "date")
            .Box("Item", "PK item no", "fault")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on");

    [Fact]
    public void Model_answers_are_in_good_form()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            Check(model, level).ShouldBeEmpty(name);
        }
    }

    [Fact]
    public void Each_rule_finds_what_it_is_for_and_nothing_else()
    {
        var found = new Dictionary<string, Drawing>
        {
            ["unnamed"] = Café.Box("", "PK no").Line("Item", Ends.One, "", Ends.ZeroOrMore, "has").ToDrawing(),
            ["duplicate-name"] = new Sketch()
                .Box("Visit", "PK visit no", "date", "Date")
                .Box("Item", "PK item no")
                .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
                .ToDrawing(),
            ["no-key"] = new Sketch()
                .Box("Visit", "visit no", "date")
                .Box("Item", "PK item no")
                .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
                .ToDrawing(),
            ["isolated"] = Café.Box("Weather", "PK day").ToDrawing(),
        };
        foreach (var (code, drawing) in found)
        {
            Check(drawing).Select(remark => remark.Code).ShouldBe([code], code);
        }
    }

    [Fact]
    public void Numbers_that_no_finite_data_satisfies_are_told_at_their_entities()
    {
        var sketch = new Sketch().Class("Node", [], []).Tie("Node", "Node", text: "parent of", atFrom: "1", atTo: "2");
        var remarks = FormRule.Check(Notation.Read(sketch.ToDrawing(), Options(NotationNames.Uml)), Options(NotationNames.Uml));
        var remark = remarks.Single(one => one.Code == "never-populated");
        remark.Elements.ShouldBe(["b1"]);
        remark.Text.ShouldContain("Node");
    }

    [Fact]
    public void Loose_lines_and_lines_tied_to_lines_are_told_in_Chens_notation()
    {
        var loose = new Sketch().Box("Visit").Diamond("brings in", Outline.Single, ("Visit", "1", false)).ToDrawing();
        FormRule
            .Check(Notation.Read(loose, Options(NotationNames.Chen)), Options(NotationNames.Chen))
            .Select(remark => remark.Code)
            .ShouldContain("loose-line");
    }

    [Fact]
    public void Any_drawing_is_looked_at_without_an_exception() =>
        RandomDrawings.Any.Sample(
            drawing =>
            {
                var lines = drawing
                    .Sheets.SelectMany(sheet => sheet.Lines)
                    .SelectMany(line => new[] { line.Id, $"{line.Id}/from", $"{line.Id}/to" });
                var elements = drawing
                    .Shapes.SelectMany(shape => shape.TextLines.Select(row => row.Id).Append(shape.Id))
                    .Concat(lines)
                    .ToHashSet(StringComparer.Ordinal);
                foreach (var notation in Notation.All)
                {
                    foreach (var remark in FormRule.Check(Notation.Read(drawing, Options(notation.Name)), Options(notation.Name)))
                    {
                        remark.Text.ShouldEndWith(".");
                        remark.Elements.ShouldAllBe(element => elements.Contains(element));
                    }
                }
            },
            iter: 300
        );

    private static IReadOnlyList<FormRemark> Check(Drawing drawing, Level level = Level.Conceptual)
    {
        // The demo's drawings are of all notations; each is held to its own.
        var name =
            drawing.Shapes.Any(shape => shape.Form == Form.Diamond) ? NotationNames.Chen
            : drawing.Shapes.Any(shape => shape.Text.StartsWith('«')) ? NotationNames.Uml
            : NotationNames.CrowsFoot;
        var options = Options(name) with { Level = level };
        return FormRule.Check(Notation.Read(drawing, options), options);
    }

    private static NotationOptions Options(string notation) => Notation.Of(notation).Usual;
}
