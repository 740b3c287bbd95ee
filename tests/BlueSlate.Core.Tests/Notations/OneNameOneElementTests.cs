using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using Shouldly;

namespace BlueSlate.Core.Tests.Notations;

/// <summary>One name on two sheets is one thing where the class has agreed on that, and two things elsewhere.</summary>
public sealed class OneNameOneElementTests
{
    private static readonly CrowsFootOptions Agreed = new() { OneNameIsOneElement = true };

    private static Drawing OnTwoSheets()
    {
        var desk = new Sketch()
            .Box("Visit", "PK visit no")
            .Box("Item", "PK item no", "fault")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing()
            .Sheets[0];
        var bench = new Sketch()
            .Box("Item", "PK item no", "weight")
            .Box("Repair", "PK repair no")
            .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in")
            .ToDrawing()
            .Sheets[0];
        return new Drawing([desk, Renamed(bench)]);
    }

    [Fact]
    public void Boxes_of_one_name_are_read_as_one_with_the_attributes_and_lines_of_both()
    {
        var reading = Notation.Read(OnTwoSheets(), Agreed);
        reading.Model.Entities.Select(entity => entity.Name).ShouldBe(["Visit", "Item", "Repair"]);
        var item = reading.Model.Entities[1];
        item.Attributes.Select(attribute => attribute.Name).ShouldBe(["item no", "fault", "weight"]);
        reading.Model.RelationshipsOf(item.Id).Count().ShouldBe(2);
        reading.ElementsOf(item.Id).ShouldBe(["b2", "second-b1"]);
    }

    [Fact]
    public void Without_the_agreement_they_are_two() =>
        Notation
            .Read(OnTwoSheets(), Agreed with { OneNameIsOneElement = false })
            .Model.Entities.Select(entity => entity.Name)
            .ShouldBe(["Visit", "Item", "Item", "Repair"]);

    [Fact]
    public void Two_boxes_of_one_name_on_one_sheet_stay_two()
    {
        var sheets = OnTwoSheets().Sheets;
        var twice = sheets[0] with
        {
            Shapes = sheets[0].Shapes.Add(new Shape("again", Form.Rectangle, Outline.Single, "items", [], null)),
        };
        Notation
            .Read(new Drawing([twice, sheets[1]]), Agreed)
            .Model.Entities.Count(entity => entity.Name.StartsWith("Item", StringComparison.OrdinalIgnoreCase))
            .ShouldBe(3);
    }

    [Fact]
    public void Spelling_and_number_do_not_make_another_name()
    {
        var sheets = OnTwoSheets().Sheets;
        var plural = sheets[1] with
        {
            Shapes = [.. sheets[1].Shapes.Select(shape => shape.Text == "Item" ? shape with { Text = "ITEMS" } : shape)],
        };
        Notation.Read(new Drawing([sheets[0], plural]), Agreed).Model.Entities.Length.ShouldBe(3);
    }

    [Fact]
    public void An_answer_on_two_sheets_earns_what_it_earns_on_one()
    {
        var model = new Sketch()
            .Box("Visit", "PK visit no")
            .Box("Item", "PK item no", "fault", "weight")
            .Box("Repair", "PK repair no")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in")
            .ToDrawing();
        var assessment = Exercise.Of(model, Agreed).Assess(OnTwoSheets(), []);
        assessment.Findings.ShouldBeEmpty();
        assessment.Sheet.Total.ShouldBe(assessment.Sheet.Maximum);
    }

    private static Sheet Renamed(Sheet sheet) =>
        sheet with
        {
            Id = "sheet2",
            Shapes =
            [
                .. sheet.Shapes.Select(shape =>
                    shape with
                    {
                        Id = "second-" + shape.Id,
                        Compartments =
                        [
                            .. shape.Compartments.Select(lines =>
                                lines.Select(line => line with { Id = "second-" + line.Id }).ToImmutableArray()
                            ),
                        ],
                    }
                ),
            ],
            Lines =
            [
                .. sheet.Lines.Select(line =>
                    line with
                    {
                        Id = "second-" + line.Id,
                        From = Renamed(line.From),
                        To = Renamed(line.To),
                    }
                ),
            ],
        };

    private static LineEnd Renamed(LineEnd end) => end with { On = end.On with { Id = "second-" + end.On.Id } };
}
