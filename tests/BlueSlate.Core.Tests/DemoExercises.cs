using System.Collections.Immutable;
using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
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

    /// <summary>The folders in which a model answer lies: of exercises with one part, and of the parts of the others.</summary>
    public static IEnumerable<string> Folders =>
        Directory
            .EnumerateFiles(Folder, "model.json", SearchOption.AllDirectories)
            .Select(file => Path.GetRelativePath(Folder, Path.GetDirectoryName(file)!))
            .Order(StringComparer.Ordinal);

    /// <summary>Those in which concepts are drawn.</summary>
    public static IEnumerable<string> FoldersOfConcepts => Folders.Where(folder => OptionsOf(folder) is NotationOptions);

    /// <summary>An exercise as it is set, with its own scheme and all that it accepts.</summary>
    public static Assessor AssessorOf(string folder)
    {
        var part = PartOf(folder);
        var assessment = AssessmentOf(folder);
        var (model, options) = (Load($"{folder}/model.json"), part.Learned);
        var scheme = assessment.Scheme?.ToScheme() ?? SchemeDeriver.Derive(Subject.Of(options).Facts(model, options), part.Marks);
        var told = File.ReadAllText(Path.Combine(Folder, folder.Split('/')[0], "scenario.md"));
        var terms = assessment.ToTerms(options) with { Scenario = new ScenarioText(told), Tables = ProseOf(folder).Tables };
        return new Assessor(model, options, assessment.ToTolerances(), scheme, terms);
    }

    /// <summary>What the class of an exercise has learned about its notation.</summary>
    public static WorkOptions OptionsOf(string folder) => PartOf(folder).Learned;

    public static IEnumerable<Drawing> Answers(string folder)
    {
        var (exercise, part) = (folder.Split('/')[0], folder.Split('/').ElementAtOrDefault(1) ?? "");
        return Directory
            .EnumerateFiles(Path.Combine(Folder, exercise, "answers", part), "*.json")
            .Order(StringComparer.Ordinal)
            .Select(LoadFile);
    }

    /// <summary>The prose of an exercise, a block a paragraph, then those of the cells of its tables.</summary>
    public static ScenarioProse ProseOf(string folder)
    {
        var paragraphs = File.ReadAllText(Path.Combine(Folder, folder.Split('/')[0], "scenario.md"))
            .Split("\n\n", StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var blocks = paragraphs.Where(paragraph => paragraph[0] is not ('|' or '`')).ToList();
        return new ScenarioProse([], [.. paragraphs.Where(paragraph => paragraph[0] == '|').Select(Rows)]) with
        {
            Blocks = [.. blocks],
        };

        RowTable Rows(string table)
        {
            var rows = table.Split('\n').Where((_, i) => i != 1).Select(Cells).ToList();
            return new RowTable(rows[0], [.. rows.Skip(1)]);
        }

        ImmutableArray<RowCell> Cells(string row) => [.. row.Trim().Trim('|').Split('|').Select(Cell)];

        RowCell Cell(string text)
        {
            blocks.Add(text.Trim());
            return new RowCell(text.Trim(), blocks.Count - 1);
        }
    }

    /// <summary>What is accepted besides, and what earns marks.</summary>
    public static AssessmentDocument AssessmentOf(string folder) => Read<AssessmentDocument>(folder, "assessment.json");

    public static PartDocument PartOf(string folder)
    {
        var question = Read<QuestionDocument>(folder.Split('/')[0], "question.json");
        return Enumerable
            .Range(0, question.Parts.Length)
            .Where(at => question.FolderOf(folder.Split('/')[0], at) == folder)
            .Select(at => question.Parts[at])
            .Single();
    }

    public static Drawing Load(string path) => LoadFile(Path.Combine(Folder, path));

    private static T Read<T>(string folder, string file) =>
        JsonSerializer.Deserialize<T>(File.ReadAllText(Path.Combine(Folder, folder, file)), Formats.Json)!;

    private static Drawing LoadFile(string path) => DrawingReader.Read(File.ReadAllBytes(path)).Drawing!;
}
