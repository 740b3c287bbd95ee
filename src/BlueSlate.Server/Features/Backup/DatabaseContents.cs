using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace BlueSlate.Server.Features.Backup;

/// <summary>What is in a database, by its catalogue. Only one that holds nothing of anybody's may be written over.</summary>
public static class DatabaseContents
{
    // Everything that somebody made: relations, functions, types of their own, and schemas.
    private const string Catalogue = """
        SELECT n.nspname, c.relname, CASE c.relkind WHEN 'S' THEN 'sequence' WHEN 'v' THEN 'view' WHEN 'm' THEN 'view' ELSE 'table' END
        FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
        WHERE c.relkind IN ('r', 'p', 'v', 'm', 'f', 'S') AND n.nspname NOT LIKE 'pg\_%' AND n.nspname <> 'information_schema'
        UNION ALL
        SELECT n.nspname, p.proname, 'function' FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
        WHERE n.nspname NOT LIKE 'pg\_%' AND n.nspname <> 'information_schema'
          AND NOT EXISTS (SELECT 1 FROM pg_depend d WHERE d.objid = p.oid AND d.deptype = 'e')
        UNION ALL
        SELECT n.nspname, t.typname, 'type' FROM pg_type t JOIN pg_namespace n ON n.oid = t.typnamespace
        WHERE t.typtype IN ('e', 'd') AND n.nspname NOT LIKE 'pg\_%' AND n.nspname <> 'information_schema'
        UNION ALL
        SELECT nspname, '', 'schema' FROM pg_namespace WHERE nspname NOT LIKE 'pg\_%' AND nspname NOT IN ('information_schema', 'public')
        ORDER BY 1, 2
        """;

    /// <summary>
    /// A few words on what is there, or null for a database that is empty, or holds our tables and nothing in them.
    /// </summary>
    public static async Task<string?> OfAsync(NpgsqlConnection connection)
    {
        var ours = OurTables();
        var things = new List<(string Schema, string Name, string Kind)>();
        await using (var command = new NpgsqlCommand(Catalogue, connection))
        await using (var reader = await command.ExecuteReaderAsync())
        {
            while (await reader.ReadAsync())
            {
                things.Add((reader.GetString(0), reader.GetString(1), reader.GetString(2)));
            }
        }

        // Sequences of our tables carry their tables' names.
        bool IsOurs((string Schema, string Name, string Kind) thing) =>
            thing.Schema == Migration.JobSchema
            || (
                thing.Schema == "public"
                && (
                    ours.Contains(thing.Name)
                    || (thing.Kind == "sequence" && ours.Any(table => thing.Name.StartsWith(table, StringComparison.Ordinal)))
                )
            );
        var strange = things.Where(thing => !IsOurs(thing)).ToList();
        if (strange.Count > 0)
        {
            var (schema, name, kind) = strange[0];
            return $"there is the {kind} "
                + $"{(name.Length > 0 ? $"{schema}.{name}" : schema)}{(strange.Count > 1 ? $" and {strange.Count - 1} more things" : "")}";
        }

        foreach (
            var table in things
                .Where(thing =>
                    thing.Kind == "table"
                    && thing.Schema == "public"
                    && thing.Name is not ("__EFMigrationsHistory" or "data_protection_keys")
                )
                .Select(thing => thing.Name)
        )
        {
            await using var count = new NpgsqlCommand(
                $"SELECT count(*) FROM public.{new NpgsqlCommandBuilder().QuoteIdentifier(table)}",
                connection
            );
            var rows = (long)(await count.ExecuteScalarAsync())!;
            if (rows > 0)
            {
                return table == "AspNetUsers" ? $"{rows} accounts" : $"{rows} rows in {table}";
            }
        }

        return null;
    }

    private static HashSet<string> OurTables()
    {
        using var database = BlueSlateContextFactory.On("Host=127.0.0.1;Database=design");
        return [.. database.Model.GetEntityTypes().Select(type => type.GetTableName()).OfType<string>(), "__EFMigrationsHistory"];
    }
}
