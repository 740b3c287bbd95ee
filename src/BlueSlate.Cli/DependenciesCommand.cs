using System.CommandLine;
using System.Text.Encodings.Web;
using System.Text.Json;

namespace BlueSlate.Cli;

/// <summary>
/// Prints what follows from given dependencies, or what the rows of a table do not contradict, as one JSON object.
/// </summary>
internal static class DependenciesCommand
{
    private static readonly JsonSerializerOptions Plain = new()
    {
        WriteIndented = true,
        // What is printed is no web page: names stay as they are.
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static Command Create()
    {
        var file = new Argument<FileInfo?>("file")
        {
            Description = "Attributes, dependencies and relations as JSON.",
            Arity = ArgumentArity.ZeroOrOne,
        };
        var rows = new Option<FileInfo?>("--rows") { Description = "A table with rows as CSV, in place of the file." };
        var nulls = new Option<string>("--nulls")
        {
            Description = "apart: an empty cell in a determinant agrees with nothing; equal: with other empty ones.",
            DefaultValueFactory = _ => "apart",
        };
        nulls.AcceptOnlyFromAmong("apart", "equal");
        var explain = new Option<bool>("--explain") { Description = "Adds the proofs." };
        var command = new Command("dependencies", "Prints keys, cover, form and decompositions, or what rows do not contradict.")
        {
            file,
            rows,
            nulls,
            explain,
        };
        command.Validators.Add(result =>
        {
            if (result.GetValue(file) is null == result.GetValue(rows) is null)
            {
                result.AddError("Name either a file of dependencies or, with --rows, a table.");
            }
        });
        command.SetAction(parsed =>
            Run(() =>
                parsed.GetValue(rows) is { } table
                    ? DependencyReport.Of(RowFile.Load(table.FullName), parsed.GetValue(nulls) == "equal")
                    : DependencyReport.Of(DependencyFile.Load(parsed.GetValue(file)!.FullName), parsed.GetValue(explain))
            )
        );
        return command;
    }

    private static int Run(Func<System.Text.Json.Nodes.JsonObject> report)
    {
        try
        {
            Console.Out.WriteLine(report().ToJsonString(Plain));
            return ExitCode.Done;
        }
        catch (UnreadableException error)
        {
            Console.Error.WriteLine($"blueslate: {error.Message}");
            return ExitCode.SomeUnread;
        }
    }
}
