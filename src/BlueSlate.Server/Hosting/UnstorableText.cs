using Microsoft.AspNetCore.Diagnostics;
using Npgsql;

namespace BlueSlate.Server.Hosting;

/// <summary>Says so when a text holds a character that the database cannot keep, such as U+0000.</summary>
public sealed class UnstorableText : IExceptionHandler
{
    /// <inheritdoc />
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var refused = exception as PostgresException ?? exception.InnerException as PostgresException;
        if (refused?.SqlState is not (PostgresErrorCodes.CharacterNotInRepertoire or PostgresErrorCodes.UntranslatableCharacter))
        {
            return false;
        }

        await Problems
            .Unreadable("unstorable-text", "The text holds a character that cannot be kept. Remove it and save again.")
            .ExecuteAsync(httpContext);
        return true;
    }
}
