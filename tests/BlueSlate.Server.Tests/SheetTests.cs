using System.IO.Compression;
using System.Net;
using System.Text;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Feedback sheets of a class and of one student: only what is released, and told how far it is while it comes.</summary>
public sealed class SheetTests(TestServer server) : IClassFixture<TestServer>
{
    private async Task<(Client Instructor, SetExercise Exercise)> HandedInAsync()
    {
        var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        foreach (var name in (string[])["student", "student2"])
        {
            using var student = await server.AsAsync(name);
            await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        }

        return (instructor, exercise);
    }

    private static string PathOf(SetExercise exercise) => $"/api/marking/exercises/{exercise}/sheets";

    private static async Task<byte[]> SheetsAsync(Client instructor, SetExercise exercise, bool together, bool names)
    {
        var response = await instructor.SendAsync(HttpMethod.Post, PathOf(exercise), new { together, names });
        response.StatusCode.ShouldBe(HttpStatusCode.OK);
        var all = await response.Content.ReadAsByteArrayAsync();
        const string Told = "2\n..\n";
        Encoding.ASCII.GetString(all, 0, Told.Length).ShouldBe(Told);
        return all[Told.Length..];
    }

    [Fact]
    public async Task Sheets_come_for_what_is_released_in_one_document_or_one_each()
    {
        var (instructor, exercise) = await HandedInAsync();
        (await instructor.CodeOfAsync(HttpMethod.Post, PathOf(exercise), new { together = true })).ShouldBe("nothing-released");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        Encoding.ASCII.GetString(await SheetsAsync(instructor, exercise, true, false), 0, 5).ShouldBe("%PDF-");

        var codes = (await instructor.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]!
            .AsArray()
            .Select(answer => $"{answer!["code"]}.pdf");
        Names(await SheetsAsync(instructor, exercise, false, false)).ShouldBe(codes, ignoreOrder: true);
    }

    [Fact]
    public async Task Names_stand_on_sheets_only_where_they_are_asked_for_and_the_record_keeps_it()
    {
        var (instructor, exercise) = await HandedInAsync();
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        var people = (await instructor.PostAsync($"/api/marking/exercises/{exercise}/identities"))
            .AsArray()
            .Select(person => (string)person!["name"]!)
            .ToList();
        var named = Names(await SheetsAsync(instructor, exercise, false, true));
        named.Count.ShouldBe(2);
        named
            .Select(name => name[..^".pdf".Length].Split(' ')[0])
            .ShouldBe(people.Select(name => name.Split(' ')[0]), ignoreOrder: true);
        (await instructor.GetAsync($"/api/cohorts/{server.CohortId}/record"))
            .ToJsonString()
            .ShouldContain("the names on feedback sheets");
    }

    [Fact]
    public async Task Students_get_their_own_sheet_once_their_marks_are_released_and_nobody_elses()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        using var other = await server.AsAsync("student2");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var path = $"/api/study/answers/{answer}/sheet";
        (await student.CodeOfAsync(HttpMethod.Get, path)).ShouldBe("not-released");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        (await other.CodeOfAsync(HttpMethod.Get, path)).ShouldBe("no-such-answer");
        var own = await student.SendAsync(HttpMethod.Get, path);
        own.Content.Headers.ContentType!.MediaType.ShouldBe("application/pdf");
        Encoding.ASCII.GetString(await own.Content.ReadAsByteArrayAsync(), 0, 5).ShouldBe("%PDF-");
    }

    private static List<string> Names(byte[] zip)
    {
        using var archive = new ZipArchive(new MemoryStream(zip));
        archive.Entries.ShouldAllBe(entry => entry.Length > 1000);
        return [.. archive.Entries.Select(entry => entry.FullName)];
    }
}
