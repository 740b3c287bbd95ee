using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Server.Features.Answers;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Sitting an exercise by the server's clock: opening, closing, the end, attempts, what comes after the end.</summary>
public sealed class SittingTests(TestServer server) : IClassFixture<TestServer>
{
    private static readonly Drawing One = new Sketch().Box("One").ToDrawing();
    private static readonly Drawing Two = new Sketch().Box("Two").ToDrawing();

    private async Task<(Client Instructor, Client Student, SetExercise Exercise)> PublishedAsync(object? terms = null)
    {
        var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        if (terms is not null)
        {
            await instructor.PutAsync($"/api/exercises/{exercise}/times", terms);
        }

        return (instructor, await server.AsAsync("student"), exercise);
    }

    // What the server does by itself every half a second.
    private Task<int> EndAsync() =>
        new TimeOver(
            server.App.Services.GetRequiredService<IServiceScopeFactory>(),
            TimeProvider.System,
            NullLogger<TimeOver>.Instance
        ).EndAsync(TestContext.Current.CancellationToken);

    private async Task LetPassAsync(SatAnswer answer)
    {
        await using var context = server.Database.Open();
        var over = DateTimeOffset.UtcNow.AddSeconds(-5);
        await context.Database.ExecuteSqlAsync(
            $"UPDATE answers SET ends_at = {over} WHERE id = {answer.Id}",
            TestContext.Current.CancellationToken
        );
    }

    private static Task<string> StartRefusedAsync(Client student, SetExercise exercise) =>
        student.CodeOfAsync(HttpMethod.Post, $"/api/study/exercises/{exercise}/answer", new { });

    [Fact]
    public async Task Nobody_starts_before_it_opens_or_after_it_has_closed()
    {
        var (instructor, student, exercise) = await PublishedAsync(new { opensAt = DateTimeOffset.UtcNow.AddHours(1) });
        (await StartRefusedAsync(student, exercise)).ShouldBe("not-open");
        var before = await student.GetAsync($"/api/study/exercises/{exercise}");
        ((string)before["times"]!["openness"]!).ShouldBe("not-yet");

        var published = (DateTimeOffset)(await instructor.GetAsync($"/api/exercises/{exercise}"))["publishedAt"]!;
        await instructor.PutAsync($"/api/exercises/{exercise}/times", new { closesAt = published.AddMilliseconds(1) });
        (await StartRefusedAsync(student, exercise)).ShouldBe("closed");
        await instructor.PutAsync($"/api/exercises/{exercise}/times", new { closesAt = DateTimeOffset.UtcNow.AddHours(1) });
        var answer = await Story.StartedAsync(student, exercise);

        // The clock allows an hour, and the closing comes no later than that.
        var ends = (DateTimeOffset)(await student.GetAsync($"/api/study/answers/{answer}"))["endsAt"]!;
        ends.ShouldBeLessThanOrEqualTo(DateTimeOffset.UtcNow.AddHours(1));
    }

    [Theory]
    [InlineData("""{"opensAt":"2099-01-02T00:00:00Z","dueAt":"2099-01-01T00:00:00Z"}""", "due")]
    [InlineData("""{"dueAt":"2099-01-02T00:00:00Z","closesAt":"2099-01-01T00:00:00Z"}""", "closes")]
    [InlineData("""{"closesAt":"2001-01-01T00:00:00Z"}""", "closes")]
    [InlineData("""{"attempts":0}""", "attempts")]
    public async Task Times_that_make_no_sense_are_refused(string terms, string code)
    {
        var (instructor, _, exercise) = await PublishedAsync();
        var reply = await instructor.SendRawAsync(HttpMethod.Put, $"/api/exercises/{exercise}/times", terms);
        (
            (string)
                System.Text.Json.Nodes.JsonNode.Parse(
                    await reply.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
                )!["code"]!
        ).ShouldBe(code);
    }

    [Fact]
    public async Task At_the_end_the_server_hands_in_what_is_there_and_asks_for_its_check()
    {
        var (instructor, student, exercise) = await PublishedAsync();
        var answer = await Story.StartedAsync(student, exercise);
        await Story.SaveAsync(student, answer, 1, One);
        await EndAsync();
        (await student.GetAsync($"/api/study/answers/{answer}"))["handedInAt"].ShouldBeNull();

        await LetPassAsync(answer);
        (await EndAsync()).ShouldBeGreaterThanOrEqualTo(1);
        var ended = await student.GetAsync($"/api/study/answers/{answer}");
        ((bool)ended["endedByTime"]!, (bool)ended["late"]!).ShouldBe((true, false));
        ((string)ended["receipt"]!).ShouldNotBeNullOrEmpty();
        ((DateTimeOffset)ended["handedInAt"]!).ShouldBe((DateTimeOffset)ended["endsAt"]!);
        await server.CheckAsync(answer.Work);
        (await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"].ShouldNotBeNull();

        // Once, however often it looks.
        await EndAsync();
        ((string)(await student.GetAsync($"/api/study/answers/{answer}"))["receipt"]!).ShouldBe((string)ended["receipt"]!);
    }

    [Fact]
    public async Task Two_servers_that_end_the_same_answers_end_each_once()
    {
        var (_, student, exercise) = await PublishedAsync();
        using var other = await server.AsAsync("student2");
        SatAnswer[] answers = [await Story.StartedAsync(student, exercise), await Story.StartedAsync(other, exercise)];
        foreach (var answer in answers)
        {
            await LetPassAsync(answer);
        }

        (await Task.WhenAll(EndAsync(), EndAsync(), EndAsync())).Sum().ShouldBe(2);
        await using var context = server.Database.Open();
        var works = answers.Select(answer => answer.Work).ToList();
        (
            await context.CheckRequests.CountAsync(
                request => works.Contains(request.WorkId),
                TestContext.Current.CancellationToken
            )
        ).ShouldBe(2);
    }

    [Fact]
    public async Task Extra_minutes_lengthen_the_clock_that_runs_and_a_new_closing_ends_it()
    {
        var (instructor, student, exercise) = await PublishedAsync();
        var answer = await Story.StartedAsync(student, exercise);
        async Task<DateTimeOffset> EndsAsync() =>
            (DateTimeOffset)(await student.GetAsync($"/api/study/answers/{answer}"))["endsAt"]!;
        var before = await EndsAsync();
        var times = await instructor.GetAsync($"/api/exercises/{exercise}/times");
        ((int)times["minutes"]!).ShouldBe(60);
        var id = (Guid)times["students"]!.AsArray().First(one => one!["startedAt"] is not null)!["id"]!;
        var path = $"/api/exercises/{exercise}/extensions/{id}";
        (await instructor.CodeOfAsync(HttpMethod.Put, path, new { reason = "Broken wrist." })).ShouldBe("until");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, new { extraMinutes = -1, reason = "No." })).ShouldBe("extra-minutes");
        await instructor.PutAsync(path, new { extraMinutes = 15, reason = "Broken wrist." });
        (await EndsAsync()).ShouldBe(before.AddMinutes(15));

        // The closing is everybody's, and fifteen minutes later for this student.
        var closes = DateTimeOffset.UtcNow.AddMinutes(10);
        await instructor.PutAsync($"/api/exercises/{exercise}/times", new { closesAt = closes });
        (await EndsAsync()).ShouldBe(closes.AddMinutes(15), TimeSpan.FromMilliseconds(1));
        (await instructor.SendAsync(HttpMethod.Delete, path)).IsSuccessStatusCode.ShouldBeTrue();
        (await EndsAsync()).ShouldBe(closes, TimeSpan.FromMilliseconds(1));
    }

    [Fact]
    public async Task The_best_attempt_counts_and_is_the_only_one_that_is_marked()
    {
        var (instructor, student, exercise) = await PublishedAsync(new { attempts = 2, bestCounts = true });
        var first = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var second = await Story.HandedInAsync(server, student, exercise, Drawing.Empty);
        second.Id.ShouldNotBe(first.Id);
        (await StartRefusedAsync(student, exercise)).ShouldBe("no-attempt-left");
        var listed = await Story.ListedAsync(student, exercise);
        listed["answers"]!.AsArray().Select(one => (bool)one!["counts"]!).ShouldBe([true, false]);
        ((bool)listed["attempts"]!["another"]!).ShouldBeFalse();
        var desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        ((Guid)desk["answers"]!.AsArray().ShouldHaveSingleItem()!["id"]!).ShouldBe(first.Id);
        (await instructor.CodeOfAsync(HttpMethod.Get, $"/api/marking/work/{second.Work}")).ShouldBe("no-such-answer");

        await instructor.PutAsync($"/api/exercises/{exercise}/times", new { attempts = 3, bestCounts = false });
        desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        ((Guid)desk["answers"]!.AsArray().ShouldHaveSingleItem()!["id"]!).ShouldBe(second.Id);
        ((bool)(await Story.ListedAsync(student, exercise))["attempts"]!["another"]!).ShouldBeTrue();
    }

    [Fact]
    public async Task Until_another_attempt_is_handed_in_the_one_before_counts()
    {
        var (instructor, student, exercise) = await PublishedAsync(new { attempts = 2 });
        var first = await Story.HandedInAsync(server, student, exercise, One);
        var second = await Story.StartedAsync(student, exercise);
        (await Story.StartedAsync(student, exercise)).Id.ShouldBe(second.Id);
        var desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        ((Guid)desk["answers"]!.AsArray().ShouldHaveSingleItem()!["id"]!).ShouldBe(first.Id);
        await student.PostAsync($"/api/study/answers/{second}/hand-in", Story.HandIn(second, 1));
        desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        ((Guid)desk["answers"]!.AsArray().ShouldHaveSingleItem()!["id"]!).ShouldBe(second.Id);
        ((int)desk["students"]!).ShouldBe(3);
    }

    [Fact]
    public async Task For_practice_the_marks_are_told_as_soon_as_it_is_checked()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.DraftAsync(server, instructor);
        var part = new PartDocument { Marks = 20, Told = Told.WhenHandedIn };
        await instructor.PutAsync($"/api/parts/{exercise.Part}", new { revision = 2, value = part });
        var scheme = await instructor.PostAsync($"/api/parts/{exercise.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        await instructor.PostAsync($"/api/exercises/{exercise}/publish", new { attempts = 5 });
        var answer = await Story.StartedAsync(student, exercise);
        (await student.CodeOfAsync(HttpMethod.Get, $"/api/study/answers/{answer}/marks")).ShouldBe("not-released");
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 1));
        await server.CheckAsync(answer.Work);
        (await Story.MarksAsync(student, answer))["result"].ShouldNotBeNull();
        (await Story.AttemptAsync(student, exercise))["total"].ShouldNotBeNull();
    }

    [Fact]
    public async Task What_came_after_the_end_is_kept_and_a_person_may_take_it()
    {
        var (instructor, student, exercise) = await PublishedAsync();
        var answer = await Story.StartedAsync(student, exercise);
        await Story.SaveAsync(student, answer, 1, One);
        await LetPassAsync(answer);
        await EndAsync();
        (await student.CodeOfAsync(HttpMethod.Put, $"/api/study/work/{answer.Work}/drawing", Story.SaveRequest(2, Two))).ShouldBe(
            "handed-in"
        );
        await server.CheckAsync(answer.Work);
        var marking = $"/api/marking/work/{answer.Work}";
        var came = (await instructor.GetAsync(marking))["afterEnd"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)came["drawing"]!).ShouldBe(DrawingWriter.WriteText(Two));

        // It waits for a person, and only an instructor takes it, with a reason.
        var release = await instructor.GetAsync($"/api/marking/exercises/{exercise}/release");
        ((string)release["undecided"]!.AsArray().ShouldHaveSingleItem()!["why"]!).ShouldContain("after the end");
        var take = new { state = (Guid)came["id"]!, reason = "The network of the room was down." };
        using var assistant = await server.AsAsync("assistant");
        (await assistant.CodeOfAsync(HttpMethod.Put, $"{marking}/after-end", take)).ShouldBe("not-allowed");
        (await instructor.CodeOfAsync(HttpMethod.Put, $"{marking}/after-end", new { take.state, reason = " " })).ShouldBe(
            "reason-wanted"
        );
        (
            await instructor.CodeOfAsync(HttpMethod.Put, $"{marking}/after-end", new { state = Guid.NewGuid(), take.reason })
        ).ShouldBe("no-such-drawing");
        var taken = await instructor.PutAsync($"{marking}/after-end", take);
        ((string)taken["drawing"]!).ShouldBe(DrawingWriter.WriteText(Two));
        ((bool)taken["late"]!).ShouldBeTrue();
        taken["afterEnd"]!.AsArray().ShouldBeEmpty();
        await using var context = server.Database.Open();
        (
            await context
                .Checkpoints.Where(state => state.WorkId == answer.Work && state.Reason == Data.CheckpointReason.Replaced)
                .Select(state => state.Drawing)
                .ToListAsync(TestContext.Current.CancellationToken)
        ).ShouldBe([DrawingWriter.WriteText(One)]);
    }

    private async Task<(Client Instructor, Client Student, SatAnswer Answer)> PractisingAsync(int help)
    {
        var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var part = new PartDocument
        {
            Marks = 20,
            Aids = new AidsDocument { Help = help },
        };
        await instructor.PutAsync($"/api/parts/{exercise.Part}", new { revision = 2, value = part });
        var scheme = await instructor.PostAsync($"/api/parts/{exercise.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        await instructor.PostAsync($"/api/exercises/{exercise}/publish", new { });
        var student = await server.AsAsync("student");
        return (instructor, student, await Story.StartedAsync(student, exercise));
    }

    [Fact]
    public async Task Help_goes_step_by_step_is_rationed_and_kept_and_gives_nothing_of_the_model_answer_away()
    {
        var (instructor, student, answer) = await PractisingAsync(help: 4);
        var path = $"/api/study/work/{answer.Work}/help";
        var drawing = DrawingWriter.WriteText(Story.Faulty);
        (
            (string)(await student.PostAsync(path, new { drawing = DrawingWriter.WriteText(Drawing.Empty) }))["refused"]!
        ).ShouldContain("first");
        var count = await student.PostAsync(path, new { drawing, howMany = true });
        ((int)count["left"]!).ShouldBe(3);
        var where = await student.PostAsync(path, new { drawing });
        var what = await student.PostAsync(path, new { drawing, after = 2 });
        var why = await student.PostAsync(path, new { drawing, after = 2 });
        var hints = why["hints"]!.AsArray();
        hints.Select(hint => (string)hint!["step"]!).ShouldBe(["how-many", "where", "what", "why"]);
        hints.Select(hint => (int?)hint!["about"]).ShouldBe([null, 2, 2, 2]);
        ((int)why["left"]!).ShouldBe(0);
        ((string)(await student.PostAsync(path, new { drawing }))["refused"]!).ShouldContain("as often as");
        foreach (var reply in new[] { count, where, what, why })
        {
            var text = reply.ToJsonString();
            foreach (var secret in new[] { "gasvolume", "min:r1", "entity:b", "cardinality-min" })
            {
                text.ShouldNotContain(secret, Case.Insensitive);
            }
        }

        // It is there when one comes back, and the marker knows how often it was asked for.
        var opened = await student.GetAsync($"/api/study/answers/{answer}");
        opened["works"]![0]!["help"]!["hints"]!.AsArray().Count.ShouldBe(4);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 1));
        (await student.CodeOfAsync(HttpMethod.Post, path, new { drawing })).ShouldBe("handed-in");
        await server.CheckAsync(answer.Work);
        ((int)(await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["helpAsked"]!).ShouldBe(4);
        (await student.GetAsync("/api/session/data"))["answers"]!.ToJsonString().ShouldContain("\"help\"");
    }

    [Fact]
    public async Task What_was_mended_is_told_and_costs_nothing_and_without_help_there_is_none()
    {
        var (_, student, answer) = await PractisingAsync(help: 9);
        var path = $"/api/study/work/{answer.Work}/help";
        await student.PostAsync(path, new { drawing = DrawingWriter.WriteText(Story.Faulty) });
        var right = DrawingWriter.WriteText(TestServer.Model);
        var mended = await student.PostAsync(path, new { drawing = right, after = 1 });
        ((string)mended["refused"]!).ShouldBe("That is mended.");
        ((int)mended["left"]!).ShouldBe(8);
        mended["mended"]!.AsArray().Select(number => (int)number!).ShouldBe([1]);
        (await student.CodeOfAsync(HttpMethod.Post, path, new { drawing = "{" })).ShouldNotBe("server-error");
        using var other = await server.AsAsync("student2");
        (await other.CodeOfAsync(HttpMethod.Post, path, new { drawing = right })).ShouldBe("no-such-answer");

        var (_, alone, unhelped) = await PractisingAsync(help: 0);
        (await alone.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{unhelped.Work}/help", new { drawing = right })).ShouldBe(
            "not-allowed"
        );
    }

    [Fact]
    public async Task Two_pages_that_ask_at_once_get_no_more_than_is_allowed()
    {
        var (_, student, answer) = await PractisingAsync(help: 2);
        var drawing = DrawingWriter.WriteText(Story.Faulty);
        await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(_ => student.PostAsync($"/api/study/work/{answer.Work}/help", new { drawing, howMany = true }))
        );
        var opened = await student.GetAsync($"/api/study/answers/{answer}");
        opened["works"]![0]!["help"]!["hints"]!.AsArray().Count.ShouldBe(2);
        ((int)opened["works"]![0]!["help"]!["left"]!).ShouldBe(0);
    }
}
