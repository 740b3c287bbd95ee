using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies;
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

    [Fact]
    public async Task A_dependency_diagram_is_begun_with_the_attributes_of_an_earlier_drawing_and_proposed_to_authors_only()
    {
        using var instructor = await server.AsAsync("instructor");
        var options = new DependencyOptions();
        var model = (Drawing)
            Subject
                .Of(options)
                .Retype(Drawing.Empty, ["Hull number determines gasvolume", "Key: hull number"], options)!
                .Document;
        var (exercise, second) = await PublishedAsync(
            instructor,
            new { with = "own-drawing", part = 1 },
            model,
            new { notation = "dependency" }
        );
        using var student = await server.AsAsync("student");
        var answer = await Story.StartedAsync(student, exercise);
        var works = await WorksAsync(student, answer);
        (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{works[1]}/begin")).ShouldBe("nothing-to-begin-with");
        await SaveAsync(student, works[0], 1, new Sketch().Box("Zeppelin", "PK hull number", "gasvolume").ToDrawing());

        var begun = await student.PostAsync($"/api/study/work/{works[1]}/begin");
        var boxes = DrawingReader.Read((string)begun["drawing"]!).Drawing!;
        boxes.Shapes.Select(shape => shape.Text).ShouldBe(["hull number", "gasvolume"]);
        await SaveAsync(student, works[1], 1, boxes);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", HandIn((works[0], 2), (works[1], 2)));

        var asked = new
        {
            drawing = DrawingWriter.WriteText(model),
            deed = "propose-stages",
            on = Array.Empty<string>(),
        };
        var proposed = await instructor.PostAsync($"/api/parts/{second}/do", asked);
        DrawingReader.Read((string)proposed["drawing"]!).Drawing!.Sheets.Length.ShouldBe(2);
        (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{works[1]}/do", asked)).ShouldBe("not-allowed");
    }

    [Fact]
    public async Task A_part_is_begun_with_ones_own_drawing_whose_differences_cost_nothing_again()
    {
        using var instructor = await server.AsAsync("instructor");
        var (exercise, _) = await PublishedAsync(instructor, new { with = "own-drawing", part = 1 }, TestServer.Model);
        using var student = await server.AsAsync("student");
        var answer = await Story.StartedAsync(student, exercise);
        var works = await WorksAsync(student, answer);
        var wrong = new Sketch()
            .Box("Zeppelin", "PK hull number", "gasvolume")
            .Box("Mooring", "PK mast code", "o altitude")
            .Line("Zeppelin", Ends.One, "Mooring", Ends.OneOrMore, "anchors", "is anchored by")
            .ToDrawing();
        await SaveAsync(student, works[0], 1, wrong);
        (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{works[0]}/begin")).ShouldBe("not-allowed");

        var begun = await student.PostAsync($"/api/study/work/{works[1]}/begin");
        DrawingReader
            .Read((string)begun["drawing"]!)
            .Drawing!.Shapes.Select(shape => shape.Text)
            .ShouldBe(wrong.Shapes.Select(shape => shape.Text));
        begun["closed"].ShouldBeNull();
        await SaveAsync(student, works[1], 1, wrong);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", HandIn((works[0], 2), (works[1], 2)));
        (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{works[1]}/begin")).ShouldBe("handed-in");
        await server.CheckAsync(works[0]);
        await server.CheckAsync(works[1]);

        var first = (await instructor.GetAsync($"/api/marking/work/{works[0]}"))["result"]!;
        var second = (await instructor.GetAsync($"/api/marking/work/{works[1]}"))["result"]!;
        Value(first["total"]!).ShouldBeLessThan(Value(first["maximum"]!));
        Value(second["total"]!).ShouldBe(Value(second["maximum"]!));
        second["notes"]!.AsArray().Select(note => (string)note!["inherited"]!).ShouldAllBe(inherited => inherited == "wholly");
        second["notes"]!.AsArray().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task The_model_answer_of_a_part_is_given_once_that_part_is_closed()
    {
        using var instructor = await server.AsAsync("instructor");
        var (exercise, _) = await PublishedAsync(instructor, new { with = "model-answer", part = 1 });
        using var student = await server.AsAsync("student");
        var answer = await Story.StartedAsync(student, exercise);
        var works = await WorksAsync(student, answer);
        await SaveAsync(student, works[0], 1, HalfAHarbour);
        using var other = await server.AsAsync("student2");
        (await other.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{works[1]}/begin")).ShouldBe("no-such-answer");

        var begun = await student.PostAsync($"/api/study/work/{works[1]}/begin");

        var drawing = DrawingReader.Read((string)begun["drawing"]!).Drawing!;
        drawing.Shapes.Select(shape => shape.Text).ShouldBe(TestServer.Model.Shapes.Select(shape => shape.Text));
        ((Guid)begun["closed"]!).ShouldBe(works[0]);
        (
            await student.CodeOfAsync(
                HttpMethod.Put,
                $"/api/study/work/{works[0]}/drawing",
                Story.SaveRequest(2, TestServer.Model)
            )
        ).ShouldBe("part-closed");
        var reply = await student.GetAsync($"/api/study/answers/{answer}");
        reply["works"]!.AsArray().Select(work => (bool)work!["closed"]!).ShouldBe([true, false]);
        ((string)reply["works"]![0]!["drawing"]!).ShouldBe(DrawingWriter.WriteText(HalfAHarbour));
        await SaveAsync(student, works[1], 1, drawing);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", HandIn((works[0], 2), (works[1], 2)));
    }

    [Fact]
    public async Task A_drawing_that_is_given_is_on_the_slate_from_the_start()
    {
        using var instructor = await server.AsAsync("instructor");
        var given = DrawingWriter.WriteText(HalfAHarbour);
        var (exercise, _) = await PublishedAsync(instructor, new { with = "given-drawing", drawing = given });
        using var student = await server.AsAsync("student");
        var answer = await Story.StartedAsync(student, exercise);

        (await student.GetAsync($"/api/study/answers/{answer}"))["works"]!
            .AsArray()
            .Select(work => (string)work!["drawing"]!)
            .ShouldBe([DrawingWriter.WriteText(Drawing.Empty), given]);
    }

    [Fact]
    public async Task A_part_goes_on_naming_the_one_with_which_it_begins_wherever_that_stands()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.MadeAsync(server, instructor, "Ferry");
        var path = $"/api/exercises/{exercise}/parts";
        var second = (Guid)(await instructor.PostAsync(path))["id"]!;
        var third = (Guid)(await instructor.PostAsync(path))["id"]!;
        await BeginAsync(third, 1, new { with = "own-drawing", part = 1 });
        (await BeginOfAsync(third))["part"]!.GetValue<int>().ShouldBe(1);

        await instructor.PutAsync(path, new { parts = new[] { second, exercise.Part, third } });
        (await BeginOfAsync(third))["part"]!.GetValue<int>().ShouldBe(2);
        await instructor.SendAsync(HttpMethod.Delete, $"/api/parts/{second}");
        (await BeginOfAsync(third))["part"]!.GetValue<int>().ShouldBe(1);
        await instructor.SendAsync(HttpMethod.Delete, $"/api/parts/{exercise.Part}");
        ((string)(await BeginOfAsync(third))["with"]!).ShouldBe("nothing");

        var refused = new { with = "given-drawing", drawing = "{" };
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"/api/parts/{third}",
                new { revision = 4, value = new { learned = Learned, begin = refused } }
            )
        ).ShouldBe("begin");
        await BeginAsync(
            third,
            (int)(await PartsAsync(instructor, exercise))[0]!["part"]!["revision"]!,
            new { with = "own-drawing", part = 1 }
        );
        await instructor.PutAsync($"/api/exercises/{exercise}/scenario", new { revision = 1, text = "A ferry." });
        var lacks = (await instructor.GetAsync("/api/home"))["exercises"]!
            .AsArray()
            .Single(one => (Guid)one!["summary"]!["id"]! == exercise.Id)!["lacks"];
        ((string)lacks!).ShouldBe("Say with which earlier part’s drawing part 1 begins.");

        async Task<JsonNode> BeginOfAsync(Guid part) =>
            (await PartsAsync(instructor, exercise)).Single(one => (Guid)one!["id"]! == part)!["part"]!["value"]!["begin"]!;
        Task<JsonNode> BeginAsync(Guid part, int revision, object begin) =>
            instructor.PutAsync($"/api/parts/{part}", new { revision, value = new { learned = Learned, begin } });
    }

    private static object Learned { get; } = new { notation = "crows-foot", level = "conceptual" };

    private async Task<(SetExercise Exercise, Guid Second)> PublishedAsync(
        Client instructor,
        object? begin = null,
        Drawing? model = null,
        object? learned = null
    )
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
                    learned = learned ?? new { notation = "crows-foot", level = "conceptual" },
                    marks = "10",
                    minutes = 30,
                    begin = begin ?? new { with = "nothing" },
                },
            }
        );
        await instructor.PutAsync(
            $"/api/parts/{second}/model",
            new { revision = 1, text = DrawingWriter.WriteText(model ?? Harbour) }
        );
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
