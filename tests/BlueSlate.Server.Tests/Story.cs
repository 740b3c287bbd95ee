using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;

namespace BlueSlate.Server.Tests;

/// <summary>An exercise with its first part; written, and compared, as the exercise's id.</summary>
internal readonly record struct SetExercise(Guid Id, Guid Part)
{
    public override string ToString() => Id.ToString();

    public static implicit operator Guid(SetExercise exercise) => exercise.Id;
}

/// <summary>An answer with the work on its first part; written, and compared, as the answer's id.</summary>
internal readonly record struct SatAnswer(Guid Id, Guid Work)
{
    public override string ToString() => Id.ToString();

    public static implicit operator Guid(SatAnswer answer) => answer.Id;
}

/// <summary>The usual way of an exercise, in steps that tests put together.</summary>
internal static class Story
{
    public static async Task<SetExercise> MadeAsync(TestServer server, Client instructor, string title = "Airfield") =>
        await FindAsync(
            instructor,
            (Guid)(await instructor.PostAsync("/api/exercises", new { title, cohortId = server.CohortId }))["id"]!
        );

    public static async Task<SetExercise> FindAsync(Client staff, Guid exercise) =>
        new(exercise, (Guid)(await staff.GetAsync($"/api/exercises/{exercise}"))["parts"]![0]!["id"]!);

    /// <summary>The first part of an exercise as it stands, with its documents.</summary>
    public static async Task<JsonNode> PartAsync(Client staff, SetExercise exercise) =>
        (await staff.GetAsync($"/api/exercises/{exercise}"))["parts"]![0]!;

    /// <summary>The released marks of the first part.</summary>
    public static async Task<JsonNode> MarksAsync(Client student, SatAnswer answer) =>
        (await student.GetAsync($"/api/study/answers/{answer}/marks"))["parts"]![0]!;

    public static async Task<SetExercise> DraftAsync(TestServer server, Client instructor)
    {
        var id = await MadeAsync(server, instructor);
        await instructor.PutAsync($"/api/exercises/{id}/scenario", new { revision = 1, text = "Airships tie up at *masts*." });
        var part = new PartDocument
        {
            Marks = 20,
            Minutes = 60,
            Aids = new AidsDocument { Sentences = true },
        };
        await instructor.PutAsync($"/api/parts/{id.Part}", new { revision = 1, value = part });
        await instructor.PutAsync(
            $"/api/parts/{id.Part}/model",
            new { revision = 1, text = DrawingWriter.WriteText(TestServer.Model) }
        );
        return id;
    }

    public static async Task<SetExercise> PublishedAsync(TestServer server, Client instructor)
    {
        var id = await DraftAsync(server, instructor);
        await PublishAsync(instructor, id);
        return id;
    }

    /// <summary>Publishes an exercise of one part as it is written, with the scheme that is derived.</summary>
    public static async Task PublishAsync(Client instructor, SetExercise exercise)
    {
        var scheme = await instructor.PostAsync($"/api/parts/{exercise.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        await instructor.PostAsync($"/api/exercises/{exercise}/publish", new { });
    }

    public static async Task<SatAnswer> StartedAsync(Client student, Guid exercise) =>
        await FindAnswerAsync(student, (Guid)(await student.PostAsync($"/api/study/exercises/{exercise}/answer"))["id"]!);

    public static async Task<SatAnswer> FindAnswerAsync(Client student, Guid answer) =>
        new(answer, (Guid)(await student.GetAsync($"/api/study/answers/{answer}"))["works"]![0]!["id"]!);

    /// <summary>An exercise as it stands on the student's first page.</summary>
    public static async Task<JsonNode> ListedAsync(Client student, Guid exercise) =>
        (await student.GetAsync("/api/study/exercises")).AsArray().First(row => (Guid)row!["id"]! == exercise)!;

    /// <summary>The student's newest attempt at an exercise, as it stands there.</summary>
    public static async Task<JsonNode> AttemptAsync(Client student, Guid exercise) =>
        (await ListedAsync(student, exercise))["answers"]!.AsArray()[^1]!;

    public static object HandIn(SatAnswer answer, int revision) => new { works = new[] { new { id = answer.Work, revision } } };

    public static Task<JsonNode> SaveAsync(Client student, SatAnswer answer, int revision, Drawing drawing) =>
        student.PutAsync($"/api/study/work/{answer.Work}/drawing", SaveRequest(revision, drawing));

    public static object SaveRequest(int revision, Drawing drawing, Guid? saveId = null) =>
        new
        {
            revision,
            saveId = saveId ?? Guid.NewGuid(),
            drawing = DrawingWriter.WriteText(drawing),
        };

    public static async Task<SatAnswer> HandedInAsync(TestServer server, Client student, Guid exercise, Drawing drawing)
    {
        var answer = await StartedAsync(student, exercise);
        await SaveAsync(student, answer, 1, drawing);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", HandIn(answer, 2));
        await server.CheckAsync(answer.Work);
        return answer;
    }

    public static Drawing Faulty { get; } =
        new Sketch()
            .Box("Zeppelin", "PK hull number")
            .Box("Mooring", "PK mast code", "o altitude")
            .Line("Zeppelin", Ends.One, "Mooring", Ends.OneOrMore, "anchors", "is anchored by")
            .ToDrawing();
}
