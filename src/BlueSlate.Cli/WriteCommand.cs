using System.CommandLine;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Drafting;

namespace BlueSlate.Cli;

/// <summary>Draws what statements say, and prints the drawing.</summary>
internal static class WriteCommand
{
    public static Command Create()
    {
        var file = new Argument<FileInfo>("file") { Description = "Statements, one a line." };
        var level = new Option<Level>("--level") { Description = "conceptual or logical." };
        var notation = NotationOption.Create();
        var into = new Option<FileInfo>("--into")
        {
            Description = "A drawing that is to say them; what it says already stays where it is.",
        };
        var command = new Command("write", "Prints a drawing that says these statements.") { file, into, level, notation };
        command.SetAction(parsed =>
            Run(
                parsed.GetRequiredValue(file),
                parsed.GetValue(into),
                NotationOption.Of(parsed.GetRequiredValue(notation), parsed.GetValue(level))
            )
        );
        return command;
    }

    private static int Run(FileInfo file, FileInfo? into, WorkOptions options)
    {
        try
        {
            var before = into is null ? Drawing.Empty : DrawingFile.Load(into.FullName);
            var lines = File.ReadAllLines(file.FullName);
            var typed = Subject.Of(options).Retype(before, lines, options)!;
            foreach (var problem in typed.Problems)
            {
                Console.Error.WriteLine($"blueslate: {file.Name}, line {problem.Line + 1}: {problem.Problem.Message}");
            }

            Console.Out.WriteLine(DrawingWriter.WriteText(Placer.PlaceNew((Drawing)typed.Document)));
            return typed.Problems.IsEmpty ? ExitCode.Done : ExitCode.SomeUnread;
        }
        catch (Exception error) when (error is UnreadableException or IOException or UnauthorizedAccessException)
        {
            Console.Error.WriteLine($"blueslate: {error.Message}");
            return ExitCode.SomeUnread;
        }
    }
}
