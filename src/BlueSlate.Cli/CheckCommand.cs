using System.Collections.Concurrent;
using System.CommandLine;
using System.Globalization;
using System.Text.Json;
using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
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
            Description = "Folder with question.json, model.json and, if there is one, assessment.json.",
        };
        var answers = new Option<DirectoryInfo>("--answers")
        {
            Required = true,
            Description = "Folder with the drawings, one .json file an answer.",
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
        Assessor assessor;
        List<string> files;
        try
        {
            assessor = ExerciseFolder.Load(exercise);
            files = [.. Directory.EnumerateFiles(answers.FullName, "*.json").Order(StringComparer.Ordinal)];
            output.Create();
        }
        catch (Exception error) when (error is UnreadableException or IOException or UnauthorizedAccessException)
        {
            Console.Error.WriteLine($"blueslate: {error.Message}");
            return ExitCode.Usage;
        }

        var rows = new ConcurrentDictionary<string, MarkRow>(StringComparer.Ordinal);
        using var progress = new Progress(files.Count);
        try
        {
            Parallel.ForEach(files, new ParallelOptions { CancellationToken = cancellation }, file =>
            {
                rows[file] = CheckOne(assessor, file, output.FullName, progress);
                progress.Step();
            });
        }
        catch (OperationCanceledException)
        {
            return ExitCode.Stopped;
        }

        WriteMarks(Path.Combine(output.FullName, "marks.csv"), files.Select(file => rows[file]));
        var unread = rows.Values.Count(row => row.Problem.Length > 0);
        progress.Finish($"{files.Count - unread} checked, {unread} could not be read or assessed.");
        return unread == 0 ? ExitCode.Done : ExitCode.SomeUnread;
    }

    private static MarkRow CheckOne(Assessor assessor, string file, string output, Progress progress)
    {
        var name = Path.GetFileNameWithoutExtension(file);
        try
        {
            var drawing = DrawingFile.Load(file);
            var result = ResultDocument.Of(assessor.Assess(drawing, []), DrawingWriter.Hash(drawing));
            File.WriteAllBytes(
                Path.Combine(output, name + ".result.json"),
                JsonSerializer.SerializeToUtf8Bytes(result, Formats.Compact)
            );
            return new MarkRow(
                name,
                ((double)result.Total).ToString(CultureInfo.InvariantCulture),
                ((double)result.Maximum).ToString(CultureInfo.InvariantCulture),
                result.Notes.Length,
                ""
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

    private static void WriteMarks(string path, IEnumerable<MarkRow> rows)
    {
        var configuration = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            InjectionOptions = InjectionOptions.Escape,
            NewLine = "\n",
        };
        using var writer = new StreamWriter(path);
        using var csv = new CsvWriter(writer, configuration);
        csv.WriteRecords(rows);
    }

    private sealed record MarkRow(string Answer, string Marks, string Maximum, int Notes, string Problem);
}
