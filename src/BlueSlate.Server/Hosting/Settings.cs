using System.Globalization;
using System.Net;

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

    /// <summary>How many requests a second one account may go on sending.</summary>
    public int RequestsASecond { get; init; } = 20;

    /// <summary>The folder with the built front end.</summary>
    public required string WebFolder { get; init; }

    /// <summary>Reverse proxies whose forwarded headers are believed: addresses or networks. Nobody else's are.</summary>
    public IReadOnlyList<IPNetwork> Proxies { get; init; } = [];

    /// <summary>The path under which a proxy shows the application, such as <c>/slate</c>; empty at the root.</summary>
    public string PathBase { get; init; } = "";

    /// <summary>Host names that requests may be for.</summary>
    public IReadOnlyList<string> Hosts { get; init; } = ["localhost", "127.0.0.1", "[::1]"];

    /// <summary>
    /// Reads the settings of this process; throws <see cref="SettingException"/> for one that cannot be read.
    /// </summary>
    public static ServerSettings Read(IConfiguration configuration, string[] args) =>
        new()
        {
            Connection = AppConnection(configuration),
            Demo = args.Contains("--demo"),
            Workers = Value(configuration, "BLUESLATE_WORKERS", 2, "a number from 0", text =>
                int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var workers) ? workers : null
            ),
            RequestsASecond = Value(configuration, "BLUESLATE_REQUESTS", 20, "a number from 1", text =>
                int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var requests) && requests > 0
                    ? requests
                    : null
            ),
            WebFolder = configuration["BLUESLATE_WEB"] ?? Path.Combine(AppContext.BaseDirectory, "web"),
            Proxies = [.. ListOf(configuration, "BLUESLATE_PROXIES").Select(ToNetwork)],
            PathBase = ToPathBase(configuration["BLUESLATE_PATH_BASE"] ?? ""),
            Hosts = ListOf(configuration, "BLUESLATE_HOSTS") is { Count: > 0 } hosts
                ? hosts
                : ["localhost", "127.0.0.1", "[::1]"],
        };

    /// <summary>The connection for rows.</summary>
    public static string AppConnection(IConfiguration configuration) =>
        configuration["BLUESLATE_DATABASE"] ?? "Host=127.0.0.1;Database=blueslate;Username=blueslate_app";

    /// <summary>The connection for migrations; the same as for rows where one role does both.</summary>
    public static string OwnerConnection(IConfiguration configuration) =>
        configuration["BLUESLATE_DATABASE_OWNER"] ?? AppConnection(configuration);

    /// <summary>The environment of this process as configuration.</summary>
    public static IConfiguration FromEnvironment() => new ConfigurationBuilder().AddEnvironmentVariables().Build();

    private static T Value<T>(IConfiguration configuration, string name, T otherwise, string wanted, Func<string, T?> read)
        where T : struct =>
        configuration[name] is not { Length: > 0 } text
            ? otherwise
            : read(text) ?? throw new SettingException($"{name} wants {wanted}, not \"{text}\".");

    private static List<string> ListOf(IConfiguration configuration, string name) =>
        [.. (configuration[name] ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)];

    private static IPNetwork ToNetwork(string text) =>
        IPAddress.TryParse(text, out var address) ? new IPNetwork(address, address.GetAddressBytes().Length * 8)
        : IPNetwork.TryParse(text, out var network) ? network
        : throw new SettingException($"BLUESLATE_PROXIES wants addresses or networks with commas between them, not \"{text}\".");

    private static string ToPathBase(string text) =>
        text is "" or "/" ? ""
        : text.StartsWith('/')
        && !text.EndsWith('/')
        && text.All(c => char.IsAsciiLetterOrDigit(c) || c is '/' or '-' or '_' or '.')
            ? text
        : throw new SettingException($"BLUESLATE_PATH_BASE wants a path such as /slate, not \"{text}\".");
}

/// <summary>A setting that cannot be read; the message says which and what it wants.</summary>
public sealed class SettingException(string message) : Exception(message);
