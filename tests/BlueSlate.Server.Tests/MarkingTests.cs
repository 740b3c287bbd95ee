using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using Microsoft.EntityFrameworkCore;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Going through answers, ruling, releasing: who may, what holds a release back, and what is frozen.</summary>
public sealed class MarkingTests(TestServer server) : IClassFixture<TestServer>
{
    private static readonly Drawing Strange = new Sketch()
        .Box("Blimp", "PK hull number", "gasvolume")
        .Box("Mooring", "PK mast code", "o altitude")
        .Line("Blimp", Ends.One, "Mooring", Ends.ZeroOrMore, "anchors", "is anchored by")
        .ToDrawing();

    [Fact]
    public async Task An_answer_in_doubt_holds_its_own_release_back_and_nobody_elses()
    {
        var (instructor, exercise) = await PublishedAsync();
        using var one = await server.AsAsync("student");
        using var two = await server.AsAsync("student2");
        var doubtful = await Story.HandedInAsync(server, one, exercise, Strange);
        var plain = await Story.HandedInAsync(server, two, exercise, Story.Faulty);
        var preview = await instructor.GetAsync($"/api/marking/exercises/{exercise}/release");
        preview["undecided"]!.AsArray().Select(row => (Guid)row!["id"]!).ShouldBe([doubtful]);
        ((string)preview["undecided"]![0]!["why"]!).ShouldContain("a person has to look");
        var released = await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        ((int)released["released"]!, (int)released["heldBack"]!).ShouldBe((1, 1));
        (await one.CodeOfAsync(HttpMethod.Get, $"/api/study/answers/{doubtful}/marks")).ShouldBe("not-released");
        (await Story.MarksAsync(two, plain))["result"].ShouldNotBeNull();

        await instructor.PostAsync($"/api/marking/work/{doubtful.Work}/gone-through");
        ((int)(await instructor.PostAsync($"/api/marking/exercises/{exercise}/release"))["released"]!).ShouldBe(1);
        (await Story.MarksAsync(one, doubtful))["result"].ShouldNotBeNull();
    }

    [Fact]
    public async Task A_released_sheet_stays_as_it_was_whatever_becomes_of_its_answer()
    {
        var (instructor, exercise) = await PublishedAsync();
        using var student = await server.AsAsync("student");
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        var before = (await student.GetAsync($"/api/study/answers/{answer}/marks")).ToJsonString();
        await using (var context = server.Database.Open())
        {
            await context
                .AssessmentRevisions.Where(revision => revision.PartId == exercise.Part)
                .ExecuteUpdateAsync(
                    set => set.SetProperty(revision => revision.Model, DrawingWriter.WriteText(Drawing.Empty)),
                    TestContext.Current.CancellationToken
                );
        }

        (await student.GetAsync($"/api/study/answers/{answer}/marks")).ToJsonString().ShouldBe(before);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"/api/parts/{exercise.Part}/assessment",
                new { revision = 2, value = new { } }
            )
        ).ShouldBe("scheme");
    }

    [Fact]
    public async Task A_released_answer_shows_no_model_answer_where_the_part_does_not_want_it()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.DraftAsync(server, instructor);
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}",
            new
            {
                revision = 2,
                title = "Airfield",
                value = new
                {
                    level = "conceptual",
                    marks = "20",
                    showModelAnswer = false,
                },
            }
        );
        await Story.PublishAsync(instructor, exercise);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        (await Story.MarksAsync(student, answer))["modelDrawing"].ShouldBeNull();
        (await Story.MarksAsync(student, answer))["modelSentences"].ShouldBeNull();
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task What_rows_speak_against_stands_with_the_notes_where_the_part_tells_it(bool told)
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync(told ? "student2" : "student3");
        var exercise = await Story.DraftAsync(server, instructor);
        await instructor.PutAsync(
            $"/api/exercises/{exercise}/scenario",
            new
            {
                revision = 2,
                text = "Airships tie up at masts.\n\n| hull number | mast code |\n| --- | --- |\n| 7 | M1 |\n| 7 | M2 |",
            }
        );
        var part = new PartDocument
        {
            Marks = 20,
            Aids = new AidsDocument { Rows = told },
        };
        await instructor.PutAsync($"/api/parts/{exercise.Part}", new { revision = 2, value = part });
        await Story.PublishAsync(instructor, exercise);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var marker = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");

        SaidOf(marker).ShouldBe(Said("the answer"));
        SaidOf(await Story.MarksAsync(student, answer)).ShouldBe(Said("your drawing"));

        string[] Said(string drawn) =>
            told ? [$"Rows 1 and 2 have the same hull number (7), by which {drawn} tells zeppelins apart."] : [];

        static string[] SaidOf(JsonNode reply) => [.. reply["evidence"]!["rows"]!.AsArray().Select(row => (string)row!["said"]!)];
    }

    [Fact]
    public async Task An_assistant_rules_like_an_instructor_and_the_comment_is_for_the_student()
    {
        var (instructor, exercise) = await PublishedAsync();
        using var assistant = await server.AsAsync("assistant");
        using var student = await server.AsAsync("student");
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var note = (string)(await assistant.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["notes"]![0]!["id"]!;
        var path = $"/api/marking/work/{answer.Work}/rulings?finding={Uri.EscapeDataString(note)}";
        await assistant.PutAsync(path, new { decision = "allow", comment = "  As in the lecture. " });
        var ruled = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        var ruling = ruled["rulings"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)ruling["decision"]!).ShouldBe("allow");
        ((string)ruling["comment"]!).Trim().ShouldBe("As in the lecture.");
        (await assistant.CodeOfAsync(HttpMethod.Post, $"/api/marking/exercises/{exercise}/release", new { })).ShouldBe(
            "not-allowed"
        );
    }

    [Fact]
    public async Task A_ruling_on_a_note_that_is_not_there_is_refused()
    {
        var (instructor, exercise) = await PublishedAsync();
        using var student = await server.AsAsync("student");
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var response = await instructor.SendAsync(
            HttpMethod.Put,
            $"/api/marking/work/{answer.Work}/rulings?finding=entity-missing:b99",
            new { decision = "allow" }
        );
        ((int)response.StatusCode).ShouldBeInRange(400, 499);
        (await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["rulings"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task The_desk_shows_codes_and_never_names()
    {
        var (instructor, exercise) = await PublishedAsync();
        using var student = await server.AsAsync("student");
        using var other = await server.AsAsync("student2");
        await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        await Story.StartedAsync(other, exercise);
        var desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        var row = desk["answers"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)row["code"]!).ShouldMatch("^[2-9A-HJ-NP-Z]{4}$");
        desk.ToJsonString().ShouldNotContain("test.invalid");
        var marking = await instructor.GetAsync($"/api/marking/work/{(Guid)row["works"]![0]!["id"]!}");
        marking.ToJsonString().ShouldNotContain("student@");
    }

    [Fact]
    public async Task An_answer_that_is_not_handed_in_cannot_be_marked()
    {
        var (instructor, exercise) = await PublishedAsync();
        using var student = await server.AsAsync("student");
        var answer = await Story.StartedAsync(student, exercise);
        (await instructor.CodeOfAsync(HttpMethod.Get, $"/api/marking/work/{answer.Work}")).ShouldBe("no-such-answer");
        var preview = await instructor.GetAsync($"/api/marking/exercises/{exercise}/release");
        preview["ready"]!.AsArray().ShouldBeEmpty();
        ((int)preview["stillDrawing"]!).ShouldBe(1);
    }

    [Fact]
    public async Task The_same_drawing_gets_the_same_mark()
    {
        var (instructor, exercise) = await PublishedAsync();
        using var one = await server.AsAsync("student");
        using var two = await server.AsAsync("student2");
        var first = await Story.HandedInAsync(server, one, exercise, Story.Faulty);
        var second = await Story.HandedInAsync(server, two, exercise, Story.Faulty);
        var results = new List<JsonNode>();
        foreach (var answer in new[] { first, second })
        {
            results.Add((await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!);
        }

        results[1].ToJsonString().ShouldBe(results[0].ToJsonString());
    }

    [Fact]
    public async Task Identity_and_answers_are_kept_apart_by_more_than_their_order()
    {
        await using var context = server.Database.Open();
        var codes = await context
            .Answers.Select(answer => answer.CandidateCode)
            .ToListAsync(TestContext.Current.CancellationToken);
        codes.ShouldAllBe(code => code.Length == 4);
        (
            await context
                .Answers.Where(answer => answer.HandedInAt != null && answer.Receipt == null)
                .CountAsync(TestContext.Current.CancellationToken)
        ).ShouldBe(0);
    }

    private async Task<(Client Instructor, SetExercise Exercise)> PublishedAsync()
    {
        var instructor = await server.AsAsync("instructor");
        return (instructor, await Story.PublishedAsync(server, instructor));
    }
}
