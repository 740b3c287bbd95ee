using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

/// <summary>How sure a mark is, and what a person says about what stands for what.</summary>
public sealed class DoubtTests
{
    private static Drawing Model =>
        new Sketch()
            .Box("Visitor", "PK visitor no", "name")
            .Box("Visit", "PK visit no", "date")
            .Box("Item", "PK item no", "fault")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing();

    [Fact]
    public void The_model_answer_itself_leaves_no_doubt()
    {
        foreach (var (_, model, level) in DemoExercises.Models)
        {
            var assessment = Exercise.Of(model, level).Assess(model, []);
            assessment.Doubt.IsOpen.ShouldBeFalse();
            assessment.Doubt.Lowest.ShouldBe(assessment.Sheet.Total);
            assessment.Doubt.Highest.ShouldBe(assessment.Sheet.Total);
        }
    }

    [Fact]
    public void The_mark_lies_between_the_lowest_and_the_highest()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            foreach (var assessment in DemoExercises.Answers(name).Select(answer => assessor.Assess(answer, [])))
            {
                assessment.Doubt.Lowest.ShouldBeLessThanOrEqualTo(assessment.Sheet.Total);
                assessment.Doubt.Highest.ShouldBeGreaterThanOrEqualTo(assessment.Sheet.Total);
            }
        }
    }

    [Fact]
    public void A_box_known_by_its_place_alone_has_to_be_looked_at()
    {
        var answer = new Sketch()
            .Box("Visitor", "PK visitor no", "name")
            .Box("Visit", "PK visit no", "date")
            .Box("Gizmo", "PK item no", "fault")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .Line("Visit", Ends.One, "Gizmo", Ends.OneOrMore, "brings in")
            .ToDrawing();
        var doubt = Exercise.Of(Model).Assess(answer, []).Doubt;
        doubt.Unsure.ShouldBe(["b3"]);
        doubt.IsOpen.ShouldBeTrue();
        Exercise.Of(Model).AssessAs(answer, Said("b3", "b3")).Doubt.IsOpen.ShouldBeFalse();
    }

    [Fact]
    public void What_is_said_wholly_in_other_words_gets_nothing_by_itself_and_has_to_be_looked_at()
    {
        var answer = new Sketch()
            .Box("Besucher", "PK besucher no", "name", "hat")
            .Box("Termin", "PK termin no", "date", "hall")
            .Box("Ding", "PK ding no", "fault", "shelf")
            .Line("Besucher", [], "Termin", [], "")
            .Line("Termin", [], "Ding", [], "")
            .ToDrawing();
        var assessor = Exercise.Of(Model);
        var assessment = assessor.Assess(answer, []);
        assessment.Sheet.Total.ShouldBe(Rational.Zero);
        assessment.Doubt.IsOpen.ShouldBeTrue();
        var said = Said("b1", "b1").AddRange(Said("b2", "b2")).AddRange(Said("b3", "b3"));
        assessment.Doubt.Highest.ShouldBe(assessor.AssessAs(answer, said).Sheet.Total);
        assessment.Doubt.Highest.ShouldBeGreaterThan(assessment.Sheet.Maximum / 3);
    }

    [Fact]
    public void The_same_shape_without_a_word_in_common_gets_nothing_by_itself()
    {
        var elsewhere = new Sketch()
            .Box("Tugboat", "PK hull", "tonnage")
            .Box("Harbour", "PK haven", "depth")
            .Box("Lighter", "PK call sign", "draught")
            .Line("Tugboat", Ends.One, "Harbour", Ends.ZeroOrMore, "lies in")
            .Line("Harbour", Ends.One, "Lighter", Ends.OneOrMore, "shelters")
            .ToDrawing();
        var assessment = Exercise.Of(Model).Assess(elsewhere, []);
        assessment.Sheet.Total.ShouldBe(Rational.Zero);
        // Whether all of it is a translation only a person can say.
        assessment.Doubt.IsOpen.ShouldBeTrue();
        assessment.Doubt.Highest.ShouldBeGreaterThan(assessment.Sheet.Maximum / 2);

        // One name of the exercise's own, and the rest is known by what stands beside it.
        var known = elsewhere with
        {
            Sheets =
            [
                elsewhere.Sheets[0] with
                {
                    Shapes =
                    [
                        .. elsewhere.Shapes.Select(shape => shape.Text == "Harbour" ? shape with { Text = "Visit" } : shape),
                    ],
                },
            ],
        };
        Exercise.Of(Model).Assess(known, []).Sheet.Total.ShouldBeGreaterThan(assessment.Sheet.Maximum / 2);
    }

    [Fact]
    public void A_drawing_of_something_else_leaves_no_doubt()
    {
        var answer = new Sketch()
            .Box("Tugboat", "PK hull", "tonnage", "crew", "built")
            .Box("Harbour", "PK haven", "depth")
            .ToDrawing();
        var assessment = Exercise.Of(Model).Assess(answer, []);
        assessment.Sheet.Total.ShouldBe(Rational.Zero);
        assessment.Doubt.IsOpen.ShouldBeFalse();
    }

    [Fact]
    public void Of_two_boxes_that_could_be_meant_the_better_is_taken_and_the_range_is_told()
    {
        var answer = new Sketch()
            .Box("Visitor", "PK visitor no", "name")
            .Box("Visit", "PK visit no", "date")
            .Box("Gizmo", "PK item no", "fault")
            .Box("Gadget", "PK item no", "fault")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .Line("Visit", Ends.One, "Gizmo", Ends.OneOrMore)
            .Line("Visit", Ends.One, "Gadget", Ends.ZeroOrMore)
            .ToDrawing();
        var assessment = Exercise.Of(Model).Assess(answer, []);
        assessment.Comparison.Correspondence.Entities["b3"].AnswerId.ShouldBe("b3");
        assessment.Doubt.Lowest.ShouldBeLessThan(assessment.Doubt.Highest);

        // It could be less by more than it could be more.
        (assessment.Sheet.Total - assessment.Doubt.Lowest).ShouldBeGreaterThan(assessment.Doubt.Highest - assessment.Sheet.Total);
    }

    [Fact]
    public void What_a_person_says_stands_for_something_does_so_against_all_likeness()
    {
        var answer = new Sketch()
            .Box("Visitor", "PK visitor no", "name")
            .Box("Visit", "PK visit no", "date")
            .Box("Weather", "PK day", "wind")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .ToDrawing();
        var assessor = Exercise.Of(Model);
        assessor.Assess(answer, []).Comparison.Correspondence.Entities.ContainsKey("b3").ShouldBeFalse();
        var said = assessor.AssessAs(answer, Said("b3", "b3")).Comparison.Correspondence;
        said.Entities["b3"].AnswerId.ShouldBe("b3");
        said.Cost.ShouldBeGreaterThan(0);
        said.LowerBound.ShouldBeLessThanOrEqualTo(said.Cost + 1e-6);
    }

    [Fact]
    public void It_may_turn_names_around_and_attributes_too()
    {
        var assessor = Exercise.Of(Model);
        var turned = assessor.AssessAs(Model, Said("b1", "b2").Add("b2", "b1")).Comparison.Correspondence;
        turned.Entities["b1"].AnswerId.ShouldBe("b2");
        turned.Entities["b2"].AnswerId.ShouldBe("b1");
        var answer = new Sketch()
            .Box("Visitor", "PK visitor no", "name")
            .Box("Visit", "PK visit no", "date")
            .Box("Item", "PK item no", "complaint")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing();
        assessor.AssessAs(answer, Said("t6", "t6")).Sheet.Total.ShouldBe(assessor.Scheme.Maximum);
    }

    [Fact]
    public void What_is_not_there_is_passed_over() =>
        Exercise
            .Of(Model)
            .AssessAs(Model, Said("nothing", "b1").Add("b1", "nowhere"))
            .Sheet.Total.ShouldBe(Exercise.Of(Model).Scheme.Maximum);

    private static ImmutableDictionary<string, string> Said(string model, string answer) =>
        ImmutableDictionary<string, string>.Empty.Add(model, answer);
}
