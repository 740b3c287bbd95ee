using System.Net;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// Two server processes on one database: whoever is signed in at one is so at the other, and either may be killed.
/// </summary>
public sealed class TwoServersTests(TestServer server) : IClassFixture<TestServer>
{
    private static string Dll => Path.Combine(AppContext.BaseDirectory, "BlueSlate.Server.dll");

    [Fact]
    public async Task Sessions_drawings_and_checks_outlive_the_server_that_began_them()
    {
        await using var one = await ServerProcess.StartAsync(server.Database.App, Dll);
        await using var two = await ServerProcess.StartAsync(server.Database.App, Dll);
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);

        using var student = await Client.OpenAsync(one.Address);
        await student.SignInAsync("student@test.invalid", TestServer.Password);
        var answer = await Story.StartedAsync(student, exercise);
        await Story.SaveAsync(student, answer, 1, Story.Faulty);

        // The same session, at the other server, once the first has been killed.
        await one.KillAsync();
        await student.MoveAsync(two.Address);
        ((int)(await student.GetAsync($"/api/study/answers/{answer}"))["works"]![0]!["revision"]!).ShouldBe(2);
        var save = Guid.NewGuid();
        (
            (int)
                (await student.PutAsync($"/api/study/work/{answer.Work}/drawing", Story.SaveRequest(2, TestServer.Model, save)))[
                    "revision"
                ]!
        ).ShouldBe(3);
        var receipt = await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 3));
        ((string)receipt["receipt"]!).ShouldNotBeEmpty();

        // What was handed in at one is checked by whichever server runs, once.
        using var marker = await server.AsAsync("assistant");
        await Eventually.TrueAsync(async () =>
            (string)(await marker.GetAsync($"/api/marking/work/{answer.Work}"))["state"]! == "checked"
        );
        await using var context = server.Database.Open();
        context.CheckResults.Count(result => result.WorkId == answer.Work).ShouldBe(1);
        context.CheckRequests.Single(request => request.WorkId == answer.Work).Attempts.ShouldBe(1);
    }

    [Fact]
    public async Task A_save_through_both_servers_at_once_is_kept_once_and_the_other_is_told()
    {
        await using var one = await ServerProcess.StartAsync(server.Database.App, Dll, ("BLUESLATE_WORKERS", "0"));
        await using var two = await ServerProcess.StartAsync(server.Database.App, Dll, ("BLUESLATE_WORKERS", "0"));
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var here = await Client.OpenAsync(one.Address);
        using var there = await Client.OpenAsync(two.Address);
        await here.SignInAsync("student2@test.invalid", TestServer.Password);
        await there.SignInAsync("student2@test.invalid", TestServer.Password);
        var answer = await Story.StartedAsync(here, exercise);
        (await Story.StartedAsync(there, exercise)).ShouldBe(answer);

        var path = $"/api/study/work/{answer.Work}/drawing";
        var replies = await Task.WhenAll(
            here.SendAsync(HttpMethod.Put, path, Story.SaveRequest(1, Story.Faulty)),
            there.SendAsync(HttpMethod.Put, path, Story.SaveRequest(1, TestServer.Model))
        );
        replies.Select(reply => reply.StatusCode).Order().ShouldBe([HttpStatusCode.OK, HttpStatusCode.Conflict]);

        var earlier = await here.GetAsync($"/api/study/work/{answer.Work}/earlier");
        earlier.AsArray().Count(state => (string)state!["reason"]! == "lost-conflict").ShouldBe(1);
    }

    [Fact]
    public async Task An_answer_whose_check_took_the_process_down_twice_needs_a_person_and_holds_nobody_up()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var student = await server.AsAsync("student");
        using var student2 = await server.AsAsync("student2");
        var answer = await Story.StartedAsync(student, exercise);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 1));
        await using (var context = server.Database.Open())
        {
            // What two killed attempts leave behind.
            context.CheckRequests.Single(request => request.WorkId == answer.Work).Attempts = 2;
            await context.SaveChangesAsync();
        }

        await server.CheckAsync(answer.Work);
        var other = await Story.HandedInAsync(server, student2, exercise, Story.Faulty);
        var desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        string StateOf(Guid id) => (string)desk["answers"]!.AsArray().Single(row => (Guid)row!["id"]! == id)!["state"]!;
        StateOf(answer).ShouldBe("needs-person");
        StateOf(other).ShouldBe("checked");
    }
}

/// <summary>Waits for what another process does.</summary>
internal static class Eventually
{
    public static async Task TrueAsync(Func<Task<bool>> condition)
    {
        for (var attempt = 0; attempt < 300; attempt++)
        {
            if (await condition())
            {
                return;
            }

            await Task.Delay(100);
        }

        throw new TimeoutException("What was waited for did not happen within 30 s.");
    }
}
