using BlueSlate.Server.Features.Accounts;
using BlueSlate.Server.Features.Backup;
using BlueSlate.Server.Features.Demo;
using BlueSlate.Server.Hosting;

return args.FirstOrDefault() switch
{
    "migrate" => await Migration.RunAsync(args.ElementAtOrDefault(1)),
    "backup" => await Backup.RunAsync(args.ElementAtOrDefault(1)),
    "restore" => await Backup.RunRestoreAsync(args.ElementAtOrDefault(1)),
    "seed-demo" => await DemoSeed.RunAsync(args.ElementAtOrDefault(1) ?? "demo"),
    "drafting" => await BlueSlate.Drafting.Worker.DraftingLoop.RunAsync(
        Console.OpenStandardInput(),
        Console.OpenStandardOutput()
    ),
    "first-instructor" => await FirstInstructor.PrintLinkAsync(args.ElementAtOrDefault(1) ?? ""),
    _ => await ServeAsync(args),
};

static async Task<int> ServeAsync(string[] args)
{
    try
    {
        await Server.Build(args).RunAsync();
        return 0;
    }
    catch (SettingException error)
    {
        await Console.Error.WriteLineAsync(error.Message);
        return 2;
    }
}

/// <summary>The entry point, named so that tests can start the server.</summary>
public partial class Program;
