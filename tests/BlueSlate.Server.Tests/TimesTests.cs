using BlueSlate.Core.Drawings;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>When answers are due, changed for everybody or for one student, and what is late by it.</summary>
public sealed class TimesTests(TestServer server) : IClassFixture<TestServer>
{
    private static readonly DateTimeOffset Now = DateTimeOffset.UtcNow;

    private async Task<(Client Instructor, Client Student, SetExercise Exercise, string At)> PublishedAsync()
    {
        var instructor = await server.AsAsync("instructor");
        var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        return (instructor, student, exercise, $"/api/exercises/{exercise}");
    }

    private static async Task<Guid> WhoHandedInAsync(Client instructor, string at) =>
        (Guid)
            (await instructor.GetAsync($"{at}/times"))["students"]!.AsArray().First(one => one!["handedInAt"] is not null)![
                "id"
            ]!;

    [Fact]
    public async Task What_was_handed_in_is_late_or_late_no_longer_by_a_changed_time()
    {
        var (instructor, student, exercise, at) = await PublishedAsync();
        await Story.HandedInAsync(server, student, exercise, Drawing.Empty);
        ((bool)(await Story.AttemptAsync(student, exercise))["late"]!).ShouldBeFalse();

        // The exercise was published before this moment, and the answer came after it.
        var published = (DateTimeOffset)(await instructor.GetAsync(at))["publishedAt"]!;
        var times = await instructor.PutAsync($"{at}/times", new { dueAt = published });
        times["students"]!.AsArray().Count(one => (bool)one!["late"]!).ShouldBe(1);
        ((bool)(await Story.AttemptAsync(student, exercise))["late"]!).ShouldBeTrue();

        await instructor.PutAsync($"{at}/times", new { dueAt = Now.AddDays(2) });
        ((bool)(await Story.AttemptAsync(student, exercise))["late"]!).ShouldBeFalse();
        await instructor.PutAsync($"{at}/times", new { dueAt = (DateTimeOffset?)null });
        (await Story.ListedAsync(student, exercise))["times"]!["dueAt"].ShouldBeNull();
        (await instructor.CodeOfAsync(HttpMethod.Put, $"{at}/times", new { dueAt = published.AddHours(-1) })).ShouldBe("due");
    }

    [Fact]
    public async Task One_student_has_a_time_of_their_own_until_it_is_taken_back()
    {
        var (instructor, student, exercise, at) = await PublishedAsync();
        using var other = await server.AsAsync("student2");
        await instructor.PutAsync($"{at}/times", new { dueAt = Now.AddDays(1) });
        var answer = await Story.HandedInAsync(server, student, exercise, Drawing.Empty);
        var id = await WhoHandedInAsync(instructor, at);
        var until = Now.AddDays(3);
        var path = $"{at}/extensions/{id}";
        (await instructor.CodeOfAsync(HttpMethod.Put, path, new { until, reason = " " })).ShouldBe("reason-wanted");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, new { until = Now.AddHours(2), reason = "Ill." })).ShouldBe("until");
        (
            await instructor.CodeOfAsync(HttpMethod.Put, $"{at}/extensions/{Guid.NewGuid()}", new { until, reason = "Ill." })
        ).ShouldBe("no-such-student");
        var times = await instructor.PutAsync(path, new { until, reason = "Ill in the second week." });
        var told = times["students"]!.AsArray().First(one => (Guid)one!["id"]! == id)!;
        ((string)told["reason"]!).ShouldBe("Ill in the second week.");

        // Only this student sees another time, and only this student's answer is not late by it.
        ((DateTimeOffset)(await Story.ListedAsync(student, exercise))["times"]!["dueAt"]!).ShouldBe(
            until,
            TimeSpan.FromMilliseconds(1)
        );
        ((DateTimeOffset)(await student.GetAsync($"/api/study/answers/{answer}"))["times"]!["dueAt"]!).ShouldBe(
            until,
            TimeSpan.FromMilliseconds(1)
        );
        ((DateTimeOffset)(await Story.ListedAsync(other, exercise))["times"]!["dueAt"]!).ShouldBeLessThan(until);
        var published = (DateTimeOffset)(await instructor.GetAsync(at))["publishedAt"]!;
        await instructor.PutAsync($"{at}/times", new { dueAt = published });
        ((bool)(await Story.AttemptAsync(student, exercise))["late"]!).ShouldBeFalse();
        await Story.HandedInAsync(server, other, exercise, Drawing.Empty);
        ((bool)(await Story.AttemptAsync(other, exercise))["late"]!).ShouldBeTrue();

        (await instructor.SendAsync(HttpMethod.Delete, path)).IsSuccessStatusCode.ShouldBeTrue();
        ((bool)(await Story.AttemptAsync(student, exercise))["late"]!).ShouldBeTrue();
        (await instructor.CodeOfAsync(HttpMethod.Delete, path)).ShouldBe("no-such-student");
    }

    [Fact]
    public async Task A_time_of_ones_own_is_never_earlier_than_everybodys()
    {
        var (instructor, student, exercise, at) = await PublishedAsync();
        await Story.HandedInAsync(server, student, exercise, Drawing.Empty);
        var id = await WhoHandedInAsync(instructor, at);
        var published = (DateTimeOffset)(await instructor.GetAsync(at))["publishedAt"]!;
        await instructor.PutAsync($"{at}/times", new { dueAt = published });
        await instructor.PutAsync($"{at}/extensions/{id}", new { until = published.AddMilliseconds(1), reason = "Ill." });
        ((bool)(await Story.AttemptAsync(student, exercise))["late"]!).ShouldBeTrue();

        var later = Now.AddDays(4);
        await instructor.PutAsync($"{at}/times", new { dueAt = later });
        var listed = (await Story.ListedAsync(student, exercise))["times"]!;
        ((DateTimeOffset)listed["dueAt"]!).ShouldBe(later, TimeSpan.FromMilliseconds(1));
        ((bool)(await Story.AttemptAsync(student, exercise))["late"]!).ShouldBeFalse();
        await instructor.PutAsync($"{at}/times", new { dueAt = (DateTimeOffset?)null });
        listed = (await Story.ListedAsync(student, exercise))["times"]!;
        listed["dueAt"].ShouldBeNull();
        ((bool)(await Story.AttemptAsync(student, exercise))["late"]!).ShouldBeFalse();
    }
}
