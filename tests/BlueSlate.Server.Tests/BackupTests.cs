using System.IO.Compression;
using System.Text.Json;
using System.Text.Json.Nodes;
using BlueSlate.Core.Interchange;
using BlueSlate.Server.Features.Backup;
using BlueSlate.Server.Hosting;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// What is backed up comes back, document by document; what is old is brought up to date; what is in use is left alone.
/// </summary>
public sealed class BackupTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("backup").FullName;

    private string BackupFile => Path.Combine(folder, "a.backup");

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public async Task What_was_backed_up_is_restored_hash_by_hash()
    {
        await using var full = await OldAsync();
        await Migration.ApplyAsync(full.Owner, full.App);
        var written = await Backup.WriteAsync(full.Owner, BackupFile);
        written.Documents.Count.ShouldBeGreaterThan(40);

        await using var empty = await TestDatabase.MakeAsync();
        var restored = await Backup.RestoreAsync(empty.Owner, empty.App, BackupFile);
        restored.Documents.ShouldBe(written.Documents);
        (await CountAsync(empty, "answers")).ShouldBe(await CountAsync(full, "answers"));
        (await TestDatabase.ScalarAsync(empty.App, "SELECT string_agg(drawing_hash, ',' ORDER BY id) FROM works")).ShouldBe(
            await TestDatabase.ScalarAsync(full.App, "SELECT string_agg(drawing_hash, ',' ORDER BY id) FROM works")
        );
    }

    [Fact]
    public async Task A_database_that_is_not_empty_is_left_alone()
    {
        await using var full = await OldAsync();
        await Backup.WriteAsync(full.Owner, BackupFile);
        var error = await Should.ThrowAsync<BackupException>(() => Backup.RestoreAsync(full.Owner, full.App, BackupFile));
        error.Message.ShouldContain("not empty (20 accounts)");
        (await CountAsync(full, "answers")).ShouldBe("27");
    }

    [Theory]
    [InlineData("CREATE TABLE public.recipes (id int)", "the table public.recipes")]
    [InlineData("CREATE SCHEMA kitchen; CREATE TABLE kitchen.recipes (id int)", "the schema kitchen and 1 more things")]
    [InlineData("CREATE VIEW public.today AS SELECT now() AS at", "the view public.today")]
    [InlineData("CREATE FUNCTION public.one() RETURNS int LANGUAGE sql AS 'SELECT 1'", "the function public.one")]
    [InlineData("CREATE TYPE public.mood AS ENUM ('calm')", "the type public.mood")]
    public async Task Anybody_elses_database_is_left_alone(string theirs, string told)
    {
        await using var full = await OldAsync();
        await Backup.WriteAsync(full.Owner, BackupFile);
        foreach (var migrate in new[] { false, true })
        {
            await using var other = await TestDatabase.MakeAsync(migrate);
            await TestDatabase.ScalarAsync(other.Owner, theirs);
            var before = await TestDatabase.ScalarAsync(other.Owner, "SELECT count(*) FROM pg_class");
            (
                await Should.ThrowAsync<BackupException>(() => Backup.RestoreAsync(other.Owner, other.App, BackupFile))
            ).Message.ShouldContain(told);
            (await TestDatabase.ScalarAsync(other.Owner, "SELECT count(*) FROM pg_class")).ShouldBe(before);
        }
    }

    [Fact]
    public async Task A_document_that_is_not_as_the_backup_lists_it_stops_the_restoring()
    {
        await using var full = await OldAsync();
        await Backup.WriteAsync(full.Owner, BackupFile);
        var bytes = await File.ReadAllBytesAsync(BackupFile);
        var text = System.Text.Encoding.Latin1.GetString(bytes);
        var at = text.IndexOf("\"hash\": \"", StringComparison.Ordinal) + "\"hash\": \"".Length;
        bytes[at] = bytes[at] == (byte)'0' ? (byte)'1' : (byte)'0';
        await File.WriteAllBytesAsync(BackupFile, bytes);

        await using var empty = await TestDatabase.MakeAsync(migrate: false);
        var error = await Should.ThrowAsync<BackupException>(() => Backup.RestoreAsync(empty.Owner, empty.App, BackupFile));
        error.Message.ShouldContain("1 documents are not as the backup lists them");
        (await TestDatabase.ScalarAsync(empty.Owner, "SELECT count(*) FROM pg_tables WHERE schemaname = 'public'")).ShouldBe("0");
    }

    [Fact]
    public async Task A_file_that_is_no_backup_is_refused_and_one_that_is_there_is_not_written_over()
    {
        await using var full = await OldAsync();
        await File.WriteAllTextAsync(BackupFile, "a shopping list");
        (
            await Should.ThrowAsync<BackupException>(() => Backup.RestoreAsync(full.Owner, full.App, BackupFile))
        ).Message.ShouldContain("cannot be read as a backup");
        (await Should.ThrowAsync<BackupException>(() => Backup.WriteAsync(full.Owner, BackupFile))).Message.ShouldContain(
            "left alone"
        );
        (await File.ReadAllTextAsync(BackupFile)).ShouldBe("a shopping list");
    }

    [Fact]
    public async Task Before_an_old_database_is_brought_up_to_date_a_backup_is_written_and_only_then()
    {
        await using var old = await OldAsync();
        var before = await DrawingsAsync(old);
        var file = (await Migration.BackUpFirstAsync(old.Owner, folder)).ShouldNotBeNull();
        (await Migration.ApplyAsync(old.Owner, old.App)).ShouldBeGreaterThan(0);
        (await Migration.BackUpFirstAsync(old.Owner, folder)).ShouldBeNull();
        (await DrawingsAsync(old, "works")).ShouldBe(before);

        await using var empty = await TestDatabase.MakeAsync(migrate: false);
        (await Migration.BackUpFirstAsync(empty.Owner, folder)).ShouldBeNull();
        await Backup.RestoreAsync(empty.Owner, empty.App, file);
        (await DrawingsAsync(empty, "works")).ShouldBe(before);
        await using var context = empty.Open();
        context.AuditEvents.Count().ShouldBe(0);
    }

    /// <summary>Every schema that was released, with what the demo of that release held.</summary>
    public static TheoryData<string> Releases =>
        [
            .. Directory
                .GetFiles(Path.Combine(AppContext.BaseDirectory, "releases"), "*.sql.gz")
                .Select(file => Path.GetFileName(file)!),
        ];

    [Theory]
    [MemberData(nameof(Releases))]
    public async Task A_database_of_every_release_is_brought_up_to_date_and_its_drawings_are_read(string release)
    {
        await using var old = await OldAsync(release);
        var before = await DrawingsAsync(old);
        (await Migration.ApplyAsync(old.Owner, old.App)).ShouldBeGreaterThan(0);
        (await DrawingsAsync(old, "works")).ShouldBe(before);
        await using var context = old.Open();
        foreach (var work in context.Works)
        {
            var drawing = BlueSlate.Core.Drawings.DrawingReader.Read(work.Drawing).Drawing.ShouldNotBeNull();
            BlueSlate.Core.Drawings.DrawingWriter.Hash(drawing).ShouldBe(work.DrawingHash);
        }
    }

    [Theory]
    [MemberData(nameof(Releases))]
    public async Task What_was_asked_in_a_release_is_asked_as_before(string release)
    {
        await using var old = await OldAsync(release);
        var before = await AskedAsync(
            "SELECT json_object_agg(exercise_id, text::json)::text FROM exercise_documents WHERE kind = 'Part'",
            "SELECT json_object_agg(id, part::json)::text FROM question_revisions"
        );
        await Migration.ApplyAsync(old.Owner, old.App);
        var after = await AskedAsync(
            "SELECT json_object_agg(part_id, text::json)::text FROM exercise_part_documents WHERE kind = 'Part'",
            "SELECT json_object_agg(question_revision_id, document::json)::text FROM question_parts"
        );
        after.Select(pair => pair.Key).ShouldBe(before.Select(pair => pair.Key), ignoreOrder: true);
        foreach (var (id, then) in before)
        {
            var now = after[id]!.AsObject();
            var read = JsonSerializer.Deserialize<PartDocument>(now.ToJsonString(), Formats.Json)!;
            read.Problems().ShouldBeEmpty();
            read.Learned.Notation.ShouldBe((string?)then!["notation"] ?? "crows-foot");
            foreach (var (property, value) in now.Where(pair => pair.Key != "learned").Concat(now["learned"]!.AsObject()))
            {
                if (property != "notation")
                {
                    JsonNode.DeepEquals(value, then[property]).ShouldBeTrue($"{id} {property}");
                }
            }

            foreach (var property in new[] { "title", "marks", "minutes", "aids", "showModelAnswer" })
            {
                JsonNode.DeepEquals(now[property], then[property]).ShouldBeTrue($"{id} {property}");
            }
        }

        async Task<Dictionary<string, JsonNode?>> AskedAsync(params string[] questions)
        {
            var asked = new Dictionary<string, JsonNode?>();
            foreach (var question in questions)
            {
                foreach (var (id, part) in JsonNode.Parse((await TestDatabase.ScalarAsync(old.Owner, question))!)!.AsObject())
                {
                    asked[id] = part;
                }
            }

            return asked;
        }
    }

    private static async Task<TestDatabase> OldAsync(string release = "1-first-release.sql.gz")
    {
        var database = await TestDatabase.MakeAsync(migrate: false);
        await using var packed = new GZipStream(
            File.OpenRead(Path.Combine(AppContext.BaseDirectory, "releases", release)),
            CompressionMode.Decompress
        );
        using var reader = new StreamReader(packed);
        // Lines with a backslash are for the dump's own program, not for the server.
        var lines = (await reader.ReadToEndAsync())
            .Split('\n')
            .Where(line => !line.StartsWith('\\') && line != "CREATE SCHEMA public;");
        await TestDatabase.ScalarAsync(database.Owner, string.Join('\n', lines));
        return database;
    }

    [Theory]
    [MemberData(nameof(Releases))]
    public async Task Every_exercise_of_a_release_becomes_one_of_one_part_and_loses_nothing(string release)
    {
        await using var old = await OldAsync(release);
        string[] before =
        [
            "SELECT count(*) || md5(string_agg(exercise_id::text || kind || text, ',' ORDER BY exercise_id, kind)) "
                + "FROM exercise_documents WHERE kind NOT IN ('Scenario', 'Part')",
            "SELECT count(*) || md5(string_agg(id::text || exercise_id || model || assessment, ',' ORDER BY id)) FROM assessment_revisions",
            "SELECT count(*) || md5(string_agg(answer_id::text || frozen, ',' ORDER BY answer_id)) FROM released_sheets",
            "SELECT count(*) || md5(string_agg(answer_id::text || total, ',' ORDER BY answer_id, id)) FROM check_results",
        ];
        string[] after =
        [
            "SELECT count(*) || md5(string_agg(part_id::text || kind || text, ',' ORDER BY part_id, kind)) "
                + "FROM exercise_part_documents WHERE kind NOT IN ('Part', 'Steps')",
            "SELECT count(*) || md5(string_agg(id::text || part_id || model || assessment, ',' ORDER BY id)) FROM assessment_revisions",
            "SELECT count(*) || md5(string_agg(work_id::text || frozen, ',' ORDER BY work_id)) FROM released_sheets",
            "SELECT count(*) || md5(string_agg(work_id::text || total, ',' ORDER BY work_id, id)) FROM check_results",
        ];
        var then = await AllAsync(before);
        await Migration.ApplyAsync(old.Owner, old.App);
        (await AllAsync(after)).ShouldBe(then);
        // How a model answer is built up is as proposed in all of them.
        (
            await TestDatabase.ScalarAsync(
                old.Owner,
                "SELECT count(*) FROM exercise_parts "
                    + "LEFT JOIN exercise_part_documents ON part_id = id AND kind = 'Steps' WHERE text IS NULL"
            )
        ).ShouldBe("0");

        async Task<List<string?>> AllAsync(string[] questions)
        {
            var said = new List<string?>();
            foreach (var question in questions)
            {
                said.Add(await TestDatabase.ScalarAsync(old.Owner, question));
            }

            return said;
        }
    }

    private static Task<string?> CountAsync(TestDatabase database, string table) =>
        TestDatabase.ScalarAsync(database.Owner, $"SELECT count(*) FROM public.{table}");

    private static Task<string?> DrawingsAsync(TestDatabase database, string table = "answers") =>
        TestDatabase.ScalarAsync(
            database.Owner,
            $"SELECT string_agg(id || drawing_hash || drawing, ',' ORDER BY id) FROM public.{table}"
        );
}
