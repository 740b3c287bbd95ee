using System.Net;
using System.Security.Cryptography;
using System.Text;

namespace BlueSlate.Server.Hosting;

/// <summary>
/// The one page of the front end. Its base is the path under which the application is shown, and it carries a number of its own
/// that the content security policy of this reply allows, for the few style sheets that a component library writes at run time.
/// </summary>
public static class FrontPage
{
    private const string Base = "<base href=\"/\" />";
    private const string Number = "__STYLE_NUMBER__";

    /// <summary>Answers with the page.</summary>
    public static async Task AnswerAsync(HttpContext context, ServerSettings settings)
    {
        var file = Path.Combine(settings.WebFolder, "index.html");
        if (!File.Exists(file))
        {
            context.Response.StatusCode = (int)HttpStatusCode.NotFound;
            await context.Response.WriteAsync("The front end is not built.");
            return;
        }

        var number = Convert.ToBase64String(RandomNumberGenerator.GetBytes(18));
        var page = (await File.ReadAllTextAsync(file, context.RequestAborted))
            .Replace(Base, $"<base href=\"{context.Request.PathBase}/\" />", StringComparison.Ordinal)
            .Replace(Number, number, StringComparison.Ordinal);
        SecurityHeaders.AllowStyles(context, number);
        context.Response.ContentType = "text/html; charset=utf-8";
        context.Response.Headers.CacheControl = "no-store";
        await context.Response.WriteAsync(page, Encoding.UTF8, context.RequestAborted);
    }
}
