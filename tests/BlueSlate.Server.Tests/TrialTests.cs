using System.Text.Json.Nodes;
using Shouldly;
using static System.StringComparison;

namespace BlueSlate.Server.Tests;

/// <summary>A copy of an exercise with its answers, on which another marking is tried.</summary>
public sealed class TrialTests(TestServer server) : IClassFixture<TestServer>
{
    private static async Task<JsonNode> OnlyAnswerAsync(Client staff, Guid exercise) =>
        (await staff.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]!.AsArray().ShouldHaveSingleItem()!;

    private static async Task<string> TitleAsync(Client staff, Guid exercise) =>
        (string)(await staff.GetAsync($"/api/exercises/{exercise}"))["title"]!;

    private async Task<(SetExercise Trial, SatAnswer Answer)> MadeAsync(Client instructor, SetExercise exercise)
    {
        var trial = await Story.FindAsync(
            instructor,
            (Guid)(await instructor.PostAsync($"/api/exercises/{exercise}/trial"))["id"]!
        );
        var answer = await OnlyAnswerAsync(instructor, trial);
        var work = (Guid)answer["works"]![0]!["id"]!;
        await server.CheckAsync(work);
        return (trial, new SatAnswer((Guid)answer["id"]!, work));
    }

    [Fact]
    public async Task Another_marking_is_tried_on_a_class_and_changes_nothing_of_its_own()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{exercise}/trial")).ShouldBe("no-answers");
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var note = (await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["notes"]!
            .AsArray()
            .First(one => ((string)one!["headline"]!).Contains("gasvolume", OrdinalIgnoreCase))!;
        await instructor.PutAsync(
            $"/api/marking/work/{answer.Work}/rulings?finding={note["id"]}",
            new { decision = "allow", comment = "Nobody said so." }
        );
        await instructor.PostAsync(
            $"/api/marking/work/{answer.Work}/adjustments",
            new { amount = "1", reason = "A tidy drawing." }
        );
        var marked = await instructor.GetAsync($"/api/marking/work/{answer.Work}");

        // The copy begins with the same answers under the same codes, with all that was decided.
        var (trial, copy) = await MadeAsync(instructor, exercise);
        var tried = await instructor.GetAsync($"/api/marking/work/{copy.Work}");
        ((string)tried["result"]!["total"]!).ShouldBe((string)marked["result"]!["total"]!);
        tried["rulings"]!.AsArray().ShouldHaveSingleItem()!["comment"]!.GetValue<string>().ShouldBe("Nobody said so.");
        tried["result"]!["adjustments"]!.AsArray().Count.ShouldBe(1);
        ((string)(await OnlyAnswerAsync(instructor, trial))["code"]!).ShouldBe(
            (string)(await OnlyAnswerAsync(instructor, exercise))["code"]!
        );

        // Marked by another scheme, it is the copy alone that changes.
        var part = await Story.PartAsync(instructor, trial);
        var assessment = part["assessment"]!["value"]!.DeepClone();
        foreach (var line in assessment["scheme"]!["lines"]!.AsArray())
        {
            line!["marks"] = "2";
        }

        await instructor.PutAsync(
            $"/api/parts/{trial.Part}/assessment",
            new { revision = (int)part["assessment"]!["revision"]!, value = assessment }
        );
        await server.CheckAsync(copy.Work);
        ((string)(await instructor.GetAsync($"/api/marking/work/{copy.Work}"))["result"]!["total"]!).ShouldNotBe(
            (string)marked["result"]!["total"]!
        );
        ((string)(await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["total"]!).ShouldBe(
            (string)marked["result"]!["total"]!
        );

        // Another copy has a title of its own.
        var (second, _) = await MadeAsync(instructor, exercise);
        var titles = new[] { await TitleAsync(instructor, trial), await TitleAsync(instructor, second) };
        titles.ShouldBeUnique();
        titles.ShouldAllBe(title => title.StartsWith("Airfield (trial", Ordinal));

        // Taken away, it is gone with its answers, and the exercise is not.
        await instructor.SendAsync(HttpMethod.Delete, $"/api/exercises/{trial}/trial");
        (await instructor.CodeOfAsync(HttpMethod.Get, $"/api/exercises/{trial}")).ShouldBe("no-such-exercise");
        (await instructor.CodeOfAsync(HttpMethod.Get, $"/api/marking/work/{copy.Work}")).ShouldBe("no-such-answer");
        await OnlyAnswerAsync(instructor, exercise);
        (await instructor.CodeOfAsync(HttpMethod.Delete, $"/api/exercises/{exercise}/trial")).ShouldBe("no-trial");
    }

    [Fact]
    public async Task What_is_marked_blind_is_seen_in_no_copy()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var at = $"/api/marking/parts/{exercise.Part}/sample";
        var (trial, _) = await MadeAsync(instructor, exercise);
        (await instructor.CodeOfAsync(HttpMethod.Post, at, new { count = 1 })).ShouldBe("trial");
        await instructor.SendAsync(HttpMethod.Delete, $"/api/exercises/{trial}/trial");
        await instructor.PostAsync(at, new { count = 1 });
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{exercise}/trial")).ShouldBe("blind");
    }

    [Fact]
    public async Task Students_never_meet_a_trial()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student2");
        using var outsider = await server.AsAsync("outsider");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var (trial, copy) = await MadeAsync(instructor, exercise);

        var listed = (await student.GetAsync("/api/study/exercises")).AsArray().Select(row => (Guid)row!["id"]!).ToList();
        listed.ShouldContain(exercise.Id);
        listed.ShouldNotContain(trial.Id);
        (await student.CodeOfAsync(HttpMethod.Get, $"/api/study/answers/{copy}")).ShouldBe("no-such-answer");
        (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/exercises/{trial}/answer")).ShouldBe("no-such-exercise");
        (await student.CodeOfAsync(HttpMethod.Get, $"/api/study/work/{copy.Work}/earlier")).ShouldBe("no-such-answer");

        // What is kept of a person is in that person's file, copies included.
        (await student.GetAsync("/api/session/data"))["answers"]!
            .AsArray()
            .Count(one => ((string)one!["exercise"]!).StartsWith("Airfield (trial", Ordinal))
            .ShouldBe(1);

        await instructor.PostAsync($"/api/marking/work/{copy.Work}/gone-through");
        var at = $"/api/marking/exercises/{trial}";
        (await instructor.CodeOfAsync(HttpMethod.Post, $"{at}/release", new { })).ShouldBe("trial");
        (await instructor.CodeOfAsync(HttpMethod.Get, $"{at}/gradebook")).ShouldBe("trial");
        (await instructor.CodeOfAsync(HttpMethod.Post, $"{at}/sheets", new { together = true })).ShouldBe("trial");
        (await instructor.CodeOfAsync(HttpMethod.Put, $"/api/exercises/{trial}/times", new { dueAt = (string?)null })).ShouldBe(
            "trial"
        );
        (await student.GetAsync($"/api/study/answers/{answer}")).ShouldNotBeNull();

        // It is nobody's but the class's.
        (await outsider.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{exercise}/trial")).ShouldBe("no-such-exercise");
        (await outsider.CodeOfAsync(HttpMethod.Delete, $"/api/exercises/{trial}/trial")).ShouldBe("no-such-exercise");
    }
}
