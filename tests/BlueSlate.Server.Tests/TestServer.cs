using BlueSlate.Core.Drawings;
using BlueSlate.Data;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Demo;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;

namespace BlueSlate.Server.Tests;

/// <summary>
/// The real server on a real database, with two cohorts: one of the demo's kind and one of other people, so that tests can
/// see that nobody reaches across.
/// </summary>
public sealed class TestServer : IAsyncLifetime
{
    public const string Password = "a long password";

    private TestDatabase? database;
    private WebApplication? app;

    public TestDatabase Database => database!;

    public WebApplication App => app!;

    public string Address { get; private set; } = "";

    public Guid CohortId { get; private set; }

    public async ValueTask InitializeAsync()
    {
        database = await TestDatabase.MakeAsync();
        await using (var context = database.Open())
        {
            CohortId = await MakeCohortAsync(
                context,
                "Morning course",
                "instructor",
                "assistant",
                "student",
                "student2",
                "student3"
            );
            await MakeCohortAsync(context, "Evening course", "outsider", "outsider-assistant", "outsider-student");
            context.Settings.Add(new Setting { Key = DemoEndpoints.Mark, Value = "test" });
            await context.SaveChangesAsync();
        }

        // Checks run when a test asks for them, and at no other time.
        app = Hosting.Server.Build([
            "--demo",
            "--urls",
            "http://127.0.0.1:0",
            "--BLUESLATE_DATABASE",
            database.App,
            "--BLUESLATE_WORKERS",
            "0",
            "--BLUESLATE_REQUESTS",
            "100000",
        ]);
        await app.StartAsync();
        Address = app
            .Services.GetRequiredService<Microsoft.AspNetCore.Hosting.Server.IServer>()
            .Features.Get<IServerAddressesFeature>()!
            .Addresses.First();
    }

    public async ValueTask DisposeAsync()
    {
        await App.StopAsync();
        await App.DisposeAsync();
        await Database.DisposeAsync();
    }

    /// <summary>A client without a session.</summary>
    public Task<Client> AnonymousAsync() => Client.OpenAsync(Address);

    /// <summary>A client that has signed in.</summary>
    public async Task<Client> AsAsync(string who)
    {
        var client = await AnonymousAsync();
        await client.SignInAsync($"{who}@test.invalid", Password);
        return client;
    }

    /// <summary>Does the background check of work now.</summary>
    public async Task CheckAsync(Guid workId)
    {
        await using var scope = App.Services.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<CheckJob>().RunAsync(workId, CancellationToken.None);
    }

    /// <summary>Looks for checks that were asked for, as a server does that has just started.</summary>
    public Task SweepAsync() =>
        new CheckSweep(
            App.Services.GetRequiredService<IServiceScopeFactory>(),
            TimeProvider.System,
            NullLogger<CheckSweep>.Instance
        ).SweepAsync(CancellationToken.None);

    /// <summary>A model answer with names that occur nowhere else.</summary>
    public static Drawing Model { get; } =
        new Sketch()
            .Box("Zeppelin", "PK hull number", "gasvolume")
            .Box("Mooring", "PK mast code", "o altitude")
            .Line("Zeppelin", Ends.One, "Mooring", Ends.ZeroOrMore, "anchors", "is anchored by")
            .ToDrawing();

    private static async Task<Guid> MakeCohortAsync(BlueSlateContext context, string name, params string[] people)
    {
        var cohort = new Cohort { Id = Guid.CreateVersion7(), Name = name };
        context.Cohorts.Add(cohort);
        foreach (var who in people)
        {
            var address = $"{who}@test.invalid";
            var account = new Account
            {
                Id = Guid.CreateVersion7(),
                DisplayName = who,
                UserName = address,
                NormalizedUserName = address.ToUpperInvariant(),
                Email = address,
                NormalizedEmail = address.ToUpperInvariant(),
                SecurityStamp = who,
            };
            account.PasswordHash = new PasswordHasher<Account>().HashPassword(account, Password);
            context.Users.Add(account);
            var role =
                who.Contains("student") ? CohortRole.Student
                : who.Contains("assistant") ? CohortRole.Assistant
                : CohortRole.Instructor;
            context.Memberships.Add(
                new Membership
                {
                    CohortId = cohort.Id,
                    AccountId = account.Id,
                    Role = role,
                }
            );
        }

        await context.SaveChangesAsync();
        return cohort.Id;
    }
}
