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
    private static readonly (string Table, string Key, string[] Texts)[] Documents =
    [
        ("exercise_documents", "exercise_id::text || '/' || kind", ["text"]),
        ("question_revisions", "id::text", ["scenario", "part"]),
        ("assessment_revisions", "id::text", ["model", "assessment"]),
        ("answers", "id::text", ["drawing"]),
        ("checkpoints", "id::text", ["drawing"]),
        ("released_sheets", "answer_id::text", ["frozen"]),
        ("mark_revisions", "id::text", ["before", "after", "reason", "frozen_before"]),
        ("note_queries", "id::text", ["text", "coalesce(reply, '')"]),
        ("blind_markings", "answer_id::text || '/' || by_id::text", ["marks"]),
        ("set_aside", "id::text", ["text"]),
    ];

    /// <summary>The hashes, ordered by table and id.</summary>
    public static async Task<List<DocumentHash>> ReadAsync(
        NpgsqlConnection connection,
        NpgsqlTransaction? transaction,
        CancellationToken cancellation = default
    )
    {
        var hashes = new List<DocumentHash>();
        foreach (var (table, key, texts) in Documents)
        {
            if (!await ExistsAsync(connection, transaction, table, cancellation))
            {
                continue;
            }

            var whole = string.Join(" || chr(10) || ", texts);
            await using var command = new NpgsqlCommand(
                $"SELECT {key}, encode(sha256(convert_to({whole}, 'UTF8')), 'hex') FROM public.{table} ORDER BY 1",
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
