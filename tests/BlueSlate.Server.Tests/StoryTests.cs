using System.Text.Json.Nodes;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>From setting an exercise to returned marks, over HTTP.</summary>
public sealed class StoryTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public async Task An_exercise_goes_from_draft_to_released_marks()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);

        var desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        desk["answers"]!.AsArray().Count.ShouldBe(1);
        ((string)desk["answers"]![0]!["state"]!).ShouldBe("checked");
        desk.ToJsonString().ShouldNotContain("student@");

        var marking = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        var codes = marking["result"]!["notes"]!.AsArray().Select(note => (string)note!["code"]!).Order().ToList();
        codes.ShouldBe(["attribute-missing", "cardinality-min"]);
        var before = Value(marking["result"]!["total"]!);

        var finding = (string)
            marking["result"]!["notes"]!.AsArray().First(note => (string)note!["code"]! == "cardinality-min")!["id"]!;
        var ruled = await instructor.PutAsync(
            $"/api/marking/work/{answer.Work}/rulings?finding={Uri.EscapeDataString(finding)}",
            new { decision = "allow", comment = "The wording allows it." }
        );
        Value(ruled["result"]!["total"]!).ShouldBeGreaterThan(before);
        LossesOf(ruled).ShouldBe(Value(ruled["result"]!["maximum"]!) - Value(ruled["result"]!["exact"]!), 1e-9);

        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        (await student.CodeOfAsync(HttpMethod.Get, $"/api/study/answers/{answer}/marks")).ShouldBe("not-released");
        ((int)(await instructor.PostAsync($"/api/marking/exercises/{exercise}/release"))["released"]!).ShouldBe(1);

        var marks = await Story.MarksAsync(student, answer);
        ((string)marks["result"]!["total"]!).ShouldBe((string)ruled["result"]!["total"]!);
        ((string)marks["rulings"]![0]!["comment"]!).ShouldBe("The wording allows it.");
        ((string)marks["modelDrawing"]!).ShouldContain("Zeppelin");
        marks["modelSentences"]!.ToJsonString().ShouldContain("anchors");

        // A later decision changes nothing of what is released.
        await instructor.PutAsync(
            $"/api/marking/work/{answer.Work}/rulings?finding={Uri.EscapeDataString(finding)}",
            new { decision = "keep-loss" }
        );
        (await Story.MarksAsync(student, answer)).ToJsonString().ShouldBe(marks.ToJsonString());
    }

    [Fact]
    public async Task A_ruling_that_is_taken_back_changes_nothing_in_the_end()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student2");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var before = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        var path =
            $"/api/marking/work/{answer.Work}/rulings?finding={Uri.EscapeDataString((string)before["result"]!["notes"]![0]!["id"]!)}";
        await instructor.PutAsync(path, new { decision = "allow-in-part", comment = "" });
        await instructor.SendAsync(HttpMethod.Delete, path);
        var after = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        after["result"]!.ToJsonString().ShouldBe(before["result"]!.ToJsonString());
    }

    [Fact]
    public async Task A_tolerance_added_after_publishing_checks_all_answers_again()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var assessment = (await Story.PartAsync(instructor, exercise))["assessment"]!;
        var value = assessment["value"]!.DeepClone();
        value["tolerances"] = new JsonArray(new JsonObject { ["fact"] = "min:r1/to", ["accepted"] = new JsonArray("1") });
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = (int)assessment["revision"]!, value }
        );
        await server.CheckAsync(answer.Work);
        var marking = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        marking["result"]!["notes"]!.AsArray().Select(note => (string)note!["code"]!).ShouldBe(["attribute-missing"]);
    }

    [Fact]
    public async Task What_is_not_ready_is_not_published()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{exercise}/publish", new { })).ShouldBe("not-ready");
    }

    [Fact]
    public async Task Two_instructors_on_one_scenario_get_a_choice()
    {
        using var one = await server.AsAsync("instructor");
        using var other = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, one);
        await one.PutAsync($"/api/exercises/{exercise}/scenario", new { revision = 2, text = "first" });
        var response = await other.SendAsync(
            HttpMethod.Put,
            $"/api/exercises/{exercise}/scenario",
            new { revision = 2, text = "second" }
        );
        var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync())!;
        ((string)problem["code"]!).ShouldBe("conflict");
        ((string)problem["current"]!["text"]!).ShouldBe("first");
    }

    [Fact]
    public async Task Home_says_what_waits()
    {
        using var assistant = await server.AsAsync("assistant");
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var home = await assistant.GetAsync("/api/home");
        var own = home["exercises"]!.AsArray().First(row => (Guid)row!["summary"]!["id"]! == exercise)!;
        ((string)own["lacks"]!).ShouldBe("Derive the marking scheme first.");
    }

    private static double Value(JsonNode rational)
    {
        var parts = ((string)rational!).Split('/');
        return double.Parse(parts[0]) / (parts.Length > 1 ? double.Parse(parts[1]) : 1);
    }

    private static double LossesOf(JsonNode marking) => marking["result"]!["notes"]!.AsArray().Sum(note => Value(note!["loss"]!));
}
