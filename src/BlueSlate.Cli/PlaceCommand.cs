using System.CommandLine;
using BlueSlate.Core.Drawings;
using BlueSlate.Drafting;

namespace BlueSlate.Cli;

/// <summary>Gives places to a drawing that has none, and prints it.</summary>
internal static class PlaceCommand
{
    public static Command Create()
    {
        var file = new Argument<FileInfo>("file") { Description = "A drawing." };
        var command = new Command("place", "Prints the drawing with a place for every shape.") { file };
        command.SetAction(parsed => Run(parsed.GetRequiredValue(file)));
        return command;
    }

    private static int Run(FileInfo file)
    {
        try
        {
            Console.Out.WriteLine(DrawingWriter.WriteText(Placer.Place(DrawingFile.Load(file.FullName))));
            return ExitCode.Done;
        }
        catch (UnreadableException error)
        {
            Console.Error.WriteLine($"blueslate: {error.Message}");
            return ExitCode.SomeUnread;
        }
    }
}
