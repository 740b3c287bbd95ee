using BlueSlate.Server.Features.Checking;
using Microsoft.AspNetCore.Diagnostics;

namespace BlueSlate.Server.Hosting;

/// <summary>Says so when a single answer cannot be assessed.</summary>
public sealed class NotAssessed : IExceptionHandler
{
    /// <inheritdoc />
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        if (exception is not NotAssessedException)
        {
            return false;
        }

        await Problems.Conflict("not-assessed", exception.Message).ExecuteAsync(httpContext);
        return true;
    }
}
