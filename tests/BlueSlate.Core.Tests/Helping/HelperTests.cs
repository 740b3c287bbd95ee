using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Helping;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Preparing;
using Shouldly;

namespace BlueSlate.Core.Tests.Helping;

/// <summary>Help for practice: graded, about the drawing and the scenario, and never the model answer itself.</summary>
public sealed class HelperTests
{
    public static TheoryData<string> Folders => [.. DemoExercises.Folders];

    [Theory]
    [MemberData(nameof(Folders))]
    public void Every_difference_that_costs_is_reached_once_and_told_in_three_steps(string folder)
    {
        foreach (var (answer, assessment, helper) in Helped(folder))
        {
            var shapes = ElementsOf(answer);
            var spokenOf = new HashSet<string>(StringComparer.Ordinal);
            while (helper.Where(spokenOf) is { } where)
            {
                spokenOf.Add(where.Finding!).ShouldBeTrue();
                helper.IsOpen(where.Finding!).ShouldBeTrue();
                where.Elements.Except(shapes).ShouldBeEmpty(where.Finding);
                var what = helper.Further(where.Finding!, HelpStep.Where).ShouldNotBeNull();
                var why = helper.Further(where.Finding!, HelpStep.What).ShouldNotBeNull();
                helper.Further(where.Finding!, HelpStep.Why).ShouldBeNull();
                (where.Step, what.Step, why.Step).ShouldBe((HelpStep.Where, HelpStep.What, HelpStep.Why));
                new[] { where.Said, what.Said, why.Said }.ShouldAllBe(said => said.EndsWith('.') || said.EndsWith('?'));
                new[] { where.Said, what.Said, why.Said }.ShouldBeUnique();
            }

            spokenOf.Count.ShouldBe(assessment.Notes.Count(note => note.Loss > Rational.Zero));
        }
    }

    [Theory]
    [MemberData(nameof(Folders))]
    public void No_step_says_what_the_model_answer_has_instead(string folder)
    {
        foreach (var (_, assessment, helper) in Helped(folder))
        {
            // How a notation draws a thing is no secret of the exercise.
            foreach (
                var note in assessment.Notes.Where(note => helper.IsOpen(note.Finding.Id) && note.Finding.Tag != Tag.Notation)
            )
            {
                Hint[] hints =
                [
                    helper.Where(
                        new HashSet<string>(assessment.Notes.Select(one => one.Finding.Id).Where(id => id != note.Finding.Id))
                    )!,
                    helper.Further(note.Finding.Id, HelpStep.Where)!,
                    helper.Further(note.Finding.Id, HelpStep.What)!,
                ];
                foreach (var hint in hints)
                {
                    hint.Said.ShouldNotContain(note.Finding.Headline);
                    hint.Said.ShouldNotContain(note.Finding.Wanted);
                    hint.Elements.ShouldBe(note.Finding.AnswerElements);
                }
            }
        }
    }

    [Fact]
    public void What_is_nowhere_in_the_drawing_is_looked_for_in_the_scenario()
    {
        var assessment = DemoExercises
            .AssessorOf("repair-cafe")
            .Assess(new Sketch().Box("Visitor", "PK visitor no", "name").ToDrawing(), []);
        var helper = new Helper(assessment, PlacesOf("repair-cafe"));
        var spokenOf = new HashSet<string>(StringComparer.Ordinal);
        var hints = new List<Hint>();
        while (helper.Where(spokenOf) is { } where)
        {
            spokenOf.Add(where.Finding!);
            hints.Add(where);
        }

        var inScenario = hints.Where(hint => hint.Places.Length > 0).ToList();
        inScenario.Count.ShouldBeGreaterThan(2);
        inScenario.ShouldAllBe(hint => hint.Said.StartsWith("Read these words again") && hint.Elements.IsEmpty);
        helper.HowMany().Said.ShouldContain("missing");
    }

    [Fact]
    public void A_right_drawing_has_nothing_to_be_helped_with()
    {
        foreach (var folder in DemoExercises.Folders)
        {
            var assessment = DemoExercises.AssessorOf(folder).Assess(DemoExercises.Load($"{folder}/model.json"), []);
            var helper = new Helper(assessment, _ => []);
            helper.Where(new HashSet<string>()).ShouldBeNull(folder);
            helper.HowMany().Said.ShouldBe("Nothing differs that would cost a mark.");
            helper.Further("entity-missing:b1", HelpStep.Where).ShouldBeNull();
        }
    }

    private static IEnumerable<(Drawing Answer, Assessment Assessment, Helper Helper)> Helped(string folder)
    {
        var assessor = DemoExercises.AssessorOf(folder);
        var places = PlacesOf(folder);
        return DemoExercises
            .Answers(folder)
            .Select(answer => (answer, assessment: assessor.Assess(answer, [])))
            .Select(pair => (pair.answer, pair.assessment, new Helper(pair.assessment, places)));
    }

    private static Func<string, ImmutableArray<ScenarioPlace>> PlacesOf(string folder)
    {
        var options = DemoExercises.OptionsOf(folder);
        var places = Subject
            .Of(options)
            .Steps(new PreflightCase(DemoExercises.Load($"{folder}/model.json"), options, DemoExercises.ProseOf(folder)))
            .SelectMany(step => step.Elements.SelectMany(element => step.Places.Select(place => (element, place))))
            .ToLookup(pair => pair.element, pair => pair.place, StringComparer.Ordinal);
        return element => [.. places[element]];
    }

    private static HashSet<string> ElementsOf(Drawing drawing) =>
        [
            .. drawing.Sheets.SelectMany(sheet =>
                sheet
                    .Shapes.SelectMany(shape =>
                        shape.Compartments.SelectMany(rows => rows.Select(row => row.Id)).Prepend(shape.Id)
                    )
                    .Concat(sheet.Lines.SelectMany(line => new[] { line.Id, $"{line.Id}/from", $"{line.Id}/to" }))
            ),
        ];
}
