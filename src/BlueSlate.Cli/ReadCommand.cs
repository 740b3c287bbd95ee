using System.CommandLine;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;

namespace BlueSlate.Cli;

/// <summary>Prints the sentences of a drawing, and the remarks made while reading it.</summary>
internal static class ReadCommand
{
    public static Command Create()
    {
        var file = new Argument<FileInfo>("file") { Description = "A drawing." };
        var level = new Option<Level>("--level") { Description = "conceptual or logical." };
        var notation = NotationOption.Create();
        var command = new Command("read", "Prints what a drawing says, one statement a line.") { file, level, notation };
        command.SetAction(parsed =>
            Run(parsed.GetRequiredValue(file), NotationOption.Of(parsed.GetRequiredValue(notation), parsed.GetValue(level)))
        );
        return command;
    }

    private static int Run(FileInfo file, WorkOptions options)
    {
        try
        {
            var drawing = DrawingFile.Load(file.FullName);
            foreach (var sentence in Subject.Of(options).Sentences(drawing, options))
            {
                Console.Out.WriteLine(
                    sentence.StillOpen is null ? sentence.Text : $"{sentence.Text} Still open: {sentence.StillOpen}"
                );
            }

            foreach (var remark in options is NotationOptions learned ? Notation.Read(drawing, learned).Remarks : [])
            {
                Console.Error.WriteLine($"blueslate: {remark.ElementId}: drawn {remark.Drawn}, read as {remark.ReadAs}");
            }

            return ExitCode.Done;
        }
        catch (UnreadableException error)
        {
            Console.Error.WriteLine($"blueslate: {error.Message}");
            return ExitCode.SomeUnread;
        }
    }
}
