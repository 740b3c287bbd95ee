using System.Text.Json;
using BlueSlate.Core.Checking;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>The demo course as a whole: every kind of finding is met in it, and every model answer is beyond reproach.</summary>
public sealed class DemoCoverageTests
{
    [Fact]
    public void Every_kind_of_finding_is_met_somewhere_in_the_demo()
    {
        var met = Folders().SelectMany(folder => DemoExercises.Answers(folder).SelectMany(answer => Assessor(folder).Assess(answer, []).Findings)).Select(finding => finding.Code).ToHashSet(StringComparer.Ordinal);
        FindingKind.All.Select(kind => kind.Code).Except(met, StringComparer.Ordinal).ShouldBeEmpty();
    }

    [Fact]
    public void Every_model_answer_of_the_demo_gets_full_marks_and_a_blank_nothing()
    {
        foreach (var folder in Folders())
        {
            var assessor = Assessor(folder);
            var own = assessor.Assess(DemoExercises.Load($"{folder}/model.json"), []);
            own.Findings.ShouldBeEmpty(folder);
            own.Sheet.Total.ShouldBe(own.Sheet.Maximum, folder);
            assessor.Assess(Drawing.Empty, []).Sheet.Total.ShouldBe(0, folder);
        }
    }

    [Fact]
    public void Every_note_of_the_demo_has_a_sentence_of_its_own()
    {
        foreach (var (folder, answer) in Folders().SelectMany(folder => DemoExercises.Answers(folder).Select(answer => (folder, answer))))
        {
            var headlines = Assessor(folder).Assess(answer, []).Findings.Select(finding => finding.Headline).ToList();
            headlines.ShouldBeUnique();
        }
    }

    private static IEnumerable<string> Folders() => Directory.EnumerateDirectories(DemoExercises.Folder).Select(Path.GetFileName).OfType<string>().Order(StringComparer.Ordinal);

    private static Assessor Assessor(string folder)
    {
        var part = Read<QuestionDocument>(folder, "question.json").Part;
        var assessment = Read<AssessmentDocument>(folder, "assessment.json");
        var (model, options) = (DemoExercises.Load($"{folder}/model.json"), part.ToOptions());
        var scheme = assessment.Scheme?.ToScheme() ?? SchemeDeriver.Derive(FactList.Of(Notation.Read(model, options), options), part.Marks);
        return new Assessor(model, options, assessment.ToTolerances(), scheme, assessment.ToTerms());
    }

    private static T Read<T>(string folder, string file) => JsonSerializer.Deserialize<T>(File.ReadAllText(Path.Combine(DemoExercises.Folder, folder, file)), Formats.Json)!;
}
