using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// Writing and publishing an exercise: each document by its revision, and nothing that is asked changes afterwards.
/// </summary>
public sealed class ExerciseTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public async Task A_new_exercise_says_what_it_lacks_step_by_step()
    {
        using var instructor = await server.AsAsync("instructor");
        var id = await Story.MadeAsync(server, instructor, "  Lighthouse  ");
        (await LacksAsync(instructor, id)).ShouldBe("Write the scenario first.");
        await instructor.PutAsync($"/api/exercises/{id}/scenario", new { revision = 1, text = "A lighthouse has a *keeper*." });
        (await LacksAsync(instructor, id)).ShouldBe("Draw the model answer first.");
        await instructor.PutAsync(
            $"/api/parts/{id.Part}/model",
            new { revision = 1, text = DrawingWriter.WriteText(TestServer.Model) }
        );
        (await LacksAsync(instructor, id)).ShouldBe("Derive the marking scheme first.");
        var scheme = await instructor.PostAsync($"/api/parts/{id.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{id.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        (await LacksAsync(instructor, id)).ShouldBeNull();
        var exercise = await instructor.GetAsync($"/api/exercises/{id}");
        ((string)exercise["title"]!).ShouldBe("Lighthouse");
        ((string)exercise["scenarioHtml"]!).ShouldContain("<em>keeper</em>");
    }

    [Fact]
    public async Task What_no_words_decide_is_told_of_the_drawing_as_it_is_now()
    {
        using var instructor = await server.AsAsync("instructor");
        var id = await Story.DraftAsync(server, instructor);
        await instructor.PutAsync(
            $"/api/exercises/{id}/scenario",
            new { revision = await RevisionAsync(instructor, id, "scenario"), text = "Nothing but *fog*." }
        );

        var items = (
            await instructor.PostAsync(
                $"/api/parts/{id.Part}/preflight",
                new { drawing = DrawingWriter.WriteText(TestServer.Model) }
            )
        )["items"]!.AsArray();

        items.ShouldContain(item => (string)item!["kind"]! == "unspoken" && ((string)item["said"]!).Contains("zeppelin"));
        items.Select(item => (string)item!["key"]!).ShouldBeUnique();
        items.ShouldAllBe(item => ((string)item!["title"]!).Length > 0);
        (await instructor.PostAsync($"/api/parts/{id.Part}/preflight", new { drawing = DrawingWriter.WriteText(Drawing.Empty) }))[
            "items"
        ]!
            .AsArray()
            .Select(item => (string)item!["kind"]!)
            .ShouldNotContain("unspoken");
        (
            await instructor.CodeOfAsync(HttpMethod.Post, $"/api/parts/{id.Part}/preflight", new { drawing = "{" })
        ).ShouldNotBeNull();
    }

    [Fact]
    public async Task A_derived_scheme_adds_up_to_the_marks_of_the_part()
    {
        using var instructor = await server.AsAsync("instructor");
        var id = await Story.DraftAsync(server, instructor);
        var scheme = await instructor.PostAsync($"/api/parts/{id.Part}/scheme");
        var lines = scheme["lines"]!.AsArray();
        lines.Sum(line => Value(line!["marks"]!)).ShouldBe(20);
        lines.SelectMany(line => line!["facts"]!.AsArray()).Select(fact => (string)fact!).ShouldBeUnique();
        lines.Select(line => (string)line!["title"]!).ShouldContain("Entity Zeppelin");
    }

    [Theory]
    [InlineData("scenario")]
    [InlineData("model")]
    [InlineData("part")]
    [InlineData("assessment")]
    public async Task The_later_of_two_who_save_one_document_is_shown_what_stands(string document)
    {
        using var one = await server.AsAsync("instructor");
        using var two = await server.AsAsync("instructor");
        var id = await Story.DraftAsync(server, one);
        var revision = await RevisionAsync(one, id, document);
        await one.PutAsync(PathOf(id, document), Body(document, revision, "first"));
        var response = await two.SendAsync(HttpMethod.Put, PathOf(id, document), Body(document, revision, "second"));
        var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync())!;
        ((string)problem["code"]!).ShouldBe("conflict");
        ((int)problem["current"]!["revision"]!).ShouldBe(revision + 1);
        ((string)problem["current"]!["text"]!).ShouldContain(document == "part" ? "31" : "first");
    }

    [Theory]
    [InlineData("scenario")]
    [InlineData("model")]
    [InlineData("part")]
    public async Task What_is_asked_no_longer_changes_once_it_is_published(string document)
    {
        using var instructor = await server.AsAsync("instructor");
        var id = await Story.PublishedAsync(server, instructor);
        var revision = await RevisionAsync(instructor, id, document);
        (await instructor.CodeOfAsync(HttpMethod.Put, PathOf(id, document), Body(document, revision, "late"))).ShouldBe(
            "published"
        );
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{id}/publish", new { })).ShouldBe("already-done");
    }

    [Fact]
    public async Task Answers_cannot_be_due_before_they_are_asked_for()
    {
        using var instructor = await server.AsAsync("instructor");
        var id = await Story.DraftAsync(server, instructor);
        var scheme = await instructor.PostAsync($"/api/parts/{id.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{id.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        (
            await instructor.CodeOfAsync(
                HttpMethod.Post,
                $"/api/exercises/{id}/publish",
                new { dueAt = DateTimeOffset.UtcNow.AddHours(-1) }
            )
        ).ShouldBe("due");
        await instructor.PostAsync($"/api/exercises/{id}/publish", new { dueAt = DateTimeOffset.UtcNow.AddHours(1) });
        using var student = await server.AsAsync("student");
        (await student.GetAsync("/api/study/exercises")).AsArray().Select(row => (Guid)row!["id"]!).ShouldContain(id);
    }

    [Fact]
    public async Task A_draft_is_nobodys_business_but_the_teachers()
    {
        using var instructor = await server.AsAsync("instructor");
        using var assistant = await server.AsAsync("assistant");
        using var student = await server.AsAsync("student");
        var id = await Story.DraftAsync(server, instructor);
        ((bool)(await assistant.GetAsync($"/api/exercises/{id}"))["mayEdit"]!).ShouldBeFalse();
        (await student.GetAsync("/api/study/exercises")).AsArray().Select(row => (Guid)row!["id"]!).ShouldNotContain(id);
        (await student.CodeOfAsync(HttpMethod.Get, $"/api/study/exercises/{id}")).ShouldBe("no-such-exercise");
        (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/exercises/{id}/answer", new { })).ShouldBe("no-such-exercise");
    }

    [Fact]
    public async Task A_reading_tells_facts_under_the_ids_by_which_they_are_tolerated()
    {
        using var instructor = await server.AsAsync("instructor");
        var id = await Story.DraftAsync(server, instructor);
        var reading = await instructor.PostAsync(
            $"/api/parts/{id.Part}/reading",
            new { drawing = DrawingWriter.WriteText(TestServer.Model) }
        );
        ((string)reading["hash"]!).ShouldBe(DrawingWriter.Hash(TestServer.Model));
        reading["facts"]!.AsArray().Select(fact => (string)fact!["id"]!).ShouldContain("min:r1/to");
        reading["sentences"]!.AsArray().Count.ShouldBe(3);
    }

    [Fact]
    public async Task Only_the_cohorts_one_teaches_are_offered()
    {
        using var instructor = await server.AsAsync("instructor");
        var cohorts = (await instructor.GetAsync("/api/exercises/cohorts")).AsArray();
        cohorts.Select(cohort => (string)cohort!["name"]!).ShouldBe(["Morning course"]);
        ((int)cohorts[0]!["students"]!).ShouldBe(3);
    }

    private static string PathOf(SetExercise exercise, string document) =>
        document switch
        {
            "scenario" => $"/api/exercises/{exercise}/scenario",
            "part" => $"/api/parts/{exercise.Part}",
            _ => $"/api/parts/{exercise.Part}/{document}",
        };

    private static async Task<int> RevisionAsync(Client instructor, SetExercise exercise, string document) =>
        (int)
            (
                document == "scenario"
                    ? await instructor.GetAsync($"/api/exercises/{exercise}")
                    : await Story.PartAsync(instructor, exercise)
            )[document]!["revision"]!;

    private static object Body(string document, int revision, string text) =>
        document switch
        {
            "model" => new { revision, text = DrawingWriter.WriteText(new Sketch().Box(text).ToDrawing()) },
            "part" => new
            {
                revision,
                value = new
                {
                    level = "logical",
                    marks = text == "first" ? "31" : "32",
                    minutes = 30,
                },
            },
            "assessment" => new
            {
                revision,
                value = new
                {
                    tolerances = new[]
                    {
                        new
                        {
                            fact = text,
                            accepted = Array.Empty<string>(),
                            optional = true,
                        },
                    },
                },
            },
            _ => new { revision, text },
        };

    private static async Task<string?> LacksAsync(Client instructor, Guid id) =>
        (string?)
            (await instructor.GetAsync("/api/home"))["exercises"]!.AsArray().First(row => (Guid)row!["summary"]!["id"]! == id)![
                "lacks"
            ];

    private static double Value(JsonNode rational)
    {
        var parts = ((string)rational!).Split('/');
        return double.Parse(parts[0]) / (parts.Length > 1 ? double.Parse(parts[1]) : 1);
    }
}
