using BlueSlate.Drafting.Painting;
using BlueSlate.Drafting.Sheets;

namespace BlueSlate.Drafting.Worker;

/// <summary>What a drafting process can be asked for.</summary>
public enum DraftKind
{
    Place,
    PlaceNew,
    Tidy,
    Paint,
    Write,
}

/// <summary>Asks for places, for a picture, or for feedback sheets.</summary>
/// <param name="Kind">What is asked for.</param>
/// <param name="Drawing">The drawing as a document.</param>
public sealed record DraftRequest(DraftKind Kind, string Drawing)
{
    /// <summary>The shapes that are meant; all when empty.</summary>
    public string[] Only { get; init; } = [];

    /// <summary>The sheet that is painted where one is meant; empty for the first.</summary>
    public string Sheet { get; init; } = "";

    /// <summary>The picture's format.</summary>
    public PictureFormat Format { get; init; }

    /// <summary>Pixels of a PNG for one of the slate.</summary>
    public double Scale { get; init; } = 1;

    /// <summary>Numbers at the parts of a picture; null for none.</summary>
    public Counts? Counts { get; init; }

    /// <summary>Whether the simple layout is to be used whatever the drawing's size.</summary>
    public bool Simple { get; init; }

    /// <summary>The sheets to be written, for <see cref="DraftKind.Write"/>; the drawing says nothing then.</summary>
    public FeedbackSheet[] Sheets { get; init; } = [];

    /// <summary>The title of one document of all sheets; a document for each of them where there is none.</summary>
    public string? Together { get; init; }

    /// <summary>Asks for feedback sheets.</summary>
    public static DraftRequest Of(FeedbackSheet[] sheets, string? together) =>
        new(DraftKind.Write, "") { Sheets = sheets, Together = together };
}

/// <summary>What came of it.</summary>
public sealed record DraftReply
{
    /// <summary>The drawing with places, for <see cref="DraftKind.Place"/> and <see cref="DraftKind.PlaceNew"/>.</summary>
    public string? Drawing { get; init; }

    /// <summary>New places, for <see cref="DraftKind.Tidy"/>.</summary>
    public DraftedPlace[] Places { get; init; } = [];

    /// <summary>The picture, for <see cref="DraftKind.Paint"/>; a written document, for <see cref="DraftKind.Write"/>.</summary>
    public byte[]? Picture { get; init; }

    /// <summary>Whether more replies to the same request follow; one comes for every sheet that is written.</summary>
    public bool MoreFollow { get; init; }

    /// <summary>Whether the simple layout was used because the drawing is too large for the careful one.</summary>
    public bool Simpler { get; init; }

    /// <summary>What went wrong, or null.</summary>
    public string? Failure { get; init; }
}

/// <summary>A shape's new place, in quarter units.</summary>
public sealed record DraftedPlace(string Id, int X, int Y);
