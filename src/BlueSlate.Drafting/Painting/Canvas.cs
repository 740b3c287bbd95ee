namespace BlueSlate.Drafting.Painting;

/// <summary>How a path is painted. The ground is white and the strokes are ink.</summary>
public enum Fill
{
    None,
    Ground,
    Ink,
    Tint,
}

/// <summary>A stroke's width in pixels, its dashes, and what fills the path.</summary>
public sealed record Brush(double Width, string Dashes = "", Fill Fill = Fill.None, int Hue = 0)
{
    /// <summary>The stroke of outlines and lines.</summary>
    public static Brush Line { get; } = new(1.4);

    /// <summary>A line that says nothing yet by how it is drawn.</summary>
    public static Brush Thin { get; } = new(0.7);
}

/// <summary>How a text is set.</summary>
/// <param name="Size">In pixels.</param>
/// <param name="Reading">In the face for what is read, else in that for what is worked with.</param>
/// <param name="Bold">Bold.</param>
/// <param name="Italic">Italic.</param>
/// <param name="Anchor">−1 where the point is where it begins, 0 its middle, 1 its end.</param>
/// <param name="Underline">Whether a solid or a dashed line stands beneath.</param>
/// <param name="Ochre">In the colour of what is said about a drawing, else in ink.</param>
public sealed record Lettering(
    double Size,
    bool Reading = false,
    bool Bold = false,
    bool Italic = false,
    int Anchor = -1,
    BlueSlate.Core.Drawings.Underline Underline = BlueSlate.Core.Drawings.Underline.None,
    bool Ochre = false
);

/// <summary>Something to paint on, in pixels at zoom 1; paths hold absolute <c>M L C Z</c>.</summary>
public interface ICanvas
{
    /// <summary>Paints a path.</summary>
    void Path(IReadOnlyList<PathPiece> pieces, Brush brush);

    /// <summary>Paints a circle filled with the ground.</summary>
    void Circle(double x, double y, double radius, Brush brush);

    /// <summary>Sets a text, its baseline at a point.</summary>
    void Text(string text, double x, double y, Lettering lettering);
}

/// <summary>A command of a path with its points.</summary>
public readonly record struct PathPiece(char Command, double[] Numbers);
