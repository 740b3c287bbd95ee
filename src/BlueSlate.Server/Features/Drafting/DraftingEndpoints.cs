using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Drafting;

/// <summary>How long somebody has to wait for the places or the picture that they asked for.</summary>
public static class DraftingEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void MapDrafting(this IEndpointRouteBuilder routes) =>
        routes
            .MapGet("/api/drafting", (Access access, DraftingPool pool) =>
                new DraftingPlaceReply(pool.Queue.PlaceOf(access.AccountId))
            )
            .ForSignedIn()
            .WithTags("Drafting");
}

/// <summary>How many are before this person's drawing: 0 for the next, null when none of theirs waits.</summary>
public sealed record DraftingPlaceReply(int? Before);
