using System.Text.Json;
using BlueSlate.Bench.Accuracy;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Scenarios;

namespace BlueSlate.Bench;

/// <summary>
/// How many planted defects of the demo's exercises the preflight finds, and how many items it has for the exercises as they
/// are. On cases it prints what it has to say, beside what their authors left open.
/// </summary>
internal static class PreflightBench
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);
    private static readonly ScenarioRenderer Renderer = new();

    /// <summary>Runs it on the demo's exercises and those with a defect each.</summary>
    public static int Run(string demo, string planted, bool show)
    {
        var exercises = Directory.EnumerateDirectories(demo).Order(StringComparer.Ordinal).ToList();
        var clean = exercises.ToDictionary(folder => Path.GetFileName(folder), folder => Look(new Files(folder, [])));
        foreach (var (name, items) in clean)
        {
            foreach (var item in items)
            {
                Console.WriteLine($"{name}: [{item.Kind}] {item.Said}{(item.Better.Length > 0 ? $" → {item.Better}" : "")}");
            }
        }

        var found = 0;
        var defects = JsonSerializer.Deserialize<PlantedDefects>(File.ReadAllBytes(planted), Json)!.Planted;
        foreach (var defect in defects)
        {
            var known = clean[defect.Exercise].Select(item => item.Key).ToHashSet(StringComparer.Ordinal);
            List<PreflightItem> items =
            [
                .. Look(new Files(Path.Combine(demo, defect.Exercise), defect.Changes)).Where(item => !known.Contains(item.Key)),
            ];
            var names = items.Exists(item => Names(item, defect));
            found += names ? 1 : 0;
            if (!names || show)
            {
                Console.WriteLine($"{(names ? "found" : "MISSED")}: {defect.Exercise}: {defect.What} ({defect.Changes[0].New})");
                items.ForEach(item => Console.WriteLine($"    [{item.Kind}] {item.Said} {string.Join(' ', item.Elements)}"));
            }
        }

        Console.WriteLine($"preflight: found {found} of {defects.Length} false {clean.Values.Sum(items => items.Count)}");
        return 0;
    }

    /// <summary>Prints what it has to say of cases.</summary>
    public static int Cases(string folder)
    {
        foreach (var file in CaseFile.ReadFolder(folder))
        {
            var one = PreparedCase.ForPreflight(file);
            Console.WriteLine($"== {file.Id}");
            foreach (var accepted in file.Accept)
            {
                Console.WriteLine($"   open: {accepted.At} {string.Join(", ", accepted.Values)}");
            }

            foreach (var item in Preflight.Of(one))
            {
                Console.WriteLine($"   [{item.Kind}] {item.Said}");
            }
        }

        return 0;
    }

    private static bool Names(PreflightItem item, PlantedDefect defect) =>
        defect.At.Any(element =>
            item.Elements.Any(said => said == element || said.StartsWith($"{element}/", StringComparison.Ordinal))
        )
        || defect.Words.Any(words => item.Places.Any(place => place.Quote.Contains(words, StringComparison.Ordinal)))
        || (defect.About is { } about && item.Kind == about);

    private static List<PreflightItem> Look(Files files)
    {
        var question = JsonSerializer.Deserialize<QuestionDocument>(files.Read("question.json"), Formats.Json)!;
        var prose = Renderer.ToProse(files.Read("scenario.md"));
        return
        [
            .. question.Parts.SelectMany(
                (part, at) => Preflight.Of(CaseOf(part, question.FolderOf("", at).TrimStart('/'), files, prose))
            ),
        ];
    }

    private static PreflightCase CaseOf(PartDocument part, string folder, Files files, ScenarioProse prose)
    {
        var assessment = JsonSerializer.Deserialize<AssessmentDocument>(
            files.Read(Path.Combine(folder, "assessment.json")),
            Formats.Json
        )!;
        var model = Subject.Of(part.Learned).Parse(files.Read(Path.Combine(folder, "model.json")))!;
        return PreflightCase.Of(part, model, assessment, prose);
    }

    /// <summary>The files of an exercise, with the changes of a defect.</summary>
    private sealed class Files(string folder, PlantedChange[] changes)
    {
        public string Read(string file)
        {
            var text = File.ReadAllText(Path.Combine(folder, file));
            foreach (var change in changes.Where(change => change.File == file))
            {
                text = text.Contains(change.Old, StringComparison.Ordinal)
                    ? text.Replace(change.Old, change.New, StringComparison.Ordinal)
                    : throw new InvalidDataException($"{folder}/{file} does not hold “{change.Old}”.");
            }

            return text;
        }
    }

    private sealed record PlantedDefects(PlantedDefect[] Planted);

    private sealed record PlantedDefect(string Exercise, string What, PlantedChange[] Changes)
    {
        public string[] At { get; init; } = [];

        public string[] Words { get; init; } = [];

        public string? About { get; init; }
    }

    private sealed record PlantedChange(string File, string Old, string New);
}
