using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Cohorts;
using BlueSlate.Server.Features.Demo;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Accounts;

/// <summary>Who is signed in, and the token that requests which change something carry.</summary>
public sealed record SessionReply(string Guard, PersonReply? Person, bool Demo);

/// <summary>The person who is signed in.</summary>
public sealed record PersonReply(Guid Id, string Name, string Email, bool IsStudent, bool IsStaff, bool IsInstructor);

/// <summary>Signs in.</summary>
public sealed record SignInRequest(string Email, string Password);

/// <summary>Chooses a password by a link that works once.</summary>
public sealed record WelcomeRequest(Guid Person, string Token, string Password);

/// <summary>Makes the first instructor's account by a one-time link.</summary>
public sealed record FirstInstructorRequest(string Token, string Name, string Email, string Password, string Cohort);

/// <summary>Signing in and out.</summary>
public static class AccountEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapAccounts(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/session").WithTags("Accounts");
        group.MapGet("", GetSession).ForAnyone();
        group.MapPost("", SignIn).ForAnyone().Produces(StatusCodes.Status204NoContent);
        group.MapDelete("", SignOut).ForSignedIn().Produces(StatusCodes.Status204NoContent);
        group.MapPost("/welcome", Welcome).ForAnyone().Produces(StatusCodes.Status204NoContent);
        group.MapGet("/data", OwnData).ForSignedIn();
        routes
            .MapPost("/api/first-instructor", MakeFirstInstructor)
            .ForAnyone()
            .Produces(StatusCodes.Status204NoContent)
            .WithTags("Accounts");
    }

    private static async Task<SessionReply> GetSession(
        HttpContext context,
        IAntiforgery antiforgery,
        BlueSlateContext database,
        ServerSettings settings,
        CancellationToken cancellation
    )
    {
        var guard = antiforgery.GetAndStoreTokens(context).RequestToken!;
        context.Response.Headers.CacheControl = "no-store";
        var demo = settings.Demo && !DemoEndpoints.IsForwarded(context);
        if (context.User.Identity?.IsAuthenticated != true)
        {
            return new SessionReply(guard, null, demo);
        }

        var id = context.RequestServices.GetRequiredService<Access>().AccountId;
        var person = await database
            .Users.Where(account => account.Id == id)
            .Select(account => new
            {
                account.Id,
                account.DisplayName,
                account.Email,
            })
            .FirstOrDefaultAsync(cancellation);
        var roles = await database
            .Memberships.Where(member => member.AccountId == id)
            .Select(member => member.Role)
            .Distinct()
            .ToListAsync(cancellation);
        return new SessionReply(
            guard,
            person is null
                ? null
                : new PersonReply(
                    person.Id,
                    person.DisplayName,
                    person.Email ?? "",
                    roles.Contains(CohortRole.Student),
                    roles.Any(role => role != CohortRole.Student),
                    roles.Contains(CohortRole.Instructor)
                ),
            demo
        );
    }

    private static async Task<IResult> SignIn(
        SignInRequest request,
        HttpContext context,
        SignInManager<Account> signIn,
        UserManager<Account> accounts,
        BlueSlateContext database,
        AuditTrail audit,
        SignInGate gate,
        CancellationToken cancellation
    )
    {
        var email = request.Email.Trim();
        using var turn = gate.Enter(email, context.Connection.RemoteIpAddress?.ToString() ?? "");
        if (!await turn.ComesAsync(cancellation))
        {
            return Problems.TooManyAttempts();
        }

        var account = await accounts.FindByEmailAsync(email);
        var result = account is null
            ? SignInResult.Failed
            : await signIn.PasswordSignInAsync(account, request.Password, isPersistent: false, lockoutOnFailure: false);
        await turn.EndsAsync(result.Succeeded, cancellation);
        if (result.Succeeded)
        {
            audit.AddSignIn(account!.Id);
            await database.SaveChangesAsync(cancellation);
        }

        return result.Succeeded
            ? TypedResults.NoContent()
            : Problems.Unreadable("wrong-password", "This address and password do not belong together.");
    }

    private static async Task<IResult> Welcome(
        WelcomeRequest request,
        HttpContext context,
        SignInManager<Account> signIn,
        BlueSlateContext database,
        AuditTrail audit,
        CancellationToken cancellation
    )
    {
        var account = await signIn.UserManager.FindByIdAsync(request.Person.ToString());
        var result = account is null
            ? IdentityResult.Failed(new IdentityErrorDescriber().InvalidToken())
            : await signIn.UserManager.ResetPasswordAsync(account, request.Token, request.Password);
        if (result.Errors.FirstOrDefault() is { } error)
        {
            return error.Code == nameof(IdentityErrorDescriber.InvalidToken)
                ? Problems.Unreadable(
                    "stale-link",
                    "This link is not valid, or it was used before. Ask your instructor for a new one."
                )
                : Problems.Unreadable("password", error.Description, "password");
        }

        context.RequestServices.GetRequiredService<Sessions>().Forget();
        await signIn.SignInAsync(account!, isPersistent: false);
        audit.AddSignIn(account!.Id);
        await database.SaveChangesAsync(cancellation);
        return TypedResults.NoContent();
    }

    private static async Task<PersonFile> OwnData(Access access, PersonExport export, CancellationToken cancellation) =>
        await export.OfAsync(access.AccountId, null, cancellation);

    private static async Task<IResult> SignOut(
        HttpContext context,
        SignInManager<Account> signIn,
        Sessions sessions,
        CancellationToken cancellation
    )
    {
        await sessions.EndAsync(context.User, cancellation);
        await signIn.SignOutAsync();
        return TypedResults.NoContent();
    }

    private static async Task<IResult> MakeFirstInstructor(
        FirstInstructorRequest request,
        FirstInstructor first,
        SignInManager<Account> signIn,
        CancellationToken cancellation
    )
    {
        var (account, problem) = await first.CreateAsync(request, cancellation);
        if (account is null)
        {
            return Problems.Unreadable("first-instructor", problem);
        }

        await signIn.SignInAsync(account, isPersistent: false);
        return TypedResults.NoContent();
    }
}
