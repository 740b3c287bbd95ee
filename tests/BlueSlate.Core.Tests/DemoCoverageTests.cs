using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>
/// The demo course as a whole: every kind of finding is met in it, and every model answer is beyond reproach.
/// </summary>
public sealed class DemoCoverageTests
{
    [Fact]
    public void Every_kind_of_finding_is_met_somewhere_in_the_demo()
    {
        var met = DemoExercises
            .Folders.SelectMany(folder =>
                DemoExercises.Answers(folder).SelectMany(answer => DemoExercises.AssessorOf(folder).Assess(answer, []).Findings)
            )
            .Select(finding => finding.Code)
            .ToHashSet(StringComparer.Ordinal);
        FindingKind.All.Select(kind => kind.Code).Except(met, StringComparer.Ordinal).ShouldBeEmpty();
    }

    [Fact]
    public void Every_model_answer_of_the_demo_gets_full_marks_and_a_blank_nothing()
    {
        foreach (var folder in DemoExercises.Folders)
        {
            var assessor = DemoExercises.AssessorOf(folder);
            var own = assessor.Assess(DemoExercises.Load($"{folder}/model.json"), []);
            own.Findings.ShouldBeEmpty(folder);
            own.Sheet.Total.ShouldBe(own.Sheet.Maximum, folder);
            assessor.Assess(Drawing.Empty, []).Sheet.Total.ShouldBe(0, folder);
        }
    }

    [Fact]
    public void Every_note_of_the_demo_has_a_sentence_of_its_own()
    {
        foreach (
            var (folder, answer) in DemoExercises.Folders.SelectMany(folder =>
                DemoExercises.Answers(folder).Select(answer => (folder, answer))
            )
        )
        {
            var headlines = DemoExercises
                .AssessorOf(folder)
                .Assess(answer, [])
                .Findings.Select(finding => finding.Headline)
                .ToList();
            headlines.ShouldBeUnique();
        }
    }
}
