using System.Net;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Demo;

/// <summary>A person of the demo whom one can be with one click.</summary>
public sealed record DemoPerson(Guid Id, string Name, string Role, string Says);

/// <summary>
/// Signing in to a demo by choosing a person. The routes exist only when the process was started for a demo, listens on
/// loopback alone, and the database carries the mark that seeding an empty one wrote.
/// </summary>
public static class DemoEndpoints
{
    /// <summary>The mark that seeding writes.</summary>
    public const string Mark = "demo";

    /// <summary>Whether the routes may exist in this process.</summary>
    public static bool MayExist(WebApplication app, ServerSettings settings)
    {
        if (
            !settings.Demo
            || !ListensOnLoopback(app.Configuration["urls"] ?? app.Configuration["ASPNETCORE_URLS"] ?? "http://localhost:5000")
        )
        {
            return false;
        }

        using var scope = app.Services.CreateScope();
        return scope.ServiceProvider.GetRequiredService<BlueSlateContext>().Settings.Any(setting => setting.Key == Mark);
    }

    /// <summary>Maps the endpoints.</summary>
    public static void MapDemo(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/demo").WithTags("Demo").ExcludeFromDescription();
        group.AddEndpointFilter(
            async (context, next) =>
                IsForwarded(context.HttpContext)
                    ? Problems.NotFound("no-such-endpoint", "There is nothing at this address.")
                    : await next(context)
        );
        group.MapGet("/people", People).ForAnyone();
        group.MapPost("/people/{id:guid}/session", SignIn).ForAnyone();
    }

    /// <summary>Whether every address of a list is this machine's own.</summary>
    public static bool ListensOnLoopback(string urls) =>
        urls.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .All(url =>
                Uri.TryCreate(url, UriKind.Absolute, out var address)
                && (
                    address.Host == "localhost"
                    || (IPAddress.TryParse(address.Host.Trim('[', ']'), out var ip) && IPAddress.IsLoopback(ip))
                )
            );

    /// <summary>
    /// Whether a request comes from somewhere else. A demo is for whoever sits at this machine: what a proxy passes on does
    /// not, whatever address it comes from.
    /// </summary>
    internal static bool IsForwarded(HttpContext context) =>
        context.Connection.RemoteIpAddress is { } from && !IPAddress.IsLoopback(from)
        || context.Request.Headers.Keys.Any(name =>
            Array.Exists(ForwardingHeaders, start => name.StartsWith(start, StringComparison.OrdinalIgnoreCase))
        );

    private static readonly string[] ForwardingHeaders = ["X-Forwarded-", "X-Original-", "X-Real-IP", "Forwarded", "Via"];

    private static async Task<DemoPerson[]> People(BlueSlateContext database, CancellationToken cancellation)
    {
        var rows = await database.Memberships.AsNoTracking().Include(member => member.Account).ToListAsync(cancellation);
        var answers = await database
            .Answers.AsNoTracking()
            .Select(answer => new { answer.AccountId, HandedIn = answer.HandedInAt != null })
            .ToListAsync(cancellation);
        return
        [
            .. rows.GroupBy(row => row.AccountId)
                .Select(group => (Account: group.First().Account!, Role: group.Max(row => row.Role)))
                .OrderByDescending(person => person.Role)
                .ThenBy(person => person.Account.DisplayName, StringComparer.Ordinal)
                .Select(person => new DemoPerson(
                    person.Account.Id,
                    person.Account.DisplayName,
                    person.Role.ToString().ToLowerInvariant(),
                    Says(person.Account.Id, person.Role)
                )),
        ];

        string Says(Guid id, CohortRole role)
        {
            var own = answers.Where(answer => answer.AccountId == id).ToList();
            return role switch
            {
                CohortRole.Instructor => "sets exercises and releases marks",
                CohortRole.Assistant => "goes through answers",
                _ when own.Count == 0 => "has not started yet",
                _ when own.Any(answer => !answer.HandedIn) => "is half way through a drawing",
                _ => $"has handed in {own.Count(answer => answer.HandedIn)}",
            };
        }
    }

    private static async Task<IResult> SignIn(
        Guid id,
        SignInManager<Account> signIn,
        BlueSlateContext database,
        AuditTrail audit,
        CancellationToken cancellation
    )
    {
        var account = await signIn.UserManager.FindByIdAsync(id.ToString());
        if (account is null)
        {
            return Problems.NotFound("no-such-person", "There is no such person in this demo.");
        }

        await signIn.SignInAsync(account, isPersistent: false);
        audit.AddSignIn(account.Id);
        await database.SaveChangesAsync(cancellation);
        return TypedResults.NoContent();
    }
}
