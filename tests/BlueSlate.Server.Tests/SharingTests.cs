using System.IO.Compression;
using System.Text.Json.Nodes;
using BlueSlate.Server.Features.Marking;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Several markers of one class.</summary>
public sealed class SharingTests(TestServer server) : IClassFixture<TestServer>
{
    private async Task<(Client Instructor, Client Assistant, SetExercise Exercise)> AnsweredAsync()
    {
        var instructor = await server.AsAsync("instructor");
        var assistant = await server.AsAsync("assistant");
        var exercise = await Story.PublishedAsync(server, instructor);
        foreach (var name in new[] { "student", "student2", "student3" })
        {
            using var student = await server.AsAsync(name);
            await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        }

        return (instructor, assistant, exercise);
    }

    private static async Task<JsonNode> DeskAsync(Client staff, SetExercise exercise) =>
        await staff.GetAsync($"/api/marking/exercises/{exercise}");

    private static Guid[] Ids(JsonNode desk) => [.. desk["answers"]!.AsArray().Select(answer => (Guid)answer!["id"]!)];

    [Fact]
    public async Task Answers_are_shared_out_evenly_taken_back_and_passed_on()
    {
        var (instructor, assistant, exercise) = await AnsweredAsync();
        var at = $"/api/marking/exercises/{exercise}";
        var desk = await DeskAsync(instructor, exercise);
        var markers = desk["markers"]!.AsArray().Select(marker => (Guid)marker!["id"]!).ToArray();
        markers.Length.ShouldBeGreaterThan(1);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"{at}/markers",
                new { answers = Ids(desk), to = new[] { Guid.NewGuid() } }
            )
        ).ShouldBe("no-such-marker");
        await instructor.SendAsync(HttpMethod.Put, $"{at}/markers", new { answers = Ids(desk), to = markers });
        var shares = (await DeskAsync(instructor, exercise))["answers"]!
            .AsArray()
            .Select(answer => (Guid)answer!["marker"]!)
            .CountBy(marker => marker)
            .Select(share => share.Value);
        shares.Max().ShouldBeLessThanOrEqualTo(shares.Min() + 1);

        var mine = await DeskAsync(assistant, exercise);
        var own = mine["answers"]!.AsArray().First(answer => (Guid)answer!["marker"]! == (Guid)mine["me"]!)!;
        var work = (Guid)own["works"]![0]!["id"]!;
        (await assistant.CodeOfAsync(HttpMethod.Post, $"/api/marking/work/{work}/pass-on", new { reason = "" })).ShouldBe(
            "reason-wanted"
        );
        (
            await assistant.CodeOfAsync(
                HttpMethod.Post,
                $"/api/marking/work/{work}/pass-on",
                new { reason = "My own.", to = mine["me"] }
            )
        ).ShouldBe("no-such-marker");
        await assistant.SendAsync(HttpMethod.Post, $"/api/marking/work/{work}/pass-on", new { reason = "A friend’s answer." });
        (await DeskAsync(assistant, exercise))["answers"]!
            .AsArray()
            .First(answer => (Guid)answer!["id"]! == (Guid)own["id"]!)!["marker"]
            .ShouldBeNull();

        await instructor.SendAsync(HttpMethod.Put, $"{at}/markers", new { answers = Ids(desk), to = Array.Empty<Guid>() });
        (await DeskAsync(instructor, exercise))["answers"]!.AsArray().ShouldAllBe(answer => answer!["marker"] == null);
    }

    [Fact]
    public async Task What_an_assistant_has_gone_through_is_confirmed_by_whoever_teaches()
    {
        var (instructor, assistant, exercise) = await AnsweredAsync();
        var desk = await DeskAsync(instructor, exercise);
        var works = desk["answers"]!.AsArray().Select(answer => (Guid)answer!["works"]![0]!["id"]!).ToArray();
        await assistant.SendAsync(HttpMethod.Post, $"/api/marking/work/{works[0]}/gone-through");
        await assistant.PostAsync($"/api/marking/parts/{exercise.Part}/gone-through", new { works = new[] { works[1] } });
        await instructor.SendAsync(HttpMethod.Post, $"/api/marking/work/{works[2]}/gone-through");
        (await ConfirmedAsync(instructor, exercise)).Count(confirmed => confirmed).ShouldBe(1);
        (await instructor.GetAsync($"/api/marking/exercises/{exercise}/release"))["notConfirmed"]!.AsArray().Count.ShouldBe(2);

        (
            await assistant.CodeOfAsync(
                HttpMethod.Post,
                $"/api/marking/exercises/{exercise}/confirmed",
                new { answers = Ids(desk) }
            )
        ).ShouldNotBeNull();
        (await ConfirmedAsync(instructor, exercise)).Count(confirmed => confirmed).ShouldBe(1);
        await instructor.SendAsync(HttpMethod.Post, $"/api/marking/exercises/{exercise}/confirmed", new { answers = Ids(desk) });
        (await ConfirmedAsync(instructor, exercise)).ShouldAllBe(confirmed => confirmed);
    }

    private static async Task<bool[]> ConfirmedAsync(Client staff, SetExercise exercise) =>
        [.. (await DeskAsync(staff, exercise))["answers"]!.AsArray().Select(answer => (bool)answer!["works"]![0]!["confirmed"]!)];

    [Fact]
    public async Task Two_at_one_answer_see_each_other()
    {
        var (instructor, assistant, exercise) = await AnsweredAsync();
        var work = (Guid)(await DeskAsync(instructor, exercise))["answers"]![0]!["works"]![0]!["id"]!;
        var here = $"/api/marking/work/{work}/here";
        (await instructor.PostAsync(here))["others"]!.AsArray().ShouldBeEmpty();
        (await assistant.PostAsync(here))["others"]!.AsArray().Count.ShouldBe(1);
        (await instructor.PostAsync(here))["others"]!.AsArray().Count.ShouldBe(1);
        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Post, here)).ShouldBe("no-such-answer");
    }

    [Fact]
    public void Whoever_says_nothing_for_a_while_has_left()
    {
        var clock = new Clock();
        var presence = new Presence(clock);
        var (work, one, other) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        presence.Seen(work, one).ShouldBeEmpty();
        clock.Advance(Presence.Left / 2);
        presence.Seen(work, other).ShouldBe([one]);
        presence.Seen(Guid.NewGuid(), other).ShouldBeEmpty();
        clock.Advance(Presence.Left * 0.75);
        presence.Seen(work, other).ShouldBeEmpty();
    }

    [Fact]
    public async Task Answers_that_share_what_nobody_else_has_are_shown_side_by_side()
    {
        var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var copied = new Sketch().Box("Zepelin", "PK hull nomber", "gas bagg", "girdle").Box("Mooring poast").ToDrawing();
        foreach (var (name, drawing) in new[] { ("student", copied), ("student2", TestServer.Model), ("student3", copied) })
        {
            using var student = await server.AsAsync(name);
            await Story.HandedInAsync(server, student, exercise, drawing);
        }

        var told = await instructor.GetAsync($"/api/marking/parts/{exercise.Part}/resemblances");
        ((int)told["compared"]!).ShouldBe(3);
        var pair = told["pairs"]!.AsArray().ShouldHaveSingleItem()!;
        pair["names"]!.AsArray().Select(name => (string)name!).ShouldContain("gas bagg");
        ((string)pair["first"]!["drawing"]!).ShouldBe((string)pair["second"]!["drawing"]!);
        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Get, $"/api/marking/parts/{exercise.Part}/resemblances")).ShouldBe("no-such-part");
    }

    [Fact]
    public async Task Questions_are_taken_until_the_time_that_was_said()
    {
        var (instructor, _, exercise) = await AnsweredAsync();
        using var student = await server.AsAsync("student");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release", new { });
        var answer = await Story.FindAnswerAsync(student, (Guid)(await Story.AttemptAsync(student, exercise))["id"]!);
        var marks = await Story.MarksAsync(student, answer);
        var ask = new { finding = (string)marks["result"]!["notes"]![0]!["id"]!, text = "Why?" };
        var path = $"/api/marking/exercises/{exercise}/questions-until";
        await instructor.PutAsync(path, new { until = DateTimeOffset.UtcNow.AddMinutes(-1) });
        (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{answer.Work}/queries", ask)).ShouldBe("too-late");
        (await student.GetAsync($"/api/study/answers/{answer}/marks"))["questionsUntil"].ShouldNotBeNull();
        await instructor.PutAsync(path, new { until = (string?)null });
        await student.PostAsync($"/api/study/work/{answer.Work}/queries", ask);
    }

    [Fact]
    public async Task Released_marks_go_out_as_results_and_nothing_else_does()
    {
        var (instructor, _, exercise) = await AnsweredAsync();
        var at = $"/api/marking/exercises/{exercise}";
        var held = Ids(await DeskAsync(instructor, exercise))[0];
        await instructor.PutAsync($"{at}/withheld", new { answers = new[] { held }, reason = "To be talked over." });
        await instructor.PostAsync($"{at}/release", new { });
        var response = await instructor.SendAsync(HttpMethod.Get, $"{at}/gradebook");
        using var zip = new ZipArchive(await response.Content.ReadAsStreamAsync());
        string[] Lines(string file)
        {
            using var reader = new StreamReader(zip.GetEntry(file)!.Open());
            return reader.ReadToEnd().Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
        }

        Lines("manifest.csv").ShouldContain("file.results,bulk");
        Lines("manifest.csv").ShouldContain("file.users,absent");
        Lines("lineItems.csv").Length.ShouldBe(2);
        var results = Lines("results.csv").Skip(1).Select(line => line.Split(',')).ToList();
        results.Count(row => row[5] == "fully graded" && row[6].Length > 0).ShouldBe(2);
        results.Count(row => row[5] == "submitted" && row[6].Length == 0).ShouldBe(1);
        results.ShouldAllBe(row => row.Length == 15 && row[4].Contains('@'));
        results.Where(row => row[5] == "not submitted").ShouldAllBe(row => row[14] == "true");
    }

    private sealed class Clock : TimeProvider
    {
        private DateTimeOffset now = DateTimeOffset.UnixEpoch;

        public override DateTimeOffset GetUtcNow() => now;

        public void Advance(TimeSpan by) => now += by;
    }
}
