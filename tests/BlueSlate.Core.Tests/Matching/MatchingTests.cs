using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Matching;

/// <summary>Which element stands for which: by name, by place, and never by id, order or position.</summary>
public sealed class MatchingTests
{
    private static Sketch Café =>
        new Sketch()
            .Box("Visitor", "PK visitor no", "name", "o phone")
            .Box("Visit", "PK visit no", "date")
            .Box("Item", "PK item no", "description", "fault")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays", "is paid by")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on");

    [Fact]
    public void A_strange_name_is_found_by_its_place()
    {
        var answer = new Sketch()
            .Box("Visitor", "PK visitor no", "name", "o phone")
            .Box("Visit", "PK visit no", "date")
            .Box("Gizmo", "PK item no", "description", "fault")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .Line("Visit", Ends.One, "Gizmo", Ends.OneOrMore, "brings in")
            .ToDrawing();
        Match(Café.ToDrawing(), answer).Entities["b3"].AnswerId.ShouldBe("b3");
    }

    [Fact]
    public void A_foreign_box_in_an_empty_place_is_not_taken_for_a_missing_entity()
    {
        var answer = new Sketch()
            .Box("Visitor", "PK visitor no", "name", "o phone")
            .Box("Visit", "PK visit no", "date")
            .Box("Weather", "PK day", "temperature")
            .Line("Visitor", Ends.One, "Visit", Ends.ZeroOrMore, "pays")
            .Line("Visit", Ends.ZeroOrMore, "Weather", Ends.One, "suffers")
            .ToDrawing();
        Match(Café.ToDrawing(), answer).Entities.ContainsKey("b3").ShouldBeFalse();
    }

    [Fact]
    public void Two_relationships_between_the_same_two_are_kept_apart()
    {
        Sketch Twice(string first, string second) =>
            new Sketch()
                .Box("Presenter", "PK no")
                .Box("Programme", "PK title")
                .Line("Presenter", Ends.OneOrMore, "Programme", Ends.ZeroOrMore, first)
                .Line("Presenter", Ends.One, "Programme", Ends.ZeroOrMore, second);
        var found = Match(Twice("presents", "founded").ToDrawing(), Twice("founded", "presents").ToDrawing());
        found.Relationships["r1"].AnswerId.ShouldBe("r2");
        found.Relationships["r2"].AnswerId.ShouldBe("r1");
    }

    [Fact]
    public void A_many_to_many_drawn_as_a_linking_entity_carries_its_ends_over()
    {
        var model = new Sketch()
            .Box("Repair", "PK no")
            .Box("Part", "PK code")
            .Line("Repair", Ends.ZeroOrMore, "Part", Ends.OneOrMore, "uses")
            .ToDrawing();
        var answer = new Sketch()
            .Box("Repair", "PK no")
            .Box("Part", "PK code")
            .Box("Use")
            .Line("Repair", Ends.One, "Use", Ends.OneOrMore)
            .Line("Part", Ends.One, "Use", Ends.ZeroOrMore)
            .ToDrawing();
        var assessment = Exercise.Of(model).Assess(answer, []);
        assessment.Comparison.Correspondence.Restated.Single().Code.ShouldBe("many-to-many-by-linking-entity");
        assessment
            .Comparison.Verdicts.Where(verdict => verdict.Fact.Kind is MinimumFact or MaximumFact)
            .ShouldAllBe(verdict => verdict.IsGood);
    }

    [Fact]
    public void Order_ids_and_places_change_nothing()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            foreach (var answer in DemoExercises.Answers(name))
            {
                var assessor = Exercise.Of(model, level);
                var expected = Told(assessor.Assess(answer, []));
                for (var seed = 0; seed < 4; seed++)
                {
                    Told(assessor.Assess(Shuffle.Of(answer, seed), [])).ShouldBe(expected, name);
                }
            }
        }
    }

    [Fact]
    public void Moving_boxes_changes_no_marks_in_any_notation()
    {
        foreach (var folder in DemoExercises.Folders)
        {
            var assessor = DemoExercises.AssessorOf(folder);
            foreach (var answer in DemoExercises.Answers(folder).Append(DemoExercises.Load($"{folder}/model.json")))
            {
                var expected = Told(assessor.Assess(answer, []));
                for (var seed = 0; seed < 3; seed++)
                {
                    Told(assessor.Assess(Shuffle.Places(answer, seed), [])).ShouldBe(expected, folder);
                }
            }
        }
    }

    [Fact]
    public void Hundreds_of_look_alike_boxes_end_within_the_budget()
    {
        var sketch = new Sketch();
        for (var i = 0; i < 120; i++)
        {
            sketch.Box("Thing", "PK no", "name");
        }

        var found = Match(sketch.ToDrawing(), sketch.ToDrawing());
        found.NodesExpanded.ShouldBeLessThanOrEqualTo(EntityMatcher.Budget + 1);
        found.Entities.Count.ShouldBe(120);
    }

    [Fact]
    public void An_accepted_name_is_as_good_as_the_own_one()
    {
        var model = Café.ToDrawing();
        var answer = new Sketch()
            .Box("Visitor", "PK visitor no", "name", "o phone")
            .Box("Call", "PK visit no", "date")
            .Box("Item", "PK item no", "description", "fault")
            .Line("Visitor", Ends.One, "Call", Ends.ZeroOrMore, "pays", "is paid by")
            .Line("Call", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
            .ToDrawing();
        var assessor = Exercise.Of(model, Level.Conceptual, new Tolerance("entity:b2", ["Call"], false, false));
        assessor.Assess(answer, []).Comparison.Correspondence.Entities["b2"].NameLikeness.ShouldBe(1);
    }

    [Fact]
    public void A_box_under_the_main_word_of_all_subtypes_is_what_they_are_kinds_of()
    {
        var model = Markup
            .Parse(
                """
                Title: PK catalogue no, author
                Printed book: pages
                Talking book: narrator
                Reader: PK reader no, name
                (d) Title => Printed book, Talking book
                Reader 01 has out / is out with 0m Title
                """
            )
            .Drawing;
        var answer = Markup
            .Parse(
                """
                Book: PK catalogue no, author
                Reader: PK reader no, name
                Reader 01 has out / is out with 0m Book
                """
            )
            .Drawing;
        var correspondence = Exercise.Of(model).Assess(answer, []).Comparison.Correspondence;
        correspondence.Entities["b1"].AnswerId.ShouldBe("b1");
        correspondence.Entities.ShouldNotContainKey("b2");
    }

    // What an examiner would be told, without ids, and without sentences that read a line from the end at which it was begun.
    private static string Told(Assessment assessment) =>
        assessment.Sheet.Exact
        + "\n"
        + string.Join(
            "\n",
            assessment
                .Findings.Select(finding => $"{finding.Code} {finding.Claims.Length} {string.Join(' ', finding.ModelElements)}")
                .Order(StringComparer.Ordinal)
        );

    private static Correspondence Match(Drawing model, Drawing answer) =>
        Matcher.Match(new MatchModel(Exercise.Read(model).Model), Exercise.Read(answer).Model, MatchAllowance.Plain).Best;
}
