using BlueSlate.Data;
using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Health;

/// <summary>Says whether the process runs, and whether it can do its work.</summary>
public static class HealthEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapHealth(this IEndpointRouteBuilder routes)
    {
        routes.MapGet("/health/live", () => TypedResults.Ok("alive")).ForAnyone().ExcludeFromDescription();
        routes
            .MapGet("/health/ready", async (BlueSlateContext database, CancellationToken cancellation) =>
                await database.Database.CanConnectAsync(cancellation)
                    ? Results.Ok("ready")
                    : Results.StatusCode(StatusCodes.Status503ServiceUnavailable)
            )
            .ForAnyone()
            .ExcludeFromDescription();
    }
}
