using System.Net;
using System.Text.Json.Nodes;
using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// Several people who do one thing at the same moment: one does it, the others are told so, and nothing is done twice or by
/// halves.
/// </summary>
public sealed class TogetherTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public async Task Three_who_publish_at_once_publish_once()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var scheme = await instructor.PostAsync($"/api/parts/{exercise.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        await OnceAsync(() =>
            instructor.SendAsync(HttpMethod.Post, $"/api/exercises/{exercise}/publish", new { dueAt = (DateTimeOffset?)null })
        );
    }

    [Fact]
    public async Task Three_who_release_at_once_release_once_and_nothing_is_released_twice()
    {
        var (instructor, exercise, answer) = await GoneThroughAsync();
        await OnceAsync(() => instructor.SendAsync(HttpMethod.Post, $"/api/marking/exercises/{exercise}/release", new { }));
        await using var database = server.Database.Open();
        (
            await database.ReleasedSheets.CountAsync(sheet => sheet.WorkId == answer.Work, TestContext.Current.CancellationToken)
        ).ShouldBe(1);
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/marking/exercises/{exercise}/release", new { })).ShouldBe(
            "already-done"
        );
    }

    [Fact]
    public async Task Release_of_nothing_freezes_nothing()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/marking/exercises/{exercise}/release", new { })).ShouldBe(
            "nothing-to-release"
        );
        await using var database = server.Database.Open();
        (
            await database.Exercises.SingleAsync(row => row.Id == exercise, TestContext.Current.CancellationToken)
        ).ReleasedAt.ShouldBeNull();
    }

    [Fact]
    public async Task Three_who_decide_at_once_decide_one_after_the_other()
    {
        var (instructor, _, answer) = await GoneThroughAsync();
        var note = Uri.EscapeDataString(
            (string)(await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["notes"]![0]!["id"]!
        );
        foreach (var reach in new[] { "answer", "alike" })
        {
            var replies = await Task.WhenAll(
                new[] { "allow", "allow-in-part", "keep-loss" }.Select(decision =>
                    instructor.SendAsync(
                        HttpMethod.Put,
                        $"/api/marking/work/{answer.Work}/rulings?finding={note}",
                        new { decision, reach }
                    )
                )
            );
            replies.ShouldAllBe(reply => reply.StatusCode == HttpStatusCode.OK);
        }
    }

    [Fact]
    public async Task A_decision_that_races_the_release_counts_or_is_refused()
    {
        for (var round = 0; round < 4; round++)
        {
            var (instructor, exercise, answer) = await GoneThroughAsync();
            using var assistant = await server.AsAsync("assistant");
            var page = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
            var note = Uri.EscapeDataString((string)page["result"]!["notes"]![0]!["id"]!);
            var decision = assistant.SendAsync(
                HttpMethod.Put,
                $"/api/marking/work/{answer.Work}/rulings?finding={note}",
                new { decision = "allow", reach = "answer" }
            );
            var release = instructor.SendAsync(HttpMethod.Post, $"/api/marking/exercises/{exercise}/release", new { });
            await Task.WhenAll(decision, release);
            (await release).StatusCode.ShouldBe(HttpStatusCode.OK);
            await using var database = server.Database.Open();
            var sheet = await database.ReleasedSheets.SingleAsync(
                row => row.WorkId == answer.Work,
                TestContext.Current.CancellationToken
            );
            var before = (string)page["result"]!["total"]!;
            ((await decision).StatusCode, Changed: sheet.Total != before).ShouldBeOneOf(
                (HttpStatusCode.OK, true),
                (HttpStatusCode.Conflict, false)
            );
        }
    }

    [Fact]
    public async Task What_a_decision_would_give_is_what_it_gives()
    {
        var (instructor, _, answer) = await GoneThroughAsync();
        foreach (
            var note in (await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["notes"]!
                .AsArray()
                .Select(note => Uri.EscapeDataString((string)note!["id"]!))
        )
        {
            foreach (var (decision, told) in new[] { ("allow", "allowed"), ("allow-in-part", "inPart"), ("keep-loss", "kept") })
            {
                var expected = (string)
                    (await instructor.GetAsync($"/api/marking/work/{answer.Work}/alike?finding={note}"))["answers"]![0]![told]!;
                (
                    (string)
                        (
                            await instructor.PutAsync(
                                $"/api/marking/work/{answer.Work}/rulings?finding={note}",
                                new { decision, reach = "answer" }
                            )
                        )["result"]!["total"]!
                ).ShouldBe(expected, $"{note} {decision}");
            }
        }
    }

    [Fact]
    public async Task A_decision_whose_note_is_gone_changes_no_total()
    {
        var (instructor, _, answer) = await GoneThroughAsync();
        var before = (string)(await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["total"]!;
        await using (var database = server.Database.Open())
        {
            var instructorId = await database
                .Users.Where(row => row.DisplayName == "instructor")
                .Select(row => row.Id)
                .SingleAsync(TestContext.Current.CancellationToken);
            var facts = (await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["notes"]!
                .AsArray()
                .SelectMany(note => note!["facts"]!.AsArray())
                .Select(fact => (string)fact!)
                .ToArray();
            database.Rulings.Add(
                new FindingRuling
                {
                    WorkId = answer.Work,
                    FindingId = "attribute-missing:gone",
                    FactIds = facts,
                    Extras = [],
                    Decision = "Allow",
                    Comment = "",
                    ById = instructorId,
                    At = DateTimeOffset.UtcNow,
                }
            );
            await database.SaveChangesAsync(TestContext.Current.CancellationToken);
        }

        ((string)(await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["total"]!).ShouldBe(before);
    }

    [Fact]
    public async Task A_new_scheme_and_the_request_to_check_again_are_kept_together()
    {
        var (instructor, exercise, answer) = await GoneThroughAsync();
        var assessment = (await Story.PartAsync(instructor, exercise))["assessment"]!;
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = (int)assessment["revision"]!, value = assessment["value"] }
        );
        await using var database = server.Database.Open();
        var newest = await database
            .AssessmentRevisions.Where(row => row.PartId == exercise.Part)
            .OrderByDescending(row => row.Number)
            .FirstAsync(TestContext.Current.CancellationToken);
        newest.Number.ShouldBe(2);
        (
            await database.CheckRequests.CountAsync(
                row => row.WorkId == answer.Work && row.AssessmentRevisionId == newest.Id,
                TestContext.Current.CancellationToken
            )
        ).ShouldBe(1);
    }

    [Fact]
    public async Task An_answer_that_cannot_be_assessed_stands_in_nobodys_way()
    {
        var (instructor, exercise, answer) = await GoneThroughAsync();
        using var other = await server.AsAsync("student2");
        var broken = await Story.HandedInAsync(server, other, exercise, Story.Faulty);
        await instructor.PostAsync($"/api/marking/work/{broken.Work}/gone-through");
        await using (var database = server.Database.Open())
        {
            await database
                .Works.Where(row => row.Id == broken.Work)
                .ExecuteUpdateAsync(set => set.SetProperty(row => row.Drawing, "damaged"), TestContext.Current.CancellationToken);
        }

        (await instructor.CodeOfAsync(HttpMethod.Get, $"/api/marking/work/{broken.Work}")).ShouldBe("not-assessed");
        var note = Uri.EscapeDataString(
            (string)(await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["notes"]![0]!["id"]!
        );
        await instructor.PutAsync(
            $"/api/marking/work/{answer.Work}/rulings?finding={note}",
            new { decision = "allow", reach = "alike" }
        );
        var assessment = (await Story.PartAsync(instructor, exercise))["assessment"]!;
        await instructor.PostAsync($"/api/parts/{exercise.Part}/assessment/preview", new { value = assessment["value"] });
        var released = await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        ((int)released["released"]!, (int)released["heldBack"]!).ShouldBe((1, 1));
    }

    private async Task<(Client Instructor, SetExercise Exercise, SatAnswer Answer)> GoneThroughAsync()
    {
        var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        return (instructor, exercise, answer);
    }

    private static async Task OnceAsync(Func<Task<HttpResponseMessage>> send)
    {
        var replies = await Task.WhenAll(Enumerable.Range(0, 3).Select(_ => send()));
        replies.Count(reply => reply.IsSuccessStatusCode).ShouldBe(1);
        foreach (var refused in replies.Where(reply => !reply.IsSuccessStatusCode))
        {
            refused.StatusCode.ShouldBe(HttpStatusCode.Conflict);
            ((string)JsonNode.Parse(await refused.Content.ReadAsStringAsync())!["code"]!).ShouldBe("already-done");
        }
    }
}
