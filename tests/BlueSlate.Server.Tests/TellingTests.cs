using System.Text.Json.Nodes;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// A student's replies hold what the exercise lets them be told, before release and after, with each setting, the export
/// included.
/// </summary>
public sealed class TellingTests(TestServer server) : IClassFixture<TestServer>
{
    // What a student may never have: what the model answer says fact by fact, and what the scheme and the phrases are tied to.
    private static readonly string[] Never =
    [
        "verdicts",
        "facts",
        "factIds",
        "tolerances",
        "assessment",
        "scheme",
        "questionRevision",
        "assessmentRevision",
    ];

    // What only shows where the model answer does.
    private static readonly string[] OfModel = ["modelDrawing", "modelElements", "counterparts", "modelSentences", "modelWords"];

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task Every_reply_of_a_student_holds_only_what_may_be_told(bool showModel)
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync(showModel ? "student2" : "student3");
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
                    showModelAnswer = showModel,
                },
            }
        );
        await Story.PublishAsync(instructor, exercise);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);

        await WalkAsync(student, exercise, answer, released: false, showModel);
        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        await WalkAsync(student, exercise, answer, released: true, showModel);
    }

    private static async Task WalkAsync(Client student, SetExercise exercise, SatAnswer answer, bool released, bool showModel)
    {
        List<string> paths =
        [
            "/api/session",
            "/api/session/data",
            "/api/study/exercises",
            $"/api/study/exercises/{exercise}",
            $"/api/study/answers/{answer}",
            $"/api/study/work/{answer.Work}/earlier",
            $"/api/study/answers/{answer}/wording",
        ];
        if (released)
        {
            paths.Add($"/api/study/answers/{answer}/marks");
        }

        var steps = $"/api/study/work/{answer.Work}/steps";
        if (released && showModel)
        {
            (await student.GetAsync(steps))["steps"]!.AsArray().ShouldNotBeEmpty();
        }
        else
        {
            (await student.CodeOfAsync(HttpMethod.Get, steps)).ShouldBe("not-shown");
        }

        foreach (var path in paths)
        {
            var reply = await student.GetAsync(path);
            // The data of one's own holds other exercises too: only this one's is looked at.
            var part =
                path == "/api/session/data"
                    ? reply["answers"]!
                        .AsArray()
                        .Single(one =>
                            (string)one!["exercise"]! == "Airfield"
                            && ((string)one["parts"]![0]!["drawing"]!).Contains("Zeppelin", StringComparison.Ordinal)
                            && one["parts"]![0]!["marks"] is null == !released
                        )!
                    : reply;
            Check(part, path, released && showModel);
            if (!released)
            {
                // The one name of the model answer that this student never wrote.
                part.ToJsonString().ShouldNotContain("gasvolume", Case.Insensitive, path);
            }
        }
    }

    private static void Check(JsonNode? node, string path, bool withModel)
    {
        switch (node)
        {
            case JsonObject group:
                foreach (var (name, value) in group)
                {
                    Never.ShouldNotContain(name, path);
                    if (OfModel.Contains(name) && !withModel)
                    {
                        (value is null or JsonArray { Count: 0 } or JsonObject { Count: 0 }).ShouldBeTrue($"{path}: {name}");
                    }

                    Check(value, path, withModel);
                }

                break;
            case JsonArray list:
                foreach (var item in list)
                {
                    Check(item, path, withModel);
                }

                break;
            default:
                break;
        }
    }
}
