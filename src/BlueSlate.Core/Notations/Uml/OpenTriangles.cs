using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>
/// Generalisations that were given an open arrowhead in place of the hollow triangle. They are known by what they say of their
/// set, or, where every association of the drawing says how many go with one, by saying nothing at all.
/// </summary>
internal static class OpenTriangles
{
    private static readonly string[] OfSets = ["complete", "incomplete", "disjoint", "overlapping"];

    /// <summary>The lines, by id, each seen from the end with the arrowhead.</summary>
    public static Dictionary<string, SeenLine> In(List<TiedLine> lines)
    {
        var bare = lines
            .Where(tied => tied.Line.Stroke is Stroke.Solid or Stroke.Thin)
            .SelectMany(tied => tied.BothWays)
            .Where(seen => IsBare(seen))
            .ToList();
        var others = lines
            .Where(tied =>
                tied.Line.Stroke is Stroke.Solid or Stroke.Thin
                && !bare.Exists(seen => seen.Line == tied.Line)
                && !HasTriangle(tied.Line)
            )
            .ToList();
        var allCounted =
            others.Count > 0 && others.TrueForAll(tied => tied.Line.From.Count.Length > 0 || tied.Line.To.Count.Length > 0);
        var general = bare.Where(seen => SaysOfSet(seen.Line)).Select(seen => seen.Near!.Id).ToHashSet(StringComparer.Ordinal);
        return bare.Where(seen => allCounted || general.Contains(seen.Near!.Id))
            .ToDictionary(seen => seen.Line.Id, StringComparer.Ordinal);
    }

    private static bool IsBare(SeenLine seen) =>
        seen.NearEnd.Marks is [EndMark.OpenArrow or EndMark.Arrow]
        && seen.FarEnd.Marks.IsEmpty
        && IsSilent(seen.NearEnd)
        && IsSilent(seen.FarEnd)
        && (seen.Line.Text.Trim().Length == 0 || SaysOfSet(seen.Line))
        && seen.Near != seen.Far;

    private static bool IsSilent(LineEnd end) => end is { Label.Length: 0, Role.Length: 0, Count.Length: 0, Qualifier.Length: 0 };

    private static bool SaysOfSet(Line line) => ClassName.Parse(line.Text) is var text && Array.Exists(OfSets, text.Says);

    private static bool HasTriangle(Line line) =>
        line.From.Marks.Concat(line.To.Marks).Any(mark => mark is EndMark.Triangle or EndMark.SolidTriangle);
}
