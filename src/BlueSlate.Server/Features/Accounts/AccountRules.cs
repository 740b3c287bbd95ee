using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace BlueSlate.Server.Features.Accounts;

/// <summary>The rules of accounts, passwords and the session cookie.</summary>
public static class AccountRules
{
    /// <summary>Long passwords instead of odd ones; no lock-out, since a hall of students shares one address.</summary>
    public static void Configure(IdentityOptions options)
    {
        options.Password.RequiredLength = 10;
        options.Password.RequireDigit = false;
        options.Password.RequireLowercase = false;
        options.Password.RequireUppercase = false;
        options.Password.RequireNonAlphanumeric = false;
        options.User.RequireUniqueEmail = true;
    }

    /// <summary>A strict cookie; a request without it gets a problem instead of being sent elsewhere.</summary>
    public static void ConfigureCookie(CookieAuthenticationOptions options)
    {
        options.Cookie.Name = "blueslate-session";
        options.Cookie.SameSite = SameSiteMode.Strict;
        options.Cookie.HttpOnly = true;
        options.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        options.ExpireTimeSpan = Sessions.Length;
        options.SlidingExpiration = true;
        options.Events.OnSigningIn = Sessions.BeginAsync;
        options.Events.OnValidatePrincipal = context =>
            context.HttpContext.RequestServices.GetRequiredService<Sessions>().ValidateAsync(context);
        options.Events.OnRedirectToLogin = context => Answer(context.HttpContext, StatusCodes.Status401Unauthorized);
        options.Events.OnRedirectToAccessDenied = context => Answer(context.HttpContext, StatusCodes.Status403Forbidden);
    }

    private static Task Answer(HttpContext context, int status)
    {
        context.Response.StatusCode = status;
        return Task.CompletedTask;
    }
}
