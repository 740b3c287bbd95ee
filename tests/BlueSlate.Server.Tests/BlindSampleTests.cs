using System.Text.Json.Nodes;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>A sample that two people mark without seeing what was found, and what is told of it.</summary>
public sealed class BlindSampleTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public async Task Two_people_mark_a_sample_blind_and_their_agreement_is_told_before_release()
    {
        var (instructor, assistant, exercise, answers) = await HandedInAsync();
        var sample = await instructor.PostAsync($"/api/marking/parts/{exercise.Part}/sample", new { count = 2 });
        ((int)sample["size"]!).ShouldBe(2);
        sample["agreement"].ShouldBeNull();
        (await instructor.GetAsync($"/api/marking/exercises/{exercise}/release"))["agreement"].ShouldBeNull();

        foreach (var answer in answers)
        {
            // Until one's own marks are given, what was found stays hidden, in the reply for marking too.
            (await instructor.CodeOfAsync(HttpMethod.Get, $"/api/marking/work/{answer.Work}")).ShouldBe("blind-first");
            var blind = (await instructor.GetAsync($"/api/marking/blind/{answer.Work}")).ToJsonString();
            blind.ShouldNotContain("notes");
            blind.ShouldNotContain("total");
            TotalOnDesk(await instructor.GetAsync($"/api/marking/exercises/{exercise}"), answer).ShouldBeNull();
            await GiveAsync(instructor, answer, _ => "0");
            await instructor.GetAsync($"/api/marking/work/{answer.Work}");
            TotalOnDesk(await instructor.GetAsync($"/api/marking/exercises/{exercise}"), answer).ShouldNotBeNull();
            await GiveAsync(assistant, answer, line => answer == answers[0] && line == 0 ? "1/2" : "0");
        }

        var agreement = (await instructor.GetAsync($"/api/marking/exercises/{exercise}/release"))["agreements"]![0]![
            "agreement"
        ]!;
        ((int)agreement["betweenThem"]!["answers"]!).ShouldBe(2);
        ((string)agreement["betweenThem"]!["meanDifference"]!).ShouldBe("1/4");
        ((string)agreement["betweenThem"]!["largestDifference"]!).ShouldBe("1/2");
        ((int)agreement["betweenThem"]!["lines"]! - (int)agreement["betweenThem"]!["sameLines"]!).ShouldBe(1);
        ((string)agreement["withMarks"]!["meanDifference"]!).ShouldNotBe("0");
    }

    [Fact]
    public async Task What_was_found_in_a_blind_answer_is_told_by_no_way_round()
    {
        var (instructor, assistant, exercise, answers) = await HandedInAsync();
        // The differences of a class tell of nobody in particular: the answer itself is opened by nobody.
        var differences = await instructor.GetAsync($"/api/marking/parts/{exercise.Part}/differences");
        var works = differences["works"]!.AsArray().Select(work => (Guid)work!["id"]!).ToList();
        var note = differences["differences"]!
            .AsArray()
            .SelectMany(one => one!["places"]!.AsArray())
            .Where(place => (int)place!["work"]! == works.IndexOf(answers[0].Work))
            .Select(place => (string)place!["finding"]!)
            .First();
        using var third = await server.AsAsync("student3");
        var twin = await Story.HandedInAsync(server, third, exercise, Story.Faulty);
        await instructor.PutAsync(
            $"/api/marking/work/{answers[0].Work}/rulings?finding={Uri.EscapeDataString(note)}",
            new { decision = "allow", reach = "answer" }
        );
        await instructor.PostAsync($"/api/marking/parts/{exercise.Part}/sample", new { count = 3 });
        var path = $"/api/marking/work/{answers[0].Work}";
        var finding = Uri.EscapeDataString(note);
        foreach (
            var (method, way, body) in new (HttpMethod, string, object?)[]
            {
                (HttpMethod.Get, "", null),
                (HttpMethod.Get, $"/alike?finding={finding}", null),
                (HttpMethod.Put, $"/rulings?finding={finding}", new { decision = "keep-loss", reach = "answer" }),
                (HttpMethod.Delete, $"/rulings?finding={finding}", null),
                (HttpMethod.Post, "/stands-for/preview", new { model = "b1", answer = "b1" }),
                (HttpMethod.Put, "/stands-for", new { model = "b1", answer = "b1" }),
                (HttpMethod.Post, "/gone-through", new { }),
            }
        )
        {
            (await assistant.CodeOfAsync(method, path + way, body)).ShouldBe("blind-first", way);
        }

        // An alike answer that is not blind any more tells nothing of one that is.
        await GiveAsync(assistant, twin, _ => "0");
        var alike = (await assistant.GetAsync($"/api/marking/work/{twin.Work}/alike?finding={finding}"))["answers"]!.AsArray();
        alike[0]!["now"].ShouldNotBeNull();
        var hidden = alike.Single(one => (Guid)one!["id"]! == answers[0].Work)!;
        (hidden["now"] is null && hidden["allowed"] is null).ShouldBeTrue();
    }

    [Fact]
    public async Task Whose_marks_would_change_is_told_of_no_blind_answer()
    {
        var (instructor, _, exercise, answers) = await HandedInAsync();
        var assessment = (await Story.PartAsync(instructor, exercise))["assessment"]!;
        var value = JsonNode.Parse(assessment["value"]!.ToJsonString())!;
        foreach (var line in value["scheme"]!["lines"]!.AsArray())
        {
            line!["marks"] = "2";
        }

        var path = $"/api/parts/{exercise.Part}/assessment/preview";
        (await instructor.PostAsync(path, new { value }))["changes"]!.AsArray().ShouldNotBeEmpty();
        await instructor.PostAsync($"/api/marking/parts/{exercise.Part}/sample", new { count = 50 });
        (await instructor.PostAsync(path, new { value }))["changes"]!.AsArray().ShouldBeEmpty();
        await GiveAsync(instructor, answers[0], _ => "0");
        (await instructor.PostAsync(path, new { value }))["changes"]!
            .AsArray()
            .Select(change => (Guid)change!["id"]!)
            .ShouldBe([answers[0].Work]);
    }

    [Fact]
    public async Task Marks_beyond_a_line_and_lines_that_are_not_there_are_refused_and_what_is_done_stands()
    {
        var (instructor, _, exercise, answers) = await HandedInAsync();
        await instructor.PostAsync($"/api/marking/parts/{exercise.Part}/sample", new { count = 50 });
        var path = $"/api/marking/blind/{answers[0].Work}";
        var lines = (await instructor.GetAsync(path))["lines"]!.AsArray();
        var first = (string)lines[0]!["id"]!;
        (await instructor.CodeOfAsync(HttpMethod.Put, path, Marks((first, "99")))).ShouldBe("marks");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, Marks((first, "-1")))).ShouldBe("marks");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, Marks(("line99", "1")))).ShouldBe("no-such-line");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, Marks((first, "0"), (first, "1/2")))).ShouldBe("twice");
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                path,
                new { marks = new[] { new { line = first, marks = "0" } }, done = true }
            )
        ).ShouldBe("lines-left");

        // Half done is kept, without counting.
        await instructor.PutAsync(path, Marks((first, "1/2")));
        ((string)(await instructor.GetAsync(path))["lines"]![0]!["given"]!).ShouldBe("1/2");
        await GiveAsync(instructor, answers[0], _ => "0");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, Marks((first, "1/2")))).ShouldBe("done");
    }

    [Fact]
    public async Task What_somebody_has_looked_at_is_not_drawn_to_be_marked_blind()
    {
        using var instructor = await server.AsAsync("instructor");
        using var assistant = await server.AsAsync("assistant");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answers = new List<SatAnswer>();
        foreach (var name in new[] { "student", "student2", "student3" })
        {
            using var student = await server.AsAsync(name);
            answers.Add(await Story.HandedInAsync(server, student, exercise, Story.Faulty));
        }

        var path = $"/api/marking/parts/{exercise.Part}/sample";
        await assistant.GetAsync($"/api/marking/work/{answers[0].Work}");
        await assistant.GetAsync($"/api/marking/work/{answers[0].Work}");
        await assistant.SendAsync(HttpMethod.Post, $"/api/marking/work/{answers[1].Work}/gone-through");
        var sample = await instructor.GetAsync(path);
        ((int)sample["free"]!).ShouldBe(1);
        ((int)sample["seen"]!).ShouldBe(2);
        sample = await instructor.PostAsync(path, new { count = 3 });
        ((int)sample["size"]!).ShouldBe(1);
        ((Guid)sample["mine"]![0]!["id"]!).ShouldBe(answers[2].Work);
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { count = 3 })).ShouldBe("all-seen");
    }

    [Fact]
    public async Task A_sample_is_drawn_by_an_instructor_grows_and_is_seen_by_staff_alone()
    {
        var (instructor, assistant, exercise, answers) = await HandedInAsync();
        var path = $"/api/marking/parts/{exercise.Part}/sample";
        (await assistant.CodeOfAsync(HttpMethod.Post, path, new { count = 1 })).ShouldBe("not-allowed");
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { count = 0 })).ShouldBe("sample");
        ((int)(await instructor.PostAsync(path, new { count = 1 }))["size"]!).ShouldBe(1);
        var one = (Guid)(await instructor.GetAsync(path))["mine"]![0]!["id"]!;
        (await instructor.PostAsync(path, new { count = 2 }))["mine"]!
            .AsArray()
            .Select(task => (Guid)task!["id"]!)
            .ShouldContain(one);

        using var student = await server.AsAsync("student");
        (await student.SendAsync(HttpMethod.Get, path)).StatusCode.ShouldBe(System.Net.HttpStatusCode.Forbidden);
        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Get, path)).ShouldBe("no-such-part");
        (await outsider.CodeOfAsync(HttpMethod.Get, $"/api/marking/blind/{answers[0].Work}")).ShouldBe("no-such-answer");
    }

    private static string? TotalOnDesk(JsonNode desk, SatAnswer answer) =>
        (string?)desk["answers"]!.AsArray().First(row => (Guid)row!["id"]! == answer.Id)!["total"];

    private static object Marks(params (string Line, string Marks)[] marks) =>
        new { marks = marks.Select(mark => new { line = mark.Line, marks = mark.Marks }), done = false };

    private static async Task GiveAsync(Client marker, SatAnswer answer, Func<int, string> marks)
    {
        var lines = (await marker.GetAsync($"/api/marking/blind/{answer.Work}"))["lines"]!.AsArray();
        await marker.PutAsync(
            $"/api/marking/blind/{answer.Work}",
            new { marks = lines.Select((line, at) => new { line = (string)line!["id"]!, marks = marks(at) }), done = true }
        );
    }

    private async Task<(Client Instructor, Client Assistant, SetExercise Exercise, SatAnswer[] Answers)> HandedInAsync()
    {
        var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answers = new List<SatAnswer>();
        foreach (var (who, drawing) in new[] { ("student", Story.Faulty), ("student2", TestServer.Model) })
        {
            using var student = await server.AsAsync(who);
            answers.Add(await Story.HandedInAsync(server, student, exercise, drawing));
        }

        return (instructor, await server.AsAsync("assistant"), exercise, [.. answers]);
    }
}
