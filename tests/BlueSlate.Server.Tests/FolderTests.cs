using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Exercises as folders, out and in; copies; and the shelf on which they are found again.</summary>
public sealed class FolderTests(TestServer server) : IClassFixture<TestServer>
{
    private static async Task<byte[]> OutAsync(Client staff, Guid exercise)
    {
        var reply = await staff.SendAsync(HttpMethod.Get, $"/api/exercises/{exercise}/folder");
        reply.StatusCode.ShouldBe(HttpStatusCode.OK);
        return await reply.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken);
    }

    private async Task<JsonNode> InAsync(Client instructor, byte[] zip) =>
        JsonNode.Parse(
            await (
                await instructor.SendBytesAsync(HttpMethod.Post, $"/api/exercises/folder?cohort={server.CohortId}", zip)
            ).Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
        )!;

    private static byte[] Zip(params (string Path, string Text)[] files)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (path, text) in files)
            {
                using var entry = zip.CreateEntry(path).Open();
                entry.Write(Encoding.UTF8.GetBytes(text));
            }
        }

        return stream.ToArray();
    }

    private async Task<SetExercise> WrittenAsync(Client instructor)
    {
        var exercise = await Story.DraftAsync(server, instructor);
        var scheme = await instructor.PostAsync($"/api/parts/{exercise.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new
            {
                revision = 1,
                value = new { tolerances = new[] { new { fact = "min:r1/to", accepted = new[] { "1" } } }, scheme },
            }
        );
        return exercise;
    }

    [Fact]
    public async Task A_folder_that_goes_out_and_in_again_is_the_same_exercise()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await WrittenAsync(instructor);
        var second = (Guid)(await instructor.PostAsync($"/api/exercises/{exercise}/parts"))["id"]!;
        await instructor.PutAsync(
            $"/api/parts/{second}",
            new
            {
                revision = 1,
                value = new PartDocument
                {
                    Title = "As tables",
                    Minutes = 12,
                    Told = Told.WhenHandedIn,
                },
            }
        );
        var packed = await OutAsync(instructor, exercise);
        var back = (Guid)(await InAsync(instructor, packed))["id"]!;
        (await OutAsync(instructor, back)).ShouldBe(packed);
        using var zip = new ZipArchive(new MemoryStream(packed));
        zip.Entries.Select(entry => entry.FullName)
            .ShouldBe([
                "question.json",
                "scenario.md",
                "part-1/model.json",
                "part-1/assessment.json",
                "part-2/model.json",
                "part-2/assessment.json",
            ]);
        var copy = (Guid)
            (await instructor.PostAsync($"/api/exercises/{exercise}/copy", new { cohortId = server.CohortId }))["id"]!;
        (await OutAsync(instructor, copy)).ShouldBe(packed);
    }

    [Fact]
    public async Task A_folder_in_a_folder_written_by_hand_is_taken()
    {
        using var instructor = await server.AsAsync("instructor");
        var made = await InAsync(
            instructor,
            Zip(
                ("masts/question.json", """{"title":"Masts","parts":[{"marks":"5"}]}"""),
                ("masts/model.json", DrawingWriter.WriteText(TestServer.Model))
            )
        );
        var exercise = await instructor.GetAsync($"/api/exercises/{(Guid)made["id"]!}");
        ((string)exercise["title"]!).ShouldBe("Masts");
        exercise["publishedAt"].ShouldBeNull();
    }

    [Fact]
    public async Task What_cannot_be_used_is_told_by_its_file_and_nothing_is_made()
    {
        using var instructor = await server.AsAsync("instructor");
        const string Question = """{"title":"Masts","parts":[{"marks":"5"}]}""";
        var model = DrawingWriter.WriteText(TestServer.Model);
        var before = (await instructor.GetAsync("/api/exercises")).AsArray().Count;
        foreach (
            var (zip, told) in new[]
            {
                (Encoding.UTF8.GetBytes("no zip"), "the file: it is no ZIP file"),
                (Zip(("other.txt", "x")), "question.json: it is missing"),
                (Zip(("question.json", "{")), "question.json: line 1"),
                (Zip(("question.json", """{"title":"","parts":[]}""")), "question.json: an exercise has a title"),
                (Zip(("question.json", """{"title":"x","parts":[]}""")), "question.json: an exercise has 1 to 12 parts"),
                (Zip(("question.json", """{"title":"x","parts":[{"marks":"-1"}]}""")), "question.json: part 1"),
                (Zip(("question.json", """{"title":"x","parts":[{"learned":{"notation":"cuneiform"}}]}""")), "question.json"),
                (Zip(("question.json", Question)), "model.json: it is missing"),
                (Zip(("question.json", Question), ("model.json", "[]")), "model.json: line 1"),
                (
                    Zip(("question.json", Question), ("model.json", model), ("assessment.json", """{"scheme":{"lines":[]}}""")),
                    "assessment.json: The scheme has no lines"
                ),
                (
                    Zip(("question.json", Question), ("model.json", model), ("scenario.md", new string('x', 30_000))),
                    "scenario.md"
                ),
            }
        )
        {
            var problem = await InAsync(instructor, zip);
            ((string)problem["code"]!).ShouldBe("folder", told);
            ((string)problem["detail"]!).ShouldContain(told);
        }

        (await instructor.GetAsync("/api/exercises")).AsArray().Count.ShouldBe(before);
        (
            await (
                await instructor.SendBytesAsync(
                    HttpMethod.Post,
                    $"/api/exercises/folder?cohort={server.CohortId}",
                    new byte[(1024 * 1024) + 1]
                )
            ).Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
        ).ShouldContain("too-large");
    }

    [Fact]
    public async Task A_small_file_that_unpacks_to_a_huge_one_is_refused()
    {
        using var instructor = await server.AsAsync("instructor");
        var bomb = Zip(("question.json", new string(' ', 64 * 1024 * 1024)));
        bomb.Length.ShouldBeLessThan(200_000);
        ((string)(await InAsync(instructor, bomb))["detail"]!).ShouldContain("it is too large");
    }

    [Fact]
    public async Task Folders_and_copies_stay_within_ones_own_cohorts()
    {
        using var instructor = await server.AsAsync("instructor");
        using var outsider = await server.AsAsync("outsider");
        var exercise = await WrittenAsync(instructor);
        (await outsider.CodeOfAsync(HttpMethod.Get, $"/api/exercises/{exercise}/folder")).ShouldBe("no-such-exercise");
        (
            await outsider.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{exercise}/copy", new { cohortId = server.CohortId })
        ).ShouldBe("no-such-cohort");
        ((string)(await InAsync(outsider, Zip(("question.json", "{}"))))["code"]!).ShouldBe("no-such-cohort");
        (await outsider.GetAsync("/api/exercises/shelf"))["exercises"]!
            .AsArray()
            .ShouldNotContain(one => (Guid)one!["id"]! == exercise.Id);
    }

    [Fact]
    public async Task The_shelf_knows_what_is_in_a_model_answer_and_how_earlier_answers_did()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var student = await server.AsAsync("student");
        await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var shelf = await instructor.GetAsync("/api/exercises/shelf");
        var one = shelf["exercises"]!.AsArray().First(row => (Guid)row!["id"]! == exercise.Id)!;
        one["topics"]!.AsArray().Select(topic => (string)topic!).ShouldBe(["optional attribute"]);
        ((int)one["words"]!).ShouldBe(5);
        ((int)one["answers"]!).ShouldBe(1);

        // Of one answer nothing is told.
        one["earned"].ShouldBeNull();
    }
}
