using System.Text.Json;
using BlueSlate.Core.Checking;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core.Tests;

/// <summary>The demo course's drawings, as test material.</summary>
internal static class DemoExercises
{
    public static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "demo");

    public static IEnumerable<(string Name, Drawing Model, Level Level)> Models =>
        [
            ("repair-cafe", Load("repair-cafe/model.json"), Level.Conceptual),
            ("community-radio", Load("community-radio/model.json"), Level.Conceptual),
            ("observatory", Load("observatory/model.json"), Level.Logical),
        ];

    /// <summary>The folders of all exercises.</summary>
    public static IEnumerable<string> Folders =>
        Directory.EnumerateDirectories(Folder).Select(Path.GetFileName).OfType<string>().Order(StringComparer.Ordinal);

    /// <summary>An exercise as it is set, with its own scheme and all that it accepts.</summary>
    public static Assessor AssessorOf(string folder)
    {
        var part = Read<QuestionDocument>(folder, "question.json").Part;
        var assessment = Read<AssessmentDocument>(folder, "assessment.json");
        var (model, options) = (Load($"{folder}/model.json"), part.ToOptions());
        var scheme = assessment.Scheme?.ToScheme()
            ?? SchemeDeriver.Derive(FactList.Of(Notation.Read(model, options), options), part.Marks);
        return new Assessor(model, options, assessment.ToTolerances(), scheme, assessment.ToTerms());
    }

    /// <summary>What the class of an exercise has learned about its notation.</summary>
    public static NotationOptions OptionsOf(string folder) => Read<QuestionDocument>(folder, "question.json").Part.ToOptions();

    public static IEnumerable<Drawing> Answers(string name) =>
        Directory.EnumerateFiles(Path.Combine(Folder, name, "answers"), "*.json").Order(StringComparer.Ordinal).Select(LoadFile);

    public static Drawing Load(string path) => LoadFile(Path.Combine(Folder, path));

    private static T Read<T>(string folder, string file) =>
        JsonSerializer.Deserialize<T>(File.ReadAllText(Path.Combine(Folder, folder, file)), Formats.Json)!;

    private static Drawing LoadFile(string path) => DrawingReader.Read(File.ReadAllBytes(path)).Drawing!;
}
