using BlueSlate.Server.Hosting;
using Npgsql;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// The cluster that the project makes keeps what it acknowledges, and its roles can do no more than they need.
/// </summary>
public sealed class ClusterTests
{
    [Theory]
    [InlineData("fsync", "on")]
    [InlineData("full_page_writes", "on")]
    [InlineData("synchronous_commit", "on")]
    [InlineData("data_checksums", "on")]
    [InlineData("password_encryption", "scram-sha-256")]
    [InlineData("listen_addresses", "127.0.0.1")]
    public async Task The_cluster_is_set_up_to_last(string setting, string expected) =>
        (await TestDatabase.ScalarAsync(TestDatabase.Super, $"SHOW {setting}")).ShouldBe(expected);

    [Fact]
    public async Task Only_the_three_roles_may_connect()
    {
        var others = await TestDatabase.ScalarAsync(
            TestDatabase.Super,
            "SELECT count(*) FROM pg_hba_file_rules WHERE auth_method <> 'scram-sha-256' OR NOT user_name <@ "
                + "ARRAY['blueslate_super','blueslate_owner','blueslate_app']"
        );
        others.ShouldBe("0");
    }

    [Fact]
    public async Task The_role_for_rows_cannot_change_the_schema()
    {
        await using var database = await TestDatabase.MakeAsync();
        await Should.ThrowAsync<PostgresException>(() =>
            TestDatabase.ScalarAsync(database.App, "CREATE TABLE public.extra (id int)")
        );
        await Should.ThrowAsync<PostgresException>(() => TestDatabase.ScalarAsync(database.App, "DROP TABLE answers"));
    }

    [Fact]
    public async Task Migrating_twice_or_at_once_does_no_harm()
    {
        await using var database = await TestDatabase.MakeAsync(migrate: false);
        var applied = await Task.WhenAll(Enumerable.Range(0, 3).Select(_ => Migration.ApplyAsync(database.Owner, database.App)));
        applied.Count(steps => steps > 0).ShouldBe(1);
    }

    [Fact]
    public async Task Documents_are_kept_with_lz4()
    {
        await using var database = await TestDatabase.MakeAsync();
        (
            await TestDatabase.ScalarAsync(
                database.Owner,
                "SELECT attcompression FROM pg_attribute WHERE attrelid = 'works'::regclass AND attname = 'drawing'"
            )
        ).ShouldBe("l");
    }
}
