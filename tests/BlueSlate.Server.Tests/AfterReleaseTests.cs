using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// What may still happen once marks are out: changes that are proposed and taken, questions about notes, and nothing by itself.
/// </summary>
public sealed class AfterReleaseTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public async Task What_is_held_back_stays_back_with_its_reason_until_it_is_held_back_no_longer()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        using var other = await server.AsAsync("student2");
        var exercise = await Story.PublishedAsync(server, instructor);
        var held = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var free = await Story.HandedInAsync(server, other, exercise, Drawing.Empty);
        var path = $"/api/marking/exercises/{exercise}";
        (
            await instructor.CodeOfAsync(HttpMethod.Put, $"{path}/withheld", new { answers = new[] { held.Id }, reason = " " })
        ).ShouldBe("reason-wanted");
        var reply = await instructor.PutAsync(
            $"{path}/withheld",
            new { answers = new[] { held.Id, Guid.NewGuid() }, reason = "Come and see me first." }
        );
        ((int)reply["answers"]!).ShouldBe(1);
        var preview = await instructor.GetAsync($"{path}/release");
        preview["ready"]!.AsArray().Count.ShouldBe(1);
        ((string)preview["withheld"]!.AsArray().ShouldHaveSingleItem()!["why"]!).ShouldBe("Come and see me first.");
        var done = await instructor.PostAsync($"{path}/release");
        ((int)done["released"]!, (int)done["heldBack"]!).ShouldBe((1, 1));
        ((string)(await Story.AttemptAsync(student, exercise))["withheld"]!).ShouldBe("Come and see me first.");
        (await student.CodeOfAsync(HttpMethod.Get, $"/api/study/answers/{held}/marks")).ShouldBe("not-released");
        (await Story.MarksAsync(other, free))["result"].ShouldNotBeNull();

        // What is released is held back by nobody any more.
        (
            (int)
                (await instructor.PutAsync($"{path}/withheld", new { answers = new[] { free.Id }, reason = "Too late." }))[
                    "answers"
                ]!
        ).ShouldBe(0);
        await instructor.PutAsync($"{path}/withheld", new { answers = new[] { held.Id }, reason = (string?)null });
        ((int)(await instructor.PostAsync($"{path}/release"))["released"]!).ShouldBe(1);
        (await Story.AttemptAsync(student, exercise))["withheld"].ShouldBeNull();
    }

    [Fact]
    public async Task Only_what_somebody_has_gone_through_is_released_where_that_is_wanted()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        using var other = await server.AsAsync("student2");
        var exercise = await Story.PublishedAsync(server, instructor);
        var seen = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        await Story.HandedInAsync(server, other, exercise, Drawing.Empty);
        await instructor.SendAsync(HttpMethod.Post, $"/api/marking/work/{seen.Work}/gone-through");
        var path = $"/api/marking/exercises/{exercise}/release";
        var preview = await instructor.GetAsync(path);
        (preview["ready"]!.AsArray().Count, preview["notGoneThrough"]!.AsArray().Count).ShouldBe((2, 1));
        var done = await instructor.PostAsync(path, new { onlyGoneThrough = true });
        ((int)done["released"]!, (int)done["heldBack"]!).ShouldBe((1, 1));
        (await Story.AttemptAsync(student, exercise))["total"].ShouldNotBeNull();
        (await Story.AttemptAsync(other, exercise))["total"].ShouldBeNull();
        ((int)(await instructor.PostAsync(path))["released"]!).ShouldBe(1);
    }

    [Fact]
    public async Task Students_are_told_what_is_new_until_they_have_looked()
    {
        var (instructor, student, exercise, answer) = await ReleasedAsync();
        async Task<string[]> NewsAsync() =>
            [.. (await Story.AttemptAsync(student, exercise))["news"]!.AsArray().Select(one => (string)one!)];
        Task SeenAsync() => student.SendAsync(HttpMethod.Post, $"/api/study/answers/{answer}/marks/seen");
        (await NewsAsync()).ShouldBe(["marks"]);
        await SeenAsync();
        (await NewsAsync()).ShouldBeEmpty();

        await RuleAsync(instructor, answer, "cardinality-min", "allow");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/remarking", new { works = new[] { answer.Work } });
        (await NewsAsync()).ShouldBe(["changed-mark"]);
        await SeenAsync();
        (await NewsAsync()).ShouldBeEmpty();

        using var other = await server.AsAsync("student2");
        (await other.CodeOfAsync(HttpMethod.Post, $"/api/study/answers/{answer}/marks/seen")).ShouldBe("no-such-answer");
    }

    [Fact]
    public async Task A_decision_after_release_changes_nothing_until_a_person_takes_it()
    {
        var (instructor, student, exercise, answer) = await ReleasedAsync();
        var before = await MarksAsync(student, answer);
        await RuleAsync(instructor, answer, "cardinality-min", "allow");
        (await MarksAsync(student, answer))["result"]!.ToJsonString().ShouldBe(before["result"]!.ToJsonString());

        var proposal = (await instructor.GetAsync($"/api/marking/exercises/{exercise}/remarking"))["proposals"]!
            .AsArray()
            .ShouldHaveSingleItem()!;
        ((string)proposal["before"]!).ShouldBe(TotalOf(before));
        var after = (string)proposal["after"]!;
        after.ShouldNotBe(TotalOf(before));

        var taken = await instructor.PostAsync(
            $"/api/marking/exercises/{exercise}/remarking",
            new { works = new[] { answer.Work } }
        );
        ((int)taken["changed"]!).ShouldBe(1);
        var now = await MarksAsync(student, answer);
        TotalOf(now).ShouldBe(after);
        var change = now["changes"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)change["before"]!, (string)change["after"]!).ShouldBe((TotalOf(before), after));
        ((string)(await Story.AttemptAsync(student, exercise))["total"]!).ShouldBe(after);
        (await instructor.GetAsync($"/api/marking/exercises/{exercise}/remarking"))["proposals"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task Another_scheme_after_release_is_a_proposal_and_changes_nothing_by_itself()
    {
        var (instructor, student, exercise, answer) = await ReleasedAsync();
        var before = await MarksAsync(student, answer);
        var assessment = (await Story.PartAsync(instructor, exercise))["assessment"]!;
        var value = assessment["value"]!.DeepClone();
        var line = value["scheme"]!["lines"]!
            .AsArray()
            .First(line => line!["facts"]!.ToJsonString().Contains("min:", StringComparison.Ordinal))!;
        line["marks"] = "9";
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = (int)assessment["revision"]!, value }
        );
        (await MarksAsync(student, answer))["result"]!.ToJsonString().ShouldBe(before["result"]!.ToJsonString());
        (await instructor.GetAsync($"/api/marking/exercises/{exercise}/remarking"))["proposals"]!
            .AsArray()
            .ShouldHaveSingleItem();
    }

    [Fact]
    public async Task A_released_mark_goes_down_only_with_a_reason_that_the_student_is_told()
    {
        var (instructor, student, exercise, answer) = await ReleasedAsync(
            async (instructor, answer) => await RuleAsync(instructor, answer, "cardinality-min", "allow")
        );
        var before = TotalOf(await MarksAsync(student, answer));
        await RuleAsync(instructor, answer, "cardinality-min", "keep-loss");
        var path = $"/api/marking/exercises/{exercise}/remarking";

        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { works = new[] { answer.Work } })).ShouldBe("reason-wanted");
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { works = new[] { answer.Work }, reason = "   " })).ShouldBe(
            "reason-wanted"
        );
        TotalOf(await MarksAsync(student, answer)).ShouldBe(before);

        await instructor.PostAsync(
            path,
            new { works = new[] { answer.Work }, reason = "The wording leaves no doubt after all." }
        );
        var now = await MarksAsync(student, answer);
        TotalOf(now).ShouldNotBe(before);
        ((string)now["changes"]![0]!["reason"]!).ShouldBe("The wording leaves no doubt after all.");
    }

    [Fact]
    public async Task Only_what_was_chosen_is_changed_and_only_an_instructor_changes_it()
    {
        var (instructor, student, exercise, answer) = await ReleasedAsync();
        await RuleAsync(instructor, answer, "cardinality-min", "allow");
        var path = $"/api/marking/exercises/{exercise}/remarking";
        ((int)(await instructor.PostAsync(path, new { works = new[] { Guid.NewGuid() } }))["changed"]!).ShouldBe(0);
        (await MarksAsync(student, answer))["changes"]!.AsArray().ShouldBeEmpty();

        using var assistant = await server.AsAsync("assistant");
        (await assistant.CodeOfAsync(HttpMethod.Get, path)).ShouldBe("not-allowed");
        (await assistant.CodeOfAsync(HttpMethod.Post, path, new { works = new[] { answer.Work } })).ShouldBe("not-allowed");
        (
            await assistant.CodeOfAsync(
                HttpMethod.Put,
                $"/api/marking/work/{answer.Work}/rulings?finding={await FindingAsync(assistant, answer, "cardinality-min")}",
                new { decision = "keep-loss" }
            )
        ).ShouldBe("released");
    }

    [Fact]
    public async Task A_student_asks_about_a_note_and_reads_the_answer()
    {
        var (instructor, student, exercise, answer) = await ReleasedAsync();
        var finding = (string)(await MarksAsync(student, answer))["result"]!["notes"]![0]!["id"]!;
        var asked = (
            await student.PostAsync($"/api/study/work/{answer.Work}/queries", new { finding, text = "  Why is this wrong?  " })
        )
            .AsArray()
            .ShouldHaveSingleItem()!;
        ((string)asked["text"]!).ShouldBe("Why is this wrong?");
        DeskRow(await instructor.GetAsync($"/api/marking/exercises/{exercise}"), answer)["questions"]!
            .GetValue<int>()
            .ShouldBe(1);
        (
            await student.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{answer.Work}/queries", new { finding, text = "And?" })
        ).ShouldBe("asked-already");

        var query = (Guid)asked["id"]!;
        using var assistant = await server.AsAsync("assistant");
        (await assistant.PutAsync($"/api/marking/queries/{query}", new { text = "The scenario says so." }))
            .AsArray()
            .ShouldHaveSingleItem();
        var read = (await MarksAsync(student, answer))["queries"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)read["reply"]!).ShouldBe("The scenario says so.");
        DeskRow(await instructor.GetAsync($"/api/marking/exercises/{exercise}"), answer)["questions"]!
            .GetValue<int>()
            .ShouldBe(0);

        // Answered, it may be asked about again.
        (await student.PostAsync($"/api/study/work/{answer.Work}/queries", new { finding, text = "Thank you, but where?" }))
            .AsArray()
            .Count.ShouldBe(2);
    }

    [Fact]
    public async Task Questions_are_between_a_student_and_the_markers_of_the_cohort()
    {
        var (_, student, _, answer) = await ReleasedAsync();
        var finding = (string)(await MarksAsync(student, answer))["result"]!["notes"]![0]!["id"]!;
        var path = $"/api/study/work/{answer.Work}/queries";
        (await student.CodeOfAsync(HttpMethod.Post, path, new { finding, text = "" })).ShouldBe("question");
        (await student.CodeOfAsync(HttpMethod.Post, path, new { finding, text = new string('x', 2001) })).ShouldBe("question");
        (await student.CodeOfAsync(HttpMethod.Post, path, new { finding = "entity-missing:b77", text = "Why?" })).ShouldBe(
            "no-such-finding"
        );
        var query = (Guid)(await student.PostAsync(path, new { finding, text = "Why?" }))[0]!["id"]!;

        using var neighbour = await server.AsAsync("student2");
        (await neighbour.CodeOfAsync(HttpMethod.Post, path, new { finding, text = "Why?" })).ShouldBe("not-released");
        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Put, $"/api/marking/queries/{query}", new { text = "No." })).ShouldBe(
            "no-such-question"
        );
        (await neighbour.SendAsync(HttpMethod.Put, $"/api/marking/queries/{query}", new { text = "No." })).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.Forbidden
        );
    }

    [Fact]
    public async Task What_happened_after_release_is_in_the_persons_own_file()
    {
        var (instructor, student, exercise, answer) = await ReleasedAsync();
        var finding = (string)(await MarksAsync(student, answer))["result"]!["notes"]![0]!["id"]!;
        await student.PostAsync($"/api/study/work/{answer.Work}/queries", new { finding, text = "Why is that so?" });
        await RuleAsync(instructor, answer, "cardinality-min", "allow");
        await instructor.PostAsync(
            $"/api/marking/exercises/{exercise}/remarking",
            new { works = new[] { answer.Work }, reason = "Allowed after all." }
        );

        var file = (await student.GetAsync("/api/session/data")).ToJsonString();
        file.ShouldContain("Why is that so?");
        file.ShouldContain("Allowed after all.");
    }

    private async Task<(Client Instructor, Client Student, SetExercise Exercise, SatAnswer Answer)> ReleasedAsync(
        Func<Client, SatAnswer, Task>? before = null
    )
    {
        var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var student = await server.AsAsync("student");
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        if (before is not null)
        {
            await before(instructor, answer);
        }

        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        return (instructor, student, exercise, answer);
    }

    private static async Task RuleAsync(Client marker, SatAnswer answer, string code, string decision) =>
        await marker.PutAsync(
            $"/api/marking/work/{answer.Work}/rulings?finding={await FindingAsync(marker, answer, code)}",
            new { decision, comment = "" }
        );

    private static async Task<string> FindingAsync(Client marker, SatAnswer answer, string code)
    {
        var notes = (await marker.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["notes"]!.AsArray();
        return Uri.EscapeDataString(
            (string)notes.First(note => ((string)note!["id"]!).StartsWith(code, StringComparison.Ordinal))!["id"]!
        );
    }

    private static Task<JsonNode> MarksAsync(Client student, SatAnswer answer) => Story.MarksAsync(student, answer);

    private static string TotalOf(JsonNode marks) => (string)marks["result"]!["total"]!;

    private static JsonNode DeskRow(JsonNode desk, SatAnswer answer) =>
        desk["answers"]!.AsArray().First(row => (Guid)row!["id"]! == answer)!;
}
