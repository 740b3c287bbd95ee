using System.CommandLine;
using BlueSlate.Cli;

var root = new RootCommand("Blue Slate from a shell: checks drawings against an exercise, with no database.")
{
    CheckCommand.Create(),
    PreflightCommand.Create(),
    ReadCommand.Create(),
    WriteCommand.Create(),
    PlaceCommand.Create(),
    FindingsCommand.Create(),
    DependenciesCommand.Create(),
};
var result = root.Parse(args);
return result.Errors.Count > 0 && !args.Contains("--help") ? Report(result) : await result.InvokeAsync();

static int Report(ParseResult result)
{
    foreach (var error in result.Errors)
    {
        Console.Error.WriteLine($"blueslate: {error.Message}");
    }

    Console.Error.WriteLine("blueslate: see blueslate --help");
    return ExitCode.Usage;
}
