namespace BlueSlate.Core.Drawings;

/// <summary>How much one drawing may hold. The same numbers stand in the published schema and at the slate.</summary>
public static class DrawingLimits
{
    /// <summary>Bytes of the whole document.</summary>
    public const int Bytes = 512 * 1024;

    /// <summary>Shapes of all sheets together.</summary>
    public const int Shapes = 500;

    /// <summary>Lines of all sheets together.</summary>
    public const int Lines = 1000;

    /// <summary>Lines of text in one box.</summary>
    public const int LinesInBox = 50;

    /// <summary>Compartments of one box.</summary>
    public const int Compartments = 8;

    /// <summary>Characters (UTF-16 code units) of one text, of a note's too.</summary>
    public const int Text = 200;

    /// <summary>Characters of one id.</summary>
    public const int Id = 64;

    /// <summary>Sheets of one drawing.</summary>
    public const int Sheets = 20;

    /// <summary>Marks at one end.</summary>
    public const int Marks = 4;

    /// <summary>Points of one route.</summary>
    public const int RoutePoints = 40;

    /// <summary>Places of texts of one line.</summary>
    public const int Labels = 8;

    /// <summary>Coloured regions of one sheet.</summary>
    public const int Regions = 40;

    /// <summary>Colours of regions.</summary>
    public const int Hues = 6;

    /// <summary>Characters of a comment.</summary>
    public const int Comment = 1000;

    /// <summary>Ties to phrases of the scenario.</summary>
    public const int Ties = 2000;

    /// <summary>Properties of one object of the JSON text, those that are passed over among them.</summary>
    public const int Properties = 200;

    /// <summary>Nesting of the JSON text.</summary>
    public const int Depth = 32;

    /// <summary>The largest coordinate or size, in quarter units, either way from zero.</summary>
    public const int Coordinate = 400_000;
}
