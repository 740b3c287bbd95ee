namespace BlueSlate.Server.Hosting;

/// <summary>What a browser is told never to do with a reply of ours.</summary>
public static class SecurityHeaders
{
    private const string Policy =
        "default-src 'self'; frame-ancestors 'none'; base-uri 'self'; form-action 'self'; object-src 'none'";

    /// <summary>Sets the headers of every reply.</summary>
    public static Task AddAsync(HttpContext context, RequestDelegate next)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        return next(context);
    }

    /// <summary>Allows the style sheets that carry this number, on one page.</summary>
    public static void AllowStyles(HttpContext context, string number) =>
        context.Response.Headers.ContentSecurityPolicy = $"{Policy}; style-src 'self' 'nonce-{number}'";
}
