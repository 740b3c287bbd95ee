using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Npgsql;

namespace BlueSlate.Server.Tests;

/// <summary>A migrated database of its own on the cluster that ./test starts; dropped at the end.</summary>
public sealed class TestDatabase : IAsyncDisposable
{
    private TestDatabase(string name) => Name = name;

    /// <summary>The superuser's connection to the cluster under test.</summary>
    public static string Super { get; } =
        Environment.GetEnvironmentVariable("BLUESLATE_TEST_SUPER")
        ?? throw new InvalidOperationException("These tests want a PostgreSQL cluster: run ./test");

    public string Name { get; }

    /// <summary>The owner's connection, for migrations.</summary>
    public string Owner => On("BLUESLATE_TEST_OWNER");

    /// <summary>The connection of the role that works with rows.</summary>
    public string App => On("BLUESLATE_TEST_APP");

    public static async Task<TestDatabase> MakeAsync(bool migrate = true)
    {
        var database = new TestDatabase("test_" + Guid.NewGuid().ToString("N"));
        await ExecuteAsync(Super, $"CREATE DATABASE {database.Name} OWNER blueslate_owner");
        if (migrate)
        {
            await Migration.ApplyAsync(database.Owner, database.App);
        }

        return database;
    }

    public BlueSlateContext Open() => BlueSlateContextFactory.On(App);

    public async ValueTask DisposeAsync()
    {
        NpgsqlConnection.ClearAllPools();
        await ExecuteAsync(Super, $"DROP DATABASE {Name} WITH (FORCE)");
    }

    public static async Task<string?> ScalarAsync(string connection, string sql)
    {
        await using var open = new NpgsqlConnection(connection);
        await open.OpenAsync();
        await using var command = new NpgsqlCommand(sql, open);
        return (await command.ExecuteScalarAsync())?.ToString();
    }

    private static async Task ExecuteAsync(string connection, string sql) => await ScalarAsync(connection, sql);

    private string On(string variable) =>
        new NpgsqlConnectionStringBuilder(Environment.GetEnvironmentVariable(variable)) { Database = Name }.ConnectionString;
}
