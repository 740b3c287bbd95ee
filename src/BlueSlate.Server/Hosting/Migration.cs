using BlueSlate.Data;
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

    /// <summary>Migrates; says what it did; gives the process's exit code.</summary>
    public static async Task<int> RunAsync()
    {
        var configuration = ServerSettings.FromEnvironment();
        var applied = await ApplyAsync(ServerSettings.OwnerConnection(configuration), ServerSettings.AppConnection(configuration));
        Console.WriteLine(applied == 0 ? "The database is up to date." : $"The database was brought up to date in {applied} steps.");
        return 0;
    }

    /// <summary>Migrates by the owner's connection and gives the other connection's role its rights; how many steps were applied.</summary>
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
            await GrantAsync(connection, new NpgsqlConnectionStringBuilder(app).Username!, new NpgsqlConnectionStringBuilder(owner).Username!);
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
