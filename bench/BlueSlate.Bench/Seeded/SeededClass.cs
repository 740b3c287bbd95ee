using System.Globalization;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Bench.Seeded;

/// <summary>
/// A class of any size for an exercise of the demo, as a folder like the demo's own: every answer with faults of its own, one in eight
/// blameless, one in six in words of its own.
/// </summary>
internal static class SeededClass
{
    private const int Blameless = 8;
    private const int OwnWords = 6;

    public static int Write(string demo, string exercise, int answers, string folder)
    {
        var model = DemoModel.ReadAll(demo).Single(one => one.Name == exercise);
        var into = Path.Combine(folder, exercise);
        Directory.CreateDirectory(Path.Combine(into, "answers"));
        foreach (var file in Directory.EnumerateFiles(Path.Combine(demo, exercise)))
        {
            File.Copy(file, Path.Combine(into, Path.GetFileName(file)), overwrite: true);
        }

        var (people, given) = (
            new JsonArray(Person("Ines Okafor", "instructor"), Person("Piet Lindqvist", "assistant")),
            new JsonArray()
        );
        for (var seed = 1; seed <= answers; seed++)
        {
            var random = new Random(seed);
            var drawing = seed % Blameless == 0 ? model.Drawing : SeededBench.Answer(model, random, seed % OwnWords == 0);
            var (who, file) = ($"Student {Letters(seed)}", string.Create(CultureInfo.InvariantCulture, $"{seed:000}.json"));
            File.WriteAllText(Path.Combine(into, "answers", file), DrawingWriter.WriteText(drawing));
            people.Add(Person(who, "student"));
            given.Add(
                new JsonObject
                {
                    ["who"] = who,
                    ["drawing"] = file,
                    ["state"] = "handed-in",
                }
            );
        }

        var course = new JsonObject
        {
            ["cohort"] = "A class",
            ["people"] = people,
            ["exercises"] = new JsonArray(
                new JsonObject
                {
                    ["folder"] = exercise,
                    ["state"] = "closed",
                    ["answers"] = given,
                }
            ),
        };
        File.WriteAllText(Path.Combine(folder, "course.json"), course.ToJsonString());
        return 0;
    }

    // Addresses are made of the letters of a name.
    private static string Letters(int seed) => seed == 0 ? "" : Letters(seed / 26) + (char)('A' + (seed % 26));

    private static JsonObject Person(string name, string role) => new() { ["name"] = name, ["role"] = role };
}
