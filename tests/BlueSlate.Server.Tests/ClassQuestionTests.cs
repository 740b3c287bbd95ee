using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// The questions of a class: asked once, whose marks change is told before, and answers that come later are judged by the reply.
/// </summary>
public sealed class ClassQuestionTests(TestServer server) : IClassFixture<TestServer>
{
    private static Drawing Calling(string mooring, string altitude = "o altitude") =>
        new Sketch()
            .Box("Zeppelin", "PK hull number", "gasvolume")
            .Box(mooring, "PK mast code", altitude)
            .Line("Zeppelin", Ends.One, mooring, Ends.ZeroOrMore, "anchors", "is anchored by")
            .ToDrawing();

    private static object Reply(JsonNode question, bool same) =>
        Saying(((string)question["modelElement"]!, (string)question["drawn"]!, same));

    private static object Saying(params (string Element, string Drawn, bool Same)[] replies) =>
        new
        {
            answers = replies.Select(reply => new
            {
                modelElement = reply.Element,
                drawn = reply.Drawn,
                same = reply.Same,
            }),
        };

    [Fact]
    public async Task What_answers_call_otherwise_is_asked_once_and_the_reply_judges_them_as_it_was_told()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var student = await server.AsAsync("student");
        using var other = await server.AsAsync("student2");
        var answer = await Story.HandedInAsync(server, student, exercise, Calling("Tether"));
        var second = await Story.HandedInAsync(server, other, exercise, Calling("tethers"));
        var path = $"/api/marking/parts/{exercise.Part}/questions";

        var question = (await instructor.GetAsync(path))["questions"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)question["model"]!).ShouldBe("Mooring");
        question["places"]!.AsArray().Count.ShouldBe(2);
        ((string)question["places"]![0]!["drawing"]!).ShouldContain("ether");
        question["atStake"]!.ToString().ShouldNotBe("0");

        ((bool)question["saysItself"]!).ShouldBeFalse();
        var reply = Reply(question, same: false);
        var told = (await instructor.PostAsync($"{path}/preview", reply))["changes"]!.AsArray();
        told.Count.ShouldBe(2);
        await instructor.PutAsync(path, reply);
        foreach (var work in new[] { answer.Work, second.Work })
        {
            var marked = await instructor.GetAsync($"/api/marking/work/{work}");
            told.ShouldContain(change =>
                (string)change!["id"]! == work.ToString() && (string)change["after"]! == (string)marked["result"]!["total"]!
            );
        }

        (await instructor.GetAsync(path))["questions"]!.AsArray().ShouldBeEmpty();
        (await instructor.CodeOfAsync(HttpMethod.Put, path, reply)).ShouldBe("no-such-question");
    }

    [Fact]
    public async Task An_answer_that_comes_later_is_judged_by_what_was_said()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var student = await server.AsAsync("student");
        await Story.HandedInAsync(server, student, exercise, Calling("Tether"));
        var path = $"/api/marking/parts/{exercise.Part}/questions";
        var question = (await instructor.GetAsync(path))["questions"]![0]!;
        await instructor.PutAsync(path, Reply(question, same: true));

        using var other = await server.AsAsync("student2");
        var later = await Story.HandedInAsync(server, other, exercise, Calling("TETHER"));
        ((string)(await instructor.GetAsync($"/api/marking/work/{later.Work}"))["result"]!["total"]!).ShouldBe("20");
        (await instructor.GetAsync(path))["questions"]!.AsArray().ShouldBeEmpty();
        (await Story.PartAsync(instructor, exercise))["assessment"]!["value"]!["sameWords"]!
            .ToJsonString()
            .ShouldBe("""[["Mooring","Tether"]]""");
    }

    [Fact]
    public async Task Only_instructors_of_the_cohort_are_asked()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var path = $"/api/marking/parts/{exercise.Part}/questions";
        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Get, path)).ShouldBe("no-such-part");
        var reply = Saying(("b1", "x", true));
        (await outsider.CodeOfAsync(HttpMethod.Put, path, reply)).ShouldBe("no-such-part");
        (await outsider.CodeOfAsync(HttpMethod.Post, $"{path}/preview", reply)).ShouldBe("no-such-part");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, reply)).ShouldBe("no-such-question");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, Saying())).ShouldBe("class-answers");
        JsonNode empty = await instructor.GetAsync(path);
        empty["questions"]!.AsArray().ShouldBeEmpty();
    }
}
