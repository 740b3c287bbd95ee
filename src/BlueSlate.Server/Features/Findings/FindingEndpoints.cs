using BlueSlate.Core.Judging;
using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Findings;

/// <summary>One kind of finding, for the page that explains them.</summary>
public sealed record FindingKindReply(string Code, string Title, string Help);

/// <summary>The catalogue of findings.</summary>
public static class FindingEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void MapFindings(this IEndpointRouteBuilder routes) =>
        routes
            .MapGet("/api/findings", () =>
                FindingKind.All.Select(kind => new FindingKindReply(kind.Code, kind.Title, kind.Help)).ToArray()
            )
            .ForSignedIn()
            .WithTags("Findings");
}
