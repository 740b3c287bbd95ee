using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using Shouldly;

namespace BlueSlate.Core.Tests.Concepts;

/// <summary>What a model answer has in it that exercises are looked for by.</summary>
public sealed class TopicTests
{
    [Theory]
    [InlineData("repair-cafe", "weak entity", "several values")]
    [InlineData("community-radio", "derived attribute", "several relationships between two")]
    [InlineData("observatory", "foreign keys", "key of several attributes")]
    public void Topics_are_read_off_the_model_answer(string folder, params string[] wanted) =>
        wanted.Except(TopicsOf(folder)).ShouldBeEmpty(string.Join(", ", TopicsOf(folder)));

    [Fact]
    public void The_demo_course_has_every_notation_and_most_topics()
    {
        var all = DemoExercises.Folders.SelectMany(TopicsOf).ToHashSet(StringComparer.Ordinal);
        all.Count.ShouldBeGreaterThan(20);
    }

    [Fact]
    public void Nothing_drawn_has_no_topic() =>
        Subject
            .Of(DemoExercises.OptionsOf("repair-cafe"))
            .Topics(Drawing.Empty, DemoExercises.OptionsOf("repair-cafe"))
            .ShouldBeEmpty();

    private static IReadOnlyList<string> TopicsOf(string folder)
    {
        var options = DemoExercises.OptionsOf(folder);
        return [.. Subject.Of(options).Topics(DemoExercises.Load($"{folder}/model.json"), options)];
    }
}
