using System.CommandLine;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Cli;

/// <summary>Looks an exercise over: what no words decide, rows, marks and time; one line an item.</summary>
internal static class PreflightCommand
{
    public static Command Create()
    {
        var exercise = new Option<DirectoryInfo>("--exercise")
        {
            Required = true,
            Description = "Folder with question.json, scenario.md, model.json and, if there is one, assessment.json.",
        };
        var command = new Command("preflight", "Says what may be amiss with an exercise before anybody sees it.") { exercise };
        command.SetAction(parsed => Run(parsed.GetRequiredValue(exercise)));
        return command;
    }

    private static int Run(DirectoryInfo folder)
    {
        try
        {
            var cases = ExerciseFolder.Load(folder).Cases();
            foreach (var (one, at) in cases.Select((one, at) => (one, at)))
            {
                foreach (var item in Preflight.Of(one))
                {
                    var part = cases.Length > 1 ? $"part {at + 1}: " : "";
                    Console.WriteLine(item.Better.Length > 0 ? $"{part}{item.Said} Better: “{item.Better}”" : part + item.Said);
                }
            }

            return ExitCode.Done;
        }
        catch (UnreadableException error)
        {
            Console.Error.WriteLine($"blueslate: {error.Message}");
            return ExitCode.Usage;
        }
    }
}
