using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>The wording of a published exercise, corrected while it is sat; and an exercise tried on oneself.</summary>
public sealed class CorrectingTests(TestServer server) : IClassFixture<TestServer>
{
    private const string Loose = "An airship usually ties up at one mast. A mast has a mast code.";
    private const string Firm = "An airship ties up at any number of masts, or none. A mast has a mast code.";

    private static async Task<JsonNode> WordingAsync(Client student, SatAnswer answer) =>
        await student.GetAsync($"/api/study/answers/{answer}/wording");

    [Fact]
    public async Task A_correction_reaches_whoever_draws_and_leaves_the_answer_its_wording()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        using var later = await server.AsAsync("student2");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.StartedAsync(student, exercise);
        (await WordingAsync(student, answer))["corrected"].ShouldBeNull();
        var revision = (int)(await instructor.GetAsync($"/api/exercises/{exercise}"))["scenario"]!["revision"]!;
        var correction = new
        {
            revision,
            text = Firm,
            why = "The first wording left it open.",
            accept = Array.Empty<object>(),
        };
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"/api/exercises/{exercise}/wording",
                new
                {
                    revision,
                    text = Firm,
                    why = " ",
                    accept = Array.Empty<object>(),
                }
            )
        ).ShouldBe("reason-wanted");
        await instructor.PutAsync($"/api/exercises/{exercise}/wording", correction);

        var corrected = (await WordingAsync(student, answer))["corrected"]!;
        ((string)corrected["why"]!).ShouldBe("The first wording left it open.");
        ((string)corrected["scenarioHtml"]!).ShouldContain("any number of masts");
        ((string)corrected["before"]!).ShouldContain("Airships tie up");
        ((string)(await student.GetAsync($"/api/study/answers/{answer}"))["scenarioHtml"]!).ShouldContain("Airships tie up");

        // Whoever begins now has the new wording, and nothing to be told.
        var new_ = await Story.StartedAsync(later, exercise);
        ((string)(await later.GetAsync($"/api/study/answers/{new_}"))["scenarioHtml"]!).ShouldContain("any number of masts");
        (await WordingAsync(later, new_))["corrected"].ShouldBeNull();
        (await later.CodeOfAsync(HttpMethod.Get, $"/api/study/answers/{answer}/wording")).ShouldBe("no-such-answer");

        // Two instructors do not correct each other away.
        (await instructor.CodeOfAsync(HttpMethod.Put, $"/api/exercises/{exercise}/wording", correction)).ShouldBe("conflict");
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 1));
        await server.CheckAsync(answer.Work);
        ((string)(await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["scenarioHtml"]!).ShouldContain(
            "Airships tie up"
        );
    }

    [Fact]
    public async Task What_the_old_wording_allowed_is_proposed_and_accepted_for_all_answers()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.DraftAsync(server, instructor);
        await instructor.PutAsync($"/api/exercises/{exercise}/scenario", new { revision = 2, text = Loose });
        var scheme = await instructor.PostAsync($"/api/parts/{exercise.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        await instructor.PostAsync($"/api/exercises/{exercise}/publish", new { });
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var preview = await instructor.PostAsync($"/api/exercises/{exercise}/wording/preview", new { text = Firm });
        ((int)preview["handedIn"]!).ShouldBe(1);
        (await instructor.PostAsync($"/api/exercises/{exercise}/wording/preview", new { text = Loose }))["readings"]!
            .AsArray()
            .ShouldBeEmpty();
        var reading = new
        {
            partId = exercise.Part,
            fact = "min:r1/to",
            value = "1",
        };
        await instructor.PutAsync(
            $"/api/exercises/{exercise}/wording",
            new
            {
                revision = 3,
                text = Firm,
                why = "It was open.",
                accept = new[] { reading, reading with { partId = Guid.NewGuid() } },
            }
        );
        await server.CheckAsync(answer.Work);
        var marked = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        marked["result"]!["notes"]!.AsArray().ShouldNotContain(note => (string)note!["code"]! == "cardinality-min");
        var part = await Story.PartAsync(instructor, exercise);
        part["assessment"]!["value"]!["tolerances"]!.AsArray().ShouldHaveSingleItem();
    }

    [Fact]
    public async Task An_exercise_that_is_tried_is_checked_as_it_stands_and_nothing_is_kept()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var drawing = DrawingWriter.WriteText(Story.Faulty);
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/parts/{exercise.Part}/try", new { drawing })).ShouldBe("not-ready");
        var scheme = await instructor.PostAsync($"/api/parts/{exercise.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        var tried = await instructor.PostAsync($"/api/parts/{exercise.Part}/try", new { drawing });
        tried["result"]!["notes"]!.AsArray().ShouldNotBeEmpty();
        ((string)tried["scenarioHtml"]!).ShouldContain("<em>masts</em>");
        (
            (string)
                (
                    await instructor.PostAsync(
                        $"/api/parts/{exercise.Part}/try",
                        new { drawing = DrawingWriter.WriteText(TestServer.Model) }
                    )
                )["result"]!["total"]!
        ).ShouldBe("20");
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/parts/{exercise.Part}/try", new { drawing = "{" })).ShouldNotBe(
            "server-error"
        );
        var reading = await instructor.PostAsync($"/api/parts/{exercise.Part}/try/reading", new { drawing });
        reading["sentences"]!.AsArray().ShouldNotBeEmpty();
        (
            (int)
                (await instructor.GetAsync("/api/exercises")).AsArray().First(one => (Guid)one!["id"]! == exercise.Id)![
                    "started"
                ]!
        ).ShouldBe(0);
        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Post, $"/api/parts/{exercise.Part}/try", new { drawing })).ShouldBe(
            "no-such-part"
        );
    }
}
