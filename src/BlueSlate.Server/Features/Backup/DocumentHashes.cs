using Npgsql;

namespace BlueSlate.Server.Features.Backup;

/// <summary>A document of the database with the SHA-256 hash of its text.</summary>
public sealed record DocumentHash(string Table, string Id, string Hash);

/// <summary>
/// Every document that the database keeps: what people wrote and drew. A backup lists their hashes, and restoring compares them
/// one by one. It reads older schemas too, since a backup is taken before a database is brought up to date.
/// </summary>
public static class DocumentHashes
{
    private static readonly (string Table, string[] Texts)[] Documents =
    [
        ("exercise_documents", ["text"]),
        ("exercise_part_documents", ["text"]),
        ("question_revisions", ["scenario", "part"]),
        ("question_parts", ["document"]),
        ("assessment_revisions", ["model", "assessment"]),
        ("answers", ["drawing"]),
        ("works", ["drawing"]),
        ("checkpoints", ["drawing"]),
        ("released_sheets", ["frozen"]),
        ("mark_revisions", ["before", "after", "reason", "frozen_before"]),
        ("note_queries", ["text", "reply"]),
        ("blind_markings", ["marks"]),
        ("set_aside", ["text"]),
    ];

    /// <summary>The hashes, ordered by table and id.</summary>
    public static async Task<List<DocumentHash>> ReadAsync(
        NpgsqlConnection connection,
        NpgsqlTransaction? transaction,
        CancellationToken cancellation = default
    )
    {
        var hashes = new List<DocumentHash>();
        foreach (var (table, texts) in Documents)
        {
            var (key, columns) = await ColumnsAsync(connection, transaction, table, cancellation);
            var there = texts.Where(columns.Contains).ToList();
            if (there.Count == 0)
            {
                continue;
            }

            var id = string.Join(" || '/' || ", key.Select(column => $"{column}::text"));
            var whole = string.Join(" || chr(10) || ", there.Select(column => $"coalesce({column}, '')"));
            await using var command = new NpgsqlCommand(
                $"SELECT {id}, encode(sha256(convert_to({whole}, 'UTF8')), 'hex') FROM public.{table} ORDER BY 1",
                connection,
                transaction
            );
            await using var reader = await command.ExecuteReaderAsync(cancellation);
            while (await reader.ReadAsync(cancellation))
            {
                hashes.Add(new DocumentHash(table, reader.GetString(0), reader.GetString(1)));
            }
        }

        return hashes;
    }

    // The columns of a table's key, and all its columns; none where there is no such table.
    private static async Task<(List<string> Key, HashSet<string> All)> ColumnsAsync(
        NpgsqlConnection connection,
        NpgsqlTransaction? transaction,
        string table,
        CancellationToken cancellation
    )
    {
        await using var command = new NpgsqlCommand(
            """
            SELECT attribute.attname, array_position(key.indkey::int[], attribute.attnum::int) IS NOT NULL
            FROM pg_attribute AS attribute
            JOIN pg_index AS key ON key.indrelid = attribute.attrelid AND key.indisprimary
            WHERE attribute.attrelid = to_regclass('public.' || quote_ident($1)) AND attribute.attnum > 0 AND NOT attribute.attisdropped
            ORDER BY array_position(key.indkey::int[], attribute.attnum::int), attribute.attnum
            """,
            connection,
            transaction
        )
        {
            Parameters = { new() { Value = table } },
        };
        var (key, all) = (new List<string>(), new HashSet<string>(StringComparer.Ordinal));
        await using var reader = await command.ExecuteReaderAsync(cancellation);
        while (await reader.ReadAsync(cancellation))
        {
            all.Add(reader.GetString(0));
            if (reader.GetBoolean(1))
            {
                key.Add(reader.GetString(0));
            }
        }

        return (key, all);
    }

    /// <summary>Whether a table is there.</summary>
    public static async Task<bool> ExistsAsync(
        NpgsqlConnection connection,
        NpgsqlTransaction? transaction,
        string table,
        CancellationToken cancellation = default
    )
    {
        await using var command = new NpgsqlCommand(
            "SELECT to_regclass('public.' || quote_ident($1)) IS NOT NULL",
            connection,
            transaction
        )
        {
            Parameters = { new() { Value = table } },
        };
        return (bool)(await command.ExecuteScalarAsync(cancellation))!;
    }
}
