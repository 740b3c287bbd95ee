using BlueSlate.Server.Features.Accounts;
using BlueSlate.Server.Features.Demo;
using BlueSlate.Server.Hosting;

return args.FirstOrDefault() switch
{
    "migrate" => await Migration.RunAsync(),
    "seed-demo" => await DemoSeed.RunAsync(args.ElementAtOrDefault(1) ?? "demo"),
    "first-instructor" => await FirstInstructor.PrintLinkAsync(args.ElementAtOrDefault(1) ?? ""),
    _ => await ServeAsync(args),
};

static async Task<int> ServeAsync(string[] args)
{
    var app = Server.Build(args);
    await app.RunAsync();
    return 0;
}

/// <summary>The entry point, named so that tests can start the server.</summary>
public partial class Program;
