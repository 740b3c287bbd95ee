using System.Text.Json.Nodes;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>What whoever teaches does in a student's place: hands in, opens again, and what lateness costs.</summary>
public sealed class OnBehalfTests(TestServer server) : IClassFixture<TestServer>
{
    private static readonly DateTimeOffset Now = DateTimeOffset.UtcNow;

    private async Task<(Client Instructor, Client Student, SetExercise Exercise, string At)> PublishedAsync()
    {
        var instructor = await server.AsAsync("instructor");
        var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        return (instructor, student, exercise, $"/api/exercises/{exercise}");
    }

    private static async Task<JsonNode> WhoBeganAsync(Client instructor, string at) =>
        (await instructor.GetAsync($"{at}/times"))["students"]!.AsArray().Single(one => one!["startedAt"] is not null)!;

    private static async Task<Guid> IdleAsync(Client instructor, string at) =>
        (Guid)(await instructor.GetAsync($"{at}/times"))["students"]!.AsArray().First(one => one!["startedAt"] is null)!["id"]!;

    [Fact]
    public async Task What_is_kept_is_handed_in_for_a_student_who_reads_why()
    {
        var (instructor, student, exercise, at) = await PublishedAsync();
        var answer = await Story.StartedAsync(student, exercise);
        await Story.SaveAsync(student, answer, 1, Story.Faulty);
        var path = $"{at}/students/{(Guid)(await WhoBeganAsync(instructor, at))["id"]!}/hand-in";
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { reason = " " })).ShouldBe("reason-wanted");
        await instructor.PostAsync(path, new { reason = "Your machine broke down." });
        var told = await student.GetAsync($"/api/study/answers/{answer}");
        ((string)told["handedInBecause"]!).ShouldBe("Your machine broke down.");
        told["receipt"].ShouldNotBeNull();
        ((string)(await Story.AttemptAsync(student, exercise))["handedInBecause"]!).ShouldBe("Your machine broke down.");
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { reason = "Again." })).ShouldBe("already-done");

        // It is checked like any other, and what the student draws later is kept beside it.
        await server.CheckAsync(answer.Work);
        var desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        desk["answers"]![0]!["total"].ShouldNotBeNull();
        (
            await student.CodeOfAsync(
                HttpMethod.Put,
                $"/api/study/work/{answer.Work}/drawing",
                Story.SaveRequest(2, TestServer.Model)
            )
        ).ShouldBe("handed-in");
        var idle = await IdleAsync(instructor, at);
        (await instructor.CodeOfAsync(HttpMethod.Post, $"{at}/students/{idle}/hand-in", new { reason = "Away." })).ShouldBe(
            "not-begun"
        );
    }

    [Fact]
    public async Task An_answer_is_opened_again_until_a_time_and_is_not_late_by_it()
    {
        var (instructor, student, exercise, at) = await PublishedAsync();
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var published = (DateTimeOffset)(await instructor.GetAsync(at))["publishedAt"]!;
        await instructor.PutAsync($"{at}/times", new { dueAt = published });
        var path = $"{at}/students/{(Guid)(await WhoBeganAsync(instructor, at))["id"]!}/reopen";
        var why = "The wrong file was handed in.";
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { reason = why, until = Now.AddMinutes(-1) })).ShouldBe("until");
        await instructor.PostAsync(path, new { reason = why, until = Now.AddHours(1) });
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { reason = why, until = Now.AddHours(1) })).ShouldBe(
            "not-handed-in"
        );
        (await instructor.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]!.AsArray().ShouldBeEmpty();
        var told = await Story.AttemptAsync(student, exercise);
        told["handedInAt"].ShouldBeNull();
        ((string)told["reopenedBecause"]!).ShouldBe(why);

        // A change of everybody's times leaves the student's own end alone.
        await instructor.PutAsync($"{at}/times", new { dueAt = published, closesAt = Now.AddMinutes(30) });
        ((DateTimeOffset)(await student.GetAsync($"/api/study/answers/{answer}"))["endsAt"]!).ShouldBeGreaterThan(
            Now.AddMinutes(59)
        );
        await Story.SaveAsync(student, answer, 2, TestServer.Model);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 3));
        await server.CheckAsync(answer.Work);
        var row = (await instructor.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]![0]!;
        ((string)row["total"]!).ShouldBe("20");
        ((bool)row["late"]!).ShouldBeFalse();

        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release", new { });
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { reason = why, until = Now.AddHours(1) })).ShouldBe("released");
    }

    [Fact]
    public async Task Lateness_costs_what_the_rule_says_and_no_more_once_there_is_none()
    {
        var (instructor, student, exercise, at) = await PublishedAsync();
        await Story.HandedInAsync(server, student, exercise, TestServer.Model);
        var published = (DateTimeOffset)(await instructor.GetAsync(at))["publishedAt"]!;
        var rule = new
        {
            percent = 10,
            per = "day",
            most = 50,
        };
        (await instructor.CodeOfAsync(HttpMethod.Put, $"{at}/times", new { late = rule })).ShouldBe("late");
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"{at}/times",
                new { dueAt = published, late = new { percent = 0, per = "day" } }
            )
        ).ShouldBe("late-percent");
        (await TotalAsync(instructor, exercise)).ShouldBe("20");
        await instructor.PutAsync($"{at}/times", new { dueAt = published, late = rule });
        (await TotalAsync(instructor, exercise)).ShouldBe("18");

        // It stands on the sheet with its reason, and cannot be taken back there.
        var work = (Guid)(await instructor.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]![0]!["works"]![0]!["id"]!;
        var sheet = (await instructor.GetAsync($"/api/marking/work/{work}"))["result"]!;
        ((string)sheet["total"]!).ShouldBe("18");
        ((string)sheet["adjustments"]![0]!["reason"]!).ShouldBe("Handed in late, 1 day begun: 10 % of the marks for each.");

        await instructor.PutAsync($"{at}/times", new { dueAt = Now.AddDays(2), late = rule });
        (await TotalAsync(instructor, exercise)).ShouldBe("20");
    }

    private static async Task<string> TotalAsync(Client instructor, SetExercise exercise) =>
        (string)(await instructor.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]![0]!["total"]!;
}
