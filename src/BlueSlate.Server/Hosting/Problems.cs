using System.Diagnostics;
using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;

namespace BlueSlate.Server.Hosting;

/// <summary>
/// Every "no" of the server: problem details with a stable code, a sentence that says what to do, and a correlation id.
/// </summary>
public static class Problems
{
    /// <summary>Adds the correlation id, and a code where a problem has none of its own.</summary>
    public static void Configure(ProblemDetailsOptions options) =>
        options.CustomizeProblemDetails = context =>
        {
            context.ProblemDetails.Extensions["correlation"] = Activity.Current?.TraceId.ToString()
                ?? context.HttpContext.TraceIdentifier;
            context.ProblemDetails.Extensions.TryAdd("code", CodeOf(context.ProblemDetails.Status));
        };

    /// <summary>The request is none: what of it cannot be read, and where.</summary>
    public static ProblemHttpResult NoRequest(int status, string detail, string? place) =>
        Of(status, CodeOf(status), detail, place);

    /// <summary>There is no such thing, or it is none of the caller's business.</summary>
    public static ProblemHttpResult NotFound(string code, string detail) => Of(StatusCodes.Status404NotFound, code, detail);

    /// <summary>The caller's role does not allow it.</summary>
    public static ProblemHttpResult NotAllowed(string detail) => Of(StatusCodes.Status403Forbidden, "not-allowed", detail);

    /// <summary>The request cannot be read.</summary>
    public static ProblemHttpResult Unreadable(string code, string detail, string? place = null) =>
        Of(StatusCodes.Status422UnprocessableEntity, code, detail, place);

    /// <summary>The request does not fit the state of things.</summary>
    public static ProblemHttpResult Conflict(string code, string detail, object? current = null) =>
        Of(StatusCodes.Status409Conflict, code, detail, null, current);

    /// <summary>Others try passwords of the same account at the moment.</summary>
    public static ProblemHttpResult TooManyAttempts() =>
        Of(
            StatusCodes.Status429TooManyRequests,
            "too-many-attempts",
            "Many wrong passwords were just tried for this address. Try again in a second."
        );

    /// <summary>Somebody else has just done it.</summary>
    public static ProblemHttpResult AlreadyDone(string detail) => Conflict("already-done", detail);

    /// <summary>The account has sent too much at once.</summary>
    public static ProblemHttpResult TooMuch() =>
        Of(
            StatusCodes.Status429TooManyRequests,
            "too-much",
            "Your account has sent too much at once. Wait a moment and try again."
        );

    /// <summary>The account has given the machine too much work; it is told how long to wait.</summary>
    public static IResult TooMuchWork(TimeSpan wait) =>
        new Waiting(
            Of(
                StatusCodes.Status429TooManyRequests,
                "too-much-work",
                "Your drawings have kept the server busy for long. Try again in "
                    + $"{Math.Max(1, (int)Math.Ceiling(wait.TotalSeconds))} seconds."
            ),
            Math.Max(1, (int)Math.Ceiling(wait.TotalSeconds))
        );

    private sealed class Waiting(IResult problem, int seconds) : IResult
    {
        public Task ExecuteAsync(HttpContext httpContext)
        {
            httpContext.Response.Headers.RetryAfter = seconds.ToString(CultureInfo.InvariantCulture);
            return problem.ExecuteAsync(httpContext);
        }
    }

    private static string CodeOf(int? status) =>
        status switch
        {
            400 => "bad-request",
            401 => "not-signed-in",
            403 => "not-allowed",
            404 => "not-found",
            405 => "wrong-method",
            413 => "too-large",
            415 => "wrong-media-type",
            _ => "server-error",
        };

    private static ProblemHttpResult Of(int status, string code, string detail, string? place = null, object? current = null)
    {
        var extensions = new Dictionary<string, object?> { ["code"] = code };
        if (place is not null)
        {
            extensions["place"] = place;
        }

        if (current is not null)
        {
            extensions["current"] = current;
        }

        return TypedResults.Problem(detail, statusCode: status, extensions: extensions);
    }
}
