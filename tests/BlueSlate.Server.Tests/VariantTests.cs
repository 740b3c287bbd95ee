using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// Another drawing is accepted as a model answer: who drew so has full marks, and whose marks change is told before.
/// </summary>
public sealed class VariantTests(TestServer server) : IClassFixture<TestServer>
{
    private static readonly Drawing Other = new Sketch()
        .Box("Zeppelin", "PK hull number", "gasvolume")
        .Box("Hangar", "PK gate code", "doors")
        .Box("Crew", "PK crew code")
        .Line("Hangar", Ends.One, "Zeppelin", Ends.ZeroOrMore, "shelters")
        .Line("Crew", Ends.One, "Zeppelin", Ends.ZeroOrMore, "flies")
        .ToDrawing() with
    {
        Comments = [new Comment("b1", "my own note")],
    };

    [Fact]
    public async Task An_answer_of_another_structure_is_accepted_for_all_after_it_was_told_whose_marks_change()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var student = await server.AsAsync("student");
        var answer = await Story.HandedInAsync(server, student, exercise, Other);
        var before = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        var assessment = (await Story.PartAsync(instructor, exercise))["assessment"]!;
        var value = WithVariant(assessment, "kept in hangars", (string)before["drawing"]!);

        var change = (await instructor.PostAsync($"/api/parts/{exercise.Part}/assessment/preview", new { value }))["changes"]!
            .AsArray()
            .ShouldHaveSingleItem()!;
        ((string)change["after"]!).ShouldBe("20");
        ((string)change["before"]!).ShouldBe((string)before["result"]!["total"]!);

        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = (int)assessment["revision"]!, value }
        );
        var after = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        ((string)after["result"]!["total"]!).ShouldBe("20");
        after["result"]!["notes"]!.AsArray().ShouldBeEmpty();
        ((string)after["modelDrawing"]!).ShouldContain("Hangar");
        (await Story.PartAsync(instructor, exercise))["assessment"]!["value"]!["variants"]![0]!
            .ToJsonString()
            .ShouldNotContain("my own note");
    }

    [Fact]
    public async Task What_is_no_drawing_or_has_no_title_is_refused()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var assessment = (await Story.PartAsync(instructor, exercise))["assessment"]!;
        foreach (
            var value in new[]
            {
                WithVariant(assessment, "broken", "{}"),
                WithVariant(assessment, " ", DrawingWriter.WriteText(Other)),
            }
        )
        {
            (
                await instructor.CodeOfAsync(
                    HttpMethod.Put,
                    $"/api/parts/{exercise.Part}/assessment",
                    new { revision = (int)assessment["revision"]!, value }
                )
            ).ShouldBe("variants");
            (
                await instructor.CodeOfAsync(HttpMethod.Post, $"/api/parts/{exercise.Part}/assessment/preview", new { value })
            ).ShouldBe("variants");
        }
    }

    private static JsonNode WithVariant(JsonNode assessment, string title, string drawing)
    {
        var value = assessment["value"]!.DeepClone();
        value["variants"] = new JsonArray(new JsonObject { ["title"] = title, ["drawing"] = drawing });
        return value;
    }
}
