using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.CommandLine;
using System.Globalization;
using System.Text.Json;
using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using CsvHelper;
using CsvHelper.Configuration;

namespace BlueSlate.Cli;

/// <summary>Checks a folder of drawings against an exercise: a result file for each, and one table of marks.</summary>
internal static class CheckCommand
{
    public static Command Create()
    {
        var exercise = new Option<DirectoryInfo>("--exercise")
        {
            Required = true,
            Description =
                "Folder with question.json, scenario.md, model.json and, if there is one, assessment.json "
                + "(in part-1, part-2 and so on where there are several parts).",
        };
        var answers = new Option<DirectoryInfo>("--answers")
        {
            Required = true,
            Description =
                "Folder with the drawings, one .json file an answer "
                + "(in part-1, part-2 and so on where there are several parts).",
        };
        var output = new Option<DirectoryInfo>("--out")
        {
            Required = true,
            Description = "Folder for the results; made when missing.",
        };
        var command = new Command("check", "Checks and marks a folder of drawings.") { exercise, answers, output };
        command.SetAction(
            (parsed, cancellation) =>
                Task.FromResult(
                    Run(
                        parsed.GetRequiredValue(exercise),
                        parsed.GetRequiredValue(answers),
                        parsed.GetRequiredValue(output),
                        cancellation
                    )
                )
        );
        return command;
    }

    private static int Run(DirectoryInfo exercise, DirectoryInfo answers, DirectoryInfo output, CancellationToken cancellation)
    {
        ExerciseFolder loaded;
        List<(int Part, string File)> files;
        try
        {
            loaded = ExerciseFolder.Load(exercise);
            files =
            [
                .. Enumerable.Range(0, loaded.Parts.Length).SelectMany(part => FilesOf(loaded.FolderOf(answers, part), part)),
            ];
            output.Create();
            for (var part = 0; part < loaded.Parts.Length; part++)
            {
                Directory.CreateDirectory(loaded.FolderOf(output, part));
            }
        }
        catch (Exception error) when (error is UnreadableException or IOException or UnauthorizedAccessException)
        {
            Console.Error.WriteLine($"blueslate: {error.Message}");
            return ExitCode.Usage;
        }

        var following = Enumerable.Range(0, loaded.Parts.Length).Select(loaded.FollowingOf).ToArray();
        var rows = new ConcurrentDictionary<string, MarkRow>(StringComparer.Ordinal);
        using var progress = new Progress(files.Count);
        try
        {
            Parallel.ForEach(files, new ParallelOptions { CancellationToken = cancellation }, entry =>
            {
                var inherits = following[entry.Part] is var (earlier, part)
                    ? new Inherits(part, Path.Combine(loaded.FolderOf(answers, earlier), Path.GetFileName(entry.File)))
                    : null;
                rows[entry.File] = CheckOne(
                    loaded.Parts[entry.Part],
                    inherits,
                    entry.File,
                    loaded.FolderOf(output, entry.Part),
                    progress
                );
                progress.Step();
            });
        }
        catch (OperationCanceledException)
        {
            return ExitCode.Stopped;
        }

        foreach (var part in files.GroupBy(entry => entry.Part))
        {
            WriteMarks(loaded.FolderOf(output, part.Key), part.Select(entry => rows[entry.File]));
        }

        if (loaded.Parts.Length > 1)
        {
            WriteMarks(output.FullName, InAll(files.Select(entry => rows[entry.File]), loaded.Parts.Length));
        }

        var unread = rows.Values.Count(row => row.Problem.Length > 0);
        progress.Finish($"{files.Count - unread} checked, {unread} could not be read or assessed.");
        return unread == 0 ? ExitCode.Done : ExitCode.SomeUnread;
    }

    private static IEnumerable<(int Part, string File)> FilesOf(string folder, int part) =>
        Directory.EnumerateFiles(folder, "*.json").Order(StringComparer.Ordinal).Select(file => (part, file));

    // The parts of an answer together; no total where one of them is missing or could not be read.
    private static IEnumerable<MarkRow> InAll(IEnumerable<MarkRow> rows, int parts) =>
        rows.GroupBy(row => row.Answer, StringComparer.Ordinal)
            .OrderBy(answer => answer.Key, StringComparer.Ordinal)
            .Select(answer =>
            {
                var whole = answer.Count() == parts && answer.All(row => row.Problem.Length == 0);
                return new MarkRow(
                    answer.Key,
                    whole ? Sum(answer.Select(row => row.Marks)) : "",
                    whole ? Sum(answer.Select(row => row.Maximum)) : "",
                    answer.Sum(row => row.Notes),
                    string.Join("; ", answer.Select(row => row.Problem).Where(problem => problem.Length > 0)),
                    whole ? Sum(answer.Select(row => row.Lowest)) : "",
                    whole ? Sum(answer.Select(row => row.Highest)) : ""
                );
            });

    private static string Text(Rational? marks) => marks is { } some ? ((double)some).ToString(CultureInfo.InvariantCulture) : "";

    private static string Sum(IEnumerable<string> marks) =>
        marks.Sum(text => double.Parse(text, CultureInfo.InvariantCulture)).ToString(CultureInfo.InvariantCulture);

    private static MarkRow CheckOne(Assessor assessor, Inherits? inherits, string file, string output, Progress progress)
    {
        var name = Path.GetFileNameWithoutExtension(file);
        try
        {
            var drawing = DrawingFile.Load(file);
            var assessment = assessor.Assess(drawing, []);
            if (inherits is not null && File.Exists(inherits.Earlier))
            {
                var earlier = DrawingFile.Load(inherits.Earlier);
                assessment = inherits.Part.Inherited(assessment, earlier, ImmutableDictionary<string, string>.Empty);
            }

            var result = ResultDocument.Of(assessment, DrawingWriter.Hash(drawing));
            File.WriteAllBytes(
                Path.Combine(output, name + ".result.json"),
                JsonSerializer.SerializeToUtf8Bytes(result, Formats.Compact)
            );
            return new MarkRow(
                name,
                Text(result.Total),
                Text(result.Maximum),
                result.Notes.Length,
                "",
                Text(result.Lowest),
                Text(result.Highest)
            );
        }
        catch (Exception error) when (error is UnreadableException or IOException)
        {
            progress.Report(error.Message);
            return new MarkRow(name, "", "", 0, error.Message);
        }
        catch (Exception error) when (error is not OperationCanceledException)
        {
            // Whatever is wrong with one answer, or with the core, the others are checked.
            var problem = $"{file} could not be assessed: {error.GetType().Name}: {error.Message}";
            progress.Report(problem);
            return new MarkRow(name, "", "", 0, problem);
        }
    }

    private static void WriteMarks(string folder, IEnumerable<MarkRow> rows)
    {
        var configuration = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            InjectionOptions = InjectionOptions.Escape,
            NewLine = "\n",
        };
        using var writer = new StreamWriter(Path.Combine(folder, "marks.csv"));
        using var csv = new CsvWriter(writer, configuration);
        csv.WriteRecords(rows);
    }

    // What a part inherits, and the file with the same answer to the earlier part.
    private sealed record Inherits(FollowingOn Part, string Earlier);

    private sealed record MarkRow(
        string Answer,
        string Marks,
        string Maximum,
        int Notes,
        string Problem,
        string Lowest = "",
        string Highest = ""
    );
}
