using System.Net;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using Microsoft.EntityFrameworkCore;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Saving and handing in: nothing acknowledged is lost, and what loses is kept.</summary>
public sealed class SavingTests(TestServer server) : IClassFixture<TestServer>
{
    private static readonly Drawing One = new Sketch().Box("One").ToDrawing();
    private static readonly Drawing Two = new Sketch().Box("Two").ToDrawing();

    [Fact]
    public async Task A_save_is_there_when_one_comes_back_in_another_browser()
    {
        var (student, answer) = await StartAsync();
        await Story.SaveAsync(student, answer, 1, One);
        using var elsewhere = await server.AsAsync("student");
        var reply = await elsewhere.GetAsync($"/api/study/answers/{answer}");
        ((int)reply["works"]![0]!["revision"]!).ShouldBe(2);
        ((string)reply["works"]![0]!["drawing"]!).ShouldBe(DrawingWriter.WriteText(One));
    }

    [Fact]
    public async Task A_lost_acknowledgement_is_no_conflict()
    {
        var (student, answer) = await StartAsync();
        var request = Story.SaveRequest(1, One);
        await student.PutAsync($"/api/study/work/{answer.Work}/drawing", request);
        var again = await student.PutAsync($"/api/study/work/{answer.Work}/drawing", request);
        ((int)again["revision"]!).ShouldBe(2);
    }

    [Fact]
    public async Task A_drawing_is_tidied_up_where_the_exercise_allows_it_and_what_is_pinned_is_left_out()
    {
        var (student, answer) = await StartAsync();
        var drawing = new Sketch().Box("Dome").Box("Mast").Box("Lamp").ToDrawing();
        var sheet = drawing.Sheets[0];
        drawing = drawing with
        {
            Sheets =
            [
                sheet with
                {
                    Shapes =
                    [
                        .. sheet.Shapes.Select((shape, i) => shape with { Place = new Place(0, 0, 600, 144), Pinned = i == 2 }),
                    ],
                },
            ],
        };
        var reply = await student.PostAsync(
            $"/api/study/work/{answer.Work}/tidy",
            new { drawing = DrawingWriter.WriteText(drawing), only = Array.Empty<string>() }
        );
        var places = reply["places"]!.AsArray();
        places.Select(place => (string)place!["id"]!).Order().ShouldBe(["b1", "b2"]);
        places.Select(place => ((int)place!["x"]!, (int)place["y"]!)).Distinct().Count().ShouldBe(2);
        (
            await student.CodeOfAsync(
                HttpMethod.Post,
                $"/api/study/work/{answer.Work}/tidy",
                new { drawing = "{", only = Array.Empty<string>() }
            )
        ).ShouldNotBe("server-error");

        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        (
            await instructor.PostAsync(
                $"/api/parts/{exercise.Part}/tidy",
                new { drawing = DrawingWriter.WriteText(drawing), only = new[] { "b1", "b2" } }
            )
        )["places"]!
            .AsArray()
            .Count.ShouldBe(2);
        using var classmate = await server.AsAsync("student2");
        (
            await classmate.CodeOfAsync(
                HttpMethod.Post,
                $"/api/study/work/{answer.Work}/tidy",
                new { drawing = DrawingWriter.WriteText(drawing), only = Array.Empty<string>() }
            )
        ).ShouldBe("no-such-answer");
    }

    [Fact]
    public async Task The_loser_of_a_conflict_is_told_what_stands_and_is_kept()
    {
        var (student, answer) = await StartAsync();
        await Story.SaveAsync(student, answer, 1, One);
        var response = await student.SendAsync(
            HttpMethod.Put,
            $"/api/study/work/{answer.Work}/drawing",
            Story.SaveRequest(1, Two)
        );
        var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync())!;
        ((string)problem["code"]!).ShouldBe("conflict");
        ((string)problem["current"]!["drawing"]!).ShouldBe(DrawingWriter.WriteText(One));
        (await KeptAsync(answer, CheckpointReason.LostConflict)).ShouldBe([DrawingWriter.WriteText(Two)]);
    }

    [Fact]
    public async Task After_handing_in_nothing_changes_and_what_comes_is_kept()
    {
        var (student, answer) = await StartAsync();
        await Story.SaveAsync(student, answer, 1, One);
        var receipt = await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 2));
        (await student.CodeOfAsync(HttpMethod.Put, $"/api/study/work/{answer.Work}/drawing", Story.SaveRequest(2, Two))).ShouldBe(
            "handed-in"
        );
        var again = await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 2));
        ((string)again["receipt"]!).ShouldBe((string)receipt["receipt"]!);
        ((string)(await student.GetAsync($"/api/study/answers/{answer}"))["works"]![0]!["drawing"]!).ShouldBe(
            DrawingWriter.WriteText(One)
        );
        (await KeptAsync(answer, CheckpointReason.TooLate)).ShouldBe([DrawingWriter.WriteText(Two)]);
    }

    [Fact]
    public async Task Only_the_drawing_that_was_seen_is_handed_in()
    {
        var (student, answer) = await StartAsync();
        await Story.SaveAsync(student, answer, 1, One);
        (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 1))).ShouldBe(
            "conflict"
        );
    }

    [Fact]
    public async Task After_the_time_a_save_is_kept_but_does_not_count_and_what_was_there_is_handed_in()
    {
        var (student, answer) = await StartAsync();
        await using (var context = server.Database.Open())
        {
            var past = DateTimeOffset.UtcNow.AddMinutes(-1);
            await context.Database.ExecuteSqlAsync(
                $"UPDATE answers SET ends_at = {past} WHERE id = {answer.Id}",
                TestContext.Current.CancellationToken
            );
        }

        (await student.CodeOfAsync(HttpMethod.Put, $"/api/study/work/{answer.Work}/drawing", Story.SaveRequest(1, Two))).ShouldBe(
            "time-over"
        );
        (await KeptAsync(answer, CheckpointReason.TooLate)).ShouldBe([DrawingWriter.WriteText(Two)]);
        var receipt = await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 1));
        ((bool)receipt["late"]!).ShouldBeFalse();
        ((DateTimeOffset)receipt["handedInAt"]!).ShouldBeLessThan(DateTimeOffset.UtcNow.AddSeconds(-50));
    }

    [Fact]
    public async Task Many_savers_of_one_revision_leave_one_winner()
    {
        var (student, answer) = await StartAsync();
        var replies = await Task.WhenAll(
            Enumerable
                .Range(0, 12)
                .Select(i =>
                    student.SendAsync(
                        HttpMethod.Put,
                        $"/api/study/work/{answer.Work}/drawing",
                        Story.SaveRequest(1, new Sketch().Box($"Box {i}").ToDrawing())
                    )
                )
        );
        replies.Count(reply => reply.IsSuccessStatusCode).ShouldBe(1);
        (await KeptAsync(answer, CheckpointReason.LostConflict)).Count.ShouldBe(AnswerStore.MostLosers);
    }

    [Fact]
    public async Task What_loses_is_kept_once_and_of_many_the_newest_few()
    {
        var (student, answer) = await StartAsync();
        await Story.SaveAsync(student, answer, 1, new Sketch().Box("Winner").ToDrawing());
        Task<HttpResponseMessage> LoseAsync(int i) =>
            student.SendAsync(
                HttpMethod.Put,
                $"/api/study/work/{answer.Work}/drawing",
                Story.SaveRequest(1, new Sketch().Box($"Loser {i}").ToDrawing())
            );
        for (var i = 0; i < 14; i++)
        {
            (await LoseAsync(i)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        }

        (await LoseAsync(13)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        var kept = await KeptAsync(answer, CheckpointReason.LostConflict);
        kept.Count.ShouldBe(AnswerStore.MostLosers);
        kept.Count(drawing => drawing.Contains("Loser 13", StringComparison.Ordinal)).ShouldBe(1);
        kept.ShouldNotContain(drawing => drawing.Contains("Loser 3\"", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_drawing_that_cannot_be_read_is_refused_with_its_place()
    {
        var (student, answer) = await StartAsync();
        var response = await student.SendAsync(
            HttpMethod.Put,
            $"/api/study/work/{answer.Work}/drawing",
            new
            {
                revision = 1,
                saveId = Guid.NewGuid(),
                drawing = "{\"format\":\"blue-slate-drawing\",\"version\":1,"
                    + "\"sheets\":[{\"id\":\"s\",\"shapes\":[{\"id\":\"b\",\"form\":\"blob\"}]}]}",
            }
        );
        var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync())!;
        ((string)problem["code"]!).ShouldBe("drawing-unknown-word");
        ((string)problem["place"]!).ShouldContain("$.sheets[0].shapes[0].form");
    }

    private async Task<(Client Student, SatAnswer Answer)> StartAsync()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var student = await server.AsAsync("student");
        return (student, await Story.StartedAsync(student, exercise));
    }

    private async Task<List<string>> KeptAsync(SatAnswer answer, CheckpointReason reason)
    {
        await using var context = server.Database.Open();
        return await context
            .Checkpoints.Where(row => row.WorkId == answer.Work && row.Reason == reason)
            .Select(row => row.Drawing)
            .ToListAsync(TestContext.Current.CancellationToken);
    }
}
