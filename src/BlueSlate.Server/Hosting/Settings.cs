using System.Globalization;

namespace BlueSlate.Server.Hosting;

/// <summary>What the process is told from outside: environment variables and switches.</summary>
public sealed record ServerSettings
{
    /// <summary>Connection of the role that works with rows.</summary>
    public required string Connection { get; init; }

    /// <summary>True when started with <c>--demo</c>.</summary>
    public bool Demo { get; init; }

    /// <summary>How many background checks run at once in this process; 0 leaves them to other processes.</summary>
    public int Workers { get; init; } = 2;

    /// <summary>The folder with the built front end.</summary>
    public required string WebFolder { get; init; }

    /// <summary>Reads the settings of this process.</summary>
    public static ServerSettings Read(IConfiguration configuration, string[] args) => new()
    {
        Connection = AppConnection(configuration),
        Demo = args.Contains("--demo"),
        Workers = int.TryParse(configuration["BLUESLATE_WORKERS"], NumberStyles.None, CultureInfo.InvariantCulture, out var workers) ? workers : 2,
        WebFolder = configuration["BLUESLATE_WEB"] ?? Path.Combine(AppContext.BaseDirectory, "web"),
    };

    /// <summary>The connection for rows.</summary>
    public static string AppConnection(IConfiguration configuration) =>
        configuration["BLUESLATE_DATABASE"] ?? "Host=127.0.0.1;Database=blueslate;Username=blueslate_app";

    /// <summary>The connection for migrations; the same as for rows where one role does both.</summary>
    public static string OwnerConnection(IConfiguration configuration) =>
        configuration["BLUESLATE_DATABASE_OWNER"] ?? AppConnection(configuration);

    /// <summary>The environment of this process as configuration.</summary>
    public static IConfiguration FromEnvironment() => new ConfigurationBuilder().AddEnvironmentVariables().Build();
}
