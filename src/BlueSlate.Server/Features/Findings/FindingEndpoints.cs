using BlueSlate.Core.Judging;
using BlueSlate.Guide.Examples;
using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Findings;

/// <summary>One kind of finding, for the page that lists them.</summary>
public sealed record FindingKindReply(string Code, string Title, string Help, string Area);

/// <summary>One kind of finding with a drawn example, and its neighbours in the catalogue.</summary>
public sealed record FindingPageReply(
    FindingKindReply Kind,
    ExamplePage Example,
    FindingKindReply? Before,
    FindingKindReply? After
);

/// <summary>The catalogue of findings.</summary>
public static class FindingEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapFindings(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/findings").WithTags("Findings");
        group.MapGet("", List).ForSignedIn();
        group.MapGet("/{code}", Get).ForSignedIn().Produces<FindingPageReply>();
    }

    private static FindingKindReply[] List() => [.. FindingKind.All.Select(Reply)];

    private static async Task<IResult> Get(string code, Access access, ExamplePages examples, CancellationToken cancellation)
    {
        var kinds = FindingKind.All.ToList();
        var at = kinds.FindIndex(kind => kind.Code == code);
        if (at < 0)
        {
            return Problems.NotFound("no-such-kind", "There is no such kind of finding.");
        }

        var (page, refusal) = await examples.OfAsync(kinds[at], access.AccountId, cancellation);
        return page is null
            ? refusal!
            : TypedResults.Ok(
                new FindingPageReply(
                    Reply(kinds[at]),
                    page,
                    at > 0 ? Reply(kinds[at - 1]) : null,
                    at + 1 < kinds.Count ? Reply(kinds[at + 1]) : null
                )
            );
    }

    private static FindingKindReply Reply(FindingKind kind) =>
        new(kind.Code, kind.Title, kind.Help, ExampleArea.TitleOf(kind.Code));
}
