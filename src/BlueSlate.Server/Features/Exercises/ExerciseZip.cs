using System.IO.Compression;
using System.Text;
using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Scenarios;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>What an exercise's folder holds.</summary>
internal sealed record FolderContents(string Title, string Scenario, IReadOnlyList<NewPart> Parts);

/// <summary>What in a folder cannot be used: the file, and why.</summary>
internal sealed class UnfitFolderException(string file, string why) : Exception($"{file}: {why}")
{
    public string File { get; } = file;
}

/// <summary>
/// An exercise as a folder of open files (docs/formats/README.md), packed into one ZIP file: question.json, scenario.md, and for each part
/// model.json, assessment.json and, where somebody changed it, steps.json.
/// </summary>
internal static class ExerciseZip
{
    /// <summary>How large a packed folder may be, in bytes.</summary>
    public const int MostBytes = 2 * DrawingLimits.Bytes;

    private const int MostUnpacked = 4 * DrawingLimits.Bytes;
    private const int LongestTitle = 120;

    private static readonly UTF8Encoding Utf8 = new(encoderShouldEmitUTF8Identifier: false, throwOnInvalidBytes: true);

    /// <summary>Packs a folder. The same exercise gives the same bytes.</summary>
    public static byte[] Pack(FolderContents contents)
    {
        var question = new QuestionDocument { Title = contents.Title, Parts = [.. contents.Parts.Select(part => part.Part)] };
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add(zip, "question.json", JsonSerializer.Serialize(question, Formats.Json));
            Add(zip, "scenario.md", contents.Scenario);
            foreach (var (part, at) in contents.Parts.Select((part, at) => (part, at)))
            {
                Add(zip, Path(question, at, "model.json"), DrawingWriter.WriteText(part.Model));
                Add(zip, Path(question, at, "assessment.json"), JsonSerializer.Serialize(part.Assessment, Formats.Json));
                if (!part.Steps.Steps.IsEmpty)
                {
                    Add(zip, Path(question, at, "steps.json"), JsonSerializer.Serialize(part.Steps, Formats.Json));
                }
            }
        }

        return stream.ToArray();
    }

    /// <summary>Reads a packed folder; throws <see cref="UnfitFolderException"/> that says which file cannot be used and why.</summary>
    public static FolderContents Unpack(Stream packed)
    {
        using var zip = Open(packed);
        var question = ReadJson<QuestionDocument>(zip, "question.json");
        if (question.Title.Trim().Length is 0 or > LongestTitle)
        {
            throw new UnfitFolderException("question.json", $"an exercise has a title of at most {LongestTitle} characters.");
        }

        if (question.Parts.IsDefaultOrEmpty || question.Parts.Length > PartList.Most)
        {
            throw new UnfitFolderException("question.json", $"an exercise has 1 to {PartList.Most} parts.");
        }

        var scenario = Find(zip, "scenario.md") is { } entry ? ReadText(entry) : "";
        if (scenario.Length > ScenarioRenderer.Longest || !ScenarioRenderer.CanRender(scenario))
        {
            throw new UnfitFolderException(
                "scenario.md",
                $"it has more than {ScenarioRenderer.Longest} characters, or lists nested too deep to be shown."
            );
        }

        return new FolderContents(
            question.Title.Trim(),
            scenario,
            [.. question.Parts.Select((part, at) => PartOf(zip, question, part, at))]
        );
    }

    private static NewPart PartOf(ZipArchive zip, QuestionDocument question, PartDocument part, int at)
    {
        if (part.Problems().FirstOrDefault() is { Said: { } unfit })
        {
            throw new UnfitFolderException("question.json", $"part {at + 1}: {unfit}");
        }

        var path = Path(question, at, "model.json");
        var outcome = DrawingReader.Read(ReadText(Find(zip, path) ?? throw new UnfitFolderException(path, "it is missing.")));
        if (outcome.Drawing is null)
        {
            throw new UnfitFolderException(path, $"line {outcome.Problems[0].Line}: {outcome.Problems[0].Message}");
        }

        path = Path(question, at, "assessment.json");
        var assessment = Find(zip, path) is null ? new AssessmentDocument() : ReadJson<AssessmentDocument>(zip, path);
        if (assessment.Problems().FirstOrDefault() is { Said: { } said })
        {
            throw new UnfitFolderException(path, said);
        }

        path = Path(question, at, "steps.json");
        var steps = Find(zip, path) is null ? new StepsDocument() : ReadJson<StepsDocument>(zip, path);
        return steps.Problems().FirstOrDefault() is { } unsaid
            ? throw new UnfitFolderException(path, unsaid)
            : new NewPart(part, outcome.Drawing, assessment.Canonical()) { Steps = steps };
    }

    private static ZipArchive Open(Stream packed)
    {
        try
        {
            return new ZipArchive(packed, ZipArchiveMode.Read);
        }
        catch (InvalidDataException)
        {
            throw new UnfitFolderException("the file", "it is no ZIP file.");
        }
    }

    // Somebody may have packed the folder itself, not what is in it.
    private static ZipArchiveEntry? Find(ZipArchive zip, string path) =>
        zip.GetEntry(path)
        ?? (
            zip.Entries.FirstOrDefault(entry => entry.FullName.EndsWith("/question.json", StringComparison.Ordinal))
                is { } question
                ? zip.GetEntry(question.FullName[..^"question.json".Length] + path)
                : null
        );

    private static T ReadJson<T>(ZipArchive zip, string path)
    {
        var entry = Find(zip, path) ?? throw new UnfitFolderException(path, "it is missing.");
        try
        {
            return JsonSerializer.Deserialize<T>(ReadText(entry), Formats.Json)
                ?? throw new UnfitFolderException(path, "nothing is in it.");
        }
        catch (UnfitValueException error)
        {
            throw new UnfitFolderException(path, error.Message);
        }
        catch (JsonException error)
        {
            throw new UnfitFolderException(path, $"line {error.LineNumber + 1}: this cannot be read.");
        }
    }

    // What an entry says of its size is not believed.
    private static string ReadText(ZipArchiveEntry entry)
    {
        try
        {
            using var stream = entry.Open();
            using var copy = new MemoryStream();
            var buffer = new byte[64 * 1024];
            for (int read; (read = stream.Read(buffer)) > 0; )
            {
                copy.Write(buffer, 0, read);
                if (copy.Length > MostUnpacked)
                {
                    throw new UnfitFolderException(entry.Name, "it is too large.");
                }
            }

            return Utf8.GetString(copy.GetBuffer().AsSpan(0, (int)copy.Length)).TrimStart('\uFEFF');
        }
        catch (Exception error) when (error is InvalidDataException or DecoderFallbackException)
        {
            throw new UnfitFolderException(entry.Name, "it cannot be unpacked, or is not text in UTF-8.");
        }
    }

    private static void Add(ZipArchive zip, string path, string text)
    {
        var entry = zip.CreateEntry(path);
        entry.LastWriteTime = new DateTimeOffset(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);
        using var stream = entry.Open();
        stream.Write(Utf8.GetBytes(text));
    }

    private static string Path(QuestionDocument question, int part, string file) =>
        question.FolderOf("", part) is { Length: > 0 } folder ? $"{folder.TrimStart('/')}/{file}" : file;
}
