using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>
/// Reads half circles and circles between a supertype and its subtypes. A second line beneath the symbol, or a double line to
/// the supertype, says total.
/// </summary>
internal static class SubtypeReader
{
    public static ImmutableArray<Specialisation> Read(Drawing drawing, List<Box> boxes, ImmutableArray<Remark>.Builder remarks)
    {
        var readable = boxes.Select(box => box.Id).ToHashSet(StringComparer.Ordinal);
        var targets = new EndTargets(drawing);
        var found = ImmutableArray.CreateBuilder<Specialisation>();
        foreach (var symbol in drawing.Shapes.Where(shape => shape.Form is Form.HalfCircle or Form.Circle))
        {
            var lines = targets
                .Lines.SelectMany(tied => tied.BothWays)
                .Where(seen => seen.Near?.Id == symbol.Id && seen.Far is not null && readable.Contains(seen.Far.Id))
                .ToList();
            if (lines.Count < 2)
            {
                remarks.Add(
                    new Remark(RemarkKind.LoneCircle, symbol.Id, "a circle that joins fewer than two boxes", "nothing", false)
                );
                continue;
            }

            var (super, isSaid) = Supertype.Among(lines);
            if (!isSaid)
            {
                remarks.Add(
                    new Remark(
                        RemarkKind.NoSupertype,
                        symbol.Id,
                        "lines of which none leads to the symbol from a supertype",
                        $"subtypes of {super.Far!.Text.Trim()}",
                        true
                    )
                );
            }

            bool? disjoint = symbol.Text.Trim().ToLowerInvariant() switch
            {
                "d" => true,
                "o" => false,
                _ => null,
            };
            var total = symbol.Outline == Outline.Double || super.Line.Stroke == Stroke.Double;
            found.Add(
                new Specialisation(
                    symbol.Id,
                    super.Far!.Id,
                    [.. lines.Where(seen => seen != super).Select(seen => new SubtypeLink(seen.Line.Id, seen.Far!.Id))],
                    disjoint,
                    total,
                    super.Line.Text.Trim()
                )
            );
        }

        return found.ToImmutable();
    }
}
