using System.CommandLine;
using BlueSlate.Guide;

namespace BlueSlate.Cli;

/// <summary>Prints the guide to all kinds of findings, which is kept in docs/findings.md.</summary>
internal static class FindingsCommand
{
    public static Command Create()
    {
        var command = new Command("findings", "Prints the guide to all kinds of findings, in Markdown.");
        command.SetAction(_ => Console.Out.Write(FindingsGuide.Write()));
        return command;
    }
}
