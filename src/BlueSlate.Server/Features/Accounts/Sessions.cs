using System.Collections.Concurrent;
using System.Security.Claims;
using BlueSlate.Data;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace BlueSlate.Server.Features.Accounts;

/// <summary>
/// Whether a session's cookie still counts: its account is there, its password was not renewed since, and nobody has signed out
/// of it. What was found out is believed for a few seconds; what this server itself ends is ended at once.
/// </summary>
public sealed class Sessions(IServiceScopeFactory scopes, IOptions<IdentityOptions> identity, TimeProvider clock)
{
    /// <summary>The claim that tells a person's sessions apart.</summary>
    public const string Claim = "session";

    /// <summary>How long a session lasts without a request.</summary>
    public static TimeSpan Length { get; } = TimeSpan.FromHours(12);

    private const int MostKnown = 20_000;
    private static readonly TimeSpan Believed = TimeSpan.FromSeconds(5);

    private readonly ConcurrentDictionary<Guid, (DateTimeOffset Until, string Stamp)> good = new();

    /// <summary>Gives a session its own number when it begins.</summary>
    public static Task BeginAsync(CookieSigningInContext context)
    {
        if (context.Principal?.Identity is ClaimsIdentity person && !person.HasClaim(claim => claim.Type == Claim))
        {
            person.AddClaim(new Claim(Claim, Guid.NewGuid().ToString()));
        }

        return Task.CompletedTask;
    }

    /// <summary>Lets a request be somebody's, or nobody's.</summary>
    public async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        if (!await IsGoodAsync(context.Principal!, context.HttpContext.RequestAborted))
        {
            context.RejectPrincipal();
            await context.HttpContext.SignOutAsync(IdentityConstants.ApplicationScheme);
        }
    }

    /// <summary>Ends the session of a person.</summary>
    public async Task EndAsync(ClaimsPrincipal person, CancellationToken cancellation)
    {
        if (NumberOf(person) is not { } session)
        {
            return;
        }

        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<BlueSlateContext>();
        var (now, over) = (clock.GetUtcNow(), clock.GetUtcNow() - (Length * 2));
        await database.Database.ExecuteSqlAsync(
            $"INSERT INTO ended_sessions (session_id, at) VALUES ({session}, {now}) ON CONFLICT DO NOTHING",
            cancellation
        );
        await database.EndedSessions.Where(row => row.At < over).ExecuteDeleteAsync(cancellation);
        good.TryRemove(session, out _);
    }

    /// <summary>Forgets what is believed of all sessions: a password was renewed here, or an account erased.</summary>
    public void Forget() => good.Clear();

    private async Task<bool> IsGoodAsync(ClaimsPrincipal person, CancellationToken cancellation)
    {
        if (
            NumberOf(person) is not { } session
            || !Guid.TryParse(person.FindFirstValue(ClaimTypes.NameIdentifier), out var account)
            || person.FindFirstValue(identity.Value.ClaimsIdentity.SecurityStampClaimType) is not { } stamp
        )
        {
            return false;
        }

        var now = clock.GetUtcNow();
        if (good.TryGetValue(session, out var known) && known.Until > now && known.Stamp == stamp)
        {
            return true;
        }

        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<BlueSlateContext>();
        if (
            !await database.Users.AnyAsync(
                row =>
                    row.Id == account
                    && row.SecurityStamp == stamp
                    && !database.EndedSessions.Any(ended => ended.SessionId == session),
                cancellation
            )
        )
        {
            return false;
        }

        if (good.Count >= MostKnown)
        {
            good.Clear();
        }

        good[session] = (now + Believed, stamp);
        return true;
    }

    private static Guid? NumberOf(ClaimsPrincipal person) =>
        Guid.TryParse(person.FindFirstValue(Claim), out var number) ? number : null;
}
