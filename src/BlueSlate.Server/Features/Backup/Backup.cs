using System.ComponentModel;
using System.Data;
using System.Formats.Tar;
using System.Text.Json;
using BlueSlate.Core.Interchange;
using BlueSlate.Server.Hosting;
using Npgsql;

namespace BlueSlate.Server.Features.Backup;

/// <summary>
/// The first entry of a backup file: what is in it, and a hash of every document. See docs/formats/backup.md.
/// </summary>
public sealed record BackupManifest(
    string Format,
    int Version,
    DateTimeOffset At,
    string Schema,
    IReadOnlyList<DocumentHash> Documents
)
{
    /// <summary>The name of the format.</summary>
    public const string Name = "blue-slate-backup";
}

/// <summary>
/// Backs a database up into one file and restores it. The file is a tar archive of the manifest and of PostgreSQL's own dump,
/// both taken from one snapshot, so that people may go on working meanwhile.
/// </summary>
public static class Backup
{
    private const string ManifestEntry = "manifest.json";
    private const string DumpEntry = "database.dump";

    // The dump makes the schema anew.
    private const string Drop = "DROP SCHEMA IF EXISTS public CASCADE";

    /// <summary>The command <c>backup FILE</c>: says what it wrote; gives the process's exit code.</summary>
    public static Task<int> RunAsync(string? file) =>
        SayingAsync(async () =>
        {
            var manifest = await WriteAsync(Owner(), file ?? throw new BackupException("Say into which file: backup FILE"));
            Console.WriteLine($"{manifest.Documents.Count} documents were written to {file} ({Size(file)}).");
        });

    /// <summary>The command <c>restore FILE</c>: says what it restored; gives the process's exit code.</summary>
    public static Task<int> RunRestoreAsync(string? file) =>
        SayingAsync(async () =>
        {
            var configuration = ServerSettings.FromEnvironment();
            var manifest = await RestoreAsync(
                Owner(),
                ServerSettings.AppConnection(configuration),
                file ?? throw new BackupException("Say from which file: restore FILE")
            );
            Console.WriteLine(
                $"Restored {manifest.Documents.Count} documents of {manifest.At.UtcDateTime:yyyy-MM-dd HH:mm} UTC; every hash agrees."
            );
            foreach (var table in manifest.Documents.CountBy(document => document.Table))
            {
                Console.WriteLine($"  {table.Value, 6} {table.Key.Replace('_', ' ')}");
            }
        });

    /// <summary>Writes a backup; a file that is there already is left alone.</summary>
    public static async Task<BackupManifest> WriteAsync(string owner, string file)
    {
        if (File.Exists(file))
        {
            throw new BackupException($"{file} is there already and was left alone.");
        }

        var (partial, dump) = (file + ".partial", file + ".dump");
        try
        {
            await using var connection = new NpgsqlConnection(owner);
            await connection.OpenAsync();
            await using var transaction = await connection.BeginTransactionAsync(IsolationLevel.RepeatableRead);
            if (!await DocumentHashes.ExistsAsync(connection, transaction, "answers"))
            {
                throw new BackupException("There is nothing in this database to be backed up.");
            }

            var snapshot = await ScalarAsync(connection, transaction, "SELECT pg_export_snapshot()");
            var schema = await ScalarAsync(
                connection,
                transaction,
                """SELECT max(migration_id) FROM public."__EFMigrationsHistory" """
            );
            var manifest = new BackupManifest(
                BackupManifest.Name,
                1,
                DateTimeOffset.UtcNow,
                schema,
                await DocumentHashes.ReadAsync(connection, transaction)
            );
            MakePrivate(dump);
            if (
                await PostgresPrograms.RunAsync(
                    "pg_dump",
                    owner,
                    [
                        "-Fc",
                        "--no-owner",
                        "--no-privileges",
                        "-n",
                        "public",
                        $"--snapshot={snapshot}",
                        "-f",
                        dump,
                        connection.Database,
                    ]
                ) is
                { } complaint
            )
            {
                throw new BackupException(complaint);
            }

            MakePrivate(partial);
            await WriteTarAsync(partial, manifest, dump);
            File.Move(partial, file);
            return manifest;
        }
        finally
        {
            File.Delete(partial);
            File.Delete(dump);
        }
    }

    /// <summary>Restores into an empty database, compares every document's hash, and brings the schema up to date.</summary>
    public static async Task<BackupManifest> RestoreAsync(string owner, string app, string file)
    {
        var dump = Path.GetTempFileName();
        try
        {
            var manifest = await ReadTarAsync(file, dump);
            await using var connection = new NpgsqlConnection(owner);
            await connection.OpenAsync();
            await RefuseUnlessEmptyAsync(connection);
            await ScalarAsync(connection, null, Drop);
            if (
                await PostgresPrograms.RunAsync(
                    "pg_restore",
                    owner,
                    ["--no-owner", "--no-privileges", "--exit-on-error", "--single-transaction", "-d", connection.Database, dump]
                ) is
                { } complaint
            )
            {
                await ClearAsync(connection);
                throw new BackupException($"Nothing was restored. {complaint}");
            }

            var restored = await DocumentHashes.ReadAsync(connection, null);
            if (Difference(manifest.Documents, restored) is { } difference)
            {
                await ClearAsync(connection);
                throw new BackupException($"Nothing was restored: {difference}");
            }

            await Migration.ApplyAsync(owner, app);
            return manifest;
        }
        finally
        {
            File.Delete(dump);
        }
    }

    private static string? Difference(IReadOnlyList<DocumentHash> wanted, IReadOnlyList<DocumentHash> restored)
    {
        var there = restored.ToHashSet();
        var missing = wanted.Where(document => !there.Contains(document)).ToList();
        return missing.Count > 0
                ? $"{missing.Count} documents are not as the backup lists them, the first is {missing[0].Table} {missing[0].Id}."
            : restored.Count != wanted.Count
                ? $"{restored.Count - wanted.Count} documents are in the dump that the backup does not list."
            : null;
    }

    private static async Task RefuseUnlessEmptyAsync(NpgsqlConnection connection)
    {
        var found = await DatabaseContents.OfAsync(connection);
        if (found is not null)
        {
            throw new BackupException($"This database is not empty ({found}); nothing was restored. Restore into an empty one.");
        }
    }

    private static Task ClearAsync(NpgsqlConnection connection) => ScalarAsync(connection, null, $"{Drop}; CREATE SCHEMA public");

    private static async Task WriteTarAsync(string path, BackupManifest manifest, string dump)
    {
        await using var stream = File.OpenWrite(path);
        await using var tar = new TarWriter(stream, TarEntryFormat.Pax);
        await using var text = new MemoryStream(JsonSerializer.SerializeToUtf8Bytes(manifest, Formats.Json));
        await tar.WriteEntryAsync(new PaxTarEntry(TarEntryType.RegularFile, ManifestEntry) { DataStream = text });
        await tar.WriteEntryAsync(dump, DumpEntry);
    }

    private static async Task<BackupManifest> ReadTarAsync(string path, string dump)
    {
        try
        {
            await using var stream = File.OpenRead(path);
            await using var tar = new TarReader(stream);
            var manifest = await tar.GetNextEntryAsync() is { Name: ManifestEntry, DataStream: { } text }
                ? await JsonSerializer.DeserializeAsync<BackupManifest>(text, Formats.Json)
                : null;
            if (
                manifest is not { Format: BackupManifest.Name, Version: 1 }
                || await tar.GetNextEntryAsync() is not { Name: DumpEntry, DataStream: { } data }
            )
            {
                throw new BackupException($"{path} is not a backup of this product that this version reads.");
            }

            await using var target = File.Create(dump);
            await data.CopyToAsync(target);
            return manifest;
        }
        catch (Exception error)
            when (error
                    is InvalidDataException
                        or JsonException
                        or EndOfStreamException
                        or IOException
                        or UnauthorizedAccessException
            )
        {
            throw new BackupException($"{path} cannot be read as a backup: {error.Message}");
        }
    }

    private static void MakePrivate(string path)
    {
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows())
        {
            options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        }

        new FileStream(path, options).Dispose();
    }

    private static async Task<string> ScalarAsync(NpgsqlConnection connection, NpgsqlTransaction? transaction, string sql)
    {
        await using var command = new NpgsqlCommand(sql, connection, transaction);
        return (await command.ExecuteScalarAsync())?.ToString() ?? "";
    }

    private static string Owner() => ServerSettings.OwnerConnection(ServerSettings.FromEnvironment());

    private static string Size(string file) => $"{new FileInfo(file).Length / 1024.0:0} KiB";

    private static async Task<int> SayingAsync(Func<Task> work)
    {
        try
        {
            await work();
            return 0;
        }
        catch (Exception error)
            when (error is BackupException or NpgsqlException or IOException or UnauthorizedAccessException or Win32Exception)
        {
            await Console.Error.WriteLineAsync(error.Message);
            return 1;
        }
    }
}

/// <summary>Why a backup was not written or not restored.</summary>
public sealed class BackupException(string message) : Exception(message);
