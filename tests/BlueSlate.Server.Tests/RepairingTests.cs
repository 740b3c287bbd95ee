using System.Collections.Immutable;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>The model answer of a published exercise, repaired while answers are held against it.</summary>
public sealed class RepairingTests(TestServer server) : IClassFixture<TestServer>
{
    // The model answer without its gas volume, and with a pilot.
    // Everything else keeps its id, as it does on a slate.
    private static Drawing Repaired { get; } = RepairedOf(TestServer.Model);

    private static Drawing RepairedOf(Drawing model)
    {
        var sheet = model.Sheets[0];
        var airship = sheet.Shapes[0];
        var pilot = new Sketch().Box("Pilot", "PK badge number").ToDrawing().Sheets[0].Shapes[0];
        var keys = pilot.Compartments.Select(rows => rows.Select(row => row with { Id = "pilot-" + row.Id }).ToImmutableArray());
        return model with
        {
            Sheets =
            [
                sheet with
                {
                    Shapes =
                    [
                        airship with
                        {
                            Compartments =
                            [
                                .. airship.Compartments.Select(rows => rows.RemoveAll(row => row.Text == "gasvolume")),
                            ],
                        },
                        .. sheet.Shapes.Skip(1),
                        pilot with
                        {
                            Id = "pilot",
                            Compartments = [.. keys],
                        },
                    ],
                },
            ],
        };
    }

    private static async Task<JsonNode> AnswersAsync(Client staff, SetExercise exercise) =>
        (await staff.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]!;

    [Fact]
    public async Task What_a_repair_does_to_whom_is_shown_and_then_done()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        using var other = await server.AsAsync("student2");
        var exercise = await Story.PublishedAsync(server, instructor);
        var wrong = await Story.HandedInAsync(server, student, exercise, TestServer.Model);
        var right = await Story.HandedInAsync(server, other, exercise, Repaired);
        var at = $"/api/parts/{exercise.Part}/model/repair";
        var text = DrawingWriter.WriteText(Repaired);
        var told = await instructor.PostAsync($"{at}/preview", new { text });
        told["marks"]!["changes"]!.AsArray().Count.ShouldBe(1);
        told["gone"]!.AsArray().Select(fact => (string)fact!).ShouldContain(fact => fact.Contains("gasvolume"));
        told["unmarked"]!.AsArray().Select(fact => (string)fact!).ShouldContain("Pilot");
        told["added"]!.AsArray().ShouldBeEmpty();

        var revision = (int)(await Story.PartAsync(instructor, exercise))["model"]!["revision"]!;
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                at,
                new
                {
                    revision,
                    text,
                    why = "",
                }
            )
        ).ShouldBe("reason-wanted");
        var blank = DrawingWriter.WriteText(Drawing.Empty);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                at,
                new
                {
                    revision,
                    text = blank,
                    why = "Oh.",
                }
            )
        ).ShouldBe("blank");
        await instructor.PutAsync(
            at,
            new
            {
                revision,
                text,
                why = "The pilot was forgotten.",
            }
        );
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                at,
                new
                {
                    revision,
                    text,
                    why = "Again.",
                }
            )
        ).ShouldBe("conflict");
        await server.CheckAsync(wrong.Work);
        await server.CheckAsync(right.Work);

        // As it was told, and the marks still add up to what the part is worth.
        foreach (var change in told["marks"]!["changes"]!.AsArray())
        {
            var row = (await AnswersAsync(instructor, exercise))
                .AsArray()
                .Single(answer => (string)answer!["code"]! == (string)change!["code"]!)!;
            ((string)row["total"]!).ShouldBe((string)change!["after"]!);
        }

        ((string)(await instructor.GetAsync($"/api/marking/work/{right.Work}"))["result"]!["maximum"]!).ShouldBe("20");
        ((string)(await instructor.GetAsync($"/api/marking/work/{right.Work}"))["result"]!["total"]!).ShouldBe("20");
    }

    [Fact]
    public async Task Released_marks_stay_and_get_a_proposal()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Repaired);
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release", new { });
        var before = (string)(await Story.MarksAsync(student, answer))["result"]!["total"]!;
        var revision = (int)(await Story.PartAsync(instructor, exercise))["model"]!["revision"]!;
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/model/repair",
            new
            {
                revision,
                text = DrawingWriter.WriteText(Repaired),
                why = "The pilot was forgotten.",
            }
        );
        ((string)(await Story.MarksAsync(student, answer))["result"]!["total"]!).ShouldBe(before);
        var proposals = await instructor.GetAsync($"/api/marking/exercises/{exercise}/remarking");
        ((string)proposals["proposals"]![0]!["after"]!).ShouldBe("20");
    }

    [Fact]
    public async Task What_is_not_published_is_written_and_not_repaired()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Post,
                $"/api/parts/{exercise.Part}/model/repair/preview",
                new { text = DrawingWriter.WriteText(Repaired) }
            )
        ).ShouldBe("no-such-part");
    }

    [Fact]
    public async Task An_exercise_that_is_being_written_is_tried_on_earlier_answers_and_changes_nothing_of_theirs()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        using var other = await server.AsAsync("student2");
        var before = await Story.PublishedAsync(server, instructor);
        await Story.HandedInAsync(server, student, before, TestServer.Model);
        var faulty = await Story.HandedInAsync(server, other, before, Story.Faulty);
        var draft = await Story.DraftAsync(server, instructor);
        var at = $"/api/parts/{draft.Part}/earlier";
        (await instructor.CodeOfAsync(HttpMethod.Post, at, new { other = before.Part })).ShouldBe("not-ready");
        var scheme = await instructor.PostAsync($"/api/parts/{draft.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{draft.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        (await instructor.GetAsync(at))["classes"]!.AsArray().Single(one => (Guid)one!["partId"]! == before.Part)!["answers"]!
            .GetValue<int>()
            .ShouldBe(2);
        (await instructor.CodeOfAsync(HttpMethod.Post, at, new { other = Guid.NewGuid() })).ShouldBe("no-such-class");

        // By the same model answer they earn what they earned.
        var tried = await instructor.PostAsync(at, new { other = before.Part });
        tried["answers"]!.AsArray().ShouldAllBe(one => (string)one!["now"]! == (string)one["then"]!);
        tried["differences"]!.AsArray().Count.ShouldBeGreaterThan(0);

        // By another one they do not, and keep what they have.
        var revision = (int)(await Story.PartAsync(instructor, draft))["model"]!["revision"]!;
        await instructor.PutAsync(
            $"/api/parts/{draft.Part}/model",
            new { revision, text = DrawingWriter.WriteText(Story.Faulty) }
        );
        var anew = (await instructor.PostAsync(at, new { other = before.Part }))["answers"]!.AsArray();
        var row = anew.Single(one => (Guid)one!["workId"]! == faulty.Work)!;
        ((string)row["now"]!).ShouldNotBe((string)row["then"]!);
        ((string)(await instructor.GetAsync($"/api/marking/work/{faulty.Work}"))["result"]!["total"]!).ShouldBe(
            (string)row["then"]!
        );
        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Get, at)).ShouldBe("no-such-part");
    }
}
