using BlueSlate.Data;
using BlueSlate.Server.Features.Backup;
using Hangfire.PostgreSql;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace BlueSlate.Server.Hosting;

/// <summary>Brings the database to this version's schema. A step of its own, run by the owning role under a lock.</summary>
public static class Migration
{
    /// <summary>The schema of the background work's own tables.</summary>
    public const string JobSchema = "jobs";

    private const long Lock = 0x426c7565;

    /// <summary>
    /// Migrates; says what it did; gives the process's exit code. Where there is something to be changed and something to be
    /// lost, a backup is written into a folder first, when one is given.
    /// </summary>
    public static async Task<int> RunAsync(string? backups)
    {
        var configuration = ServerSettings.FromEnvironment();
        var owner = ServerSettings.OwnerConnection(configuration);
        try
        {
            if (backups is not null && await BackUpFirstAsync(owner, backups) is { } file)
            {
                Console.WriteLine($"A backup was written before the database is changed: {file}");
            }
        }
        catch (BackupException error)
        {
            await Console.Error.WriteLineAsync(
                $"The database was not changed, since no backup could be written first. {error.Message}"
            );
            return 1;
        }

        var applied = await ApplyAsync(owner, ServerSettings.AppConnection(configuration));
        Console.WriteLine(
            applied == 0 ? "The database is up to date." : $"The database was brought up to date in {applied} steps."
        );
        return 0;
    }

    /// <summary>Writes a backup when steps are waiting and there is something in the database; where it was written.</summary>
    public static async Task<string?> BackUpFirstAsync(string owner, string folder)
    {
        await using var database = BlueSlateContextFactory.On(owner);
        var applied = (await database.Database.GetAppliedMigrationsAsync()).ToList();
        if (applied.Count == 0 || !(await database.Database.GetPendingMigrationsAsync()).Any())
        {
            return null;
        }

        Directory.CreateDirectory(folder);
        var file = Path.Combine(folder, $"before-{DateTime.UtcNow:yyyyMMdd-HHmmss}-from-{applied[^1]}.backup");
        await Backup.WriteAsync(owner, file);
        return file;
    }

    /// <summary>
    /// Migrates by the owner's connection and gives the other connection's role its rights; how many steps were applied.
    /// </summary>
    public static async Task<int> ApplyAsync(string owner, string app)
    {
        await using var connection = new NpgsqlConnection(owner);
        await connection.OpenAsync();
        await ExecuteAsync(connection, $"SELECT pg_advisory_lock({Lock})");
        try
        {
            await using var database = BlueSlateContextFactory.On(owner);
            var pending = (await database.Database.GetPendingMigrationsAsync()).Count();
            await database.Database.MigrateAsync();
            PostgreSqlObjectsInstaller.Install(connection, JobSchema);
            await GrantAsync(
                connection,
                new NpgsqlConnectionStringBuilder(app).Username!,
                new NpgsqlConnectionStringBuilder(owner).Username!
            );
            return pending;
        }
        finally
        {
            await ExecuteAsync(connection, $"SELECT pg_advisory_unlock({Lock})");
        }
    }

    private static async Task GrantAsync(NpgsqlConnection connection, string app, string owner)
    {
        if (app == owner)
        {
            return;
        }

        var role = new NpgsqlCommandBuilder().QuoteIdentifier(app);
        foreach (var schema in new[] { "public", JobSchema })
        {
            await ExecuteAsync(connection, $"GRANT USAGE ON SCHEMA {schema} TO {role}");
            await ExecuteAsync(connection, $"GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA {schema} TO {role}");
            await ExecuteAsync(connection, $"GRANT USAGE ON ALL SEQUENCES IN SCHEMA {schema} TO {role}");
        }
    }

    private static async Task ExecuteAsync(NpgsqlConnection connection, string sql)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }
}
