using BlueSlate.Drafting.Painting;

namespace BlueSlate.Drafting.Worker;

/// <summary>What a drafting process can be asked for.</summary>
public enum DraftKind
{
    Place,
    PlaceNew,
    Tidy,
    Paint,
}

/// <summary>Asks for places, or for a picture.</summary>
/// <param name="Kind">What is asked for.</param>
/// <param name="Drawing">The drawing as a document.</param>
public sealed record DraftRequest(DraftKind Kind, string Drawing)
{
    /// <summary>The shapes that are meant; all when empty.</summary>
    public string[] Only { get; init; } = [];

    /// <summary>The picture's format.</summary>
    public PictureFormat Format { get; init; }

    /// <summary>Pixels of a PNG for one of the slate.</summary>
    public double Scale { get; init; } = 1;

    /// <summary>Whether the simple layout is to be used whatever the drawing's size.</summary>
    public bool Simple { get; init; }
}

/// <summary>What came of it.</summary>
public sealed record DraftReply
{
    /// <summary>The drawing with places, for <see cref="DraftKind.Place"/> and <see cref="DraftKind.PlaceNew"/>.</summary>
    public string? Drawing { get; init; }

    /// <summary>New places, for <see cref="DraftKind.Tidy"/>.</summary>
    public DraftedPlace[] Places { get; init; } = [];

    /// <summary>The picture, for <see cref="DraftKind.Paint"/>.</summary>
    public byte[]? Picture { get; init; }

    /// <summary>Whether the simple layout was used because the drawing is too large for the careful one.</summary>
    public bool Simpler { get; init; }

    /// <summary>What went wrong, or null.</summary>
    public string? Failure { get; init; }
}

/// <summary>A shape's new place, in quarter units.</summary>
public sealed record DraftedPlace(string Id, int X, int Y);
