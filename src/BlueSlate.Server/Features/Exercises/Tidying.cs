using BlueSlate.Drafting.Worker;
using BlueSlate.Server.Features.Drafting;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Asks for places: of the shapes named, or of all when none is.</summary>
public sealed record TidyRequest(string Drawing, string[] Only)
{
    /// <summary>The new places, or why there are none.</summary>
    internal async Task<IResult> AnswerAsync(Guid person, DraftingPool pool, CancellationToken cancellation)
    {
        var (drawing, unreadable) = DrawingInput.Read(Drawing);
        if (drawing is null)
        {
            return unreadable!;
        }

        var (reply, refusal) = await pool.DoAsync(
            person,
            new DraftRequest(DraftKind.Tidy, Drawing) { Only = Only },
            cancellation
        );
        return reply is null
            ? refusal!
            : TypedResults.Ok(
                new TidyReply([.. reply.Places.Select(place => new TidyPlace(place.Id, place.X, place.Y))], reply.Simpler)
            );
    }
}

/// <summary>
/// Where shapes go; those that are not named stay. <paramref name="Simpler"/> says that they are only set out in rows, since
/// there are too many.
/// </summary>
public sealed record TidyReply(TidyPlace[] Places, bool Simpler);

/// <summary>A shape's new place, in quarter units.</summary>
public sealed record TidyPlace(string Id, int X, int Y);
