using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Notations;

/// <summary>
/// Which of the lines at a circle or half circle leads to the supertype, where no cup says it: the only double line; else the
/// only line that leads to the symbol, all others leading from it, or the other way round. Where boxes stand never matters.
/// </summary>
internal static class Supertype
{
    /// <summary>The line, and whether the drawing says so; where it does not, the line that was drawn first.</summary>
    public static (SeenLine Line, bool IsSaid) Among(IReadOnlyList<SeenLine> lines)
    {
        if (Only(lines, seen => seen.Line.Stroke == Stroke.Double) is { } doubled)
        {
            return (doubled, true);
        }

        if (Only(lines, LeadsToSymbol) is { } leading)
        {
            return (leading, true);
        }

        // Of two lines in one direction each could be it; of more, the one that runs against all others.
        return lines.Count > 2 && Only(lines, seen => !LeadsToSymbol(seen)) is { } against ? (against, true) : (lines[0], false);
    }

    private static bool LeadsToSymbol(SeenLine seen) => seen.NearSide == EndSide.To;

    private static SeenLine? Only(IReadOnlyList<SeenLine> lines, Func<SeenLine, bool> fits) =>
        lines.Count(fits) == 1 ? lines.First(fits) : null;
}
