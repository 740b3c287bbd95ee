using System.Diagnostics;
using Npgsql;

namespace BlueSlate.Server.Features.Backup;

/// <summary>
/// Runs PostgreSQL's own programs for dumping and restoring; the password goes by their environment, never on a command line.
/// </summary>
internal static class PostgresPrograms
{
    /// <summary>Runs a program on a connection; its complaint, or null when it succeeded.</summary>
    public static async Task<string?> RunAsync(string program, string connection, IEnumerable<string> arguments)
    {
        var settings = new NpgsqlConnectionStringBuilder(connection);
        var start = new ProcessStartInfo(Find(program)) { RedirectStandardError = true, RedirectStandardOutput = true };
        foreach (
            var argument in (string[])
                [
                    "-h",
                    settings.Host ?? "127.0.0.1",
                    "-p",
                    settings.Port.ToString(System.Globalization.CultureInfo.InvariantCulture),
                    "-U",
                    settings.Username ?? "",
                    .. arguments,
                ]
        )
        {
            start.ArgumentList.Add(argument);
        }

        start.Environment["PGPASSWORD"] = settings.Password;
        using var process = Process.Start(start)!;
        var output = process.StandardOutput.ReadToEndAsync();
        var complaint = await process.StandardError.ReadToEndAsync();
        await output;
        await process.WaitForExitAsync();
        return process.ExitCode == 0 ? null : $"{program} ended with {process.ExitCode}: {complaint.Trim()}";
    }

    private static string Find(string program)
    {
        const string debian = "/usr/lib/postgresql";
        var installed = Directory.Exists(debian)
            ? Directory
                .GetDirectories(debian)
                .OrderByDescending(folder =>
                    double.TryParse(Path.GetFileName(folder), System.Globalization.CultureInfo.InvariantCulture, out var version)
                        ? version
                        : 0
                )
                .Select(folder => Path.Combine(folder, "bin", program))
                .FirstOrDefault(File.Exists)
            : null;
        return installed ?? program;
    }
}
