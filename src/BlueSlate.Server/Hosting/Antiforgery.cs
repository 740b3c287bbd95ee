using Microsoft.AspNetCore.Antiforgery;

namespace BlueSlate.Server.Hosting;

/// <summary>Asks for the antiforgery token on every request that changes something.</summary>
public sealed class Antiforgery(RequestDelegate next, IAntiforgery antiforgery)
{
    /// <summary>The header that carries the token.</summary>
    public const string Header = "X-Blue-Slate-Guard";

    /// <summary>Lets a request pass, or answers with a problem.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        var changes =
            !HttpMethods.IsGet(context.Request.Method)
            && !HttpMethods.IsHead(context.Request.Method)
            && !HttpMethods.IsOptions(context.Request.Method);
        if (changes && context.Request.Path.StartsWithSegments("/api") && !await antiforgery.IsRequestValidAsync(context))
        {
            await Problems
                .Unreadable("stale-page", "This page is out of date. Load it again and repeat what you did.")
                .ExecuteAsync(context);
            return;
        }

        await next(context);
    }
}
