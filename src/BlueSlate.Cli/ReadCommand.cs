using System.CommandLine;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;

namespace BlueSlate.Cli;

/// <summary>Prints the sentences of a drawing, and the remarks made while reading it.</summary>
internal static class ReadCommand
{
    public static Command Create()
    {
        var file = new Argument<FileInfo>("file") { Description = "A drawing." };
        var level = new Option<Level>("--level") { Description = "conceptual or logical." };
        var notation = new Option<string>("--notation")
        {
            Description = "The notation it is drawn in; crow's foot when none is given.",
            DefaultValueFactory = _ => NotationNames.CrowsFoot,
        };
        notation.AcceptOnlyFromAmong([.. Notation.All.Select(known => known.Name)]);
        var command = new Command("read", "Prints what a drawing says, one statement a line.") { file, level, notation };
        command.SetAction(parsed =>
            Run(
                parsed.GetRequiredValue(file),
                Notation.Of(parsed.GetRequiredValue(notation)).Usual with
                {
                    Level = parsed.GetValue(level),
                }
            )
        );
        return command;
    }

    private static int Run(FileInfo file, NotationOptions options)
    {
        try
        {
            var reading = Notation.Read(DrawingFile.Load(file.FullName), options);
            foreach (var sentence in SentenceWriter.Write(reading))
            {
                Console.Out.WriteLine(
                    sentence.StillOpen is null ? sentence.Text : $"{sentence.Text} Still open: {sentence.StillOpen}"
                );
            }

            foreach (var remark in reading.Remarks)
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
