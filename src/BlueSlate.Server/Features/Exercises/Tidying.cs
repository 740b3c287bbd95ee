using BlueSlate.Drafting;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Asks for places: of the shapes named, or of all when none is.</summary>
public sealed record TidyRequest(string Drawing, string[] Only)
{
    /// <summary>The new places, or why there are none.</summary>
    internal IResult Answer()
    {
        var (drawing, refusal) = DrawingInput.Read(Drawing);
        return drawing is null
            ? refusal!
            : TypedResults.Ok(new TidyReply([.. Tidier.Tidy(drawing, Only).Select(place => new TidyPlace(place.Key, place.Value.X, place.Value.Y))]));
    }
}

/// <summary>Where shapes go; those that are not named stay.</summary>
public sealed record TidyReply(TidyPlace[] Places);

/// <summary>A shape's new place, in quarter units.</summary>
public sealed record TidyPlace(string Id, int X, int Y);
