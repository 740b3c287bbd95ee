using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using Shouldly;

namespace BlueSlate.Core.Tests.Matching;

/// <summary>
/// What is remembered between answers changes no answer: neither how many came before, nor which, nor on how many threads.
/// </summary>
public sealed class HistoryTests
{
    public static TheoryData<string> Exercises => [.. DemoExercises.Folders];

    [Theory]
    [MemberData(nameof(Exercises))]
    public void An_answer_is_judged_alike_first_and_after_all_others(string name)
    {
        var answers = DemoExercises.Answers(name).ToList();
        var used = DemoExercises.AssessorOf(name);
        foreach (var answer in answers)
        {
            used.Assess(answer, []);
        }

        foreach (var answer in answers)
        {
            Text(used, answer).ShouldBe(Text(DemoExercises.AssessorOf(name), answer));
        }
    }

    [Fact]
    public void Many_threads_judge_as_one_does()
    {
        var answers = DemoExercises.Answers("repair-cafe").ToList();
        var alone = answers.Select(answer => Text(DemoExercises.AssessorOf("repair-cafe"), answer)).ToList();
        var shared = DemoExercises.AssessorOf("repair-cafe");
        var together = new string[4 * answers.Count];

        Parallel.For(0, together.Length, new ParallelOptions { MaxDegreeOfParallelism = 4 }, i =>
            together[i] = Text(shared, answers[i % answers.Count])
        );

        together.ShouldBe([.. alone, .. alone, .. alone, .. alone]);
    }

    [Fact]
    public void What_is_known_of_a_name_is_what_comparing_it_gives()
    {
        var model = Exercise
            .Read(
                new Sketch()
                    .Box("Visit", "PK visit no", "date")
                    .Box("Item", "PK item no", "fault")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
                    .ToDrawing()
            )
            .Model;
        var side = new Side(model, ExerciseWords.None);
        foreach (var text in new[] { "Visit", "Call", "Item", "Visits", "Thing", "visit item" })
        {
            var other = ExerciseWords.None.Read(text);
            var found = side.Likenesses.OfEntity(other);
            found.ShouldBe(side.Entities.Select(entity => NameSimilarity.OfThings(entity.Name, other)));
            side.Likenesses.OfEntity(other).ShouldBeSameAs(found);
        }
    }

    [Fact]
    public void More_names_than_are_kept_are_compared_all_the_same()
    {
        var model = Exercise.Read(new Sketch().Box("Visit", "PK visit no").ToDrawing()).Model;
        var side = new Side(model, ExerciseWords.None);
        for (var i = 0; i < 5_000; i++)
        {
            side.Likenesses.OfEntity(ExerciseWords.None.Read($"Thing {i}"));
        }

        side.Likenesses.OfEntity(ExerciseWords.None.Read("visit")).ShouldBe([1.0]);
    }

    private static string Text(Assessor assessor, Drawing answer) =>
        JsonSerializer.Serialize(ResultDocument.Of(assessor.Assess(answer, []), "hash"), Formats.Compact);
}
