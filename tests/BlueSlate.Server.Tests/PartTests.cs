using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using Microsoft.EntityFrameworkCore;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Exercises of several parts: each drawn, saved, checked, decided on and marked by itself, and summed.</summary>
public sealed class PartTests(TestServer server) : IClassFixture<TestServer>
{
    private static Drawing Harbour { get; } =
        new Sketch()
            .Box("Harbour", "PK harbour code")
            .Box("Berth", "PK berth number", "o depth")
            .Line("Harbour", Ends.One, "Berth", Ends.ZeroOrMore, "has", "is in")
            .ToDrawing();

    private static Drawing HalfAHarbour { get; } = new Sketch().Box("Harbour", "PK harbour code").ToDrawing();

    [Fact]
    public async Task An_exercise_of_two_parts_is_written_sat_marked_and_released_part_by_part()
    {
        using var instructor = await server.AsAsync("instructor");
        var (exercise, second) = await PublishedAsync(instructor);
        using var student = await server.AsAsync("student");
        var before = await student.GetAsync($"/api/study/exercises/{exercise}");
        before["parts"]!.AsArray().Select(part => (string)part!["title"]!).ShouldBe(["", "The harbour"]);
        ((int)before["minutes"]!).ShouldBe(90);

        var answer = await Story.StartedAsync(student, exercise);
        var works = await WorksAsync(student, answer);
        works.Count.ShouldBe(2);
        works[0].ShouldBe(answer.Work);
        await SaveAsync(student, works[0], 1, TestServer.Model);
        await SaveAsync(student, works[1], 1, HalfAHarbour);
        await SaveAsync(student, works[1], 2, HalfAHarbour with { Comments = [] });

        // Handing in names what was seen of every part.
        var handIn = $"/api/study/answers/{answer}/hand-in";
        (await student.CodeOfAsync(HttpMethod.Post, handIn, HandIn((works[0], 2)))).ShouldBe("conflict");
        (await student.CodeOfAsync(HttpMethod.Post, handIn, HandIn((works[0], 2), (works[1], 2)))).ShouldBe("conflict");
        var receipt = await student.PostAsync(handIn, HandIn((works[0], 2), (works[1], 3)));
        receipt["works"]!
            .AsArray()
            .Select(work => (string)work!["hash"]!)
            .ShouldBe([DrawingWriter.Hash(TestServer.Model), DrawingWriter.Hash(HalfAHarbour)]);
        (
            await student.CodeOfAsync(HttpMethod.Put, $"/api/study/work/{works[1]}/drawing", Story.SaveRequest(3, Harbour))
        ).ShouldBe("handed-in");

        // An answer waits until every part is checked, and is released as a whole.
        await server.CheckAsync(works[0]);
        (await RowAsync(instructor, exercise))["state"]!.GetValue<string>().ShouldBe("waiting");
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/marking/exercises/{exercise}/release", new { })).ShouldBe(
            "nothing-to-release"
        );
        await server.CheckAsync(works[1]);
        var row = await RowAsync(instructor, exercise);
        row["works"]!.AsArray().Select(work => (string)work!["total"]!).ToArray()[0].ShouldBe("20");
        ((string)row["total"]!).ShouldNotBe("20");

        // What is decided in one part is decided in that part alone.
        var page = await instructor.GetAsync($"/api/marking/work/{works[1]}");
        page["parts"]!.AsArray().Select(part => (Guid)part!["workId"]!).ShouldBe(works);
        page["previous"].ShouldBeNull();
        page["next"].ShouldBeNull();
        var note = (string)page["result"]!["notes"]![0]!["id"]!;
        await instructor.PutAsync(
            $"/api/marking/work/{works[1]}/rulings?finding={Uri.EscapeDataString(note)}",
            new { decision = "allow", reach = "alike" }
        );
        (await instructor.GetAsync($"/api/marking/work/{works[0]}"))["rulings"]!.AsArray().ShouldBeEmpty();
        (await instructor.GetAsync($"/api/marking/work/{works[1]}"))["rulings"]!.AsArray().ShouldHaveSingleItem();

        foreach (var work in works)
        {
            await instructor.PostAsync($"/api/marking/work/{work}/gone-through");
        }

        ((int)(await instructor.PostAsync($"/api/marking/exercises/{exercise}/release"))["released"]!).ShouldBe(1);
        var marks = await student.GetAsync($"/api/study/answers/{answer}/marks");
        var parts = marks["parts"]!.AsArray();
        parts.Select(part => (string)part!["part"]!["title"]!).ShouldBe(["", "The harbour"]);
        Value(marks["total"]!).ShouldBe(parts.Sum(part => Value(part!["result"]!["total"]!)));
        Value(marks["maximum"]!).ShouldBe(30);
        ((string)(await Story.AttemptAsync(student, exercise))["total"]!).ShouldBe((string)marks["total"]!);

        // A scheme of one part proposes changes of that part.
        var assessment = (await PartsAsync(instructor, exercise))[1]!["assessment"]!;
        var value = assessment["value"]!.DeepClone();
        value["scheme"]!["lines"]![0]!["marks"] = "7";
        await instructor.PutAsync($"/api/parts/{second}/assessment", new { revision = (int)assessment["revision"]!, value });
        var proposals = (await instructor.GetAsync($"/api/marking/exercises/{exercise}/remarking"))["proposals"]!.AsArray();
        proposals.Select(proposal => (string)proposal!["part"]!).ShouldAllBe(part => part == "The harbour");
    }

    [Fact]
    public async Task Parts_are_added_ordered_and_taken_away_until_the_exercise_is_published()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.MadeAsync(server, instructor, "Quay");
        var path = $"/api/exercises/{exercise}/parts";
        (await instructor.CodeOfAsync(HttpMethod.Delete, $"/api/parts/{exercise.Part}")).ShouldBe("last-part");
        var second = (Guid)(await instructor.PostAsync(path))["id"]!;
        var third = (Guid)(await instructor.PostAsync(path))["id"]!;
        (await IdsAsync(instructor, exercise)).ShouldBe([exercise.Part, second, third]);
        (await instructor.CodeOfAsync(HttpMethod.Put, path, new { parts = new[] { third, second, second } })).ShouldBe("parts");
        await instructor.PutAsync(path, new { parts = new[] { third, exercise.Part, second } });
        (await IdsAsync(instructor, exercise)).ShouldBe([third, exercise.Part, second]);
        (await instructor.SendAsync(HttpMethod.Delete, $"/api/parts/{exercise.Part}")).IsSuccessStatusCode.ShouldBeTrue();
        (await IdsAsync(instructor, exercise)).ShouldBe([third, second]);
        await using var database = server.Database.Open();
        (
            await database
                .ExerciseParts.Where(part => part.ExerciseId == exercise.Id)
                .Select(part => part.Position)
                .Order()
                .ToListAsync(TestContext.Current.CancellationToken)
        ).ShouldBe([1, 2]);

        // An exercise says which of its parts is not ready.
        await instructor.PutAsync($"/api/exercises/{exercise}/scenario", new { revision = 1, text = "A quay." });
        await instructor.PutAsync(
            $"/api/parts/{third}/model",
            new { revision = 1, text = DrawingWriter.WriteText(TestServer.Model) }
        );
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{exercise}/publish", new { })).ShouldBe("not-ready");
        var lacks = (await instructor.GetAsync("/api/home"))["exercises"]!
            .AsArray()
            .Single(one => (Guid)one!["summary"]!["id"]! == exercise.Id)!["lacks"];
        ((string)lacks!).ShouldBe("Derive the marking scheme of part 1 first.");

        var (published, harbour) = await PublishedAsync(instructor);
        (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{published}/parts", new { })).ShouldBe("published");
        (await instructor.CodeOfAsync(HttpMethod.Delete, $"/api/parts/{harbour}")).ShouldBe("published");
        (await instructor.CodeOfAsync(HttpMethod.Put, $"/api/exercises/{published}/title", new { title = "Other" })).ShouldBe(
            "published"
        );
    }

    [Fact]
    public async Task Two_who_save_different_parts_do_not_collide()
    {
        using var instructor = await server.AsAsync("instructor");
        var (exercise, _) = await PublishedAsync(instructor);
        using var student = await server.AsAsync("student2");
        var works = await WorksAsync(student, await Story.StartedAsync(student, exercise));
        await Task.WhenAll(works.Select(work => SaveAsync(student, work, 1, Harbour)));
        var answer = await Story.StartedAsync(student, exercise);
        (await student.GetAsync($"/api/study/answers/{answer}"))["works"]!
            .AsArray()
            .Select(work => (int)work!["revision"]!)
            .ShouldBe([2, 2]);
    }

    private async Task<(SetExercise Exercise, Guid Second)> PublishedAsync(Client instructor)
    {
        var exercise = await Story.DraftAsync(server, instructor);
        var second = (Guid)(await instructor.PostAsync($"/api/exercises/{exercise}/parts"))["id"]!;
        await instructor.PutAsync(
            $"/api/parts/{second}",
            new
            {
                revision = 1,
                value = new
                {
                    title = "The harbour",
                    learned = new { notation = "crows-foot", level = "conceptual" },
                    marks = "10",
                    minutes = 30,
                },
            }
        );
        await instructor.PutAsync($"/api/parts/{second}/model", new { revision = 1, text = DrawingWriter.WriteText(Harbour) });
        foreach (var part in new[] { exercise.Part, second })
        {
            var scheme = await instructor.PostAsync($"/api/parts/{part}/scheme");
            await instructor.PutAsync(
                $"/api/parts/{part}/assessment",
                new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
            );
        }

        await instructor.PostAsync($"/api/exercises/{exercise}/publish", new { dueAt = (DateTimeOffset?)null });
        return (exercise, second);
    }

    private static async Task<List<Guid>> WorksAsync(Client student, SatAnswer answer) =>
        [.. (await student.GetAsync($"/api/study/answers/{answer}"))["works"]!.AsArray().Select(work => (Guid)work!["id"]!)];

    private static Task<JsonNode> SaveAsync(Client student, Guid work, int revision, Drawing drawing) =>
        student.PutAsync($"/api/study/work/{work}/drawing", Story.SaveRequest(revision, drawing));

    private static object HandIn(params (Guid Work, int Revision)[] seen) =>
        new { works = seen.Select(work => new { id = work.Work, revision = work.Revision }) };

    private static async Task<JsonNode> RowAsync(Client instructor, SetExercise exercise) =>
        (await instructor.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]![0]!;

    private static async Task<JsonArray> PartsAsync(Client instructor, SetExercise exercise) =>
        (await instructor.GetAsync($"/api/exercises/{exercise}"))["parts"]!.AsArray();

    private static async Task<List<Guid>> IdsAsync(Client instructor, SetExercise exercise) =>
        [.. (await PartsAsync(instructor, exercise)).Select(part => (Guid)part!["id"]!)];

    private static double Value(JsonNode rational)
    {
        var parts = ((string)rational!).Split('/');
        return double.Parse(parts[0]) / (parts.Length > 1 ? double.Parse(parts[1]) : 1);
    }
}
