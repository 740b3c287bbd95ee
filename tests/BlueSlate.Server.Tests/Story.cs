using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Notations;

namespace BlueSlate.Server.Tests;

/// <summary>The usual way of an exercise, in steps that tests put together.</summary>
internal static class Story
{
    public static async Task<Guid> DraftAsync(TestServer server, Client instructor)
    {
        var id = (Guid)
            (await instructor.PostAsync("/api/exercises", new { title = "Airfield", cohortId = server.CohortId }))["id"]!;
        await instructor.PutAsync($"/api/exercises/{id}/scenario", new { revision = 1, text = "Airships tie up at *masts*." });
        var part = new PartDocument
        {
            Level = Level.Conceptual,
            Marks = 20,
            Minutes = 60,
            Aids = new AidsDocument { Sentences = true },
        };
        await instructor.PutAsync(
            $"/api/exercises/{id}/part",
            new
            {
                revision = 1,
                title = "Airfield",
                value = part,
            }
        );
        await instructor.PutAsync(
            $"/api/exercises/{id}/model",
            new { revision = 1, text = DrawingWriter.WriteText(TestServer.Model) }
        );
        return id;
    }

    public static async Task<Guid> PublishedAsync(TestServer server, Client instructor)
    {
        var id = await DraftAsync(server, instructor);
        var scheme = await instructor.PostAsync($"/api/exercises/{id}/scheme");
        await instructor.PutAsync(
            $"/api/exercises/{id}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        await instructor.PostAsync($"/api/exercises/{id}/publish", new { dueAt = (DateTimeOffset?)null });
        return id;
    }

    public static async Task<Guid> StartedAsync(Client student, Guid exercise) =>
        (Guid)(await student.PostAsync($"/api/study/exercises/{exercise}/answer"))["id"]!;

    public static Task<JsonNode> SaveAsync(Client student, Guid answer, int revision, Drawing drawing) =>
        student.PutAsync($"/api/study/answers/{answer}/drawing", SaveRequest(revision, drawing));

    public static object SaveRequest(int revision, Drawing drawing, Guid? saveId = null) =>
        new
        {
            revision,
            saveId = saveId ?? Guid.NewGuid(),
            drawing = DrawingWriter.WriteText(drawing),
        };

    public static async Task<Guid> HandedInAsync(TestServer server, Client student, Guid exercise, Drawing drawing)
    {
        var answer = await StartedAsync(student, exercise);
        await SaveAsync(student, answer, 1, drawing);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", new { revision = 2 });
        await server.CheckAsync(answer);
        return answer;
    }

    public static Drawing Faulty { get; } =
        new Sketch()
            .Box("Zeppelin", "PK hull number")
            .Box("Mooring", "PK mast code", "o altitude")
            .Line("Zeppelin", Ends.One, "Mooring", Ends.OneOrMore, "anchors", "is anchored by")
            .ToDrawing();
}
