using System.Text.Json;
using BlueSlate.Core.Interchange;
using Microsoft.AspNetCore.Diagnostics;

namespace BlueSlate.Server.Hosting;

/// <summary>Says what in a request's body cannot be read, and where it stands.</summary>
public sealed class UnreadableBody : IExceptionHandler
{
    /// <inheritdoc />
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        if (exception is not BadHttpRequestException request)
        {
            return false;
        }

        var at = request.InnerException as JsonException;
        // The reader's own words speak of types that nobody outside knows.
        var said = at switch
        {
            UnfitValueException => at.Message,
            { Path: { } path } => $"What was sent cannot be read at {path}.",
            _ when request.StatusCode == StatusCodes.Status413PayloadTooLarge => "What was sent is too large.",
            _ => "What was sent cannot be read.",
        };
        await Problems.NoRequest(request.StatusCode, said, at?.Path).ExecuteAsync(httpContext);
        return true;
    }
}
