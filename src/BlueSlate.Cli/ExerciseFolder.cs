using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Preparing;
using BlueSlate.Scenarios;

namespace BlueSlate.Cli;

/// <summary>
/// An exercise as a folder: question.json, scenario.md if there is one, and for each part model.json and, if there is one,
/// assessment.json.
/// </summary>
internal sealed class ExerciseFolder
{
    private readonly QuestionDocument question;
    private readonly string told;
    private readonly ImmutableArray<PartFolder> folders;
    private ImmutableArray<Assessor>? parts;

    private ExerciseFolder(QuestionDocument question, string told, ImmutableArray<PartFolder> folders) =>
        (this.question, this.told, this.folders) = (question, told, folders);

    /// <summary>What each part is checked by.</summary>
    public ImmutableArray<Assessor> Parts => parts ??= Assessors();

    /// <summary>The part with whose drawing another one is begun, and what that one inherits from it; null for none.</summary>
    public (int Earlier, FollowingOn Following)? FollowingOf(int part)
    {
        var begin = folders[part].Part.Begin;
        if (begin is not { With: BeginsWith.OwnDrawing, Part: { } number } || number > part)
        {
            return null;
        }

        return (number - 1, new FollowingOn(Parts[part], Parts[number - 1]));
    }

    /// <summary>Each part as it is looked over before anybody sees it.</summary>
    public ImmutableArray<PreflightCase> Cases()
    {
        var prose = new ScenarioRenderer().ToProse(told);
        return [.. folders.Select(folder => folder.Case(prose))];
    }

    /// <summary>Reads it, or throws <see cref="UnreadableException"/>.</summary>
    public static ExerciseFolder Load(DirectoryInfo folder)
    {
        var path = Path.Combine(folder.FullName, "question.json");
        var question = Parse<QuestionDocument>(path);
        if (question.Parts.IsDefaultOrEmpty)
        {
            throw new UnreadableException($"{path}: An exercise has one part at least.");
        }

        return new ExerciseFolder(
            question,
            LoadScenario(Path.Combine(folder.FullName, "scenario.md")),
            [.. question.Parts.Select((part, at) => LoadPart(path, part, question.FolderOf(folder.FullName, at)))]
        );
    }

    /// <summary>Where files of a part lie, below a folder of answers or of results.</summary>
    public string FolderOf(DirectoryInfo folder, int part) => question.FolderOf(folder.FullName, part);

    private ImmutableArray<Assessor> Assessors()
    {
        var scenario = ScenarioRenderer.ToText(told);
        var tables = ScenarioRenderer.ToTables(told);
        return [.. folders.Select(folder => folder.Assessor(scenario, tables))];
    }

    private static string LoadScenario(string path)
    {
        if (!File.Exists(path))
        {
            return "";
        }

        var markdown = Encoding.UTF8.GetString(DrawingFile.Bytes(path));
        return ScenarioRenderer.CanRender(markdown)
            ? markdown
            : throw new UnreadableException(
                $"{path}: This cannot be read as Markdown: lists or quotations are nested too deeply."
            );
    }

    private static PartFolder LoadPart(string questionPath, PartDocument part, string folder)
    {
        if (part.Problems().FirstOrDefault() is { Said: { } senseless })
        {
            throw new UnreadableException($"{questionPath}: {senseless}");
        }

        var model = DrawingFile.Load(Path.Combine(folder, "model.json"));
        var assessmentPath = Path.Combine(folder, "assessment.json");
        var assessment = File.Exists(assessmentPath) ? Parse<AssessmentDocument>(assessmentPath) : new AssessmentDocument();
        return assessment.Problems().FirstOrDefault() is { Said: { } problem }
            ? throw new UnreadableException($"{assessmentPath}: {problem}")
            : new PartFolder(part, model, assessment);
    }

    /// <summary>The files of one part.</summary>
    private sealed record PartFolder(PartDocument Part, Drawing Model, AssessmentDocument Assessment)
    {
        public Assessor Assessor(ScenarioText scenario, ImmutableArray<RowTable> tables) =>
            new(
                Model,
                Part.Learned,
                Assessment.ToTolerances(),
                Assessment.Scheme?.ToScheme()
                    ?? SchemeDeriver.Derive(Subject.Of(Part.Learned).Facts(Model, Part.Learned), Part.Marks),
                Assessment.ToTerms(Part.Learned) with
                {
                    Scenario = scenario,
                    Tables = tables,
                }
            );

        public PreflightCase Case(ScenarioProse prose) => PreflightCase.Of(Part, Model, Assessment, prose);
    }

    private static T Parse<T>(string path)
    {
        try
        {
            return JsonSerializer.Deserialize<T>(DrawingFile.Bytes(path), Formats.Json)
                ?? throw new UnreadableException($"{path}: The file says null.");
        }
        catch (JsonException error)
        {
            throw new UnreadableException(
                $"{path}:{error.LineNumber + 1}: {error.Path ?? "$"}: "
                    + (error is UnfitValueException ? error.Message : $"This cannot be read. {error.Message}"),
                error
            );
        }
    }
}

/// <summary>A file that cannot be read, with the file, the line and the place in the message.</summary>
internal sealed class UnreadableException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>Reads drawings from files.</summary>
internal static class DrawingFile
{
    public static Drawing Load(string path)
    {
        var outcome = DrawingReader.Read(Bytes(path));
        if (outcome.Drawing is { } drawing)
        {
            return drawing;
        }

        var problem = outcome.Problems[0];
        throw new UnreadableException($"{path}:{problem.Line}: {problem.Path}: {problem.Message} [{problem.Key}]");
    }

    public static byte[] Bytes(string path)
    {
        try
        {
            // One byte more than is read, so that the reader sees that there is too much.
            using var stream = File.OpenRead(path);
            var buffer = new byte[Math.Min(stream.Length, DrawingLimits.Bytes + 1L)];
            stream.ReadExactly(buffer);
            return buffer;
        }
        catch (Exception error) when (error is IOException or UnauthorizedAccessException)
        {
            throw new UnreadableException($"{path}: {error.Message}", error);
        }
    }
}
