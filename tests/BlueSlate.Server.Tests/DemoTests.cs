using System.Net;
using BlueSlate.Data;
using BlueSlate.Server.Features.Demo;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>The demo: its page exists only where it may, and its course goes only into an empty database.</summary>
public sealed class DemoTests
{
    private static string Folder => Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "demo");

    [Fact]
    public async Task The_course_fills_an_empty_database()
    {
        await using var database = await TestDatabase.MakeAsync();
        await using var context = database.Open();
        var seed = new DemoSeed(context, Folder, TimeProvider.System);
        await seed.FillAsync();
        await seed.ReleaseAsync();
        (await context.Exercises.CountAsync(TestContext.Current.CancellationToken)).ShouldBe(15);
        (await context.Works.CountAsync(TestContext.Current.CancellationToken)).ShouldBeGreaterThan(
            await context.Answers.CountAsync(TestContext.Current.CancellationToken)
        );
        (await context.Answers.CountAsync(TestContext.Current.CancellationToken)).ShouldBeGreaterThanOrEqualTo(40);
        (
            await context.Answers.CountAsync(answer => answer.HandedInAt == null, TestContext.Current.CancellationToken)
        ).ShouldBeGreaterThan(0);
        (await context.ReleasedSheets.CountAsync(TestContext.Current.CancellationToken)).ShouldBeGreaterThan(0);
    }

    [Fact]
    public async Task Seeding_refuses_a_database_with_accounts()
    {
        await using var database = await TestDatabase.MakeAsync();
        await using (var context = database.Open())
        {
            context.Users.Add(
                new Account
                {
                    Id = Guid.NewGuid(),
                    DisplayName = "Somebody",
                    UserName = "s",
                    Email = "s@test.invalid",
                }
            );
            await context.SaveChangesAsync(TestContext.Current.CancellationToken);
        }

        (await DemoSeed.RunAsync(Folder, database.App)).ShouldBe(1);
        await using var after = database.Open();
        (await after.Settings.AnyAsync(TestContext.Current.CancellationToken)).ShouldBeFalse();
    }

    [Theory]
    [InlineData(true, true, HttpStatusCode.OK)]
    [InlineData(true, false, HttpStatusCode.NotFound)]
    [InlineData(false, true, HttpStatusCode.NotFound)]
    public async Task The_route_exists_only_with_switch_and_mark(bool marked, bool asked, HttpStatusCode expected)
    {
        await using var database = await TestDatabase.MakeAsync();
        if (marked)
        {
            await using var context = database.Open();
            context.Settings.Add(new Setting { Key = DemoEndpoints.Mark, Value = "test" });
            await context.SaveChangesAsync(TestContext.Current.CancellationToken);
        }

        List<string> arguments = ["--urls", "http://127.0.0.1:0", "--BLUESLATE_DATABASE", database.App];
        await using var app = Hosting.Server.Build([.. asked ? arguments.Append("--demo") : arguments]);
        await app.StartAsync(TestContext.Current.CancellationToken);
        var address = app
            .Services.GetRequiredService<Microsoft.AspNetCore.Hosting.Server.IServer>()
            .Features.Get<IServerAddressesFeature>()!
            .Addresses.First();
        using var http = new HttpClient();
        (await http.GetAsync(new Uri(address + "/api/demo/people"), TestContext.Current.CancellationToken)).StatusCode.ShouldBe(
            expected
        );
        await app.StopAsync(TestContext.Current.CancellationToken);
    }

    [Theory]
    [InlineData("http://127.0.0.1:5000", true)]
    [InlineData("http://localhost:5000;http://[::1]:5001", true)]
    [InlineData("http://0.0.0.0:5000", false)]
    [InlineData("http://127.0.0.1:5000;http://10.1.2.3:80", false)]
    [InlineData("http://*:5000", false)]
    public void Only_loopback_counts_as_loopback(string urls, bool expected) =>
        DemoEndpoints.ListensOnLoopback(urls).ShouldBe(expected);
}
